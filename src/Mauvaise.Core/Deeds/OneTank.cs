using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Courses;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Ways;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Deeds;

/// <summary>One filling against a second trouble of the same planting, weighed against going out for each.</summary>
/// <param name="Material">What in it works on the second: the active itself, or what goes in beside it; null when nothing may.</param>
/// <param name="Beside">It goes in beside the active.</param>
/// <param name="Worth">It costs less, crop lost and evenings together, than meeting the second by its own best way.</param>
/// <param name="Sentence">What it comes to, or why not.</param>
public sealed record OneTank(Target Other, Material? Material, bool Beside, bool Worth, string Sentence)
{
    /// <summary>
    /// Every other trouble that is over its line there, or whose next round is due; empty for anything but a spray on one planting against a named trouble.
    /// </summary>
    /// <param name="ask">The mix as it is asked for, without anything against a second trouble.</param>
    public static IReadOnlyList<OneTank> For(GardenSnapshot garden, MixAsk ask, double litres)
    {
        if (
            ask is not { Plantings: [var one], Target: { } named, PatchTest: false }
            || garden.FindPlanting(one) is not { } planting
            || garden.Catalogue.FindRecipe(ask.Recipe) is not { Form: Form.Spray } recipe
        )
        {
            return [];
        }

        var book = WayBook.Of(garden);
        var active = garden.Catalogue.Material(recipe.Active.Material);
        var own = book.For(planting, garden.Catalogue.Target(named))?.Of(active);
        var running = garden
            .Courses.Where(c => c.PlantingId == one && c.Target != named)
            .Select(c => CourseProgress.Of(garden, c))
            .Where(c => !c.IsOver)
            .ToList();
        var alone = MixDeeds.Make(garden, ask, litres).Reasons.Where(r => r.Verdict != MixVerdict.Ok).Select(r => r.Sentence).ToHashSet();
        var first = new First(garden, ask, litres, active, own?.Sprays ?? 1, alone);
        return
        [
            .. running.Where(c => c.NextOn <= garden.Today.AddDays(DueWithinDays)).Select(c => RoundOf(first, c)),
            .. garden
                .LatestLook(planting.Id)
                .Where(o => o is { LeavesLooked: > 0, LeavesAffected: > 0 })
                .Select(o => book.For(planting, o))
                .Where(set =>
                    set.Finding is { OverLine: true, Stale: false, Target: { } other }
                    && other.Id != named
                    && running.TrueForAll(c => c.Course.Target != other.Id)
                )
                .Select(set => Weigh(first, set)),
        ];
    }

    /// <summary>A round that is due so soon goes along (assumed).</summary>
    private const int DueWithinDays = 1;

    /// <summary>The mix against the first trouble.</summary>
    /// <param name="Rounds">Of its course.</param>
    /// <param name="Against">What speaks against it by itself, as sentences.</param>
    private sealed record First(GardenSnapshot Garden, MixAsk Ask, double Litres, Material Active, int Rounds, HashSet<string> Against)
    {
        /// <summary>Why a material does not go in as well; null when it may, or is in it.</summary>
        public string? Bars(Material beside) =>
            beside.Id == Active.Id
                ? null
                // What speaks against the mix as it is was said already.
                : MixDeeds
                    .Make(Garden, Ask with { Add = [.. Ask.Add, beside.Id] }, Litres)
                    .Reasons.FirstOrDefault(r => r.Verdict != MixVerdict.Ok && !Against.Contains(r.Sentence))
                    ?.Sentence;

        public string Told(Material material, Target other) =>
            material.Id == Active.Id
                ? Say.Of("deeds.worksOnBoth", ("material", material.Name), ("target", other.Name.InSentence()))
                : Say.Of("deeds.mayGoInBeside", ("material", material.Name), ("active", Active.Name.InSentence()), ("target", other.Name.InSentence()));
    }

    private static OneTank Apart(Target other, string why) =>
        new(other, null, false, false, Say.Of("deeds.wantsATankOfItsOwn", ("target", other.Name), ("why", why)));

    /// <summary>The next round of a course against another trouble, which is due as well.</summary>
    private static OneTank RoundOf(First first, CourseProgress course)
    {
        var other = first.Garden.Catalogue.Target(course.Course.Target);
        var material = first.Garden.Catalogue.Material(course.Recipe.Active.Material);
        return first.Bars(material) is { } why
            ? Apart(other, why)
            : new OneTank(other, material, material.Id != first.Active.Id, true, Say.Sentences(first.Told(material, other), Say.Of("deeds.itsRoundIsDueToo")));
    }

    private static OneTank Weigh(First first, WaySet set)
    {
        var other = set.Finding.Target!;
        var evening = Costs.OutingOf(set.Finding.Stance) + Costs.Tank;
        var sprayed = set.WithMaterials.Where(w => w.Option!.Recipe.Form == Form.Spray && w.Option.Material.Doses is { Per: DosedPer.Litre }).ToList();
        var shared = sprayed
            .Where(w => w.Allowed && first.Bars(w.Option!.Material) is null)
            .Select(w => (Way: w, Cost: w.Cost - evening * Math.Min(first.Rounds, w.Sprays)))
            .OrderBy(x => x.Cost)
            .FirstOrDefault();
        if (shared.Way is not { } way)
        {
            var wanted = (set.Mixed ?? sprayed.FirstOrDefault())?.Option!.Material;
            return Apart(
                other,
                wanted is null ? Say.Of("deeds.nothingIsSprayedAgainst", ("target", other.Name.InSentence()))
                    : set.Of(wanted)!.Against is [var barred, ..] ? Say.Of("deeds.barredHere", ("material", wanted.Name), ("clause", barred.Clause))
                    : first.Bars(wanted) ?? ""
            );
        }

        var material = way.Option!.Material;
        var worth = shared.Cost < (set.Proposed?.Cost ?? double.MaxValue);
        return new OneTank(
            other,
            material,
            material.Id != first.Active.Id,
            worth,
            Say.Sentences(
                first.Told(material, other),
                worth ? Say.Of("deeds.savesEvenings", ("n", Math.Min(first.Rounds, way.Sprays)))
                    : set.Proposed is { } best ? Say.Of("deeds.ratherByItself", ("way", best.Words))
                    : null
            )
        );
    }

    /// <summary>Whether a feed may go into the same tank, as a sentence.</summary>
    public static string? Feed(GardenCatalogue catalogue, Material active) =>
        catalogue.Materials.FirstOrDefault(m => m.GivenAs == Form.Feed || catalogue.RecipeFor(m.Id) is { Form: Form.Feed }) is { } feed
        && feed.Id != active.Id
        && Pairs.Between(catalogue, active, feed) is { InOneTank: "never", Why: var why }
            ? Say.Of("deeds.feedStaysOut", ("feed", feed.Name.InSentence()), ("why", why))
            : null;
}
