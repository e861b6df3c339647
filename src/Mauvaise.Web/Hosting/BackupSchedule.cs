using Mauvaise.Store;

namespace Mauvaise.Web.Hosting;

/// <summary>A copy of the data file each day of real time; old ones are thinned out.</summary>
public sealed partial class BackupSchedule(Settings settings, ILogger<BackupSchedule> log) : BackgroundService
{
    private static readonly TimeSpan Every = TimeSpan.FromHours(1);

    /// <summary>A start has enough to do.</summary>
    private static readonly TimeSpan First = TimeSpan.FromMinutes(1);

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(First, TimeProvider.System);
        while (await timer.WaitForNextTickAsync(stoppingToken))
        {
            timer.Period = Every;
            try
            {
                await Task.Run(
                    () => Backups.Roll(settings.DatabasePath, settings.BackupFolder, DateOnly.FromDateTime(TimeProvider.System.GetLocalNow().DateTime)),
                    stoppingToken
                );
            }
            catch (Exception e) when (e is DamagedDataException or IOException or UnauthorizedAccessException or Microsoft.Data.Sqlite.SqliteException)
            {
                LogFailure(log, e, settings.BackupFolder);
            }
        }
    }

    [LoggerMessage(Level = LogLevel.Error, Message = "No copy of the data could be made in {Folder}. The next try is in an hour.")]
    private static partial void LogFailure(ILogger log, Exception exception, string folder);
}
