namespace Mauvaise.StandIns;

/// <summary>Repeatable noise that can be read at any time without running through what came before.</summary>
public readonly struct SmoothNoise(ulong seed)
{
    /// <summary>About standard normal, from a seed, a channel and an index alone.</summary>
    public double Normal(int channel, long index)
    {
        var sum = 0.0;
        for (var k = 0; k < 4; k++)
        {
            sum += (Mix(seed + (ulong)channel * 0x9E3779B97F4A7C15 + (ulong)index * 4 + (ulong)k) >> 11) * (1.0 / (1UL << 53));
        }

        return (sum - 2) * 1.7320508;
    }

    /// <summary>A smooth curve through normal values that stand <paramref name="periodHours"/> apart.</summary>
    public double At(int channel, double hours, double periodHours)
    {
        var x = hours / periodHours;
        var cell = (long)Math.Floor(x);
        var f = x - cell;
        var s = f * f * (3 - 2 * f);
        return 1.15 * (Normal(channel, cell) * (1 - s) + Normal(channel, cell + 1) * s);
    }

    /// <summary>The finalizer of SplitMix64 (Steele, Lea and Flood 2014).</summary>
    private static ulong Mix(ulong z)
    {
        z = (z ^ (z >> 30)) * 0xBF58476D1CE4E5B9;
        z = (z ^ (z >> 27)) * 0x94D049BB133111EB;
        return z ^ (z >> 31);
    }
}
