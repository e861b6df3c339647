namespace Mauvaise.Web.Hosting;

/// <summary>Settings of the running app, from the command line or environment.</summary>
/// <param name="HistoryDays">Days of history that the weather service is asked for at first: earlier seasons count in first dates.</param>
/// <param name="DemoMail">Where the demo's letters go: a stand-in that keeps them; null for nowhere.</param>
/// <param name="DemoLetters">Where they can be read.</param>
public sealed record Settings(string DataFolder, bool Demo, Uri? WeatherService, int HistoryDays, Uri? DemoMail = null, Uri? DemoLetters = null)
{
    public string DatabasePath => Path.Combine(DataFolder, "mauvaise.db");

    /// <summary>Where a household may put facts of its own, as files of the catalogue's form.</summary>
    public string OwnFactsFolder => Path.Combine(DataFolder, "catalogue");

    /// <summary>Where copies of the data file are kept.</summary>
    public string BackupFolder => Path.Combine(DataFolder, "backups");

    /// <summary>Data: the folder, by default mauvaise in the user's data folder (XDG_DATA_HOME). Weather: the service's address.</summary>
    public static Settings From(IConfiguration configuration)
    {
        var folder = configuration["Data"] is { Length: > 0 } given
            ? Path.GetFullPath(given)
            : Path.Combine(Environment.GetFolderPath(Environment.SpecialFolder.LocalApplicationData, Environment.SpecialFolderOption.DoNotVerify), "mauvaise");
        return new Settings(
            folder,
            configuration.GetValue("Demo", false),
            Address(configuration, "Weather"),
            Math.Clamp(configuration.GetValue("HistoryDays", 950), 1, 3650),
            Address(configuration, "DemoMail"),
            Address(configuration, "DemoLetters")
        );
    }

    private static Uri? Address(IConfiguration configuration, string name) => configuration[name] is { Length: > 0 } address ? new Uri(address) : null;
}
