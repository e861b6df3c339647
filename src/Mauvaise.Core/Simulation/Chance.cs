namespace Mauvaise.Core.Simulation;

/// <summary>Random numbers that are the same on every machine and in every version: SplitMix64 (Steele, Lea and Flood 2014).</summary>
public sealed class Chance(ulong seed)
{
    private ulong state = seed;

    /// <summary>0 or more, under 1.</summary>
    public double Next()
    {
        state += 0x9E3779B97F4A7C15;
        var z = state;
        z = (z ^ (z >> 30)) * 0xBF58476D1CE4E5B9;
        z = (z ^ (z >> 27)) * 0x94D049BB133111EB;
        return ((z ^ (z >> 31)) >> 11) * (1.0 / (1UL << 53));
    }

    /// <summary>Even between two values.</summary>
    public double Between(double low, double high) => low + (high - low) * Next();
}
