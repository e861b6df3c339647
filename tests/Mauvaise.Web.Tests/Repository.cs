namespace Mauvaise.Web.Tests;

/// <summary>Files of the repository that tests are held to, and write when they are asked to.</summary>
internal static class Repository
{
    public static string Path(params string[] parts) => System.IO.Path.Combine([AppContext.BaseDirectory, .. Enumerable.Repeat("..", 6), .. parts]);
}
