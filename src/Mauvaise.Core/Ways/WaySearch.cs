using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Courses;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Simulation;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Ways;

/// <summary>
/// Lists the ways to meet a finding. <see cref="WayPlay"/> plays them through, <see cref="WayCosts"/> says what they cost, <see cref="WayChoice"/>
/// weighs them.
/// </summary>
internal sealed class WaySearch
{
    /// <summary>Hands go over a planting again after so many days, and so many times at the most.</summary>
    private const int HandsAgainDays = 3,
        MostHandRounds = 4;

    /// <summary>Leaves come off a week apart.</summary>
    private const int PruneAgainDays = 7;

    /// <summary>So many materials are weighed together with hands.</summary>
    private const int WithHands = 3;

    /// <summary>So many that clean are weighed with so many that protect.</summary>
    private const int CleanersTried = 1,
        ProtectantsTried = 2;

    /// <summary>Rounds that are further off than this are no answer to what is found today.</summary>
    private const int StartWithinDays = 4;

    private readonly Finding f;
    private readonly Target target;
    private readonly HalfDayHours hours;
    private readonly WayPlay play;
    private readonly WayCosts costs;
    private readonly PrunePlan? prune;
    private readonly WayChoice choice;

    private WaySearch(Finding finding, Target target, int? leaves, HalfDayHours hours)
    {
        (f, this.target, this.hours) = (finding, target, hours);
        play = new WayPlay(f, target);
        var measure = f.Garden.Catalogue.Measure(KnownIds.Measures.Prune);
        var plan = measure.IsFor(target) && f.Against(measure) is null ? PrunePlan.For(f.Garden, f.Planting, f.Share, leaves) : null;
        prune = plan is { TakeNow: > 0 } ? plan : null;
        costs = new WayCosts(f, prune);
        choice = new WayChoice(f, target, play.Knows);
    }

    public static WaySet Search(Finding finding, int? leaves, HalfDayHours hours)
    {
        if (finding.Garden.IsLeftAlone(finding.Planting))
        {
            return new WaySet(finding, [], WayWords.LeftAlone);
        }

        if (finding.Clean || finding.Stale || finding.Target is not { } target)
        {
            return new WaySet(
                finding,
                [],
                finding.Clean ? Said.Of("actions.cleanTheUsualWalkIsSoon")
                    : finding.Stale ? Said.Of("ways.theCountIsTooOld")
                    : Said.Of("ways.findOutWhatItIsFirst")
            );
        }

        var search = new WaySearch(finding, target, leaves, hours);
        return finding.IsPutRight ? search.PutRight() : search.Weighed();
    }

    /// <summary>What no spray reaches is put right, or left: nothing is mixed against it, and no model plays it through.</summary>
    private WaySet PutRight()
    {
        var said = target.InsteadOfSpray is { } instead ? Said.Plain(instead) : WayWords.NoSprayMends;
        var measure = f.Garden.Catalogue.Measure(KnownIds.Measures.PutRight);
        var mend = new Way
        {
            Id = measure.Id,
            Words = said.Words.TrimEnd('.').InSentence(),
            Rung = Rung.Hands,
            Hands = [new HandPart(measure, [0])],
            Proposed = f.Visit is null,
        };
        Way[] ways = [mend with { Minutes = costs.Minutes(mend) }, Nothing() with { Proposed = f.Visit is not null }, TakenOut()];
        var sentence = f.Visit is { } visit ? Said.Of("ways.lookAgainOnSomethingWasDone", ("day", Fact.Weekday(visit.DueOn))) : said;
        return new WaySet(f, [.. ways.OrderByDescending(w => w.Proposed)], sentence);
    }

    private WaySet Weighed()
    {
        var mixed = target.NoSpray ? [] : Mixed();
        List<Way> all = [Nothing(), .. Ants(), .. ByHand(), .. Pruned(), .. mixed, .. Together(mixed), .. CleanedThenProtected(mixed), TakenOut()];
        var outlooks = play.Outlooks(all);
        all = [.. all.Select((w, i) => Judged(w, outlooks[i]))];
        var proposed = choice.Of(all);
        Way[] ordered =
        [
            .. all.Select(w => w with { Proposed = w.Id == proposed?.Id })
                .OrderByDescending(w => w.Proposed)
                .ThenByDescending(w => w.Allowed)
                .ThenBy(choice.IsOffApproach)
                .ThenByDescending(w => w.Holds)
                .ThenBy(w => w.Cost)
                .ThenBy(w => w.Id, StringComparer.Ordinal),
        ];
        var (noHour, left) = WithoutHour.Of(f, ordered);
        var sentence = WayWords.Sentence(f, ordered);
        return new WaySet(f, ordered, noHour is null ? sentence : Said.Sentences(noHour, sentence)) { WithoutHour = left };
    }

