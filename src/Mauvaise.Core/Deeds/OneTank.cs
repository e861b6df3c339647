using Mauvaise.Core.Catalogue;
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
    /// <summary>Every other trouble that is over its line there; empty for anything but a spray on one planting against a named trouble.</summary>
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
        return
        [
            .. garden
                .LatestLook(planting.Id)
                .Where(o => o is { LeavesLooked: > 0, LeavesAffected: > 0 })
                .Select(o => book.For(planting, o))
                .Where(set => set.Finding is { OverLine: true, Stale: false, Course: null, Target: { } other } && other.Id != named)
                .Select(set => Weigh(garden, ask, litres, active, own?.Sprays ?? 1, set)),
        ];
    }

    private static OneTank Weigh(GardenSnapshot garden, MixAsk ask, double litres, Material active, int rounds, WaySet set)
    {
        var other = set.Finding.Target!;
        var evening = Costs.OutingOf(set.Finding.Stance) + Costs.Tank;
        var sprayed = set.WithMaterials.Where(w => w.Option!.Recipe.Form == Form.Spray && w.Option.Material.Doses is { Per: DosedPer.Litre }).ToList();
        var shared = sprayed
            .Where(w => w.Allowed && (w.Option!.Material.Id == active.Id || Against(garden, ask, litres, w.Option.Material) is null))
            .Select(w => (Way: w, Cost: w.Cost - evening * Math.Min(rounds, w.Sprays)))
            .OrderBy(x => x.Cost)
            .FirstOrDefault();
        if (shared.Way is not { } way)
        {
            var wanted = (set.Mixed ?? sprayed.FirstOrDefault())?.Option!.Material;
            var why =
                wanted is null ? Say.Of("deeds.nothingIsSprayedAgainst", ("target", other.Name.InSentence()))
                : set.Of(wanted)!.Against is [var barred, ..] ? Say.Of("deeds.barredHere", ("material", wanted.Name), ("clause", barred.Clause))
                : Against(garden, ask, litres, wanted) ?? "";
            return new OneTank(other, null, false, false, Say.Of("deeds.wantsATankOfItsOwn", ("target", other.Name), ("why", why)));
        }

        var material = way.Option!.Material;
        var beside = material.Id != active.Id;
        var worth = shared.Cost < (set.Proposed?.Cost ?? double.MaxValue);
        var told = beside
            ? Say.Of("deeds.mayGoInBeside", ("material", material.Name), ("active", active.Name.InSentence()), ("target", other.Name.InSentence()))
            : Say.Of("deeds.worksOnBoth", ("material", material.Name), ("target", other.Name.InSentence()));
        return new OneTank(
            other,
            material,
            beside,
            worth,
            worth ? Say.Sentences(told, Say.Of("deeds.savesEvenings", ("n", Math.Min(rounds, way.Sprays))))
                : set.Proposed is { } best ? Say.Sentences(told, Say.Of("deeds.ratherByItself", ("way", best.Words)))
                : told
        );
    }

    /// <summary>Why a material does not go into the mix; null when it may.</summary>
    private static string? Against(GardenSnapshot garden, MixAsk ask, double litres, Material beside)
    {
        var made = MixDeeds.Make(garden, ask with { Add = [.. ask.Add, beside.Id] }, litres);
        var alone = MixDeeds.Make(garden, ask, litres).Reasons.Where(r => r.Verdict != MixVerdict.Ok).Select(r => r.Sentence).ToHashSet();
        // What speaks against the mix as it is was said already.
        return made.Reasons.FirstOrDefault(r => r.Verdict != MixVerdict.Ok && !alone.Contains(r.Sentence))?.Sentence;
    }

    /// <summary>Whether a feed may go into the same tank, as a sentence.</summary>
    public static string? Feed(GardenCatalogue catalogue, Material active) =>
        catalogue.Materials.FirstOrDefault(m => m.GivenAs == Form.Feed || catalogue.RecipeFor(m.Id) is { Form: Form.Feed }) is { } feed && feed.Id != active.Id
            ? Pairs.Between(catalogue, active, feed) is { InOneTank: "never", Why: var why }
                ? Say.Of("deeds.feedStaysOut", ("feed", feed.Name.InSentence()), ("why", why))
                : null
            : null;
}
