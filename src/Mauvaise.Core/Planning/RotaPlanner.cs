using System.Globalization;
using Mauvaise.Core.Actions;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Sky;

namespace Mauvaise.Core.Planning;

/// <summary>
/// The rota: finds what wants to be sprayed, lays it bare as a <see cref="RotaProblem"/>, solves that, and puts the gardening back.
/// Deterministic, and nothing in it breaks a hard rule.
/// </summary>
public static class RotaPlanner
{
    /// <summary>Days that are planned firmly.</summary>
    public const int FirmDays = 14;

    private const int WalkEveryDays = 6;

    /// <summary>Longer ago than any wait, row or label interval reaches.</summary>
    private const int HistoryMattersDays = 120;

    /// <summary>What things cost, as shares of the value of one mean place's crop (assumed).</summary>
    private const double OutingCost = 0.008;
    private const double TankCost = 0.003;
    private const double LitreCost = 0.001;
    private const double HelperCost = 0.02;
    private const double StressCost = 0.002;
    private const double TenderCost = 0.006;
    private const double PoorHourCost = 0.003;
    private const double UnknownHourCost = 0.001;
    private const double GapOffCost = 0.004;
    private const double DelayCost = 0.0012;

    /// <summary>Far over its line a trouble is up to this many times as urgent (assumed).</summary>
    private const double MostUrgent = 4;

    /// <summary>Of a patch test that has to come first, and of a choice of material that is one point worse (assumed).</summary>
    private const double PatchCost = 0.004;
    private const double WorseCost = 0.004;

    /// <summary>Of leaving a place open to a disease for a fortnight at full pressure, before anything shows (assumed).</summary>
    private const double UnprotectedCost = 0.02;
    private const double ChangeCost = 0.002;

    /// <summary>Leaving out what is over its line, or a round of a course, costs this many visits at least.</summary>
    private const double SkipVisits = 12;

    /// <summary>The same mix is not given twice to one place within so many days, even against two troubles (assumed).</summary>
    private const int RepeatAfterDays = 2;

    private const double PinnedCost = 100;

    /// <param name="firmDays">How far ahead it plans firmly, days.</param>
    public static Rota Plan(GardenSnapshot garden, int firmDays = FirmDays)
    {
        var build = new Build(garden, RotaNeeds.Find(garden), firmDays);
        var solution = RotaSolver.Solve(build.Problem);
        return build.Assemble(solution);
    }

    /// <summary>What it would cost to do a need's next round on each of the firm days instead; null where that can not be, with the reason.</summary>
    public static IReadOnlyList<(DateOnly On, double? More, string Sentence)> Moves(GardenSnapshot garden, Guid plantingId, string target)
    {
        var needs = RotaNeeds.Find(garden);
        var now = new Build(garden, needs);
        var index = needs.Index().Where(n => n.Item.Planting.Id == plantingId && n.Item.Target.Id == target).Select(n => (int?)n.Index).FirstOrDefault();
        if (index is not { } i)
        {
            return [];
        }

        var cost = RotaSolver.Solve(now.Problem).Cost;
        return
        [
            .. Enumerable.Range(0, FirmDays).Select(day =>
            {
                var on = garden.Today.AddDays(day);
                var pinned = new Build(garden, [.. needs.Select((n, k) => k == i ? n with { Pinned = on } : n)]);
                var moved = RotaSolver.Solve(pinned.Problem);
                if (moved.Choices[i].Option < 0)
                {
                    return (on, (double?)null, pinned.WhyNot(i));
                }

                var more = moved.Cost - cost;
                return (on, more, more < 5e-5 ? "As good as planned." : FormattableString.Invariant($"Costs {more * 100:0.00} % of a bed's crop more."));
            }),
        ];
    }

    private static double StanceWeight(Stance stance) => stance switch
    {
        Stance.LastResort => 2,
        Stance.KeepAhead => 0.6,
        _ => 1,
    };

    private sealed class Build
    {
        private readonly GardenSnapshot garden;
        private readonly IReadOnlyList<Need> needs;
        private readonly RotaHours hours;
        private readonly List<Recipe> recipes = [];
        private readonly List<(string Key, double Left)> resources = [];
        private readonly Dictionary<string, int> resourceIndex = [];
        private readonly double meanArea;