    private static Way Nothing() =>
        new()
        {
            Id = Way.AloneId,
            Words = Say.Of("ways.leaveItAndLookAgain"),
            Rung = Rung.Look,
        };

    /// <summary>Keeping the ants from those that would eat them.</summary>
    private IEnumerable<Way> Ants() =>
        !f.Ants.Climb() || target.Group != KnownIds.TargetGroups.SapFeeders
            ? []
            :
            [
                new()
                {
                    Id = KnownIds.Measures.AntBait,
                    Words = Say.Of("ways.baitTheAntsAndBand"),
                    Rung = Rung.Helpers,
                    Hands = AntParts,
                },
            ];

    private HandPart[] AntParts =>
        !f.Ants.Climb() || target.Group != KnownIds.TargetGroups.SapFeeders
            ? []
            : [.. new[] { KnownIds.Measures.AntBait, KnownIds.Measures.AntBand }.Select(id => new HandPart(f.Garden.Catalogue.Measure(id), [0]))];

    private IEnumerable<Way> ByHand() => HandWork.Fitting(f).Select(m => Hand(m, [.. AntParts, .. Doing(m)]));

    private static Way Hand(Measure m, IReadOnlyList<HandPart> parts) =>
        new()
        {
            Id = m.Id,
            Words = WayWords.Hands(parts),
            Rung = Rung.Hands,
            Hands = parts,
        };

    /// <summary>A measure on the days that hold it at the least cost; as often as may be where none do.</summary>
    private HandPart[] Doing(Measure m)
    {
        var plans = Enumerable
            .Range(1, play.Knows && m.EffectOn(target) is not null ? MostHandRounds : 1)
            .Select(n => new HandPart(m, [.. Enumerable.Range(0, n).Select(k => k * HandsAgainDays)]))
            .ToList();
        if (plans.Count == 1)
        {
            return [plans[0]];
        }

        var holding =
            from plan in plans
            let way = Hand(m, [.. AntParts, plan])
            let run = play.Middling(way)
            where play.Promises(run)
            orderby run.Loss + costs.Besides(way, costs.Minutes(way))
            select plan;
        return [holding.FirstOrDefault() ?? plans[^1]];
    }

    private IEnumerable<Way> Pruned() =>
        prune is null
            ? []
            :
            [
                new()
                {
                    Id = KnownIds.Measures.Prune,
                    Words = WayWords.Prune(prune),
                    Rung = Rung.Prune,
                    Hands = PruneParts,
                    Prune = prune,
                },
            ];

    private HandPart[] PruneParts =>
        prune is null
            ? []
            :
            [
                new(
                    f.Garden.Catalogue.Measure(KnownIds.Measures.Prune),
                    [.. Enumerable.Range(0, prune.Visits).Select(k => k * PruneAgainDays).Where(d => d < WayBook.JudgedAfterDays)]
                ),
            ];

    private List<Way> Mixed() =>
        [
            .. MaterialChoice
                .Options(f.Garden, f.Planting, target)
                .Where(o => o.Material.LabelOnly || o.Recipe.Form is Form.Spray or Form.Drench or Form.Bait)
                .Select(o => Rounds(o, [])),
        ];

    /// <summary>Hands or pruning first, with what comes nearest by itself.</summary>
    private IEnumerable<Way> Together(List<Way> mixed)
    {
        HandPart[][] firsts =
            prune is not null ? [PruneParts]
            : HandWork.Fitting(f).FirstOrDefault(m => m.EffectOn(target) is not null) is { } m
                ?
                [
                    [new(m, [0])],
                    [new(m, [.. Enumerable.Range(0, MostHandRounds).Select(k => k * HandsAgainDays)])],
                ]
            : [];
        return firsts.Length == 0
            ? []
            : mixed.Where(w => w.Allowed).OrderBy(choice.IsOffApproach).ThenByDescending(w => w.Option!.Score).Take(WithHands).Select(Best);

        // Once by hand where that is enough, again and again where it is not.
        Way Best(Way alone)
        {
            var ways = firsts.Select(first => Rounds(alone.Option!, first)).ToList();
            return play.Knows ? ways.Find(w => play.Promises(play.Middling(w))) ?? ways[^1] : ways[0];
        }
    }

