using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Planning;

/// <summary>What became of the plan since the gardener last looked at it.</summary>
internal static class RotaChanges
{
    public static IReadOnlyList<PlanChange> Since(GardenSnapshot garden, IReadOnlyList<PlannedRound> rounds)
    {
        if (garden.SeenPlan.Count == 0)
        {
            return [];
        }

        var seen = garden.SeenPlan.ToDictionary(s => s.Key);
        var now = rounds.ToDictionary(r => r.Key);
        return
        [
            .. rounds
                .Where(r => !seen.ContainsKey(r.Key))
                .Select(r => new PlanChange(
                    ChangeKind.New,
                    r.Planting,
                    Said.Of(
                        "planning.newOn",
                        ("words", Fact.Clause(Words(garden, r))),
                        ("date", Fact.Weekday(r.On)),
                        ("why", Fact.Clause(r.Why.Count > 0 ? r.Why[0] : r.WhyThen))
                    )
                )),
            .. rounds
                .Where(r => seen.TryGetValue(r.Key, out var s) && s.On != r.On)
                .Select(r => new PlanChange(
                    ChangeKind.Moved,
                    r.Planting,
                    Said.Of(
                        "planning.movedFrom",
                        ("words", Fact.Clause(Words(garden, r))),
                        ("date", Fact.Weekday(seen[r.Key].On)),
                        ("date2", Fact.Weekday(r.On)),
                        ("movedWhy", Fact.Clause(MovedWhy(garden, r, seen[r.Key])))
                    )
                )),
            .. rounds
                .Where(r => seen.TryGetValue(r.Key, out var s) && s.On == r.On && s.Recipe != r.Recipe.Id)
                .Select(r => new PlanChange(
                    ChangeKind.OtherMix,
                    r.Planting,
                    Said.Of(
                        "planning.insteadOf",
                        ("garden", Fact.Thing(garden.Where(r.Planting))),
                        ("recipe", Fact.Thing(r.Recipe.Name.InSentence())),
                        ("findRecipe", Fact.Thing(garden.Catalogue.FindRecipe(seen[r.Key].Recipe)?.Name.InSentence() ?? Say.Of("planning.whatWasPlanned"))),
                        ("date", Fact.Weekday(r.On))
                    )
                )),
            .. garden.SeenPlan.Where(s => !now.ContainsKey(s.Key)).Select(s => Dropped(garden, s)).OfType<PlanChange>(),
        ];
    }

    private static Said MovedWhy(GardenSnapshot garden, PlannedRound round, SeenRound seen) =>
        round switch
        {
            { Pinned: true } => Said.Of("planning.youPinned"),
            _ when seen.On < garden.Today => Said.Of("planning.itsDayWent"),
            _ when garden.Choices.Any(c => c.Word == PlanWord.Skip && c.PlantingId == round.Planting.Id && c.Target == round.Target.Id) => Said.Of(
                "planning.youSkipped"
            ),
            _ => round.WhyThen,
        };

    /// <summary>Null for a round that was done: that is no news.</summary>
    private static PlanChange? Dropped(GardenSnapshot garden, SeenRound seen)
    {
        if (
            RoundKey.Read(seen.Key) is not { PlantingId: var id } key
            || garden.FindPlanting(id) is not { } planting
            || garden.Catalogue.FindTarget(key.Target) is not { } target
        )
        {
            return null;
        }

        if (garden.SpraysOn(id).Any(a => !a.PatchTest && a.IsAgainst(target.Id) && garden.Garden.DateOf(a.At) >= seen.On.AddDays(-3)))
        {
            return null;
        }

        var why =
            !planting.GrowsOn(garden.Today) ? Said.Of("planning.thePlantingHasEnded")
            : garden.Choices.Any(c => c.Word == PlanWord.Skip && c.PlantingId == id && c.Target == target.Id) ? Said.Of("planning.youSkipped2")
            : seen.On > garden.Today.AddDays(RotaPlanner.FirmDays - 1) ? Said.Of("planning.itLiesBeyondTheFortnightNow")
            : Said.Of("planning.itIsNotWantedAnyMore");
        return new PlanChange(
            ChangeKind.Dropped,
            planting,
            Said.Of(
                "planning.nothingAgainst",
                ("garden", Fact.Thing(garden.Where(planting))),
                ("target", Fact.Thing(target.Name.InSentence())),
                ("date", Fact.Weekday(seen.On)),
                ("why", Fact.Clause(why))
            )
        );
    }

    private static Said Words(GardenSnapshot garden, PlannedRound r) =>
        Said.Of(
            "planning.against",
            ("garden", Fact.Thing(garden.Where(r.Planting))),
            ("recipe", Fact.Thing(r.Recipe.Name.InSentence())),
            ("target", Fact.Thing(r.Target.Name.InSentence()))
        );
}