        private readonly int firmDays;

        public Build(GardenSnapshot garden, IReadOnlyList<Need> needs, int firmDays = FirmDays)
        {
            (this.garden, this.needs, this.firmDays) = (garden, needs, firmDays);
            hours = new RotaHours(garden, firmDays);
            meanArea = garden.Places.Select(p => p.AreaM2).DefaultIfEmpty(1).Average();
            var places = garden.Places.Select(p => p.Id).ToList();
            var rota = needs.Select(n => ToNeed(n, places.IndexOf(n.Place.Id))).ToList();
            var weight = StanceWeight(garden.Garden.Stance);
            Problem = new RotaProblem(2 * firmDays, OutingCost * weight, TankCost * weight, WaitsBetween(), [.. resources.Select(r => r.Left)], rota);
        }

        public RotaProblem Problem { get; }

        private int RecipeIndex(Recipe recipe)
        {
            var index = recipes.FindIndex(r => r.Id == recipe.Id);
            if (index >= 0)
            {
                return index;
            }

            recipes.Add(recipe);
            return recipes.Count - 1;
        }

        private RotaNeed ToNeed(Need need, int place)
        {
            var options = need.Options.Select(o => ToOption(need, o)).ToList();
            var shape = need.Options.Count > 0 ? need.Options[0].Shape : null;
            var gap = shape?.SpacingDays ?? 7;
            var none = (need.Damage?.Loss(null, []) ?? 0) * Value(need);
            var due = need.Kind == NeedKind.Protect ? UnprotectedCost * need.Pressure * Value(need) / StanceWeight(garden.StanceAt(need.Place)) : SkipVisits * OutingCost;
            return new RotaNeed(
                place,
                Math.Max(1, need.Rounds - need.RoundsGiven),
                Math.Max(1, Math.Min(gap, need.Options.Select(o => o.Option.Material.Cadence.CurativeMinDays).DefaultIfEmpty(gap).Max())),
                gap,
                gap + 2,
                GapOffCost,
                need.Pinned is not null ? PinnedCost : none + due,
                options);
        }

        /// <summary>A place's crop against that of a mean place.</summary>
        private double Value(Need need) => Math.Clamp(need.Place.AreaM2 / Math.Max(0.1, meanArea), 0.3, 2);

        private RotaOption ToOption(Need need, NeedOption option)
        {
            var material = option.Option.Material;
            var inMix = MaterialChoice.MaterialsIn(garden.Catalogue, option.Option.Recipe);
            var slots = hours.Of(need.Place, material);
            var (first, later) = (new double[slots.Length], new double[slots.Length]);
            var earliest = option.From > need.From ? option.From : need.From;
            var rounds = Math.Max(1, need.Rounds - need.RoundsGiven);
            var working = MaterialChoice.Working(option.Option.Recipe);
            // Where nothing was given lately and no picking is planned, no day differs from today.
            var steady = garden.Picks.All(p => p.PlantingId != need.Planting.Id) && garden.AppliedAt(need.Place, garden.Now).All(a => a.At < garden.Now.AddDays(-HistoryMattersDays));
            var today = UseGuards.Against(garden, need.Planting, inMix, garden.Now, working).Count == 0;
            for (var day = 0; day < firmDays; day++)
            {
                var on = garden.Today.AddDays(day);
                var allowed = steady ? today : UseGuards.Against(garden, need.Planting, inMix, garden.Now.AddDays(day), working).Count == 0;
                var firstHere = allowed && on >= earliest && (need.Pinned is null || need.Pinned == on);
                var damage = firstHere ? Damage(need, option, day, rounds) + Changed(need, option, on) : 0;
                for (var slot = 2 * day; slot < 2 * day + 2; slot++)
                {
                    var penalty = slots[slot] switch
                    {
                        null => double.PositiveInfinity,
                        { Known: false } => UnknownHourCost,
                        { Verdict: Verdict.Poor } => PoorHourCost,
                        _ => 0,
                    };
                    later[slot] = allowed ? penalty : double.PositiveInfinity;
                    first[slot] = firstHere ? penalty + damage : double.PositiveInfinity;
                }
            }

            var takes = Takes(need, option, inMix);
            return new RotaOption(RecipeIndex(option.Option.Recipe), first, later, RoundCost(need, option, inMix), takes, RoundsLeft(takes));
        }

