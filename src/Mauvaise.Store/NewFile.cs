namespace Mauvaise.Store;

/// <summary>What a new data file begins with. A test writes it from the migrations, and holds it to them: done one by one, they take a second and a half.</summary>
internal static class NewFile
{
    private const string Name = "new-file.sql";

    /// <summary>Every table and index, and which migrations have been seen; SQL without a transaction.</summary>
    public static string Schema
    {
        get
        {
            using var file = new StreamReader(typeof(NewFile).Assembly.GetManifestResourceStream(Name)!);
            return file.ReadToEnd();
        }
    }
}
