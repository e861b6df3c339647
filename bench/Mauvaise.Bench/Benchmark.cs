namespace Mauvaise.Bench;

/// <summary>Something to time, on one thread.</summary>
/// <param name="What">One run, in words.</param>
public sealed record Benchmark(string Name, string What, Action Run);