        private double Damage(Need need, NeedOption option, int day, int rounds)
        {
            var late = need.Kind == NeedKind.Protect ? UnprotectedCost * need.Pressure * day / FirmDays
                : need.Kind == NeedKind.Round ? DelayCost * Math.Clamp(need.Urgency, 2, MostUrgent) * Math.Max(0, garden.Today.AddDays(day).DayNumber - need.From.DayNumber)
                : DelayCost * Math.Clamp(need.Urgency, 1, MostUrgent) * day;
            late += option.PatchOn is null ? 0 : PatchCost;
            if (need.Damage is not { } damage)
            {
                return late;
            }

            int[] days = [.. Enumerable.Range(0, rounds).Select(k => day + k * option.Shape.SpacingDays)];
            return damage.Loss(option.Option.Material, days) * Value(need) + late;
        }

        private double Changed(Need need, NeedOption option, DateOnly on) =>
            garden.SeenPlan.FirstOrDefault(s => s.Key == need.Key()) is { } seen
                ? (seen.On == on ? 0 : ChangeCost) + (seen.Recipe == option.Option.Recipe.Id ? 0 : ChangeCost)
                : 0;

        private double RoundCost(Need need, NeedOption option, IReadOnlyList<Material> inMix)
        {
            var seen = garden.LatestObservation(need.Planting.Id);
            var helpers = seen is { LeavesLooked: > 0 } ? Math.Min(1, (double)(seen.Helpers + seen.Mummies) / seen.LeavesLooked) : 0;
            return (SprayVolume.LitresFor(garden, [need.Planting]) * LitreCost
                    + helpers * inMix.Max(m => m.HarmToHelpers) * HelperCost
                    + StressCost
                    + (inMix.Any(m => MaterialChoice.IsTender(garden.Catalogue.Crop(need.Planting.Crop), need.Planting, m)) ? TenderCost : 0)
                    // Among those that work, the better choice for this garden comes first.
                    + WorseCost * Math.Max(0, 2 - option.Option.Score))
                * StanceWeight(garden.StanceAt(need.Place));
        }

        /// <summary>What a round takes of shelf, season limits, rows and label times.</summary>
        private List<(int Resource, double Amount)> Takes(Need need, NeedOption option, IReadOnlyList<Material> inMix)
        {
            var takes = new List<(int Resource, double Amount)>();
            var active = inMix[0];
            var history = garden.AppliedAt(need.Place, garden.Now);
            var season = garden.Garden.SeasonStart(garden.Today);
            foreach (var limit in inMix.Take(MaterialChoice.Working(option.Option.Recipe)).Select(m => m.SeasonLimit).OfType<SeasonLimit>().DistinctBy(l => l.Together))
            {
                takes.Add((Resource($"limit/{need.Place.Id}/{limit.Together}", () => limit.Most - UseGuards.GivenSince(garden, history, season, limit)), 1));
            }

            if (active.InARowLimit is { } row)
            {
                takes.Add((Resource($"row/{need.Planting.Id}/{active.Group}", () => row - InARow(need, active)), 1));
            }

            if (active.Label?.MaxTimes is { } times)
            {
                takes.Add((Resource($"label/{need.Place.Id}/{active.Id}", () => times - history.Count(a => a.Material == active.Id && garden.Garden.DateOf(a.At) >= season)), 1));
            }

            // A material that the household keeps no book of is taken to be at hand.
            if (inMix.All(m => garden.Stocks.All(s => s.Material != m.Id)))
            {
                return takes;
            }

            var litres = SprayVolume.LitresFor(garden, [need.Planting]);
            var mix = Mix.Make(garden.Catalogue, new MixOrder(option.Option.Recipe, need.Step, Math.Min(litres, Mix.MostLitres), garden.Garden.Kitchen), new MixConditions(null, [], false));
            foreach (var part in mix.Parts.Where(p => garden.Stocks.Any(s => s.Material == p.Material.Id)))
            {
                takes.Add((Resource("shelf/" + part.Material.Id, () => garden.Stocks
                    .Where(s => s.Material == part.Material.Id && (Shelf.GoodUntil(part.Material, s) is not { } until || until >= garden.Today)).Sum(s => s.Left)), part.Amount));
            }

            return takes;
        }