    /// <summary>What shows is cleaned once, with the worst leaves off where they may go; then the clean leaves are kept clean.</summary>
    private IEnumerable<Way> CleanedThenProtected(List<Way> mixed)
    {
        if (target.Kind != TargetKind.Disease || f.Course is not null)
        {
            return [];
        }

        var cleaning = Best(MaterialChoice.Cleans, CleanersTried).Select(w => Once(w.Option!, prune is null ? [] : PruneParts));
        var protecting = Best(MaterialChoice.Protects, ProtectantsTried).ToList();
        return cleaning.SelectMany(clean =>
            protecting.Where(p => p.Option!.Material.Group != clean.Option!.Material.Group).Select(p => Rounds(p.Option!, [], clean))
        );

        IEnumerable<Way> Best(Func<Material, Target, bool> does, int most) =>
            mixed.Where(w => w.Allowed && does(w.Option!.Material, target)).OrderByDescending(w => w.Option!.Score).Take(most);
    }

    /// <summary>A material on the first day that may be, and not again.</summary>
    private Way Once(MaterialOption option, IReadOnlyList<HandPart> first)
    {
        var usual = CourseShape.For(f.Garden, f.Planting, target, option.Material) with { Rounds = 1 };
        var wait = Wait(option.Material);
        var start = FirstHour(option.Material, wait);
        return Told(Shaped(option, first, usual, start ?? wait), first, start);
    }

    /// <summary>Days until a material may go on against this; 0 where it may today.</summary>
    private int Wait(Material material) => UseGuards.FirstDay(f.Garden, f.Planting, target, material).DayNumber - f.Garden.Today.DayNumber;

    /// <summary>What is done on which days, as much as is needed to play it through.</summary>
    private Way Shaped(MaterialOption option, IReadOnlyList<HandPart> first, CourseShape shape, int start) =>
        new()
        {
            Id = string.Join('+', [.. first.Select(p => p.Measure.Id), option.Material.Id]),
            Words = "",
            Rung = Rung.Spray,
            Hands = [.. AntParts, .. first],
            Prune = first.Any(p => p.Measure.Id == KnownIds.Measures.Prune) ? prune : null,
            Option = option,
            Shape = shape,
            SprayDays = [.. Enumerable.Range(0, shape.Rounds).Select(k => start + k * shape.SpacingDays)],
        };

    /// <summary>A way that was shaped, with its words and what stands against it.</summary>
    /// <param name="start">The first day with an hour for it; null when there is none soon.</param>
    private Way Told(Way shaped, IReadOnlyList<HandPart> first, int? start) =>
        shaped with
        {
            Words = WayWords.Rounds(f.Garden, shaped.Option!.Recipe, first, prune, shaped.Shape!, shaped.SprayDays[0]),
            Against = [.. Barred(shaped.Option, shaped.Shape!, start)],
        };

    /// <summary>A cleaning, and the rounds that follow it, as one way.</summary>
    private static Way Following(Way clean, Way rounds) =>
        clean with
        {
            Id = $"{clean.Id}+{rounds.Option!.Material.Id}",
            Words = WayWords.Then(clean.Words, rounds.Words),
            After = new RoundsAfter(rounds.Option, rounds.Shape!, rounds.SprayDays),
            Against = [.. clean.Against.Concat(rounds.Against).DistinctBy(r => r.Code)],
        };

    /// <summary>A material in the rounds that its life cycle asks for; closer or more of them where those do not hold.</summary>
    /// <param name="first">Hands that go before it.</param>
    /// <param name="clean">The cleaning that goes before it; null for none.</param>
    private Way Rounds(MaterialOption option, IReadOnlyList<HandPart> first, Way? clean = null)
    {
        var material = option.Material;
        var usual = CourseShape.For(f.Garden, f.Planting, target, material);
        var wait = Math.Max(Wait(material), clean is null ? 0 : clean.SprayDays[^1] + DaysAfter(clean, option));
        var running = f.Course is { } course && course.Recipe.Active.Material == material.Id ? course : null;
        if (running is { NextOn: { } next })
        {
            wait = Math.Max(wait, next.DayNumber - f.Garden.Today.DayNumber);
        }

        // Bait lies in wait whatever the hour.
        var start = option.Recipe.Form == Form.Bait ? wait : FirstHour(material, wait);
        var shapes = running is null
            ? Shapes(material, usual)
            : [new CourseShape(running.SpacingDays, Math.Max(1, running.Rounds - running.RoundsGiven), null, Said.Of("ways.whatIsLeftOfTheCourse"))];
        var tried = (play.Knows ? shapes : [usual]).ConvertAll(shape => Shaped(option, first, shape, start ?? wait));
        var chosen = play.Knows ? tried.Find(w => play.Promises(play.Middling(AfterCleaning(w)))) ?? Nearest() : tried[0];
        return AfterCleaning(Told(chosen, first, start));

        Way AfterCleaning(Way rounds) => clean is null ? rounds : Following(clean, rounds);

        // None holds: the one that leaves least.
        Way Nearest() => tried.MinBy(w => Math.Round(play.Middling(AfterCleaning(w)).Shares[WayBook.JudgedAfterDays], 3))!;
    }

