using Mauvaise.Core.Actions;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Ways;

namespace Mauvaise.Core.Planning;

/// <summary>What limits how often something goes on.</summary>
internal enum LimitKind
{
    Season,
    Row,
    Label,
    Shelf,
}

/// <summary>A stock that rounds draw on.</summary>
/// <param name="Where">The place or planting that it is counted for; empty for the shelf.</param>
/// <param name="What">What counts together: a season's limit, a group, or a material.</param>
internal sealed record Limited(LimitKind Kind, Guid Where, string What);

/// <summary>Lays what wants to be sprayed bare as a <see cref="RotaProblem"/>: slots, costs, waits, and what the rounds take.</summary>
internal sealed class RotaBuild
{
    /// <summary>Longer ago than any wait, row or label interval reaches.</summary>
    private const int HistoryMattersDays = 120;

    /// <summary>What the plan costs besides <see cref="Costs"/>, as shares of the value of one mean place's crop (assumed).</summary>
    private const double PoorHourCost = 0.003;
    private const double UnknownHourCost = 0.001;
    private const double GapOffCost = 0.004;
    private const double DelayCost = 0.0012;

    /// <summary>Far over its line a trouble is up to this many times as urgent (assumed).</summary>
    private const double MostUrgent = 4;

    /// <summary>Of leaving a place open to a disease for a fortnight at full pressure, before anything shows (assumed).</summary>
    private const double UnprotectedCost = 0.03;

    /// <summary>Leaving out what is over its line, or a round of a course, costs this many visits at least.</summary>
    private const double SkipVisits = 12;

    /// <summary>The same mix is not given twice to one place within so many days, even against two troubles (assumed).</summary>
    private const int RepeatAfterDays = 2;

    /// <summary>A round may come so many days later than suits it best.</summary>
    private const int LateByDays = 2;

    private const double PinnedCost = 100;

    private readonly GardenSnapshot garden;
    private readonly HalfDayHours hours;
    private readonly List<Recipe> recipes = [];
    private readonly List<(Limited What, double Left)> resources = [];
    private readonly Dictionary<Limited, int> resourceIndex = [];
    private readonly double meanArea;
    private readonly double outing;

    public RotaBuild(GardenSnapshot garden, IReadOnlyList<Need> needs, int firmDays)
    {
        (this.garden, Needs, FirmDays) = (garden, needs, firmDays);
        hours = new HalfDayHours(garden, firmDays);
        meanArea = garden.Places.Select(p => p.AreaM2).DefaultIfEmpty(1).Average();
        outing = Costs.OutingOf(garden.Garden.Stance, needs.Select(n => n.Place.Id).Distinct().Count());
        var places = garden.Places.Select(p => p.Id).ToList();
        var rota = needs.Select(n => ToNeed(n, places.IndexOf(n.Place.Id))).ToList();
        var weight = Costs.Weight(garden.Garden.Stance);
        Problem = new RotaProblem(2 * firmDays, outing, Costs.Tank * weight, WaitsBetween(), [.. resources.Select(r => r.Left)], rota)
        {
            OutAnyway = OutAnyway().Select(on => on.DayNumber - garden.Today.DayNumber).SelectMany(day => new[] { 2 * day, 2 * day + 1 }).ToHashSet(),
        };
    }

    public GardenSnapshot Garden => garden;
    public IReadOnlyList<Need> Needs { get; }
    public HalfDayHours Hours => hours;
    public int FirmDays { get; }
    public RotaProblem Problem { get; }

    /// <summary>Days from today on which somebody is among the beds without the plan: to count again, or with what is done by hand.</summary>
    private IEnumerable<DateOnly> OutAnyway() =>
        garden
            .CheckBacks.Where(c => c.DoneAt is null)
            .Select(c => c.DueOn)
            .Concat(garden.Tasks.Where(t => t.State == TaskState.Planned).Select(t => t.DueOn))
            .Concat(
                from planting in garden.Growing
                where !garden.IsLeftAlone(planting)
                from seen in garden.LatestLook(planting.Id)
                where seen is { LeavesLooked: > 0, LeavesAffected: > 0 }
                from step in ActionLadder.For(garden, planting, seen).ByHand
                select step.On ?? garden.Today
            )
            .Select(on => on < garden.Today ? garden.Today : on);