        private int InARow(Need need, Material active) => garden.SpraysOn(need.Planting.Id).Where(a => a.At <= garden.Now && !a.PatchTest)
            .Reverse().TakeWhile(a => garden.Catalogue.FindMaterial(a.Material)?.Group == active.Group && a.At > garden.Now.AddDays(-UseGuards.RowDays)).Count();

        /// <summary>Rounds that rows, season limits and the label leave; what is short is better than nothing.</summary>
        private int RoundsLeft(IEnumerable<(int Resource, double Amount)> takes) =>
            takes.Select(t => resources[t.Resource]).Where(r => !r.Key.StartsWith("shelf/", StringComparison.Ordinal))
                .Select(r => (int)Math.Max(1, r.Left)).DefaultIfEmpty(int.MaxValue).Min();

        private int Resource(string key, Func<double> left)
        {
            if (!resourceIndex.TryGetValue(key, out var index))
            {
                resourceIndex[key] = index = resources.Count;
                resources.Add((key, left()));
            }

            return index;
        }

        /// <summary>Days that the second recipe waits after the first on one place; a day at least between two different ones.</summary>
        private int[,] WaitsBetween()
        {
            var waits = new int[recipes.Count, recipes.Count];
            var inMix = recipes.Select(r => MaterialChoice.MaterialsIn(garden.Catalogue, r)).ToList();
            for (var a = 0; a < recipes.Count; a++)
            {
                for (var b = 0; b < recipes.Count; b++)
                {
                    waits[a, b] = a == b
                        ? Math.Min(RepeatAfterDays, garden.Catalogue.Material(recipes[a].Active.Material).Cadence.CurativeMinDays)
                        : Math.Max(1, (int)Math.Ceiling(inMix[a].SelectMany(_ => inMix[b], (x, y) => Pairs.Between(garden.Catalogue, y, x).DaysApart).Max()));
                }
            }

            return waits;
        }

        /// <summary>Why a need is not planned, and what would change that.</summary>
        public string WhyNot(int index)
        {
            var need = needs[index];
            if (need.Options.Count == 0)
            {
                return need.Against.Count > 0 ? string.Join(" ", need.Against.Take(2)) : $"Nothing that may be used here works on {need.Target.Name.ToLowerInvariant()}.";
            }

            var option = need.Options[0];
            var material = option.Option.Material;
            var inMix = MaterialChoice.MaterialsIn(garden.Catalogue, option.Option.Recipe);
            var earliest = option.From > need.From ? option.From : need.From;
            var on = need.Pinned ?? earliest;
            if (on < earliest)
            {
                return $"Not before {Date(earliest)}{(option.PatchOn is null ? "" : ": two leaves are tried first")}.";
            }

            var at = garden.Now.AddDays(on.DayNumber - garden.Today.DayNumber);
            if (UseGuards.Against(garden, need.Planting, inMix, at, MaterialChoice.Working(option.Option.Recipe)) is [var first, ..])
            {
                return $"{material.Name}: {first.Clause}.";
            }

            var open = hours.Of(need.Place, material);
            var wanted = Enumerable.Range(0, open.Length).Where(s => need.Pinned is null || garden.Today.AddDays(RotaProblem.DayOf(s)) == on);
            if (wanted.All(s => open[s] is null))
            {
                return $"No hour {(need.Pinned is null ? "in the fortnight" : $"on {Date(on)}")} suits {material.Name.ToLowerInvariant()} there: {ClosedBy(need.Place, material, on)}";
            }

            foreach (var (resource, amount) in Takes(need, option, inMix).Where(t => t.Amount > resources[t.Resource].Left))
            {
                var (key, left) = resources[resource];
                return key.StartsWith("shelf/", StringComparison.Ordinal) && garden.Catalogue.Material(key["shelf/".Length..]) is var what
                    ? string.Create(CultureInfo.InvariantCulture, $"A round takes {amount:0.#} {what.Unit} of {what.Name.ToLowerInvariant()} and {left:0.#} {what.Unit} are on the shelf: buy some, or enter what there is.")
                    : $"{material.Name} has been given here as often as it may be this season.";
            }

            return need.Pinned is null
                ? "Beside what is planned it would break a wait, a limit or the shelf, or waiting costs less than going out."
                : $"On {Date(on)} it would break a wait, a limit or the shelf beside what else is planned there.";
        }

