using System.ComponentModel.DataAnnotations;
using Mauvaise.Core.Sky;

namespace Mauvaise.Web.Weather;

/// <summary>What one source knows of a garden.</summary>
/// <param name="LastHeard">When it last answered or was heard; null for what is typed and imported.</param>
public sealed record SourceAnswer(WeatherSource Source, DateOnly First, DateOnly Last, int Days, DateTimeOffset? LastHeard, string? Trouble);

/// <summary>A stretch in which nobody knows the weather.</summary>
/// <param name="To">Exclusive.</param>
public sealed record GapAnswer(DateTimeOffset From, DateTimeOffset To, int Hours);

/// <summary>A day as the garden knows it, and what was typed for it.</summary>
/// <param name="Sources">Where its figures come from, the highest first.</param>
public sealed record WeatherDayAnswer(
    DateOnly Date,
    double? MinC,
    double? MaxC,
    double? RainMm,
    int KnownHours,
    IReadOnlyList<WeatherSource> Sources,
    bool ByHand
);

/// <param name="Sentence">What fell in the last weeks, and how many days nobody knows.</param>
/// <param name="Days">The last weeks and the days ahead, the newest first.</param>
/// <param name="HasService">A weather service was named when the app was started.</param>
public sealed record WeatherStateAnswer(
    IReadOnlyList<SourceAnswer> Sources,
    IReadOnlyList<GapAnswer> Gaps,
    string Sentence,
    IReadOnlyList<WeatherDayAnswer> Days,
    bool HasStation,
    bool HasService
);

/// <summary>What was read by eye for a civil day. Temperatures go in pairs.</summary>
public sealed record HandValues(double? RainMm = null, double? MinC = null, double? MaxC = null, Guid? MemberId = null);

public sealed record StationKeyRequest(Guid? MemberId = null);

/// <summary>The key is told once; only its hash is kept.</summary>
public sealed record StationKeyAnswer(string Key, string Address);

/// <summary>One reading of a station. Several in one hour make its mean, its sum of rain and its strongest gust.</summary>
public sealed record StationReading(
    DateTimeOffset At,
    double? TemperatureC = null,
    double? RelativeHumidityPercent = null,
    double? WindMetresPerSecond = null,
    double? GustMetresPerSecond = null,
    double? RainMm = null,
    double? CloudPercent = null,
    double? LeafWetness = null,
    double? SolarWattsPerSquareMetre = null
);

public sealed record StationBatch([property: MaxLength(StationEndpoints.MostReadings)] IReadOnlyList<StationReading> Readings);

public sealed record StationAnswer(int Hours, IReadOnlyList<string> Refused);

/// <param name="Text">The file's text, header first.</param>
/// <param name="Columns">Null to have them guessed.</param>
public sealed record TableRequest([property: StringLength(TableText.MostLetters)] string Text, TableColumns? Columns = null);

/// <param name="Line">Line of the file, the header being 1.</param>
public sealed record BadLineAnswer(int Line, string Text, string Why);

/// <param name="Bad">The first of the bad lines.</param>
public sealed record TablePreview(
    TableColumns Columns,
    IReadOnlyList<string> Header,
    IReadOnlyList<IReadOnlyList<string>> Sample,
    int Lines,
    bool Daily,
    int Hours,
    DateTimeOffset? From,
    DateTimeOffset? To,
    int BadCount,
    IReadOnlyList<BadLineAnswer> Bad
);

/// <param name="BadLinesSeen">How many bad lines the preview told of: they are left out.</param>
public sealed record TableImport([property: StringLength(TableText.MostLetters)] string Text, TableColumns Columns, int BadLinesSeen, Guid? MemberId = null);

public sealed record TableImported(int Hours, int LeftOut);
