using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Scouting;

/// <summary>The share of leaves at which to act, with the sentence that says where it comes from.</summary>
public sealed record ActionLine(double Share, Said Reason)
{
    /// <summary>For something not yet named on a grown plant.</summary>
    public const double Unnamed = 0.1;

    /// <summary>
    /// Action line of a target at a place (assumed values): sap feeders 10 % under cover or on young plants, 20 % outdoors,
    /// 5 % when keeping ahead, 40 % as a last resort; chewers a fifth of seedlings or a third of grown plants; mildew at
    /// first spot, 5 % or 20 %; spots at the first spots.
    /// </summary>
    /// <param name="target">Null when it has no name yet.</param>
    /// <param name="on">What is counted: half the share of what is picked, or stands and falls with its stem or root, is as much (assumed).</param>
    public static ActionLine For(Target? target, Stance stance, Shelter shelter, GrowthStage stage, CountedOn on = CountedOn.Leaves)
    {
        var young = stage is GrowthStage.Seedling or GrowthStage.Young;
        var share = target?.Group switch
        {
            KnownIds.TargetGroups.SapFeeders => stance switch
            {
                Stance.KeepAhead => 0.05,
                Stance.LastResort => 0.4,
                _ => shelter != Shelter.Open || young ? 0.1 : 0.2,
            },
            KnownIds.TargetGroups.Chewers => young || stance == Stance.KeepAhead ? 0.2
            : stance == Stance.LastResort ? 0.5
            : 0.33,
            KnownIds.TargetGroups.SurfaceMildew => stance switch
            {
                Stance.KeepAhead => 0.02,
                Stance.LastResort => 0.2,
                _ => 0.05,
            },
            KnownIds.TargetGroups.LeafSpots or KnownIds.TargetGroups.DownyMildew => stance switch
            {
                Stance.KeepAhead => 0.02,
                Stance.LastResort => 0.2,
                _ => 0.05,
            },
            _ => stance switch
            {
                Stance.KeepAhead => 0.05,
                Stance.LastResort => 0.4,
                _ => Unnamed,
            },
        };
        share *= on is CountedOn.Leaves or CountedOn.Tips ? 1 : 0.5;
        var what = target?.Name.InSentence() ?? Say.Of("scouting.somethingNotYetNamed");
        return new ActionLine(
            share,
            Said.Of(
                "scouting.ofThingsIsTheLine",
                ("share", Fact.Percent(share * 100, "0.#")),
                ("things", Fact.Thing(Say.Word(on))),
                ("what", Fact.Thing(what)),
                ("words", Fact.Clause(Words(stance)))
            )
        );
    }

    /// <summary>The line that holds for a planting in its place.</summary>
    /// <param name="target">Null when it has no name yet.</param>
    public static ActionLine At(GardenSnapshot garden, Planting planting, Target? target, CountedOn on = CountedOn.Leaves)
    {
        var place = garden.PlaceOf(planting);
        return For(target, garden.StanceAt(place), place.Shelter, planting.Stage, on);
    }

    /// <summary>The stance as it reads in a sentence.</summary>
    public static string Words(Stance stance) =>
        stance switch
        {
            Stance.KeepAhead => Say.Of("scouting.keepAhead"),
            Stance.LastResort => Say.Of("scouting.sprayOnlyAsALastResort"),
            _ => Say.Of("scouting.watchAndTreat"),
        };
}