    /// <summary>The cheapest plan, which keeps what the gardener has seen where that still holds.</summary>
    public RotaSolution Solve()
    {
        if (garden.SeenPlan.Count == 0)
        {
            return RotaSolver.Solve(Problem);
        }

        var seen = garden.SeenPlan.ToDictionary(s => s.Key);
        return RotaSolver.Solve(Problem, (need, way) =>
        {
            var recipe = Needs[need].Options[way.Option].Option.Recipe.Id;
            return way
                .Slots.Index()
                .All(s =>
                    seen.TryGetValue(Needs[need].Key(s.Index), out var round)
                    && round.Recipe == recipe
                    && round.On == garden.Today.AddDays(RotaProblem.DayOf(s.Item))
                );
        });
    }

    /// <summary>What a round of an option takes of what is limited, and how much of each there is.</summary>
    public IEnumerable<((Limited What, double Left) Resource, double Amount)> TakesOf(Need need, NeedOption option) =>
        Takes(need, option, MaterialChoice.MaterialsIn(garden.Catalogue, option.Option.Recipe)).Select(t => (resources[t.Resource], t.Amount));

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
        var none = (need.Damage?.Loss(null, []) ?? 0) * Value(need);
        var protects = need.Kind == NeedKind.Protect;
        var due = protects ? UnprotectedCost * need.Pressure * Value(need) / Costs.Weight(garden.StanceAt(need.Place)) : SkipVisits * Costs.Outing;
        var keepsAhead = garden.Garden.Stance == Stance.KeepAhead;
        return new RotaNeed(place, RoundsOf(need), GapOffCost, need.Pinned is not null ? PinnedCost : none + due, options)
        {
            // However much an evening weighs, no bed is left to its trouble to save one. Who keeps ahead has a line so low that little is lost by it.
            SkipEvenings = protects || keepsAhead ? 0 : RoundsOf(need),
            // A bed that is kept ahead of its troubles does not wait for others that are only watched.
            HurryCost = need.Kind == NeedKind.Treat && !keepsAhead && garden.StanceAt(need.Place) == Stance.KeepAhead ? outing : 0,
        };
    }

    private static int RoundsOf(Need need) => Math.Max(1, need.Rounds - need.RoundsGiven);

    /// <summary>A place's crop against that of a mean place.</summary>
    private double Value(Need need) => Math.Clamp(need.Place.AreaM2 / Math.Max(0.1, meanArea), 0.3, 2);

    private RotaOption ToOption(Need need, NeedOption option)
    {
        var material = option.Option.Material;
        var inMix = MaterialChoice.MaterialsIn(garden.Catalogue, option.Option.Recipe);
        var slots = hours.Of(need.Place, material);
        var (first, later) = (new double[slots.Length], new double[slots.Length]);
        var earliest = option.From > need.From ? option.From : need.From;
        var rounds = RoundsOf(need);
        var working = MaterialChoice.Working(option.Option.Recipe);
        // Where nothing was given lately and no picking is planned, no day differs from today.
        var steady =
            garden.Picks.All(p => p.PlantingId != need.Planting.Id)
            && garden.AppliedAt(need.Place, garden.Now).All(a => a.At < garden.Now.AddDays(-HistoryMattersDays));
        var today = UseGuards.Against(garden, need.Planting, inMix, garden.Now, working).Count == 0;
        for (var day = 0; day < FirmDays; day++)
        {
            var on = garden.Today.AddDays(day);
            var allowed = steady ? today : UseGuards.Against(garden, need.Planting, inMix, garden.Now.AddDays(day), working).Count == 0;
            var firstHere = allowed && on >= earliest && (need.Pinned is null || need.Pinned == on);
            var damage = firstHere ? Damage(need, option, day, rounds) : 0;
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
        var least = Math.Max(1, material.Cadence.CurativeMinDays);
        var gap = Math.Max(least, option.Shape.SpacingDays);
        return new RotaOption(RecipeIndex(option.Option.Recipe), least, gap, gap + LateByDays, first, later, RoundCost(need, option), takes, RoundsLeft(takes));
    }

    private double Damage(Need need, NeedOption option, int day, int rounds)
    {
        var late =
            need.Kind == NeedKind.Protect ? UnprotectedCost * need.Pressure * day / RotaPlanner.FirmDays
            : need.Kind == NeedKind.Round
                ? DelayCost * Math.Clamp(need.Urgency, 2, MostUrgent) * Math.Max(0, garden.Today.AddDays(day).DayNumber - need.From.DayNumber)
            : DelayCost * Math.Clamp(need.Urgency, 1, MostUrgent) * day;
        late += option.PatchOn is null ? 0 : Costs.Patch;
        if (need.Damage is not { } damage)
        {
            return late;
        }

        int[] days = [.. Enumerable.Range(0, rounds).Select(k => day + k * option.Shape.SpacingDays)];
        return damage.Loss(option.Option.Material, days) * Value(need) + late;
    }

    private double RoundCost(Need need, NeedOption option) =>
        Costs.RoundOf(garden, need.Planting, option.Option, garden.LatestObservation(need.Planting.Id)) * Costs.Weight(garden.StanceAt(need.Place));

    /// <summary>What a round takes of shelf, season limits, rows and label times.</summary>
    private List<(int Resource, double Amount)> Takes(Need need, NeedOption option, IReadOnlyList<Material> inMix)
    {
        var takes = new List<(int Resource, double Amount)>();
        var active = inMix[0];
        var history = garden.AppliedAt(need.Place, garden.Now);
        var season = garden.Garden.SeasonStart(garden.Today);
        foreach (
            var limit in inMix.Take(MaterialChoice.Working(option.Option.Recipe)).Select(m => m.SeasonLimit).OfType<SeasonLimit>().DistinctBy(l => l.Together)
        )
        {
            takes.Add(
                (
                    Resource(new Limited(LimitKind.Season, need.Place.Id, limit.Together), () =>
                        limit.Most - UseGuards.GivenSince(garden, history, season, limit)
                    ),
                    1
                )
            );
        }

        if (active.InARowLimit is { } row)
        {
            takes.Add((Resource(new Limited(LimitKind.Row, need.Planting.Id, active.Group), () => row - InARow(need, active)), 1));
        }

        if (active.Label?.MaxTimes is { } times)
        {
            takes.Add(
                (
                    Resource(new Limited(LimitKind.Label, need.Place.Id, active.Id), () =>
                        times - history.Count(a => a.Material == active.Id && garden.Garden.DateOf(a.At) >= season)
                    ),
                    1
                )
            );
        }

        // A material that the household keeps no book of is taken to be at hand.
        if (inMix.All(m => garden.Stocks.All(s => s.Material != m.Id)))
        {
            return takes;
        }

        var size = SprayVolume.SizeFor(garden, option.Option.Recipe, [need.Planting]);
        var mix = Mix.Make(
            garden.Catalogue,
            new MixOrder(option.Option.Recipe, need.Step, option.Option.Recipe.IsWet ? Math.Min(size, Mix.MostLitres) : size, garden.Garden.Kitchen),
            new MixConditions(null, [], false)
        );
        foreach (var part in mix.Parts.Where(p => garden.Stocks.Any(s => s.Material == p.Material.Id)))
        {
            takes.Add(
                (
                    Resource(new Limited(LimitKind.Shelf, Guid.Empty, part.Material.Id), () =>
                        garden
                            .Stocks.Where(s => s.Material == part.Material.Id && (Shelf.GoodUntil(part.Material, s) is not { } until || until >= garden.Today))
                            .Sum(s => s.Left)
                    ),
                    part.Amount
                )
            );
        }

        return takes;
    }

    private int InARow(Need need, Material active) =>
        garden
            .SpraysOn(need.Planting.Id)
            .Where(a => a.At <= garden.Now && !a.PatchTest)
            .Reverse()
            .TakeWhile(a => garden.Catalogue.FindMaterial(a.Material)?.Group == active.Group && a.At > garden.Now.AddDays(-UseGuards.RowDays))
            .Count();

    /// <summary>Rounds that rows, season limits and the label leave; what is short is better than nothing.</summary>
    private int RoundsLeft(IEnumerable<(int Resource, double Amount)> takes) =>
        takes
            .Select(t => resources[t.Resource])
            .Where(r => r.What.Kind != LimitKind.Shelf)
            .Select(r => (int)Math.Max(1, r.Left))
            .DefaultIfEmpty(int.MaxValue)
            .Min();

    private int Resource(Limited what, Func<double> left)
    {
        if (!resourceIndex.TryGetValue(what, out var index))
        {
            resourceIndex[what] = index = resources.Count;
            resources.Add((what, left()));
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
                waits[a, b] =
                    a == b
                        ? Math.Min(RepeatAfterDays, garden.Catalogue.Material(recipes[a].Active.Material).Cadence.CurativeMinDays)
                        : Math.Max(1, (int)Math.Ceiling(inMix[a].SelectMany(_ => inMix[b], (x, y) => Pairs.Between(garden.Catalogue, y, x).DaysApart).Max()));
            }
        }

        return waits;
    }
}
