using System.Security.Cryptography;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Trials;
using Mauvaise.Core.Words;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Bench;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Trials;

/// <summary>Trials: materials held against each other and against nothing, by lot.</summary>
public static class TrialEndpoints
{
    private const int MostUnits = 200;
    private const int MostLeaves = 100;
    private const int MostAlive = 100_000;

    /// <summary>Only marked plants or leaves were wetted, so the place has hardly any cover of it.</summary>
    private const double MarkedShare = 0.05;

    public static void MapTrials(this IEndpointRouteBuilder app)
    {
        var trials = app.MapGroup("/api/gardens/{gardenId:guid}/trials").WithTags("Trials");
        trials.MapGet("", List);
        trials.MapPost("", Open);
        trials.MapGet("/power", Power);
        trials.MapGet("/{trialId:guid}", Show);
        trials.MapGet("/{trialId:guid}/sheet", Sheet);
        trials.MapPost("/{trialId:guid}/counts", Count);
        trials.MapPost("/{trialId:guid}/treated", Treat);
        trials.MapPost("/{trialId:guid}/close", Close);
    }

    private static async Task<Results<Ok<IReadOnlyList<TrialAnswer>>, ProblemHttpResult>> List(Guid gardenId, GardenTools tools, CancellationToken stop) =>
        await tools.LoadAsync(gardenId, stop) is { } s
            ? TypedResults.Ok<IReadOnlyList<TrialAnswer>>([.. s.Trials.Reverse().Select(t => TrialAnswers.Of(s, t))])
            : Problems.NotFound("garden");

    private static async Task<Results<Ok<TrialAnswer>, ProblemHttpResult>> Show(Guid gardenId, Guid trialId, GardenTools tools, CancellationToken stop) =>
        await tools.LoadAsync(gardenId, stop) is { } s && Find(s, trialId) is { } trial
            ? TypedResults.Ok(TrialAnswers.Of(s, trial))
            : Problems.NotFound("trial");

    private static async Task<Results<Ok<TrialPowerAnswer>, ProblemHttpResult>> Power(
        Guid gardenId,
        int units,
        int leavesPerUnit,
        int sides,
        GardenTools tools,
        CancellationToken stop
    )
    {
        var checks = new Checks()
            .That(units is > 0 and <= MostUnits, "units", "units-range", Say.Of("trials.unitsLieBetween1", ("mostUnits", MostUnits)))
            .That(leavesPerUnit is > 0 and <= MostLeaves, "leavesPerUnit", "leaves-range", Say.Of("trials.leavesOnEachLieBetween1", ("mostLeaves", MostLeaves)))
            .That(
                sides is >= Lot.FewestSides and <= Lot.MostSides,
                "sides",
                "sides-range",
                Say.Of("trials.aTrialHasToSides", ("fewestSides", Lot.FewestSides), ("mostSides", Lot.MostSides))
            )
            .That(units >= sides, "units", "units-few", Say.Of("trials.eachSideWantsOneUnit"));
        return !checks.Passed ? checks.Problem()
            : await tools.LoadAsync(gardenId, stop) is null ? Problems.NotFound("garden")
            : TypedResults.Ok(PowerOf(TrialPower.LeavesASide(units, leavesPerUnit, sides)));
    }

    private static TrialPowerAnswer PowerOf(int leaves) =>
        new(leaves, TrialPower.SmallestDifferencePoints(leaves, TrialPower.UsualUntreated), TrialPower.Sentence(leaves, TrialPower.UsualUntreated));

    private static async Task<Results<Ok<TrialSheet>, ProblemHttpResult>> Sheet(Guid gardenId, Guid trialId, GardenTools tools, CancellationToken stop) =>
        await tools.LoadAsync(gardenId, stop) is { } s && Find(s, trialId) is { } t
            ? TypedResults.Ok(
                new TrialSheet(
                    t.Name,
                    t.Blind && t.ClosedAt is null,
                    [
                        .. t.Sides.Select(side => new TrialSheetSide(
                            TrialAnswers.Letter(side.Number),
                            TrialAnswers.Name(s, side),
                            [.. t.Units.Where(u => u.Side == side.Number).Select(u => new TrialSheetUnit(u.Number, TrialAnswers.Where(s, u)))]
                        )),
                    ]
                )
            )
            : Problems.NotFound("trial");

