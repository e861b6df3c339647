namespace Mauvaise.Core.Simulation;

/// <summary>Something that ripens through five equal steps, so that its ages spread as they do in life.</summary>
public sealed class StageChain
{
    /// <summary>Steps of a chain; the time through it is Erlang distributed with this shape.</summary>
    public const int Steps = 5;

    private readonly double[] steps = new double[Steps];

    public double Total { get; private set; }

    /// <summary>Moves what is in it on, and puts newcomers into its first step.</summary>
    /// <param name="share">Part of the whole way that is covered, 0 or more; with no way to go (infinity) newcomers pass through.</param>
    /// <returns>What comes out at the end.</returns>
    public double Advance(double newcomers, double share) => Move(newcomers, Moving(share));

    /// <summary>What leaves each step while a part of the whole way is covered; 1 with no way to go, so that newcomers pass through.</summary>
    internal static double Moving(double share) => double.IsPositiveInfinity(share) ? 1 : 1 - Math.Exp(-Steps * share);

    /// <inheritdoc cref="Advance"/>
    /// <param name="moving">From <see cref="Moving"/>, which many steps may share.</param>
    internal double Move(double newcomers, double moving)
    {
        if (moving >= 1)
        {
            return newcomers;
        }

        var coming = newcomers;
        Total += newcomers;
        for (var i = 0; i < Steps; i++)
        {
            // Newcomers arrive through the whole step, in its middle on the mean: that makes a coarse step second order.
            var leaving = (steps[i] + coming / 2) * moving;
            steps[i] += coming - leaving;
            coming = leaving;
        }

        Total -= coming;
        return coming;
    }

    /// <summary>Becomes another chain, times a factor.</summary>
    public void Take(StageChain other, double factor)
    {
        for (var i = 0; i < Steps; i++)
        {
            steps[i] = other.steps[i] * factor;
        }

        Total = other.Total * factor;
    }

    /// <summary>Keeps a share of every step.</summary>
    public void Keep(double share)
    {
        for (var i = 0; i < Steps; i++)
        {
            steps[i] *= share;
        }

        Total *= share;
    }

    /// <summary>Share that comes through a chain while its source grows: (1 + growth x time / steps)^-steps.</summary>
    public static double Passing(double growth, double time) => Math.Pow(1 + growth * time / Steps, -Steps);
}