    private int DaysAfter(Way clean, MaterialOption option) => MaterialChoice.DaysBetween(f.Garden.Catalogue, clean.Option!.Recipe, option.Recipe);

    /// <summary>The usual shape first, then fewer days between and more rounds, as far as the material's rules go.</summary>
    private static List<CourseShape> Shapes(Material material, CourseShape usual)
    {
        var least = Math.Max(material.Cadence.CurativeMinDays, material.Label?.DaysBetween ?? 0);
        var widest = Math.Max(least, usual.SpacingDays);
        var most = CourseShape.MostOf(material);
        var because = Said.Of("ways.fewerOrFurtherApartLeaveMore");
        var closer =
            from rounds in Enumerable.Range(usual.Rounds, Math.Max(1, most - usual.Rounds + 1))
            from days in Enumerable.Range(least, widest - least + 1).Reverse()
            where rounds <= most
            select usual with
            {
                Rounds = rounds,
                SpacingDays = days,
                Because = because,
            };
        return [usual with { SpacingDays = widest }, .. closer];
    }

    /// <summary>The first day from today with an hour for it; null when there is none soon.</summary>
    private int? FirstHour(Material material, int from)
    {
        var slots = hours.Of(f.Place, material);
        var first = Enumerable.Range(0, slots.Length).Where(s => s / 2 >= from && slots[s] is not null).Select(s => (int?)(s / 2)).FirstOrDefault();
        return first <= from + StartWithinDays ? first : null;
    }

    private IEnumerable<UseReason> Barred(MaterialOption option, CourseShape shape, int? start)
    {
        var bars = f.Course?.Bars(option.Material.Id);
        // What is under way goes on: the group changes with the next course.
        foreach (var reason in option.Barred.Where(r => f.Course is null || bars is not null || r.Code != MaterialOption.RepeatsGroup))
        {
            yield return reason;
        }

        if (bars is not null)
        {
            yield return bars;
        }

        if (f.Garden.Choices.Any(c => c.Word == PlanWord.Ban && c.PlantingId == f.Planting.Id && c.Material == option.Material.Id))
        {
            yield return new("banned", Said.Of("ways.youBannedItHere"));
        }

        if (UseGuards.PatchOf(f.Garden, f.Crop, option.Material) is { State: PatchState.Waiting, JudgeOn: { } judge } && judge <= f.Garden.Today)
        {
            yield return new("judge-first", Said.Of("ways.itsTwoLeavesWait", ("day", Fact.Weekday(judge))));
        }

        if (f.Overdue is { } overdue)
        {
            yield return new("check-first", Said.Of("ways.aCheckBackHasBeenDue", ("day", Fact.Weekday(overdue.DueOn))));
        }

        if (start is null)
        {
            yield return new(WithoutHour.Code, Said.Of("ways.noHourOfTheComingDays"));
        }

        if (f.Ending && f.DaysToEnd is { } days && days < shape.SpacingDays * (shape.Rounds - 1))
        {
            yield return new(
                "crop-ends",
                Said.Of("ways.theCropEndsInAboutRounds", ("days", Fact.Span(Math.Max(0, days))), ("rounds", Fact.Count(shape.Rounds)))
            );
        }

        if (f.Stance == Stance.LastResort && !f.GrowthHurt)
        {
            yield return new("last-resort", Said.Of("ways.growthIsNotHurtAndYou"));
        }

        // What reaches the leaf is in vain, unless it is known of this very trouble.
        if (target.InsteadOfSpray is { } instead && option.Recipe.Form == Form.Spray && option.Material.EffectOn(target)?.On != target.Id)
        {
            yield return new("no-spray", Said.Plain(instead.TrimEnd('.').InSentence()));
        }
    }

    private Way TakenOut()
    {
        var m = f.Garden.Catalogue.Measure(KnownIds.Measures.TakeOut);
        return new Way
        {
            Id = KnownIds.Measures.TakeOut,
            Words = target.ByPlant ? Say.Of("ways.takeTheSickPlantsOut") : f.Crop.TakenOutBy ?? Say.Of("ways.takeThePlantsOut"),
            Rung = Rung.TakeOut,
            Hands = [new HandPart(m, [0])],
            Against = m.IsFor(target) ? [] : [new UseReason("worth-saving", Said.Of("ways.itDoesNotThreatenThePlant"))],
        };
    }

    private Way Judged(Way way, Outlook? outlook)
    {
        var minutes = costs.Minutes(way);
        var work = way with { Minutes = minutes };
        return work with { Outlook = outlook, Holds = outlook is not null && play.Holds(outlook), Cost = (outlook?.Loss ?? 0) + costs.Besides(work, minutes) };
    }
}
