using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Ways;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Actions;

/// <summary>Steps made of measures.</summary>
internal static class MeasureFits
{
    /// <summary>A step that is passed over when the measure does not fit, whatever was meant for it.</summary>
    public static LadderStep Step(Finding f, string id, StepChoice choice, IReadOnlyList<Said> why, DateOnly? on = null)
    {
        var m = f.Garden.Catalogue.Measure(id);
        return f.Against(m) is { } against
            ? new LadderStep(m.Rung, m.Id, m.Name, StepChoice.PassedOver, [against], null, m)
            : new LadderStep(m.Rung, m.Id, m.Name, choice, why, choice == StepChoice.PassedOver ? null : on ?? f.Garden.Today, m);
    }
}

/// <summary>Doing nothing, on purpose and until a date.</summary>
internal static class LookSteps
{
    private const int LookAgainDays = 4;
    private const int LookAgainSteepDays = 2;

    public static IEnumerable<LadderStep> Of(WaySet ways)
    {
        var f = ways.Finding;
        var today = f.Garden.Today;
        var seenOn = f.Garden.Garden.DateOf(f.Seen.At);
        if (f.Target is null && !f.Clean)
        {
            yield return MeasureFits.Step(f, KnownIds.Measures.NameIt, StepChoice.Do, [Said.Of("actions.nobodyHasNamedItAndIts")]);
        }

        yield return f switch
        {
            { Clean: true } => Look(StepChoice.Do, seenOn.AddDays(WalkRhythm.Days), Said.Of("actions.cleanTheUsualWalkIsSoon")),
            { Stale: true } => Look(StepChoice.Do, today, Said.Of("actions.theCountIsFromTooOld", ("date", Fact.Weekday(seenOn)))),
            { Visit: { } visit } => Look(StepChoice.Do, visit.DueOn, Said.Of("actions.somethingWasDoneAlreadyCheckBack", ("date", Fact.Weekday(visit.DueOn)))),
            { Target: null } => Look(StepChoice.May, today.AddDays(LookAgainSteepDays), Said.Of("actions.twoCountsSayMoreThanOne")),
            { Target.NoSpray: true } => Look(StepChoice.PassedOver, null, Said.Of("actions.itDoesNotGoAway")),
            { Target.Kind: TargetKind.LookAlike } => Look(StepChoice.May, today.AddDays(WalkRhythm.Days), Said.Of("actions.itIsNoPest")),
            { OverLine: true, HelpersAtWork: true } => Look(StepChoice.Do, seenOn.AddDays(LookAgainDays), Said.Of("actions.helpersAreAtWorkCountAgain")),
            { OverLine: true } when ways.Proposed is { Rung: Rung.Look } => Look(StepChoice.Do, seenOn.AddDays(LookAgainDays), ways.Sentence),
            { OverLine: true } => Look(StepChoice.PassedOver, null, Said.Of("actions.waitingLetsItGrow", ("it", Fact.Clause(f.Told)))),
            { Doubled: true } => Look(
                StepChoice.Do,
                seenOn.AddDays(LookAgainSteepDays),
                Said.Of("actions.butItDoubledLookAgainSoon", ("it", Fact.Clause(f.Told)))
            ),
            _ => Look(StepChoice.Do, seenOn.AddDays(LookAgainDays), f.Told.AsSentence()),
        };

        LadderStep Look(StepChoice choice, DateOnly? on, Said why) => MeasureFits.Step(f, KnownIds.Measures.LookAgain, choice, [why], on < today ? today : on);
    }
}

