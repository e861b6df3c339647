using Mauvaise.Store;
using Mauvaise.Web.Home;

namespace Mauvaise.Web.Hosting;

/// <summary>What the program does instead of serving: "backup", "restore", "doctor" and "keeper".</summary>
public static class Commands
{
    /// <returns>The exit code; null when the arguments name no command.</returns>
    public static int? Run(string[] args)
    {
        if (args is not [("backup" or "restore" or "doctor" or "keeper") and var command, .. var rest])
        {
            return null;
        }

        var configuration = new ConfigurationBuilder().AddCommandLine(rest).AddEnvironmentVariables().Build();
        var settings = Settings.From(configuration);
        try
        {
            return command switch
            {
                "backup" => Backup(settings, configuration["File"]),
                "restore" => Restore(settings, configuration["File"]),
                "keeper" => Keeper(settings),
                _ => Examine(settings, configuration["File"], configuration.GetValue("Mend", false)),
            };
        }
        catch (Exception e) when (Faults.InWords(e) is { } words)
        {
            Console.Error.WriteLine(words);
            return 1;
        }
    }

    private static int Backup(Settings settings, string? file)
    {
        if (!File.Exists(settings.DatabasePath))
        {
            Console.Error.WriteLine($"There is no garden in {settings.DataFolder} to back up.");
            return 1;
        }

        var to = file ?? Path.Combine(settings.BackupFolder, Backups.Name(CopyKind.ByHand, TimeProvider.System.GetLocalNow()));
        Backups.Copy(settings.DatabasePath, to);
        Console.WriteLine($"Backed up to {to}, and read through: it is sound.");
        return 0;
    }

    /// <summary>A code for who keeps this Mauvaise, for when the pass phrase is forgotten: whoever sits at the machine may have one.</summary>
    private static int Keeper(Settings settings)
    {
        if (!File.Exists(settings.DatabasePath) || !File.Exists(HomeHosting.AddressFile(settings)))
        {
            Console.Error.WriteLine("Start Mauvaise with serve --home first: nobody signs in before that.");
            return 1;
        }

        using var services = new ServiceCollection().AddGardenDb(_ => settings.DatabasePath).BuildServiceProvider();
        using var scope = services.CreateScope();
        var key = HomeHosting.KeeperKeyAsync(scope.ServiceProvider.GetRequiredService<GardenDb>(), TimeProvider.System.GetUtcNow()).GetAwaiter().GetResult();
        HomeHosting.Invite(File.ReadAllText(HomeHosting.AddressFile(settings)), key);
        return 0;
    }

    /// <summary>Nothing is written, whatever is found, unless it shall be mended.</summary>
    private static int Examine(Settings settings, string? file, bool mend)
    {
        if (mend)
        {
            using var folder = new DataFolder(settings);
            folder.Take();
            foreach (
                var done in Doctor
                    .MendAsync(file ?? settings.DatabasePath, settings.BackupFolder, TimeProvider.System.GetLocalNow(), CancellationToken.None)
                    .GetAwaiter()
                    .GetResult()
            )
            {
                Console.WriteLine($"mended {done}");
            }
        }

        var found = Doctor
            .ExamineAsync(file ?? settings.DatabasePath, file is null ? settings.BackupFolder : null, TimeProvider.System.GetLocalNow(), CancellationToken.None)
            .GetAwaiter()
            .GetResult();
        foreach (var thing in found)
        {
            Console.WriteLine($"{(thing.Sound ? "sound" : "LOOK ")}  {thing.Words}");
        }

        return found.All(f => f.Sound) ? 0 : 1;
    }

    private static int Restore(Settings settings, string? file)
    {
        if (file is null || !File.Exists(file))
        {
            Console.Error.WriteLine(file is null ? "Say which backup to restore." : $"There is no file {file}.");
            return 1;
        }

        using var folder = new DataFolder(settings);
        folder.Take();
        var aside = Backups.Restore(file, settings.DatabasePath, settings.BackupFolder, TimeProvider.System.GetLocalNow());
        Console.WriteLine($"Restored {file}.{(aside is null ? "" : $" What was there is kept as {aside}.")}");
        return 0;
    }
}
