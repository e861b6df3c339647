using System.Globalization;

namespace Mauvaise.Web.Demo;

/// <summary>A clock that stands still until it is stepped; its hand is kept in the data folder so that a restart goes on from there.</summary>
public sealed class DemoClock : TimeProvider
{
    /// <summary>Thursday 16 July 2026, 17:40 in Vienna.</summary>
    public static readonly DateTimeOffset Beginning = new(2026, 7, 16, 15, 40, 0, TimeSpan.Zero);

    private readonly string file;
    private DateTimeOffset now;

    public DemoClock(string dataFolder)
    {
        file = Path.Combine(dataFolder, "demo-clock.txt");
        now = File.Exists(file) && DateTimeOffset.TryParse(File.ReadAllText(file), CultureInfo.InvariantCulture, out var kept) ? kept : Beginning;
    }

    public override DateTimeOffset GetUtcNow() => now;

    /// <summary>Moves the hand.</summary>
    public void Set(DateTimeOffset instant)
    {
        now = instant;
        File.WriteAllText(file, now.ToString("O", CultureInfo.InvariantCulture));
    }
}