        /// <summary>The rule that closes most hours of a day, in a sentence.</summary>
        private string ClosedBy(Place place, Material material, DateOnly on)
        {
            var judged = SprayHours.Judge(garden.PlannedSkyOf(place), Later(garden.Now, garden.Garden.StartOf(on)), garden.Garden.StartOf(on.AddDays(1)), material);
            var rule = judged.SelectMany(h => h.Rules).Where(r => r.Verdict == Verdict.Never).GroupBy(r => r.Rule).OrderByDescending(g => g.Count()).FirstOrDefault();
            return rule?.First().Sentence ?? "nobody is free, or the weather is not known.";
        }

        private static DateTimeOffset Later(DateTimeOffset a, DateTimeOffset b) => a > b ? a : b;

        public Rota Assemble(RotaSolution solution)
        {
            var rounds = needs.SelectMany((n, i) => RoundsOf(i, n, solution.Choices[i])).ToList();
            var outings = rounds.GroupBy(r => (r.On, Morning: Morning(r)))
                .OrderBy(g => g.Key.On).ThenByDescending(g => g.Key.Morning)
                .Select(g => ToOuting(g.Key.On, g.Key.Morning, [.. g])).ToList();
            var patches = needs.Select((n, i) => (Need: n, solution.Choices[i].Option)).Where(x => x.Need.Options.Count > 0)
                .Select(x => (x.Need, Option: x.Need.Options[Math.Max(0, x.Option)]))
                .Where(x => x.Option.PatchOn is not null)
                .Select(x => new PlannedPatch(x.Need.Planting, x.Need.Place, x.Need.Target, x.Option.Option.Recipe, x.Option.PatchOn!.Value,
                    hours.Of(x.Need.Place, x.Option.Option.Material).Take(4).FirstOrDefault(h => h is not null)))
                .ToList();
            return new Rota(
                garden.Today,
                garden.Today.AddDays(firmDays - 1),
                outings,
                patches,
                [.. Visits(rounds).OrderBy(v => v.On)],
                [.. Walks()],
                [.. needs.Index().Where(n => solution.Choices[n.Index].Option < 0).Select(n => new NotPlanned(n.Item.Planting, n.Item.Target, WhyNot(n.Index)))],
                [.. Cannot()],
                RotaOutline.Of(garden, rounds),
                RotaChanges.Since(garden, rounds),
                solution.Cost);
        }