    private static async Task<Results<Created<TrialAnswer>, ProblemHttpResult>> Open(Guid gardenId, NewTrial body, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        if (Find(s, body.Id) is { } sent)
        {
            return TypedResults.Created((string?)null, TrialAnswers.Of(s, sent));
        }

        var units = body.Plantings.Sum(p => Math.Clamp(p.Units, 0, MostUnits + 1));
        var recipes = body.Sides.Select(x => x.Recipe).OfType<string>().ToList();
        var checks = new Checks()
            .That(body.Name.Trim() is { Length: > 0 and <= 80 }, "name", "name-length", Say.Of("trials.giveTheTrialAName"))
            .That(s.Catalogue.FindTarget(body.Target) is not null, "target", "target-unknown", Say.Of("trials.chooseThePestOrDisease"))
            .That(
                body.Sides.Count is >= Lot.FewestSides and <= Lot.MostSides,
                "sides",
                "sides-range",
                Say.Of("trials.aTrialHasToSides", ("fewestSides", Lot.FewestSides), ("mostSides", Lot.MostSides))
            )
            .That(body.Sides.Count(x => x is { Recipe: null } && Words(x) is null) == 1, "sides", "sides-alone", Say.Of("trials.oneSideAndOnlyOne"))
            .That(body.Sides.All(x => x.Recipe is null || Words(x) is null), "sides", "side-both", Say.Of("trials.aSideIsOneThing"))
            .That(
                recipes.All(r => s.Catalogue.FindRecipe(r) is { } recipe && s.Catalogue.Material(recipe.Active.Material).Doses is not null),
                "sides",
                "recipe-unknown",
                Say.Of("trials.oneOfTheRecipesIsNot")
            )
            .That(
                body.Sides.Select(x => (x.Recipe, Step: x.Recipe is null ? DoseStep.Gentle : x.Step, ByHand: Words(x))).Distinct().Count() == body.Sides.Count,
                "sides",
                "sides-twice",
                Say.Of("trials.twoSidesAreTheSame")
            )
            .That(
                body.Plantings.All(p => p.Units > 0 && s.FindPlanting(p.PlantingId) is { } planting && planting.GrowsOn(s.Today)),
                "plantings",
                "plantings-missing",
                Say.Of("trials.choosePlantingsThatGrowNowEach")
            )
            .That(
                body.Plantings.Select(p => p.PlantingId).Distinct().Count() == body.Plantings.Count,
                "plantings",
                "planting-twice",
                Say.Of("trials.aPlantingIsNamedTwice")
            )
            .That(units >= body.Sides.Count && units <= MostUnits, "plantings", "units-range", Say.Of("trials.itTakesAUnitForEach", ("mostUnits", MostUnits)))
            .That(
                body.Unit != TrialUnitKind.Place || body.Plantings.All(p => p.Units == 1),
                "plantings",
                "place-units",
                Say.Of("trials.whereWholePlacesAreComparedEach")
            )
            .That(
                body.Unit == TrialUnitKind.Leaf ? body.LeavesPerUnit == 1 : body.LeavesPerUnit is >= 1 and <= MostLeaves,
                "leavesPerUnit",
                "leaves-range",
                body.Unit == TrialUnitKind.Leaf ? Say.Of("trials.aMarkedLeafIsOneLeaf") : Say.Of("trials.leavesToCountOnEachLie", ("mostLeaves", MostLeaves))
            );
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var seed = body.Seed ?? RandomNumberGenerator.GetInt32(1, 1_000_000);
        var dealt = Lot.Deal([.. body.Plantings.SelectMany(p => Enumerable.Repeat(p.PlantingId, p.Units))], body.Sides.Count, seed);
        await tools.Log.WriteAsync(
            gardenId,
            body.MemberId,
            Say.Of("trials.openedTheTrial", ("name", body.Name.Trim())),
            db =>
                db.Trials.Add(
                    new TrialRow
                    {
                        Id = body.Id,
                        GardenId = gardenId,
                        Name = body.Name.Trim(),
                        Target = body.Target,
                        Unit = body.Unit,
                        LeavesPerUnit = body.LeavesPerUnit,
                        Seed = seed,
                        Blind = body.Blind,
                        OpenedAt = tools.Now,
                        MemberId = body.MemberId,
                        Sides =
                        [
                            .. body.Sides.Select(
                                (x, i) =>
                                    new TrialSideRow
                                    {
                                        TrialId = body.Id,
                                        Number = i + 1,
                                        Recipe = x.Recipe,
                                        Step = x.Step,
                                        ByHand = Words(x),
                                    }
                            ),
                        ],
                        Units =
                        [
                            .. dealt.Select(u => new TrialUnitRow
                            {
                                TrialId = body.Id,
                                Number = u.Number,
                                PlantingId = u.PlantingId,
                                Side = u.Side,
                            }),
                        ],
                    }
                ),
            stop
        );
        return TypedResults.Created((string?)null, await AnswerAsync(tools, gardenId, body.Id, stop));
    }

