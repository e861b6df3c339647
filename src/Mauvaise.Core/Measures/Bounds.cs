using System.Runtime.CompilerServices;

namespace Mauvaise.Core.Measures;

/// <summary>Argument checks that NaN fails. Every message names the range, so that nothing returns NaN later.</summary>
public static class Bounds
{
    /// <summary>The value, when it lies in the closed range.</summary>
    /// <exception cref="ArgumentOutOfRangeException">It does not, or is NaN.</exception>
    public static double Within(double value, double low, double high, [CallerArgumentExpression(nameof(value))] string? name = null) =>
        value >= low && value <= high
            ? value
            : throw new ArgumentOutOfRangeException(name, value, FormattableString.Invariant($"{name} must be {low} to {high}."));

    /// <summary>The value, when it is a finite number over 0.</summary>
    public static double Positive(double value, [CallerArgumentExpression(nameof(value))] string? name = null) =>
        value > 0 && double.IsFinite(value) ? value : throw new ArgumentOutOfRangeException(name, value, $"{name} must be over 0.");

    /// <summary>The value, when it is a finite number of at least 0.</summary>
    public static double NotNegative(double value, [CallerArgumentExpression(nameof(value))] string? name = null) =>
        value >= 0 && double.IsFinite(value) ? value : throw new ArgumentOutOfRangeException(name, value, $"{name} must be 0 or more.");

    /// <summary>Nothing, when the condition holds.</summary>
    /// <exception cref="ArgumentOutOfRangeException">It does not; the message is the sentence.</exception>
    public static void Hold(bool condition, string name, object value, string sentence)
    {
        if (!condition)
        {
            throw new ArgumentOutOfRangeException(name, value, sentence);
        }
    }

    /// <summary>The value, when it is a finite number.</summary>
    public static double Finite(double value, [CallerArgumentExpression(nameof(value))] string? name = null) =>
        double.IsFinite(value) ? value : throw new ArgumentOutOfRangeException(name, value, $"{name} must be a number.");
}