/// <summary>Helpers, and the ants that keep them off.</summary>
internal static class HelperSteps
{
    public static IEnumerable<LadderStep> Of(Finding f)
    {
        if (f.Clean || f.Stale || f.Target is not { Group: KnownIds.TargetGroups.SapFeeders })
        {
            yield break;
        }

        var helpers = Said.Of("actions.helpers", ("n", Fact.Count(f.Helpers)));
        yield return f switch
        {
            { Helpers: 0 } => MeasureFits.Step(f, KnownIds.Measures.SpareHelpers, StepChoice.PassedOver, [Said.Of("actions.noneWereSeen")]),
            { HelpersAtWork: true } => MeasureFits.Step(
                f,
                KnownIds.Measures.SpareHelpers,
                StepChoice.Do,
                [Said.Of("actions.onInfestedLeavesEnoughToWait", ("helpers", Fact.Clause(helpers)), ("leavesAffected", Fact.Count(f.Seen.LeavesAffected)))]
            ),
            _ when f.Ants.Climb() => MeasureFits.Step(
                f,
                KnownIds.Measures.SpareHelpers,
                StepChoice.PassedOver,
                [Said.Of("actions.butAntsKeepThemOff", ("helpers", Fact.Clause(helpers)))]
            ),
            { Doubled: true } => MeasureFits.Step(
                f,
                KnownIds.Measures.SpareHelpers,
                StepChoice.PassedOver,
                [Said.Of("actions.butTheCountDoubledAll", ("helpers", Fact.Clause(helpers)))]
            ),
            _ => MeasureFits.Step(
                f,
                KnownIds.Measures.SpareHelpers,
                StepChoice.PassedOver,
                [Said.Of("actions.onInfestedLeavesTooFew", ("helpers", Fact.Clause(helpers)), ("leavesAffected", Fact.Count(f.Seen.LeavesAffected)))]
            ),
        };
        if (f.Ants.Climb())
        {
            Said[] why = [Said.Of("actions.antsCarryThemBackAndKeep")];
            yield return MeasureFits.Step(f, KnownIds.Measures.AntBait, StepChoice.Do, why);
            yield return MeasureFits.Step(f, KnownIds.Measures.AntBand, StepChoice.Do, why);
        }

        if (f.Place.Shelter != Shelter.Open)
        {
            var lead = f.Garden.Catalogue.Measure(KnownIds.Measures.OrderHelpers).LeadDays;
            yield return Coming(f) is { } coming ? MeasureFits.Step(f, KnownIds.Measures.OrderHelpers, StepChoice.PassedOver, [coming])
            : f.Share >= 2 * f.Line.Share
                ? MeasureFits.Step(
                    f,
                    KnownIds.Measures.OrderHelpers,
                    StepChoice.PassedOver,
                    [Said.Of("actions.tooLateTheyComeInAbout", ("lead", Fact.Count(lead)))]
                )
            : MeasureFits.Step(
                f,
                KnownIds.Measures.OrderHelpers,
                f.Stance == Stance.LastResort ? StepChoice.Do : StepChoice.May,
                [Said.Of("actions.underCoverNoneComeByThemselves", ("date", Fact.Weekday(f.Garden.Today.AddDays(lead))))]
            );
        }
    }

    /// <summary>Helpers that are ordered, or were let out lately, are not ordered again; null when none are.</summary>
    private static Said? Coming(Finding f)
    {
        var release = f.Garden.Tasks.LastOrDefault(t =>
            t.PlantingId == f.Planting.Id
            && t is { Step: KnownIds.Measures.ReleaseHelpers, Helper: not null, State: TaskState.Planned or TaskState.Done }
            && (t.DoneAt ?? f.Garden.Now) > f.Garden.Now.AddDays(-OrderedAgainDays)
        );
        var told = release is null ? "" : HelperGuards.Told(f.Garden.Catalogue, release.Helper!, release.Number ?? 1);
        return release switch
        {
            null => null,
            { State: TaskState.Planned } => Said.Of("actions.areOrdered", ("told", Fact.Thing(told)), ("date", Fact.Weekday(release.DueOn))),
            _ => Said.Of("actions.wereLetOut", ("told", Fact.Thing(told)), ("date", Fact.Weekday(f.Garden.Garden.DateOf(release.DoneAt!.Value)))),
        };
    }

    private const int OrderedAgainDays = 21;
}

/// <summary>Hands and water.</summary>
internal static class HandSteps
{
    /// <summary>Days that are looked through for one that is cool and dull.</summary>
    private const int DullWithinDays = 3;

    /// <summary>Hours of a day that have to be dull, by the clock: leaves dry in them (assumed).</summary>
    private const int DullFromHour = 9,
        DullHours = 9;
    private const double CoolC = 24;
    private const double DullCloudPercent = 60;

    public static IReadOnlyList<LadderStep> Of(WaySet ways)
    {
        var f = ways.Finding;
        if (f.Clean || f.Stale || f.Target is not { } target || f.Visit is not null)
        {
            return [];
        }

        if (f.IsPutRight)
        {
            return [MeasureFits.Step(f, KnownIds.Measures.PutRight, StepChoice.Do, [ways.Sentence])];
        }

        return
        [
            .. f
                .Garden.Catalogue.Measures.Where(m => m.Rung == Rung.Hands && m.IsFor(target))
                .Select(m => Step(f, m, ways.Proposed?.Uses(m.Id) == true ? ways.Proposed : null)),
        ];
    }