    private static async Task<Results<Ok<TrialAnswer>, ProblemHttpResult>> Count(
        Guid gardenId,
        Guid trialId,
        TrialCounts body,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s || Find(s, trialId) is not { } trial)
        {
            return Problems.NotFound("trial");
        }

        var at = body.At ?? s.Now;
        var here = trial.Counts.Select(c => c.Id).ToHashSet();
        var fresh = body.Counts.Where(c => !here.Contains(c.Id)).ToList();
        var checks = new Checks()
            .That(body.Counts.Count > 0, "counts", "nothing-counted", Say.Of("trials.countOneUnitAtLeast"))
            .That(trial.ClosedAt is null || fresh.Count == 0, "", "trial-closed", Say.Of("trials.thisTrialIsClosed"))
            .That(at <= s.Now.AddMinutes(5) && at >= trial.OpenedAt, "at", "time-outside", Say.Of("trials.aCountLiesBetweenTheOpening"))
            .That(fresh.All(c => trial.Units.Any(u => u.Number == c.Unit)), "counts", "unit-unknown", Say.Of("trials.oneOfTheUnitsIsNot"))
            .That(fresh.Select(c => c.Unit).Distinct().Count() == fresh.Count, "counts", "unit-twice", Say.Of("trials.aUnitWasCountedTwice"))
            .That(
                fresh.All(c => c.LeavesLooked is >= 1 and <= 1000 && c.LeavesAffected >= 0 && c.LeavesAffected <= c.LeavesLooked),
                "counts",
                "affected-over-looked",
                Say.Of("trials.affectedLeavesLieBetween0")
            )
            .That(fresh.All(c => c.Alive is null or (>= 0 and <= MostAlive)), "counts", "alive-range", Say.Of("trials.livingLieBetween0", ("most", MostAlive)))
            .That(fresh.All(c => c.SeverityPercent is null or (>= 0 and <= 100)), "counts", "severity-range", Say.Of("trials.theShareOfTheLeaf"));
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        if (fresh.Count > 0)
        {
            await tools.Log.WriteAsync(
                gardenId,
                body.MemberId,
                Say.Of("trials.countedOfTheTrial", ("fresh", fresh.Count), ("trial", trial.Name)),
                db =>
                    db.TrialCounts.AddRange(
                        fresh.Select(c => new TrialCountRow
                        {
                            Id = c.Id,
                            GardenId = gardenId,
                            TrialId = trialId,
                            Unit = c.Unit,
                            At = at,
                            LeavesLooked = c.LeavesLooked,
                            LeavesAffected = c.LeavesAffected,
                            SeverityPercent = c.SeverityPercent,
                            Injury = c.Injury,
                            Alive = c.Alive,
                            MemberId = body.MemberId,
                        })
                    ),
                stop
            );
        }

