using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Words;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Bench;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Mauvaise.Web.Plan;

/// <summary>An outing that was made, logged in one go: bottles, sprays and tasks. Sending it twice writes it once.</summary>
internal static class OutingEndpoints
{
    internal static void MapOutings(this RouteGroupBuilder plan) => plan.MapPost("/outings", Log);

    private static async Task<Results<Created<OutingLogged>, ProblemHttpResult>> Log(Guid gardenId, OutingDone body, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var fresh = body.Tanks.Where(t => s.Applications.All(a => a.Id != t.ApplicationId)).ToList();
        var at = body.At ?? s.Now;
        var checks = new Checks()
            .That(body.Tanks.Count + body.TaskIds.Count > 0, "", "nothing-done", Say.Of("plan.nothingWasTickedOffSoThere"))
            .That(at <= s.Now.AddMinutes(5), "at", "time-ahead", Say.Of("plan.anOutingIsLoggedAfter"))
            .That(body.TaskIds.All(id => s.Tasks.Any(t => t.Id == id)), "taskIds", "task-unknown", Say.Of("plan.oneOfTheTasksIsNot"))
            .That(body.Note is null or { Length: <= 2000 }, "note", "note-long", Say.Of("plan.aNoteHasUpTo2000"));
        foreach (var tank in fresh)
        {
            BenchOrder
                .Check(s, tank.PlantingIds, tank.Target, tank.Recipe, [], null, null, null, checks)
                .That(tank.PlantingIds.Count > 0, "plantingIds", "plantings-missing", Say.Of("plan.chooseWhereItWentOnePlanting"))
                .That(tank.MixedLitres is > 0 and <= Mix.MostLitres, "mixedLitres", "litres-range", BenchOrder.SizeRange(true))
                .That(tank.UsedLitres > 0 && tank.UsedLitres <= tank.MixedLitres + 0.05, "usedLitres", "litres-over-bottle", Say.Of("plan.noMoreCanHaveGone"));
        }

        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var made = fresh
            .Select(t =>
                (Tank: t, Mix: MixDeeds.Make(s, new MixAsk(t.PlantingIds, t.Target, t.Recipe, t.Step, [], null, null, null, at, false, true), t.MixedLitres))
            )
            .ToList();
        // It is done: only a mix that can not have been made so is refused here.
        if (made.FirstOrDefault(m => m.Mix.Mix.Verdict == MixVerdict.Refused) is { Tank: not null } refused)
        {
            return Problems.Refused(
                "mix-" + refused.Mix.Mix.Reasons.First(r => r.Verdict == MixVerdict.Refused).Code,
                refused.Mix.Mix.Reasons.First(r => r.Verdict == MixVerdict.Refused).Sentence
            );
        }

        var tasks = s.Tasks.Where(t => body.TaskIds.Contains(t.Id) && t.State == TaskState.Planned).ToList();
        var after = made.Count + tasks.Count > 0 ? await tools.DoAsync(s, Outings.Log(s, body, made, tasks, at), stop) : s;
        var ids = body.Tanks.Select(t => (Guid?)t.ApplicationId).ToHashSet();
        return TypedResults.Created(
            (string?)null,
            new OutingLogged(
                [.. body.Tanks.Select(t => Sprayed(s, t))],
                [.. after.CheckBacks.Where(c => ids.Contains(c.ApplicationId)).Select(c => c.DueOn).Distinct().Order()]
            )
        );
    }

    private static string Sprayed(GardenSnapshot s, TankDone t) =>
        Say.Of(
            "plan.ofOn",
            ("text", TankVolume.Text(t.UsedLitres, s.Garden.Kitchen)),
            ("recipe", s.Catalogue.FindRecipe(t.Recipe)?.Name.InSentence()),
            ("list", string.Join(", ", t.PlantingIds.Select(s.FindPlanting).OfType<Planting>().Select(s.Where)))
        );
}