    /// <param name="proposed">The way that is proposed, where this is a part of it.</param>
    private static LadderStep Step(Finding f, Measure m, Way? proposed)
    {
        var first = proposed is not null;
        var target = f.Target!;
        return m.Id switch
        {
            KnownIds.Measures.WaterAtSoil => MeasureFits.Step(
                f,
                m.Id,
                f.Place.Watering == Watering.Overhead ? StepChoice.Do : StepChoice.PassedOver,
                [
                    f.Place.Watering == Watering.Overhead
                        ? Said.Of("actions.isWateredFromAboveWhichKeeps", ("place", Fact.Thing(f.Place.Name)))
                        : Said.Of("actions.theLeavesAreNotWateredHere"),
                ]
            ),
            KnownIds.Measures.Mulch => MeasureFits.Step(
                f,
                m.Id,
                f.RainWillSpread ? StepChoice.Do : StepChoice.May,
                [f.RainWillSpread ? (Said.Of("actions.ofRainInThreeDaysWill2", ("rain", Fact.Rain(f.RainMm)))) : Said.Of("actions.rainSplashesItUpFrom")]
            ),
            KnownIds.Measures.MoreAir => MeasureFits.Step(
                f,
                m.Id,
                f.Place.Kind == PlaceKind.Tunnel && f.OverLine ? StepChoice.Do : StepChoice.May,
                [Said.Of("actions.itLikesStillHumidAir")]
            ),
            KnownIds.Measures.Netting => MeasureFits.Step(f, m.Id, StepChoice.May, [Said.Of("actions.itKeepsTheNextBroodOff")]),
            KnownIds.Measures.PickOff when target.InsteadOfSpray is { } instead => MeasureFits.Step(
                f,
                m.Id,
                first ? StepChoice.Do : StepChoice.May,
                [Said.Plain(instead)]
            ),
            _ when m.WantsDullDay => MeasureFits.Step(f, m.Id, first ? StepChoice.Do : StepChoice.May, [DullDayWhy(f, proposed, out var on)], on),
            KnownIds.Measures.PinchTips when !first => MeasureFits.Step(f, m.Id, StepChoice.PassedOver, [Said.Of("actions.itDoesNotSit")]),
            _ => MeasureFits.Step(
                f,
                m.Id,
                first ? StepChoice.Do : StepChoice.May,
                [first ? Said.Of("actions.handsAreAMatch", ("it", Fact.Clause(f.Told))) : Said.Of("actions.costsNothingAndHelps")]
            ),
        };
    }

    /// <summary>
    /// The first cool and dull day of the next three, and not after what is sprayed next: water would take that off again. Early today when
    /// there is none.
    /// </summary>
    private static Said DullDayWhy(Finding f, Way? proposed, out DateOnly on)
    {
        var within = proposed is { SprayDays: [var first, ..] } ? Math.Min(DullWithinDays, first + 1) : DullWithinDays;
        var sky = f.Garden.SkyOf(f.Place).Shelter;
        for (var day = 0; day < within; day++)
        {
            on = f.Garden.Today.AddDays(day);
            var from = sky.IndexOf(f.Garden.Garden.Zone.At(on, DullFromHour));
            var hours = Enumerable.Range(from, DullHours).Select(i => sky.Hour(i)).ToList();
            if (hours.TrueForAll(h => h.TemperatureC is <= CoolC) && hours.Average(h => h.CloudPercent ?? 0) >= DullCloudPercent)
            {
                return Said.Of("actions.waterIsAMatch", ("it", Fact.Clause(f.Told)), ("date", Fact.Weekday(on)));
            }
        }

        on = f.Garden.Today;
        return Said.Of("actions.waterIsAMatch2", ("it", Fact.Clause(f.Told)));
    }
}

/// <summary>Leaves that come off, and where they go.</summary>
internal static class PruneSteps
{
    public static IEnumerable<LadderStep> Of(WaySet ways, int? leaves)
    {
        var f = ways.Finding;
        if (f.Clean || f.Stale || f.Target is not { } target)
        {
            yield break;
        }

        var prune = f.Garden.Catalogue.Measure(KnownIds.Measures.Prune);
        // How many leaves are sick is known where leaves were counted.
        var plan = prune.IsFor(target) && f.Seen.On is CountedOn.Leaves or CountedOn.Tips ? PrunePlan.For(f.Garden, f.Planting, f.Share, leaves) : null;
        var step = plan is null ? null : Prune(f, ways.Proposed?.Uses(KnownIds.Measures.Prune) == true, plan) with { Prune = plan };
        if (step is not null)
        {
            yield return step;
        }

        var comesOff = step is { Choice: StepChoice.Do } || target.NoSpray;
        // Where leaves are cut, the bag is part of the cutting.
        if (target.NoSpray && f.Garden.Catalogue.Measure(KnownIds.Measures.BagAndBin).IsFor(target))
        {
            yield return MeasureFits.Step(f, KnownIds.Measures.BagAndBin, StepChoice.Do, [Said.Of("actions.whatComesOffMustNotLie")]);
        }

        if (f.Garden.Catalogue.Measure(KnownIds.Measures.Compost).IsFor(target))
        {
            yield return MeasureFits.Step(f, KnownIds.Measures.Compost, StepChoice.May, [Said.Of("actions.thereIsNoDiseaseOnThem")]);
        }

        if (plan is not null && f.Garden.Catalogue.Measure(KnownIds.Measures.Feed).IsFor(target))
        {
            // What comes off now, or what the trouble ate and dried already, whichever is more.
            var lost = Math.Max(comesOff ? (double)plan.TakeNow / plan.Leaves : 0, f.Share * (f.Seen.SeverityPercent ?? 0) / 100);
            yield return Feeding.For(f.Garden, f.Planting, lost) switch
            {
                { Step: not null } feed => MeasureFits.Step(
                    f,
                    KnownIds.Measures.Feed,
                    StepChoice.Do,
                    [feed.Sentence, Said.Of("actions.itGrowsBackWhatItLost")],
                    f.Garden.Today.AddDays(feed.AfterDays)
                ) with
                {
                    Dose = feed.Step,
                },
                { } not => MeasureFits.Step(f, KnownIds.Measures.Feed, StepChoice.PassedOver, [not.Sentence]),
                null => MeasureFits.Step(f, KnownIds.Measures.Feed, StepChoice.PassedOver, [Said.Of("actions.fewLeavesComeOff")]),
            };
        }
    }

