using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Time;

namespace Mauvaise.Core.Planning;

/// <summary>Puts the gardening back into a solved problem: outings in order, and the reasons for and against.</summary>
internal sealed class RotaReading(RotaBuild build)
{
    private readonly GardenSnapshot garden = build.Garden;
    private readonly IReadOnlyList<Need> needs = build.Needs;
    private readonly HalfDayHours hours = build.Hours;

    public Rota Read(RotaSolution solution)
    {
        var rounds = needs.SelectMany((n, i) => RoundsOf(i, n, solution.Choices[i])).ToList();
        var outings = rounds
            .GroupBy(r => (r.On, Morning: Morning(r)))
            .OrderBy(g => g.Key.On)
            .ThenByDescending(g => g.Key.Morning)
            .Select(g => ToOuting(g.Key.On, g.Key.Morning, [.. g]))
            .ToList();
        var patches = needs
            .Select((n, i) => (Need: n, solution.Choices[i].Option))
            .Where(x => x.Need.Options.Count > 0)
            .Select(x => (x.Need, Option: x.Need.Options[Math.Max(0, x.Option)]))
            .Where(x => x.Option.PatchOn is not null)
            .Select(x => new PlannedPatch(
                x.Need.Planting,
                x.Need.Place,
                x.Need.Target,
                x.Option.Option.Recipe,
                x.Option.PatchOn!.Value,
                hours.Of(x.Need.Place, x.Option.Option.Material).Take(4).FirstOrDefault(h => h is not null)
            ))
            .ToList();
        return new Rota(
            garden.Today,
            garden.Today.AddDays(build.FirmDays - 1),
            outings,
            patches,
            RotaVisits.CheckBacks(garden, rounds),
            RotaVisits.Walks(garden, [.. outings.Select(o => o.On).Distinct()]),
            [.. needs.Index().Where(n => solution.Choices[n.Index].Option < 0).Select(n => new NotPlanned(n.Item.Planting, n.Item.Target, WhyNot(n.Index)))],
            [.. Cannot()],
            RotaOutline.Of(garden, rounds),
            RotaChanges.Since(garden, rounds),
            solution.Cost
        );
    }

    private bool Morning(PlannedRound r) => DayHalf.Of(r.Hours.From, garden.Garden.Zone).IsMorning;

    private IEnumerable<PlannedRound> RoundsOf(int index, Need need, RotaChoice choice)
    {
        if (choice.Option < 0)
        {
            yield break;
        }

        var option = need.Options[choice.Option];
        var slots = hours.Of(need.Place, option.Option.Material);
        for (var k = 0; k < choice.Slots.Length; k++)
        {
            var slot = choice.Slots[k];
            yield return new PlannedRound(
                need.Key(k),
                need.Kind,
                need.Planting,
                need.Place,
                need.Target,
                option.Option.Recipe,
                need.Step,
                need.RoundsGiven + k + 1,
                Math.Max(need.Rounds, need.RoundsGiven + k + 1),
                garden.Today.AddDays(RotaProblem.DayOf(slot)),
                slots[slot]!,
                k == 0 && need.Pinned is not null,
                0,
                k == 0 ? [.. need.Why, .. option.Option.Reasons] : [],
                k == 0
                    ? DayWhy(index, need, choice.Option, slot)
                    : Said.Of("planning.round", ("roundsGiven", Fact.Count(need.RoundsGiven + k + 1)), ("because", Fact.Clause(option.Shape.Because))),
                k == 0 ? need.Against : []
            );
        }
    }

    /// <summary>Why this day: what a day or two later would cost, or why it was not sooner.</summary>
    private Said DayWhy(int index, Need need, int option, int slot)
    {
        if (need.Pinned is not null)
        {
            return Said.Of("planning.youPinnedItToThisDay");
        }

        var first = build.Problem.Needs[index].Options[option].First;
        var sooner = Enumerable.Range(0, slot).Where(s => double.IsPositiveInfinity(first[s])).Count();
        var later = Enumerable
            .Range(slot + 1, build.Problem.Slots - slot - 1)
            .Where(s => !double.IsPositiveInfinity(first[s]) && RotaProblem.DayOf(s) >= RotaProblem.DayOf(slot) + 3)
            .Select(s => (int?)s)
            .FirstOrDefault();
        var cost = later is { } l
            ? Said.Of("planning.threeDaysLaterItWouldCost", ("it", Fact.Percent(Math.Max(0, first[l] - first[slot]) * 100, "0.0")))
            : null;
        return Said.Sentences(sooner >= slot ? Said.Of("planning.theFirstTimeThatHours") : Said.Of("planning.itGoesWithWhatElse"), cost);
    }

    private Outing ToOuting(DateOnly on, bool morning, List<PlannedRound> rounds)
    {
        // What is only protected comes before what is sick: hands and hoses carry it.
        var tanks = rounds
            .GroupBy(r => (r.Recipe.Id, r.Step))
            .Select(g =>
            {
                List<PlannedRound> inOrder =
                [
                    .. g.OrderBy(r => r.Kind != NeedKind.Protect)
                        .ThenBy(r => r.Hours.From)
                        .ThenBy(r => r.Place.Order)
                        .ThenBy(r => r.Planting.Crop, StringComparer.Ordinal),
                ];
                return Tank(g.Key.Step, inOrder);
            })
            .OrderBy(t => t.Rounds.Any(r => r.Kind != NeedKind.Protect))
            .ThenBy(t => t.Rounds[0].Hours.From)
            .ThenBy(t => t.Recipe.Id, StringComparer.Ordinal)
            .ToList();
        var there = rounds.Select(r => r.Planting.Id).ToHashSet();
        var hours = new SlotHours(rounds.Min(r => r.Hours.From), rounds.Max(r => r.Hours.To), rounds.Max(r => r.Hours.Verdict), rounds.All(r => r.Hours.Known));
        return new Outing(
            rounds.Select(r => r.Key).Min(StringComparer.Ordinal)!,
            on,
            morning,
            hours,
            tanks,
            [
                .. garden.Tasks.Where(t =>
                    t.State == TaskState.Planned
                    && t.DueOn <= on
                    && there.Contains(t.PlantingId)
                    && garden.Catalogue.FindMeasure(t.Step) is { Rung: not Rung.Look }
                ),
            ]
        );
    }

