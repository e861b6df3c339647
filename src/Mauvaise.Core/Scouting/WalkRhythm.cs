namespace Mauvaise.Core.Scouting;

/// <summary>How often a planting is walked past.</summary>
public static class WalkRhythm
{
    /// <summary>Days from one look at a planting to the next, so that things are found while they are small (assumed).</summary>
    public const int Days = 6;
}
