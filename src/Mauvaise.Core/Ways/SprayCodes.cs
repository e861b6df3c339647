namespace Mauvaise.Core.Ways;

/// <summary>What the ladder calls the steps that are mixed and given in rounds.</summary>
public static class SprayCodes
{
    public const string Spray = "spray",
        PatchTest = "patch-test",
        Drench = "drench";

    /// <summary>All of them: a no to one is a no to what is mixed.</summary>
    public static readonly IReadOnlySet<string> All = new HashSet<string>([Spray, PatchTest, Drench], StringComparer.Ordinal);
}
