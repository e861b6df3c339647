using System.Collections.Concurrent;
using System.Net.ServerSentEvents;
using System.Runtime.CompilerServices;
using System.Threading.Channels;

namespace Mauvaise.Web.Home;

/// <summary>Tells every open page of a garden that something was written, so that what one does the others see.</summary>
public sealed class GardenNews(IHostApplicationLifetime life)
{
    /// <summary>Header with which a page names itself, so that it is not told of its own writes.</summary>
    public const string PageHeader = "X-Page";

    /// <summary>A page that is told nothing for so long is told that it is still connected.</summary>
    private static readonly TimeSpan Quiet = TimeSpan.FromSeconds(25);

    private readonly ConcurrentDictionary<Channel<string>, Guid> listening = new();

    public static void Map(IEndpointRouteBuilder app) =>
        app.MapGet("/api/gardens/{gardenId:guid}/changes", (Guid gardenId, GardenNews stream, CancellationToken stop) =>
                TypedResults.ServerSentEvents(stream.Follow(gardenId, stop))
            )
            .WithTags("Home");

    /// <param name="page">Who wrote it; empty where nobody says.</param>
    public void Tell(Guid gardenId, string page)
    {
        foreach (var (channel, _) in listening.Where(l => l.Value == gardenId))
        {
            channel.Writer.TryWrite(page);
        }
    }

    private async IAsyncEnumerable<SseItem<string>> Follow(Guid gardenId, [EnumeratorCancellation] CancellationToken stop)
    {
        // What waits is of no use but the last: a page reads all anew.
        var channel = Channel.CreateBounded<string>(new BoundedChannelOptions(8) { FullMode = BoundedChannelFullMode.DropOldest });
        listening[channel] = gardenId;
        using var ending = CancellationTokenSource.CreateLinkedTokenSource(stop, life.ApplicationStopping);
        try
        {
            yield return new SseItem<string>("", "here");
            while (!ending.IsCancellationRequested)
            {
                yield return await NextAsync(channel.Reader, ending.Token) is { } page ? new SseItem<string>(page, "changed") : new SseItem<string>("", "here");
            }
        }
        finally
        {
            listening.TryRemove(channel, out _);
        }
    }

    /// <summary>Null when it was quiet, or all is over.</summary>
    private static async Task<string?> NextAsync(ChannelReader<string> reader, CancellationToken stop)
    {
        using var waiting = CancellationTokenSource.CreateLinkedTokenSource(stop);
        waiting.CancelAfter(Quiet);
        try
        {
            return await reader.ReadAsync(waiting.Token);
        }
        catch (OperationCanceledException)
        {
            return null;
        }
    }
}