        private bool Morning(PlannedRound r) => TimeZoneInfo.ConvertTime(r.Hours.From, garden.Garden.Zone).Hour < 12;

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
                    need.Key(k), need.Kind, need.Planting, need.Place, need.Target, option.Option.Recipe, need.Step,
                    need.RoundsGiven + k + 1,
                    Math.Max(need.Rounds, need.RoundsGiven + k + 1),
                    garden.Today.AddDays(RotaProblem.DayOf(slot)),
                    slots[slot]!,
                    k == 0 && need.Pinned is not null,
                    k == 0
                        ? [.. need.Why, .. option.Option.Reasons, DayWhy(index, need, choice.Option, slot)]
                        : [$"Round {need.RoundsGiven + k + 1}: {option.Shape.Because}."],
                    k == 0 ? need.Against : []);
            }
        }

        /// <summary>Why this day: what a day or two later would cost, or why it was not sooner.</summary>
        private string DayWhy(int index, Need need, int option, int slot)
        {
            if (need.Pinned is not null)
            {
                return "You pinned it to this day.";
            }

            var first = Problem.Needs[index].Options[option].First;
            var sooner = Enumerable.Range(0, slot).Where(s => double.IsPositiveInfinity(first[s])).Count();
            var later = Enumerable.Range(slot + 1, Problem.Slots - slot - 1).Where(s => !double.IsPositiveInfinity(first[s]) && RotaProblem.DayOf(s) >= RotaProblem.DayOf(slot) + 3).Select(s => (int?)s).FirstOrDefault();
            var cost = later is { } l ? FormattableString.Invariant($" Three days later it would cost {Math.Max(0, first[l] - first[slot]) * 100:0.0} % of the crop more.") : "";
            return (sooner >= slot ? "The first time that hours and rules allow." : "It goes with what else is done then, and costs least.") + cost;
        }

        private Outing ToOuting(DateOnly on, bool morning, List<PlannedRound> rounds)
        {
            // What is only protected comes before what is sick: hands and hoses carry it.
            var tanks = rounds.GroupBy(r => (r.Recipe.Id, r.Step)).Select(g =>
            {
                List<PlannedRound> inOrder = [.. g.OrderBy(r => r.Kind != NeedKind.Protect).ThenBy(r => r.Hours.From).ThenBy(r => r.Place.Order).ThenBy(r => r.Planting.Crop, StringComparer.Ordinal)];
                return new PlannedTank(inOrder[0].Recipe, g.Key.Step, SprayVolume.LitresFor(garden, inOrder.Select(r => r.Planting).DistinctBy(p => p.Id)), inOrder);
            }).OrderBy(t => t.Rounds.Any(r => r.Kind != NeedKind.Protect)).ThenBy(t => t.Rounds[0].Hours.From).ThenBy(t => t.Recipe.Id, StringComparer.Ordinal).ToList();
            var there = rounds.Select(r => r.Planting.Id).ToHashSet();
            var hours = new SlotHours(rounds.Min(r => r.Hours.From), rounds.Max(r => r.Hours.To), rounds.Max(r => r.Hours.Verdict), rounds.All(r => r.Hours.Known));
            return new Outing(
                rounds.Select(r => r.Key).Min(StringComparer.Ordinal)!,
                on,
                morning,
                hours,
                tanks,
                [.. garden.Tasks.Where(t => t.State == TaskState.Planned && t.DueOn <= on && there.Contains(t.PlantingId) && garden.Catalogue.FindMeasure(t.Step) is { Rung: not Rung.Look })]);
        }

        private IEnumerable<PlannedVisit> Visits(List<PlannedRound> rounds) =>
        [
            .. garden.CheckBacks.Where(c => c.DoneAt is null && garden.FindPlanting(c.PlantingId) is { } p && p.GrowsOn(garden.Today))
                .Select(c => new PlannedVisit(c.DueOn < garden.Today ? garden.Today : c.DueOn, garden.FindPlanting(c.PlantingId)!, "Check back", c.Id)),
            .. rounds.Select(r => new PlannedVisit(r.On.AddDays(garden.Catalogue.Material(r.Recipe.Active.Material).CheckBackDays), r.Planting, $"Check back on {r.Recipe.Name.ToLowerInvariant()}", null)),
        ];

        private IEnumerable<PlannedWalk> Walks() =>
            garden.Growing.Select(p => (Planting: p, On: garden.LatestObservation(p.Id) is { } o ? garden.Garden.DateOf(o.At).AddDays(WalkEveryDays) : garden.Today))
                .Select(x => (x.Planting, On: x.On < garden.Today ? garden.Today : x.On))
                .GroupBy(x => x.On).OrderBy(g => g.Key).Select(g => new PlannedWalk(g.Key, [.. g.Select(x => x.Planting)]));

        private IEnumerable<string> Cannot()
        {
            if (garden.Weather.Hours.All(h => !h.IsComplete))
            {
                yield return "No weather is known, so hours are the usual ones and the sky has the last word. Connect a weather service or import a file under Weather.";
            }

            if (garden.Garden.Free is { } free && free.Days.All(d => d == 0))
            {
                yield return "Nobody is ever free, so nothing can be planned. Say under Garden when somebody is.";
            }

            if (garden.Stocks.Count == 0)
            {
                yield return "Nothing is written down on the shelf, so amounts are not checked. Enter what there is under Shelf.";
            }
        }

        private static string Date(DateOnly date) => date.ToString("ddd d MMM", CultureInfo.InvariantCulture);
    }
}