    private static LadderStep Prune(Finding f, bool proposed, PrunePlan plan) =>
        f switch
        {
            _ when plan.TakeNow == 0 => MeasureFits.Step(f, KnownIds.Measures.Prune, StepChoice.PassedOver, [plan.Sentence]),
            _ when f.Tried.TryGetValue(KnownIds.Measures.Prune, out var day) && day > f.Garden.Today.AddDays(-7) => MeasureFits.Step(
                f,
                KnownIds.Measures.Prune,
                StepChoice.PassedOver,
                [Said.Of("actions.leavesCameOffOnTheNext", ("date", Fact.Weekday(day)))]
            ),
            _ when proposed => MeasureFits.Step(f, KnownIds.Measures.Prune, StepChoice.Do, [plan.Sentence, Said.Of("actions.itTakesMostOfWhatSpreads")]),
            _ => MeasureFits.Step(f, KnownIds.Measures.Prune, StepChoice.May, [plan.Sentence]),
        };
}

/// <summary>Keeping it from going on to the neighbours.</summary>
internal static class IsolateSteps
{
    /// <summary>Neighbours that were looked at within so many days before are known.</summary>
    private const int SeenLately = 2;

    public static IEnumerable<LadderStep> Of(Finding f)
    {
        if (f.Clean || f.Stale || f.Target is not { } target)
        {
            yield break;
        }

        var choice = f.OverLine && !f.HelpersAtWork ? StepChoice.Do : StepChoice.May;
        if (f.Garden.Catalogue.Measure(KnownIds.Measures.Isolate) is { } isolate && isolate.IsFor(target) && isolate.OnlyIn.Contains(f.Place.Kind))
        {
            yield return MeasureFits.Step(f, KnownIds.Measures.Isolate, choice, [Said.Of("actions.itWalksAndDriftsToWhat")]);
        }

        var beside = f
            .Garden.Growing.Where(p =>
                p.Id != f.Planting.Id
                && (p.PlaceId == f.Planting.PlaceId || f.Place.IsBeside(f.Garden.PlaceOf(p)))
                && GardenCatalogue.IsHost(target, f.Garden.Catalogue.Crop(p.Crop))
            )
            .ToList();
        var unseen = beside.Where(p => f.Garden.LatestObservation(p.Id) is not { } o || o.At < f.Seen.At.AddDays(-SeenLately)).ToList();
        if (beside.Count > 0 && f.Garden.Catalogue.Measure(KnownIds.Measures.LookAtNeighbours).IsFor(target))
        {
            yield return unseen.Count > 0
                ? MeasureFits.Step(
                    f,
                    KnownIds.Measures.LookAtNeighbours,
                    choice,
                    [
                        unseen.TrueForAll(p => p.PlaceId == f.Planting.PlaceId)
                            ? Said.Of("actions.itLivesOnToo", ("list", Fact.Thing(Say.All(unseen.Select(Crop)))))
                            : Said.Of("actions.itLivesCloseBy", ("list", Fact.Thing(Say.All(unseen.Select(Crop))))),
                    ]
                )
                : MeasureFits.Step(
                    f,
                    KnownIds.Measures.LookAtNeighbours,
                    StepChoice.PassedOver,
                    [Said.Of("actions.besideItLookedAtAlready", ("list", Fact.Thing(Say.All(beside.Select(Crop)))))]
                );
        }

        string Crop(Planting p) => p.PlaceId == f.Planting.PlaceId ? f.Garden.Catalogue.Crop(p.Crop).Name.InSentence() : f.Garden.Where(p);
    }
}
