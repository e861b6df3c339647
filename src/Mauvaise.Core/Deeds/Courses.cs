using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Courses;
using Mauvaise.Core.Gardens;

namespace Mauvaise.Core.Deeds;

/// <summary>Opening a course.</summary>
public static class CourseDeeds
{
    /// <summary>A course with the shape that the life cycle gives it today.</summary>
    /// <param name="days">Days that the gardener chose, rising; empty to go by the life cycle.</param>
    public static Course Open(GardenSnapshot garden, Guid id, Planting planting, Target target, Recipe recipe, DoseStep step, IReadOnlyList<DateOnly> days, DateTimeOffset at)
    {
        var shape = CourseShape.For(garden, planting, target, garden.Catalogue.Material(recipe.Active.Material));
        return new Course(id, planting.Id, target.Id, recipe.Id, at, step, shape.SpacingDays, days.Count > 0 ? days.Count : shape.Rounds, shape.DegreeDaysPerDay, days);
    }
}
