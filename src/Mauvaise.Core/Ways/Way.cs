using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Courses;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Simulation;

namespace Mauvaise.Core.Ways;

/// <summary>Something done by hand, on days from today.</summary>
public sealed record HandPart(Measure Measure, IReadOnlyList<int> Days);

/// <summary>Rounds of another material that follow the first: it cleans, and they keep clean.</summary>
/// <param name="Days">From today.</param>
public sealed record RoundsAfter(MaterialOption Option, CourseShape Shape, IReadOnlyList<int> Days);

/// <summary>What a way comes to, over all runs.</summary>
/// <param name="Days">By day from today.</param>
/// <param name="Loss">Share of the crop's value lost, 0 to 1.</param>
/// <param name="HelpersLeft">Against leaving it alone, 0 to 1; null where there are none.</param>
public sealed record Outlook(IReadOnlyList<WhatIfDay> Days, double Loss, double? HelpersLeft)
{
    /// <summary>Share of leaves when the three weeks are over that a way is judged by.</summary>
    public WhatIfDay End => Days[WayBook.JudgedAfterDays];
}

/// <summary>One way to meet a trouble.</summary>
public sealed record Way
{
    /// <summary>The id of leaving it alone, which every other way is held against.</summary>
    public const string AloneId = "nothing";

    /// <summary>"nothing", "take-out", the id of a measure or of a material, or several of these with "+" between.</summary>
    public required string Id { get; init; }

    /// <summary>What is done, as the middle of a sentence: "hose them off, 3 times, 3 days apart".</summary>
    public required string Words { get; init; }

    /// <summary>The most drastic rung that it reaches.</summary>
    public required Rung Rung { get; init; }

    public IReadOnlyList<HandPart> Hands { get; init; } = [];

    /// <summary>Leaves that come off first; null for none.</summary>
    public PrunePlan? Prune { get; init; }

    /// <summary>Null where nothing is mixed.</summary>
    public MaterialOption? Option { get; init; }

    /// <summary>Rounds of the material; null where nothing is mixed.</summary>
    public CourseShape? Shape { get; init; }

    /// <summary>Days of the rounds from today.</summary>
    public IReadOnlyList<int> SprayDays { get; init; } = [];

    /// <summary>What follows when those rounds are through; null for nothing.</summary>
    public RoundsAfter? After { get; init; }

    /// <summary>Why it is not done here and now; empty when it may be.</summary>
    public IReadOnlyList<UseReason> Against { get; init; } = [];

    /// <summary>Null where no model plays it through.</summary>
    public Outlook? Outlook { get; init; }

    /// <summary>It comes under the line, and stays there.</summary>
    public bool Holds { get; init; }

    public bool Proposed { get; init; }

    /// <summary>Work in all, minutes.</summary>
    public double Minutes { get; init; }

    /// <summary>What it costs, crop lost included, as the household weighs it; see <see cref="Costs"/>.</summary>
    public double Cost { get; init; }

    public bool Allowed => Against.Count == 0;

    /// <summary>Days of all rounds from today, of whatever is mixed.</summary>
    public IEnumerable<int> AllSprayDays => SprayDays.Concat(After?.Days ?? []);

    public int Sprays => AllSprayDays.Count();

    /// <summary>Days on which somebody has to go out for it.</summary>
    public int Evenings => Hands.SelectMany(h => h.Days).Concat(AllSprayDays).Distinct().Count();

    public bool Uses(string measure) => Hands.Any(h => h.Measure.Id == measure);
}
