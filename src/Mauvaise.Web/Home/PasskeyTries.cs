using Microsoft.Extensions.Caching.Memory;

namespace Mauvaise.Web.Home;

/// <summary>What was asked of a device and not answered yet. Each try is good once, for some minutes, in this run of the app alone.</summary>
public sealed class PasskeyTries : IDisposable
{
    private const int Most = 1000;

    private static readonly TimeSpan GoodFor = TimeSpan.FromMinutes(5);

    private readonly MemoryCache open = new(new MemoryCacheOptions { SizeLimit = Most });

    /// <returns>The name of the try.</returns>
    public string Begin(string? state)
    {
        var key = Keys.New();
        open.Set(key, state ?? "", new MemoryCacheEntryOptions { AbsoluteExpirationRelativeToNow = GoodFor, Size = 1 });
        return key;
    }

    /// <summary>What was asked; null for a try that is over, was answered already, or never was.</summary>
    public string? Take(string key)
    {
        lock (open)
        {
            var state = open.Get<string>(key);
            open.Remove(key);
            return state;
        }
    }

    public void Dispose() => open.Dispose();
}
