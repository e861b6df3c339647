using System.ComponentModel.DataAnnotations;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Preventing;
using Mauvaise.Core.Words;
using Mauvaise.Web.Calc;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Mauvaise.Web.Preventing;

/// <summary>Work before trouble, by what is done.</summary>
public sealed record PreventionAnswer(string Sentence, IReadOnlyList<PreventionGroupAnswer> Groups);

/// <param name="Because">Why it is done at all, as a sentence.</param>
/// <param name="DueMinutes">Of all that is due of it now; 0 for nothing.</param>
public sealed record PreventionGroupAnswer(string Step, string Name, string Because, string How, int DueMinutes, IReadOnlyList<PreventiveWorkAnswer> Work);

/// <param name="On">The day it is due, or until when it holds.</param>
/// <param name="WorthPercent">Of all trouble that is likely at the planting, whole.</param>
public sealed record PreventiveWorkAnswer(Guid PlantingId, string Where, PreventionState State, DateOnly? On, SaidAnswer Why, double WorthPercent);

/// <param name="Id">Of the task that it becomes, made by the client.</param>
/// <param name="Step">Id of a measure.</param>
public sealed record PreventionItem(Guid Id, Guid PlantingId, string Step);

/// <summary>One word on several pieces of work: written and undone together.</summary>
/// <param name="On">The day that it is taken on for; null for today.</param>
public sealed record PreventionSaid(
    [property: MaxLength(PreventionEndpoints.MostItems)] IReadOnlyList<PreventionItem> Items,
    PreventionWord Word,
    DateOnly? On = null,
    Guid? MemberId = null
);

/// <summary>What is worth doing before anything is found.</summary>
public static class PreventionEndpoints
{
    public const int MostItems = 500;
    private const int FurthestDays = 120;

    public static void MapPrevention(this IEndpointRouteBuilder app)
    {
        var prevention = app.MapGroup("/api/gardens/{gardenId:guid}/prevention").WithTags("Prevention");
        prevention.MapGet("", Show);
        prevention.MapPost("", Answer);
    }

    private static async Task<Results<Ok<PreventionAnswer>, ProblemHttpResult>> Show(Guid gardenId, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var kinds = PreventionPlan.Of(s).Kinds;
        return TypedResults.Ok(
            new PreventionAnswer(
                Sentence(s, [.. kinds.SelectMany(k => k.Due)]),
                [
                    .. kinds.Select(k => new PreventionGroupAnswer(
                        k.Measure.Id,
                        k.Measure.Name,
                        k.Measure.Prevents?.Why ?? "",
                        k.Measure.How,
                        PreventiveKind.MinutesOf(k.Due),
                        [
                            .. k.All.Select(w => new PreventiveWorkAnswer(
                                w.Planting.Id,
                                s.Where(w.Planting),
                                w.State,
                                w.On,
                                SaidAnswer.Of(w.Why),
                                Math.Round(w.Worth * 100)
                            )),
                        ]
                    )),
                ]
            )
        );
    }

    private static string Sentence(GardenSnapshot s, List<PreventiveWork> due) =>
        !s.Growing.Any() ? Say.Of("picking.nothingIsPlantedYet")
        : due.Count == 0 ? Say.Of("preventing.nothingIsDueBeforeTrouble")
        : Say.Of(
            "preventing.wouldKeepTroubleOffNow",
            ("some", Say.Of("words.things", ("n", due.Select(w => w.Measure.Id).Distinct().Count()))),
            ("some2", Say.Of("words.plantings", ("n", due.Select(w => w.Planting.Id).Distinct().Count())))
        );

    private static async Task<Results<Created, ProblemHttpResult>> Answer(Guid gardenId, PreventionSaid body, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var plan = PreventionPlan.Of(s);
        var fresh = body.Items.Where(i => s.Tasks.All(t => t.Id != i.Id)).ToList();
        var found = fresh.Select(i => (Item: i, Work: plan.Find(i.PlantingId, i.Step))).ToList();
        var strange = found.Find(x => x.Work is null).Item;
        var checks = new Checks()
            .That(body.Items.Count > 0, "items", "items-none", Say.Of("preventing.chooseWhatWasDone"))
            .That(body.Items.Select(i => i.Id).Distinct().Count() == body.Items.Count, "items", "id-twice", Say.Of("preventing.twoPiecesOfWorkWereSent"))
            .That(
                body.Items.DistinctBy(i => (i.PlantingId, i.Step)).Count() == body.Items.Count,
                "items",
                "work-twice",
                Say.Of("preventing.theSameWorkOnTheSame")
            )
            .That(
                strange is null,
                "items",
                "work-unknown",
                Say.Of("preventing.isNoWorkBeforeTroubleThere", ("measure", s.Catalogue.FindMeasure(strange?.Step ?? "")?.Name ?? strange?.Step))
            )
            .That(
                body.On is null || (body.Word == PreventionWord.Planned && body.On >= s.Today && body.On <= s.Today.AddDays(FurthestDays)),
                "on",
                "day-range",
                Say.Of("preventing.aDayIsForWhat", ("furthestDays", FurthestDays))
            );
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var work = found.Select(x => (x.Item.Id, Work: x.Work!)).Where(x => !PreventionDeeds.IsSaid(s, x.Work, body.Word)).ToList();
        if (work.Count > 0)
        {
            await tools.DoAsync(s, PreventionDeeds.Answer(s, work, body.Word, body.On ?? s.Today, tools.Now, body.MemberId), stop);
        }

        return TypedResults.Created((string?)null);
    }
}
