using MathNet.Numerics.Distributions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Lessons;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Mauvaise.Web.Learned;

/// <summary>A belief in three steps, each a share with the range that holds it in 95 of 100.</summary>
public sealed record BeliefAnswer(double Mean, double Low, double High)
{
    /// <summary>Of a beta distribution with this mean, worth so many trials.</summary>
    public static BeliefAnswer Of(double mean, double weight)
    {
        double a = Math.Max(1e-6, mean * weight),
            b = Math.Max(1e-6, (1 - mean) * weight);
        return new(mean, Beta.InvCDF(a, b, 0.025), Beta.InvCDF(a, b, 0.975));
    }
}

/// <summary>One outcome that a belief rests on.</summary>
/// <param name="Hits">How far it worked, or how far it hurt, 0 to 1.</param>
/// <param name="CheckBackId">Null for a trial.</param>
public sealed record OutcomeAnswer(
    Guid? CheckBackId,
    Guid? TrialId,
    DateTimeOffset At,
    string Where,
    string Counts,
    double Hits,
    double Weight,
    string? DiscountedFor
);

/// <summary>How well a material works on a target here, or how often it hurts a crop.</summary>
/// <param name="Usual">Before anything was seen here.</param>
/// <param name="Own">From what was seen here alone; null while nothing counts.</param>
/// <param name="Now">Both together.</param>
public sealed record LearnedAnswer(
    string Material,
    string MaterialName,
    string Hatch,
    string About,
    string AboutName,
    BeliefAnswer Usual,
    double? Own,
    double OwnWeight,
    BeliefAnswer Now,
    string Sentence,
    IReadOnlyList<OutcomeAnswer> Outcomes
);

/// <param name="LitresSentence">Litres really used, against what is reckoned.</param>
public sealed record LearnedGardenAnswer(
    IReadOnlyList<LearnedAnswer> Efficacies,
    IReadOnlyList<LearnedAnswer> Injuries,
    double LitresFactor,
    string LitresSentence,
    double MinutesAPlace,
    string WalksSentence
);

/// <summary>What a garden taught.</summary>
public static class LearnedEndpoints
{
    public static void MapLearned(this IEndpointRouteBuilder app) => app.MapGroup("/api/gardens/{gardenId:guid}").WithTags("Learned").MapGet("/learned", Show);

    private static async Task<Results<Ok<LearnedGardenAnswer>, ProblemHttpResult>> Show(Guid gardenId, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var evidence = Learning.All(s).ToLookup(e => (e.Material, e.Target));
        var hurts = s.Judged.Where(Learning.SaysOfHarm).ToLookup(j => (j.Material, j.Crop));
        var l = s.Learned;
        return TypedResults.Ok(
            new LearnedGardenAnswer(
                [
                    .. l.Efficacies.Select(e =>
                        Belief(
                            s,
                            e.Material,
                            e.Target,
                            s.Catalogue.Target(e.Target).Name,
                            e.Share,
                            Say.Of("learned.taken"),
                            [.. evidence[(e.Material, e.Target)].Select(x => Outcome(s, x))]
                        )
                    ),
                ],
                [
                    .. l.Injuries.Select(e =>
                        Belief(
                            s,
                            e.Material,
                            e.Crop,
                            s.Catalogue.Crop(e.Crop).Name,
                            e.Share,
                            Say.Of("learned.hurt"),
                            [
                                .. hurts[(e.Material, e.Crop)]
                                    .Select(j => new OutcomeAnswer(
                                        j.CheckBackId,
                                        null,
                                        j.JudgedAt,
                                        Where(s, j.PlantingId),
                                        Say.Of("learned.injury", ("injury", Say.Word(j.Injury))).AsSentenceStart(),
                                        Learning.Hurt(j.Injury),
                                        j.DiscountedFor is null ? 1 : 0,
                                        j.DiscountedFor
                                    )),
                            ]
                        )
                    ),
                ],
                Math.Round(l.LitresFactor, 2),
                l.LitresFrom == 0 ? Say.Of("learned.noSprayWasLoggedYetLitres")
                    : l.LitresFrom == 1
                        ? Say.Of("learned.fromSprayYouUseOfWhat", ("litresFrom", l.LitresFrom), ("litresFactor", Say.In(l.LitresFactor * 100, "0")))
                    : Say.Of("learned.fromSpraysYouUseOfWhat", ("litresFrom", l.LitresFrom), ("litresFactor", Say.In(l.LitresFactor * 100, "0"))),
                Math.Round(l.MinutesAPlace, 1),
                l.WalksFrom == 0 ? Say.Of("learned.noWalkWasTimedYet", ("minutesAPlace", Say.In(l.MinutesAPlace, "0.#")))
                    : l.WalksFrom == 1 ? Say.Of("learned.fromWalkAPlaceTakesYou", ("walksFrom", l.WalksFrom), ("minutesAPlace", Say.In(l.MinutesAPlace, "0.#")))
                    : Say.Of("learned.fromWalksAPlaceTakesYou", ("walksFrom", l.WalksFrom), ("minutesAPlace", Say.In(l.MinutesAPlace, "0.#")))
            )
        );
    }

    private static LearnedAnswer Belief(
        GardenSnapshot s,
        string material,
        string about,
        string aboutName,
        LearnedShare share,
        string does,
        IReadOnlyList<OutcomeAnswer> outcomes
    )
    {
        var m = s.Catalogue.Material(material);
        return new(
            material,
            m.Name,
            s.Catalogue.Group(m.Group).Hatch,
            about,
            aboutName,
            BeliefAnswer.Of(share.UsualMean, share.UsualWeight),
            share.OwnMean,
            Math.Round(share.OwnWeight, 2),
            BeliefAnswer.Of(share.Now, share.UsualWeight + share.OwnWeight),
            share.OwnMean is { } own
                ? Say.Of(
                    "learned.usuallyWorthOutcomesHereWorthNow",
                    ("usual", Say.In(share.UsualMean * 100, "0")),
                    ("does", does),
                    ("usualWeight", Say.In(share.UsualWeight, "0")),
                    ("own", Say.In(own * 100, "0")),
                    ("ownWeight", Say.In(share.OwnWeight, "0.#")),
                    ("now", Say.In(share.Now * 100, "0"))
                )
                : Say.Of(
                    "learned.usuallyWorthOutcomesNothingSeenHere",
                    ("usual", Say.In(share.UsualMean * 100, "0")),
                    ("does", does),
                    ("usualWeight", Say.In(share.UsualWeight, "0"))
                ),
            [.. outcomes.OrderByDescending(o => o.At)]
        );
    }

    private static OutcomeAnswer Outcome(GardenSnapshot s, Evidence e) =>
        e.Spray is { } j
            ? new(
                j.CheckBackId,
                null,
                j.JudgedAt,
                Where(s, j.PlantingId),
                Say.Of(
                    "learned.affectedBeforeAndAfter",
                    ("affected", j.Before!.Affected),
                    ("looked", j.Before.Looked),
                    ("affected2", j.After!.Affected),
                    ("looked2", j.After.Looked)
                ),
                e.Hits,
                Math.Round(e.Weight, 2),
                j.DiscountedFor
            )
            : new(null, e.Trial!.Id, e.Trial.ClosedAt!.Value, e.Trial.Name, Say.Of("learned.aTrial"), e.Hits, Math.Round(e.Weight, 2), null);

    private static string Where(GardenSnapshot s, Guid planting) => s.FindPlanting(planting) is { } p ? s.Where(p) : Say.Of("gardens.aPlantingThatIsGone");
}