        return TypedResults.Ok(await AnswerAsync(tools, gardenId, trialId, stop));
    }

    /// <summary>The sides were treated: each is logged as a spray, so that waits, limits and the ledger know of it.</summary>
    private static async Task<Results<Ok<TrialAnswer>, ProblemHttpResult>> Treat(
        Guid gardenId,
        Guid trialId,
        TrialTreated body,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s || Find(s, trialId) is not { } trial)
        {
            return Problems.NotFound("trial");
        }

        if (body.Sides.Count > 0 && body.Sides.All(x => s.Applications.Any(a => a.Id == x.ApplicationId) || s.Tasks.Any(t => t.Id == x.ApplicationId)))
        {
            return TypedResults.Ok(TrialAnswers.Of(s, trial));
        }

        var treated = trial.Sides.Where(x => !x.IsAlone).ToList();
        var checks = new Checks()
            .That(trial.ClosedAt is null, "", "trial-closed", Say.Of("trials.thisTrialIsClosed"))
            .That(trial.LastTreatedAt is not { } last || s.Garden.DateOf(last) < s.Today, "", "trial-treated", Say.Of("trials.theSidesWereTreatedAlready"))
            .That(
                body.Sides.Select(x => x.Number).Order().SequenceEqual(treated.Select(x => x.Number)),
                "sides",
                "sides-treated",
                Say.Of("trials.sayForEverySide")
            )
            .That(
                treated
                    .Zip(body.Sides.OrderBy(x => x.Number))
                    .All(x =>
                        x.First.Recipe is not { } recipe || (x.Second.Litres > 0 && x.Second.Litres <= Mix.MostOf(s.Catalogue.FindRecipe(recipe)!.IsWet))
                    ),
                "sides",
                "litres-range",
                BenchOrder.SizeRange(true)
            );
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var written = new Written(Say.Of("trials.treatedTheSides", ("trial", trial.Name)), body.MemberId);
        foreach (var (side, done) in treated.Zip(body.Sides.OrderBy(x => x.Number)))
        {
            Guid[] plantings = [.. trial.Units.Where(u => u.Side == side.Number).Select(u => u.PlantingId).Distinct()];
            if (side.ByHand is { } work)
            {
                written = written.And(ByHand(s, trial, work, done.ApplicationId, plantings));
                continue;
            }

            var made = MixDeeds.Make(
                s,
                new MixAsk(plantings, trial.Target, side.Recipe!, side.Step, [], null, null, null, tools.Now, false, true),
                done.Litres
            );
            // A trial keeps the rules of any spray.
            if (made.Reasons.FirstOrDefault(r => r.Verdict == MixVerdict.Refused && r.Code != "patch-test") is { } refused)
            {
                return Problems.Refused(
                    "mix-" + refused.Code,
                    Say.Of("trials.side", ("letter", TrialAnswers.Letter(side.Number)), ("sentence", refused.Sentence))
                );
            }

            var bottle = Bottles.Fill(s.After(written), done.BatchId, plantings, trial.Target, false, made.Mix, tools.Now, body.MemberId);
            var order = new NewApplication(
                done.ApplicationId,
                done.BatchId,
                plantings,
                made.Mix.Litres,
                trial.Unit == TrialUnitKind.Place ? null : MarkedShare,
                Note: Say.Of("trials.trialSide", ("trial", trial.Name), ("letter", TrialAnswers.Letter(side.Number))),
                MemberId: body.MemberId
            );
            // What came of it is told by the trial's own counts, and nothing goes on by itself.
            var spray = Core.Deeds.Sprays.Log(s, order, bottle.Batches[0], tools.Now, SprayReason.OwnIdea) with { Courses = [], CheckBacks = [] };
            written = written.And(bottle).And(spray);
        }

        var row = await tools.Db.Trials.FirstAsync(t => t.Id == trialId, stop);
        row.TreatedAt ??= tools.Now;
        row.LastTreatedAt = tools.Now;
        row.TreatedTimes = trial.TreatedTimes + 1;
        await tools.DoAsync(s, written, stop);
        return TypedResults.Ok(await AnswerAsync(tools, gardenId, trialId, stop));
    }

    /// <summary>What a side is done by hand; null for nothing.</summary>
    private static string? Words(NewTrialSide side) => string.IsNullOrWhiteSpace(side.ByHand) ? null : side.ByHand.Trim();

    /// <summary>
    /// A measure is written down as a task that is done; what comes of it is told by the trial's own counts. Something else is the trial's alone.
    /// </summary>
    private static Written ByHand(GardenSnapshot s, Trial trial, string work, Guid id, Guid[] plantings) =>
        new("")
        {
            Tasks = s.Catalogue.FindMeasure(work) is { } measure
                ?
                [
                    .. plantings.Select(
                        (p, i) => new GardenTask(i == 0 ? id : Guid.NewGuid(), p, null, measure.Id, trial.Target, s.Today, TaskState.Done, s.Now)
                    ),
                ]
                : [],
        };

    private static async Task<Results<Ok<TrialAnswer>, ProblemHttpResult>> Close(
        Guid gardenId,
        Guid trialId,
        TrialClosed body,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s || Find(s, trialId) is not { } trial)
        {
            return Problems.NotFound("trial");
        }

        if (trial.ClosedAt is null)
        {
            var row = await tools.Db.Trials.FirstAsync(t => t.Id == trialId, stop);
            await tools.Log.WriteAsync(gardenId, body.MemberId, Say.Of("trials.closedTheTrial", ("trial", trial.Name)), _ => row.ClosedAt = tools.Now, stop);
        }

        return TypedResults.Ok(await AnswerAsync(tools, gardenId, trialId, stop));
    }

    private static async Task<TrialAnswer> AnswerAsync(GardenTools tools, Guid gardenId, Guid trialId, CancellationToken stop)
    {
        var s = (await tools.LoadAsync(gardenId, stop))!;
        return TrialAnswers.Of(s, Find(s, trialId)!);
    }

    private static Trial? Find(GardenSnapshot s, Guid id) => s.Trials.FirstOrDefault(t => t.Id == id);
}
