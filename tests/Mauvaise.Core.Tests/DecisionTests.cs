using System.Globalization;
using Mauvaise.Core.Actions;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Ways;

namespace Mauvaise.Core.Tests;

/// <summary>Made-up situations with the first step that is expected, what else is proposed, and what must not be.</summary>
public class DecisionTests
{
    public static TheoryData<string> Cases => [.. Rows().Skip(1).Select(r => r[0])];

    private static IEnumerable<string[]> Rows() =>
        File.ReadAllLines(Path.Combine(AppContext.BaseDirectory, "cases", "decisions.csv")).Select(l => l.Split(','));

    internal static ActionLadder Ladder(string name)
    {
        var columns = Rows().First();
        var row = Rows().First(r => r[0] == name);
        string Of(string column) => row[Array.IndexOf(columns, column)];
        static T Word<T>(string word)
            where T : struct, Enum => Enum.Parse<T>(word, true);
        static string[] Words(string text) => text.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        int Number(string column) => int.Parse(Of(column), CultureInfo.InvariantCulture);

        var overhead = Of("kind") == "overheadBed";
        var place = GardenSamples.Bed("Bed", 0, overhead ? PlaceKind.OpenBed : Word<PlaceKind>(Of("kind"))) with
        {
            Watering = overhead ? Watering.Overhead : Watering.Drip,
        };
        var planting = GardenSamples.Grown(place, Of("crop"), Word<GrowthStage>(Of("stage")));
        // Short crops were sown later, so that only those that say so are near their end.
        var length = Shipped.Catalogue.Crop(planting.Crop).StageDays[2];
        planting = planting with { From = new DateOnly(2026, 7, 16).AddDays(-(planting.Stage == GrowthStage.Ending ? length - 8 : Math.Min(76, length / 3))) };
        var done = Words(Of("done"));
        var age = done.FirstOrDefault(d => d.StartsWith("age:", StringComparison.Ordinal)) is { } old ? int.Parse(old[4..], CultureInfo.InvariantCulture) : 0.5;
        var target = Of("target") is "" or "?" ? null : Of("target");
        var seen = GardenSamples.Seen(
            planting,
            age,
            Number("looked"),
            Number("affected"),
            target,
            Number("helpers"),
            Word<Ants>(Of("ants")),
            part: Word<PlantPart>(Of("part")),
            signs: [.. Words(Of("signs")).Select(s => new SeenSign(s, true))]
        ) with
        {
            SeverityPercent = Of("severity") == "" ? null : Number("severity"),
        };
        var before = Of("before") is { Length: > 0 } b
            ? GardenSamples.Seen(
                planting,
                age + int.Parse(b.Split(':')[0], CultureInfo.InvariantCulture),
                Number("looked"),
                int.Parse(b.Split(':')[1], CultureInfo.InvariantCulture),
                target
            )
            : null;
        var garden = GardenSamples.Tried(GardenSamples.Garden([place], [planting], Weather(Of("weather")))) with
        {
            Garden = GardenSamples.Home with { Stance = Word<Stance>(Of("stance")) },
            Observations = before is null ? [seen] : [before, seen],
            Tasks =
            [
                .. done.Where(d => !d.Contains(':', StringComparison.Ordinal))
                    .Select(d => new GardenTask(
                        Guid.NewGuid(),
                        planting.Id,
                        null,
                        d,
                        target,
                        GardenSamples.Home.DateOf(GardenSamples.Now.AddDays(-2)),
                        TaskState.Done,
                        GardenSamples.Now.AddDays(-2)
                    )),
            ],
        };
        if (done.FirstOrDefault(d => d.StartsWith("spray:", StringComparison.Ordinal)) is { } sprayed)
        {
            var spray = GardenSamples.Sprayed(planting, 0.4, sprayed[6..], target);
            garden = garden with
            {
                Applications = [.. garden.Applications, spray],
                CheckBacks = [.. garden.CheckBacks, new(Guid.NewGuid(), spray.Id, planting.Id, new DateOnly(2026, 7, 18), null, null, null, Injury.None)],
            };
        }

        return ActionLadder.For(garden, planting, seen);
    }

    private static Func<DateTimeOffset, WeatherHour> Weather(string word) =>
        word switch
        {
            "hot" => _ => WeatherSamples.Mild with { TemperatureC = 27, RelativeHumidityPercent = 45 },
            "rain" => at =>
                at > GardenSamples.Now.AddHours(20) && at < GardenSamples.Now.AddHours(30)
                    ? WeatherSamples.Mild with
                    {
                        RainMm = 2,
                        RelativeHumidityPercent = 95,
                        CloudPercent = 100,
                    }
                    : WeatherSamples.Mild,
            _ => _ => WeatherSamples.Mild,
        };

