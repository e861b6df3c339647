using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Planning;
using Mauvaise.Core.Words;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Calc;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Plan;

/// <summary>The rota: what is planned, what it costs to move it, and the gardener's words to it.</summary>
public static class PlanEndpoints
{
    public static void MapPlan(this IEndpointRouteBuilder app)
    {
        var plan = app.MapGroup("/api/gardens/{gardenId:guid}/plan").WithTags("Plan");
        plan.MapGet("", Show);
        plan.MapGet("/moves", Moves);
        plan.MapPost("/choices", Choose);
        plan.MapDelete("/choices/{choiceId:guid}", Unchoose);
        plan.MapPost("/seen", Seen);
        plan.MapOutings();
        plan.MapFeed();
    }

    private static async Task<Results<Ok<RotaAnswer>, ProblemHttpResult>> Show(Guid gardenId, GardenTools tools, CancellationToken stop) =>
        await tools.LoadAsync(gardenId, stop) is { } s ? TypedResults.Ok(Answer(s, RotaPlanner.Plan(s))) : Problems.NotFound("garden");

    private static async Task<Results<Ok<IReadOnlyList<MoveAnswer>>, ProblemHttpResult>> Moves(
        Guid gardenId,
        Guid planting,
        string target,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var moves = RotaPlanner.Moves(s, planting, target);
        return moves.Count == 0
            ? Problems.NotFound(Say.Of("plan.roundInThePlan"))
            : TypedResults.Ok<IReadOnlyList<MoveAnswer>>([
                .. moves.Select(m => new MoveAnswer(m.On, m.More is { } more ? Math.Round(Math.Max(0, more) * 100, 2) : null, SaidAnswer.Of(m.Sentence))),
            ]);
    }