    /// <summary>One tank for rounds in order; what each of them takes of it adds up to the tank.</summary>
    private PlannedTank Tank(DoseStep step, List<PlannedRound> rounds)
    {
        var plantings = rounds.Select(r => r.Planting).DistinctBy(p => p.Id).ToList();
        var recipe = rounds[0].Recipe;
        var litres = SprayVolume.SizeFor(garden, recipe, plantings);
        var all = plantings.Sum(p => SprayVolume.SizeFor(garden, recipe, [p]));
        return new PlannedTank(
            recipe,
            step,
            litres,
            [
                .. rounds.Select(r =>
                    r with
                    {
                        Litres = litres * SprayVolume.SizeFor(garden, recipe, [r.Planting]) / all / rounds.Count(x => x.Planting.Id == r.Planting.Id),
                    }
                ),
            ]
        );
    }

    /// <summary>Why a need is not planned, and what would change that.</summary>
    public Said WhyNot(int index)
    {
        var need = needs[index];
        if (need.Options.Count == 0)
        {
            return need.Against.Count > 0
                ? Said.Sentences(need.Against[0], need.Against.Skip(1).FirstOrDefault())
                : Said.Of("planning.nothingThatMayBeUsedHere", ("target", Fact.Thing(need.Target.Name.InSentence())));
        }

        var option = need.Options[0];
        var material = option.Option.Material;
        var inMix = MaterialChoice.MaterialsIn(garden.Catalogue, option.Option.Recipe);
        var earliest = option.From > need.From ? option.From : need.From;
        var on = need.Pinned ?? earliest;
        if (on < earliest)
        {
            return option.PatchOn is null
                ? Said.Of("planning.notBefore", ("date", Fact.Weekday(earliest)))
                : Said.Of("planning.notBeforeTwoLeavesAreTried", ("date", Fact.Weekday(earliest)));
        }

        var at = garden.Now.AddDays(on.DayNumber - garden.Today.DayNumber);
        if (UseGuards.Against(garden, need.Planting, inMix, at, MaterialChoice.Working(option.Option.Recipe)) is [var first, ..])
        {
            return first.Said.About(Fact.Thing(material.Name));
        }

        var open = hours.Of(need.Place, material);
        var wanted = Enumerable.Range(0, open.Length).Where(s => need.Pinned is null || garden.Today.AddDays(RotaProblem.DayOf(s)) == on);
        if (wanted.All(s => open[s] is null))
        {
            return need.Pinned is null
                ? Said.Of(
                    "planning.noHourInTheFortnightSuits",
                    ("material", Fact.Thing(material.Name.InSentence())),
                    ("closedBy", Fact.Clause(ClosedBy(need.Place, material, on)))
                )
                : Said.Of(
                    "planning.noHourOnSuitsThere",
                    ("date", Fact.Weekday(on)),
                    ("material", Fact.Thing(material.Name.InSentence())),
                    ("closedBy", Fact.Clause(ClosedBy(need.Place, material, on)))
                );
        }

        foreach (var ((limited, left), amount) in build.TakesOf(need, option).Where(t => t.Amount > t.Resource.Left))
        {
            return limited.Kind == LimitKind.Shelf && garden.Catalogue.Material(limited.What) is var what
                ? Said.Of(
                    "planning.aRoundTakes",
                    ("amount", Fact.OnShelf(amount, what.Unit)),
                    ("what", Fact.Thing(what.Name.InSentence())),
                    ("amount2", Fact.OnShelf(left, what.Unit))
                )
                : Said.Of("planning.hasBeenGivenHereAsOften", ("material", Fact.Thing(material.Name)));
        }

        return need.Pinned is null ? Said.Of("planning.besideWhatIsPlannedItWould") : Said.Of("planning.onItWouldBreakAWait", ("date", Fact.Weekday(on)));
    }

    /// <summary>The rule that closes most hours of a day, in a sentence.</summary>
    private Said ClosedBy(Place place, Material material, DateOnly on)
    {
        var judged = SprayHours.Judge(garden.PlannedSkyOf(place), Later(garden.Now, garden.Garden.StartOf(on)), garden.Garden.StartOf(on.AddDays(1)), material);
        var rule = judged
            .SelectMany(h => h.Rules)
            .Where(r => r.Verdict == Verdict.Never)
            .GroupBy(r => r.Rule)
            .OrderByDescending(g => g.Count())
            .FirstOrDefault();
        return rule is not null ? Said.Plain(rule.First().Sentence) : Said.Of("planning.nobodyIsFreeOrTheWeather");
    }

    private static DateTimeOffset Later(DateTimeOffset a, DateTimeOffset b) => a > b ? a : b;

    private IEnumerable<Said> Cannot()
    {
        if (garden.Weather.Hours.All(h => !h.IsComplete))
        {
            yield return Said.Of("planning.noWeatherIsKnownSoHours");
        }

        if (garden.Garden.Free is { } free && free.Days.All(d => d == 0))
        {
            yield return Said.Of("planning.nobodyIsEverFreeSoNothing");
        }

        if (garden.Stocks.Count == 0)
        {
            yield return Said.Of("planning.nothingIsWrittenDown");
        }
    }
}
