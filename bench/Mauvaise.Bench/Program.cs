using System.Diagnostics;
using Mauvaise.Bench;

var tables = new Dictionary<string, Action>
{
    ["naming"] = ScoutingTables.Naming,
    ["leaves"] = ScoutingTables.Leaves,
    ["ten-years"] = WeatherFile.TenYears,
    ["plan-speed"] = RotaTables.Speed,
    ["plan-optimal"] = RotaTables.Optimal,
    ["seasons"] = ClosedLoop.Run,
    ["seasons-picture"] = SeasonPicture.Draw,
    ["ten-years-garden"] = TenYears.Run,
    ["kills"] = Kills.Run,
    ["disks"] = FullDisks.Run,
    ["hostile"] = Hostile.Run,
    ["starts"] = Starts.Run,
    ["trials"] = RecordTables.OfTrials,
    ["learning"] = RecordTables.OfLearning,
};
if (args is [var one] && tables.TryGetValue(one, out var table))
{
    table();
    return 0;
}

Benchmark[] all = [.. SkyBench.All(), .. SuspectBench.All(), .. MixBench.All(), .. SeasonOfTroubles.All()];
var wanted = args.Length == 0 ? all : [.. all.Where(b => args.Contains(b.Name))];
if (wanted.Length == 0)
{
    await Console.Error.WriteLineAsync($"There is no such benchmark. Known: {string.Join(", ", all.Select(b => b.Name).Concat(tables.Keys))}");
    return 1;
}

foreach (var b in wanted)
{
    // Until the compiler has seen what is hot.
    var watch = Stopwatch.StartNew();
    do
    {
        b.Run();
    } while (watch.Elapsed < TimeSpan.FromSeconds(1.5));
    watch.Restart();
    var times = 0;
    while (watch.Elapsed < TimeSpan.FromSeconds(2) || times < 3)
    {
        b.Run();
        times++;
    }

    Console.WriteLine(
        FormattableString.Invariant(
            $"{b.Name, -24} {watch.Elapsed.TotalMilliseconds / times, 10:0.000} ms a run, {times / watch.Elapsed.TotalSeconds, 8:0.0} runs a second   {b.What}"
        )
    );
}

return 0;
