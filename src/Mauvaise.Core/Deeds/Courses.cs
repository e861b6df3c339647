using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Courses;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Ways;

namespace Mauvaise.Core.Deeds;

/// <summary>Opening a course.</summary>
public static class CourseDeeds
{
    /// <summary>A course with the shape of the way that it is part of, or the one that the life cycle gives it today.</summary>
    /// <param name="days">Days that the gardener chose, rising; empty to go by the life cycle.</param>
    /// <param name="wayId">The way that it is taken from; null for the proposed one, or the material by itself.</param>
    public static Course Open(
        GardenSnapshot garden,
        Guid id,
        Planting planting,
        Target target,
        Recipe recipe,
        DoseStep step,
        IReadOnlyList<DateOnly> days,
        DateTimeOffset at,
        string? wayId = null
    )
    {
        var material = garden.Catalogue.Material(recipe.Active.Material);
        var usual = CourseShape.For(garden, planting, target, material);
        var ways = WayBook.Of(garden).For(planting, target);
        var way = ways?.All.FirstOrDefault(w => w.Id == wayId && w.Option?.Material.Id == material.Id) ?? ways?.Of(material);
        var shape = way?.Shape ?? usual;
        var then = way?.After is { } after && days.Count == 0 ? new CourseRounds(after.Option.Recipe.Id, after.Shape.SpacingDays, after.Shape.Rounds) : null;
        // What is closer or longer than usual is kept as it was begun; the usual shape follows the weather.
        var asUsual = shape.SpacingDays == usual.SpacingDays && shape.Rounds == usual.Rounds;
        return new Course(
            id,
            planting.Id,
            target.Id,
            recipe.Id,
            at,
            step,
            shape.SpacingDays,
            days.Count > 0 ? days.Count : shape.Rounds,
            asUsual ? usual.DegreeDaysPerDay : null,
            days,
            Then: then
        );
    }
}