    private static async Task<Results<Created, ProblemHttpResult>> Choose(Guid gardenId, NewPlanChoice body, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var planting = s.FindPlanting(body.PlantingId);
        var last = s.Today.AddDays(RotaPlanner.FirmDays - 1);
        var ofMaterial = body.Word is PlanWord.Ban or PlanWord.Proven;
        var ofRound = body.Word is PlanWord.Pin or PlanWord.Skip;
        var checks = new Checks()
            .That(planting is not null, "plantingId", "planting-unknown", Say.Of("decide.chooseOneOfTheGardensPlantings"))
            .That(
                !ofRound || (body.Target is not null && s.Catalogue.FindTarget(body.Target) is not null),
                "target",
                "target-unknown",
                Say.Of("plan.sayWhichTroubleIsMeant")
            )
            .That(
                !ofMaterial || (body.Material is not null && s.Catalogue.FindMaterial(body.Material) is not null),
                "material",
                "material-unknown",
                Say.Of("plan.sayWhichMaterialIsMeant")
            )
            .That(
                !ofRound || (body.On is { } on && on >= s.Today && on <= last),
                "on",
                "day-range",
                Say.Of("plan.chooseADayFromToday", ("last", Say.In(last, "d MMMM")))
            );
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        if (s.Choices.All(c => c.Id != body.Id))
        {
            var choice = new PlanChoice(body.Id, body.Word, body.PlantingId, body.Target, body.Material, body.On);
            await tools.Log.WriteAsync(
                gardenId,
                body.MemberId,
                ChoiceWords.Of(s, choice),
                db =>
                {
                    // A new pin takes the place of an older one for the same round; anything else is said once.
                    db.PlanChoices.RemoveRange(
                        db.PlanChoices.Where(c =>
                            c.GardenId == gardenId
                            && c.Word == body.Word
                            && c.PlantingId == body.PlantingId
                            && (ofRound ? body.Word == PlanWord.Pin && c.Target == body.Target : c.Material == (ofMaterial ? body.Material : null))
                        )
                    );

                    db.PlanChoices.Add(
                        new PlanChoiceRow
                        {
                            Id = body.Id,
                            GardenId = gardenId,
                            Word = body.Word,
                            PlantingId = body.PlantingId,
                            Target = ofRound ? body.Target : null,
                            Material = ofMaterial ? body.Material : null,
                            On = ofRound ? body.On : null,
                            MemberId = body.MemberId,
                        }
                    );
                },
                stop
            );
        }

        return TypedResults.Created((string?)null);
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> Unchoose(
        Guid gardenId,
        Guid choiceId,
        Guid? member,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        if (s.Choices.FirstOrDefault(c => c.Id == choiceId) is { } choice)
        {
            var row = await tools.Db.PlanChoices.FirstAsync(c => c.Id == choiceId, stop);
            await tools.Log.WriteAsync(gardenId, member, Say.Of("plan.letGo", ("of", ChoiceWords.Of(s, choice))), db => db.PlanChoices.Remove(row), stop);
        }

        return TypedResults.NoContent();
    }

    /// <summary>The gardener has looked: changes are told against the plan as it is now.</summary>
    private static async Task<Results<NoContent, ProblemHttpResult>> Seen(Guid gardenId, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        await using var transaction = await tools.Db.Database.BeginTransactionAsync(stop);
        await tools.Db.SeenRounds.Where(r => r.GardenId == gardenId).ExecuteDeleteAsync(stop);
        tools.Db.SeenRounds.AddRange(
            RotaPlanner
                .Plan(s)
                .Rounds.Select(r => new SeenRoundRow
                {
                    GardenId = gardenId,
                    Key = r.Key,
                    On = r.On,
                    Recipe = r.Recipe.Id,
                })
        );
        await tools.Db.SaveChangesAsync(stop);
        await transaction.CommitAsync(stop);
        return TypedResults.NoContent();
    }

    internal static RotaAnswer Answer(GardenSnapshot s, Rota rota) =>
        new(
            rota.From,
            rota.FirmTo,
            RotaDay.InShort(s, rota),
            RotaDay.Of(s, rota),
            [.. s.Places.Select(p => new PlanPlace(p.Id, p.Name))],
            [.. rota.Outings.Select(o => Outing(s, o))],
            [.. rota.Patches.Select(p => new PlannedPatchAnswer(p.Planting.Id, s.Where(p.Planting), p.Target.Id, p.Recipe.Id, p.Recipe.Name, p.On))],
            [.. rota.Visits.Select(v => new PlannedVisitAnswer(v.On, v.Planting.Id, v.Planting.PlaceId, s.Where(v.Planting), v.What, v.CheckBackId))],
            [
                .. rota.Walks.Select(w => new PlannedWalkAnswer(
                    w.On,
                    [.. w.Plantings.Select(p => s.Where(p))],
                    [.. w.Plantings.Select(p => p.PlaceId).Distinct()]
                )),
            ],
            [.. rota.NotPlanned.Select(n => new NotPlannedAnswer(n.Planting.Id, s.Where(n.Planting), n.Target.Id, n.Target.Name, SaidAnswer.Of(n.Sentence)))],
            SaidAnswer.Of(rota.Cannot),
            [
                .. rota.Outline.Select(e => new OutlineAnswer(
                    e.WeekOf,
                    e.Place.Id,
                    e.Target.Id,
                    e.Target.Name,
                    e.Material.Name,
                    e.Material.Group,
                    s.Catalogue.Group(e.Material.Group).Hatch,
                    e.Kind
                )),
            ],
            [.. rota.Changes.Select(c => new PlanChangeAnswer(c.Kind, SaidAnswer.Of(c.Sentence)))],
            [.. s.Choices.Where(c => c.On is null || c.On >= s.Today).Select(c => new PlanChoiceAnswer(c.Id, c.Word, ChoiceWords.Of(s, c)))]
        );

    internal static OutingAnswer Outing(GardenSnapshot s, Outing o)
    {
        var tanks = o.Tanks.Select(t => Tank(s, t)).ToList();
        var half = Say.Of(o.Morning ? "plan.morning" : "plan.evening");
        return new OutingAnswer(
            o.Key,
            o.On,
            o.Morning,
            Hours(o.Hours),
            $"{Say.In(o.On, "dddd d MMM")}, {half}: {InShort(o)}",
            tanks,
            [
                .. o.Tasks.Select(t => new PlannedTaskAnswer(
                    t.Id,
                    s.Catalogue.Measure(t.Step).Name,
                    s.Where(s.FindPlanting(t.PlantingId)!),
                    s.Catalogue.Measure(t.Step).How
                )),
            ]
        );
    }

    /// <summary>"neem with soap in 2 places", without a day.</summary>
    internal static string InShort(Outing o)
    {
        var places = o.Tanks.SelectMany(t => t.Rounds).Select(r => r.Place.Id).Distinct().Count();
        return places == 1
            ? Say.Of("plan.inPlace", ("list", Say.All(o.Tanks.Select(t => t.Recipe.Name.InSentence()))), ("places", places))
            : Say.Of("plan.inPlaces", ("list", Say.All(o.Tanks.Select(t => t.Recipe.Name.InSentence()))), ("places", places));
    }

    private static PlannedTankAnswer Tank(GardenSnapshot s, PlannedTank t)
    {
        var material = s.Catalogue.Material(t.Recipe.Active.Material);
        var largest = s.Sprayers.Select(x => x.CapacityLitres).DefaultIfEmpty(t.Litres).Max();
        return new PlannedTankAnswer(
            t.Recipe.Id,
            t.Recipe.Name,
            material.Id,
            s.Catalogue.Group(material.Group).Hatch,
            t.Step,
            t.Litres,
            MixSize.Text(s, t.Recipe, t.Litres),
            Math.Max(1, (int)Math.Ceiling(t.Litres / largest - 1e-9)),
            t.Recipe.Shake,
            [.. t.Rounds.Select(r => Round(s, r))]
        );
    }

    private static PlannedRoundAnswer Round(GardenSnapshot s, PlannedRound r)
    {
        var material = s.Catalogue.Material(r.Recipe.Active.Material);
        return new PlannedRoundAnswer(
            r.Key,
            r.Kind,
            r.Planting.Id,
            r.Place.Id,
            s.Where(r.Planting),
            r.Target.Id,
            r.Target.Name,
            r.Recipe.Id,
            r.Recipe.Name,
            material.Id,
            material.Group,
            s.Catalogue.Group(material.Group).Name,
            s.Catalogue.Group(material.Group).Hatch,
            r.Step,
            r.Round,
            r.Rounds,
            r.On,
            Hours(r.Hours),
            r.Pinned ? s.Choices.LastOrDefault(c => c.Word == PlanWord.Pin && c.PlantingId == r.Planting.Id && c.Target == r.Target.Id)?.Id : null,
            Math.Round(r.Litres, 2),
            Figure.Volume(r.Litres),
            SaidAnswer.Of([.. r.Why, r.WhyThen]),
            SaidAnswer.Of(r.Against)
        );
    }

    private static HoursAnswer Hours(SlotHours h) => new(h.From, h.To, h.Verdict, h.Known);
}