    [Theory]
    [MemberData(nameof(Cases))]
    public void Each_situation_gets_its_first_step_and_nothing_that_it_must_not(string name)
    {
        var columns = Rows().First();
        var row = Rows().First(r => r[0] == name);
        string[] Of(string column) => row[Array.IndexOf(columns, column)].Split(' ', StringSplitOptions.RemoveEmptyEntries);
        var ladder = Ladder(name);
        var proposed = ladder.Steps.Where(s => s.Choice == StepChoice.Do).Select(s => s.Code).ToList();
        if (Of("first") is [var first])
        {
            Assert.Equal(first, proposed.FirstOrDefault());
        }

        Assert.Empty(Of("also").Except(proposed));
        Assert.Empty(Of("not").Intersect(proposed));
    }

    [Fact]
    public void There_are_forty_situations_and_every_step_says_why()
    {
        Assert.True(Cases.Count >= 40);
        foreach (var name in Rows().Skip(1).Select(r => r[0]))
        {
            Assert.All(Ladder(name).Steps, s => Assert.All(s.Why, w => Assert.Matches(@"^\S.*[.?!]$", w.Words)));
        }
    }

    [Fact]
    public void Steps_go_from_gentle_to_drastic() =>
        Assert.All(Rows().Skip(1).Select(r => Ladder(r[0])), l => Assert.Equal(l.Steps.Select(s => s.Rung).Order(), l.Steps.Select(s => s.Rung)));

    private static readonly Place Bed = GardenSamples.Bed("Bed");
    private static readonly Planting Squash = GardenSamples.Grown(Bed, "squash") with { Count = 4 };
    private static readonly GardenSnapshot Garden = GardenSamples.Garden([Bed], [Squash]);

    [Theory]
    [InlineData(0.1, 100, 10, 1)]
    [InlineData(0.4, 100, 25, 2)]
    [InlineData(0.9, 100, 25, 4)]
    [InlineData(0.5, 3, 0, 0)]
    public void Never_more_than_a_quarter_of_the_leaves_at_once(double share, int leaves, int now, int visits)
    {
        var plan = PrunePlan.For(Garden, Squash, share, leaves);
        Assert.Equal((now, visits), (plan.TakeNow, plan.Visits));
    }

    [Fact]
    public void Leaves_that_nobody_counted_are_reckoned_from_crop_and_plants()
    {
        var plan = PrunePlan.For(Garden, Squash, 0.1);
        Assert.Equal((4 * Shipped.Catalogue.Crop("squash").Leaves, false), (plan.Leaves, plan.Counted));
    }

    [Fact]
    public void A_step_that_was_passed_by_is_not_proposed_again_for_that_look()
    {
        var seen = GardenSamples.Seen(Squash, 0.5, 20, 4, "powdery-mildew");
        var passed = Garden with
        {
            Observations = [seen],
            Tasks = [new(Guid.NewGuid(), Squash.Id, seen.LookId, "prune", "powdery-mildew", new(2026, 7, 16), TaskState.Passed)],
        };
        Assert.True(ActionLadder.For(Garden with { Observations = [seen] }, Squash, seen).Proposes("prune"));
        var step = ActionLadder.For(passed, Squash, seen).Steps.Single(s => s.Code == "prune");
        Assert.Equal((StepChoice.PassedOver, "You passed it by."), (step.Choice, step.Why[0].Words));
    }

    [Theory]
    [InlineData(DiseaseApproach.CleanThenProtect, "peroxide")]
    [InlineData(DiseaseApproach.NeemOnly, "neem-oil")]
    [InlineData(DiseaseApproach.Milk, "milk")]
    public void The_way_with_disease_chooses_the_material(DiseaseApproach approach, string material)
    {
        var seen = GardenSamples.Seen(Squash, 0.5, 20, 4, "powdery-mildew");
        var garden = GardenSamples.Tried(Garden) with { Garden = GardenSamples.Home with { DiseaseApproach = approach }, Observations = [seen] };
        Assert.Equal(material, ActionLadder.For(garden, Squash, seen).Steps.First(s => s.Code == "spray").Option!.Material.Id);
    }

    [Fact]
    public void After_cleaning_it_is_time_to_protect()
    {
        var seen = GardenSamples.Seen(Squash, 0.5, 20, 4, "powdery-mildew");
        var garden = GardenSamples.Tried(Garden) with { Observations = [seen] };
        garden = garden with { Applications = [.. garden.Applications, GardenSamples.Sprayed(Squash, 2, "peroxide", "powdery-mildew")] };
        var option = ActionLadder.For(garden, Squash, seen).Steps.First(s => s.Code == "spray").Option!;
        Assert.True(option.Material.EffectOn(GardenSamples.Target("powdery-mildew"))!.Protects >= 0.4);
    }
}
