using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Planning;

/// <summary>Something that a planting wants to be sprayed with, before the rota has said when.</summary>
internal sealed record SprayWish(Planting Planting, Target Target, DeedKind Kind, MaterialOption Option, DoseStep Step, List<Reason> Reasons);

/// <summary>What is mixed this evening: of all wishes those that the rota has today, those of one mix in one tank.</summary>
internal static class EveningTanks
{
    /// <param name="left">Takes what the rota has later, or not at all, with its reason.</param>
    public static IEnumerable<Deed> Of(GardenSnapshot garden, List<SprayWish> wishes, List<LeftAlone> left) => Tanks(garden, Today(garden, wishes, left));

    /// <summary>What the rota puts on today, with the mix that it chose; what it puts later is told.</summary>
    private static List<SprayWish> Today(GardenSnapshot garden, List<SprayWish> wishes, List<LeftAlone> left)
    {
        if (wishes.Count == 0)
        {
            return wishes;
        }

        var rota = RotaPlanner.Plan(garden);
        var today = new List<SprayWish>();
        foreach (var wish in wishes)
        {
            var (id, target) = (wish.Planting.Id, wish.Target.Id);
            switch (rota.Next(id, target), rota.WhyNot(id, target))
            {
                case ({ } next, _) when next.On > garden.Today:
                    left.Add(new(id, PlannedLater(garden, wish.Planting, wish.Target, next)));
                    break;
                case ({ } next, _):
                    today.Add(
                        wish with
                        {
                            Option = wish.Option with { Recipe = next.Recipe, Material = garden.Catalogue.Material(next.Recipe.Active.Material) },
                            Reasons = [.. wish.Reasons, .. next.WhyThen is { } why ? [new Reason("day", why)] : Array.Empty<Reason>()],
                        }
                    );
                    break;
                case (null, { } whyNot):
                    left.Add(
                        new(
                            id,
                            Said.Of(
                                "planning.isNotPlanned",
                                ("garden", Fact.Thing(garden.Where(wish.Planting))),
                                ("target", Fact.Thing(wish.Target.Name.InSentence())),
                                ("sentence", Fact.Clause(whyNot))
                            )
                        )
                    );
                    break;
                default:
                    today.Add(wish);
                    break;
            }
        }

        return today;
    }

    private static Said PlannedLater(GardenSnapshot garden, Planting planting, Target target, NextMix next) =>
        Said.Sentences(
            Said.Of(
                "planning.plannedFor",
                ("garden", Fact.Thing(garden.Where(planting))),
                ("target", Fact.Thing(target.Name.InSentence())),
                ("date", Fact.Weekday(next.On))
            ),
            next.WhyThen
        );

    /// <summary>The kind of deed that comes of a wish: a trial on two leaves before the first time on a crop.</summary>
    private static DeedKind KindOf(GardenSnapshot garden, SprayWish wish) =>
        UseGuards.PatchOf(garden, garden.Catalogue.Crop(wish.Planting.Crop), wish.Option.Material).State == PatchState.Needed ? DeedKind.PatchTest : wish.Kind;

    private static IEnumerable<Deed> Tanks(GardenSnapshot garden, List<SprayWish> wishes) =>
        from w in wishes
        group w by (w.Option.Recipe.Id, w.Step, Patch: KindOf(garden, w) == DeedKind.PatchTest) into tank
        let first = tank.First()
        let plantings = tank.Select(w => w.Planting).ToList()
        let recipe = first.Option.Recipe
        let litres = tank.Key.Patch ? SprayVolume.PatchTestLitres : SprayVolume.SizeFor(garden, recipe, plantings)
        let text = MixSize.Text(garden, recipe, litres)
        let bottle = Mixed(garden, first.Option.Recipe, plantings, tank.Key.Patch)
        let kind = tank.Key.Patch ? DeedKind.PatchTest
        : tank.All(w => w.Kind == DeedKind.Renew) ? DeedKind.Renew
        : DeedKind.Spray
        let spots = string.Join(", ", plantings.Select(p => garden.Where(p)))
        select new Deed(
            kind,
            tank.Key.Patch
                ? Say.Of("planning.twoLeavesFirst", ("recipe", first.Option.Recipe.Name.InSentence()), ("spots", spots))
                : $"{first.Option.Recipe.Name}: {spots}",
            bottle is not null
                    ? Say.Of(
                        "planning.itStandsMixedSinceSpray",
                        ("time", Figure.Time(garden.Garden.Zone.Local(bottle.MadeAt))),
                        ("text", TankVolume.Text(garden.LeftIn(bottle), garden.Garden.Kitchen)),
                        ("when", EveningPlanner.When(garden, garden.Garden.DateOf(bottle.UseBy)))
                    )
                : tank.Key.Patch ? Say.Of("planning.itIsNewOnThisCrop", ("text", text), ("hours", UseGuards.PatchTestDays * 24))
                : recipe.Form == Form.Spray ? Say.Of("planning.doseUndersidesFirst", ("text", text), ("step", Say.Word(first.Step)))
                : Say.Sentences(Say.Of("planning.dose", ("text", text), ("step", Say.Word(first.Step))), recipe.Shake),
            [.. tank.SelectMany(w => w.Reasons).Distinct()],
            [.. plantings.Select(p => p.Id)],
            new Tank(first.Option.Recipe, first.Step, litres, first.Target),
            null
        )
        {
            BatchId = bottle?.Id,
        };

    /// <summary>The bottle that was mixed for these plantings and of which nothing went on yet.</summary>
    private static Batch? Mixed(GardenSnapshot garden, Recipe recipe, List<Planting> plantings, bool patch) =>
        garden.Batches.LastOrDefault(b =>
            b.Recipe == recipe.Id
            && b.PatchTest == patch
            && b.EmptiedAt is null
            && b.UseBy > garden.Now
            && b.Litres > 0
            && plantings.TrueForAll(p => b.PlantingIds.Contains(p.Id))
            && garden.LeftIn(b) >= b.Litres
        );
}
