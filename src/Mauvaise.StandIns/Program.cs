using Mauvaise.StandIns;

await StandInService.Build(args).RunAsync();
