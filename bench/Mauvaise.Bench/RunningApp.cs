using System.Diagnostics;
using System.Net;
using System.Net.Sockets;

namespace Mauvaise.Bench;

/// <summary>The built app as a process of its own on a folder of its own.</summary>
internal sealed class RunningApp : IDisposable
{
    private readonly Process process;

    private RunningApp(Process process, Uri address)
    {
        this.process = process;
        // Read and thrown away: a pipe that nobody reads fills up, and then the app waits for ever.
        process.BeginOutputReadLine();
        process.BeginErrorReadLine();
        Http = new HttpClient { BaseAddress = address, Timeout = TimeSpan.FromMinutes(2) };
    }

    public HttpClient Http { get; }

    /// <summary>What it holds of the machine's memory now.</summary>
    public long MemoryBytes
    {
        get
        {
            process.Refresh();
            return process.WorkingSet64;
        }
    }

    /// <summary>Starts it and waits until it answers.</summary>
    public static async Task<RunningApp> StartAsync(string folder, params string[] arguments)
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        var address = new Uri($"http://127.0.0.1:{((IPEndPoint)listener.LocalEndpoint).Port}");
        listener.Stop();
        var app = new RunningApp(Command(folder, ["--urls", address.ToString(), "--Logging:LogLevel:Default", "None", .. arguments]), address);
        while (!app.process.HasExited)
        {
            try
            {
                (await app.Http.GetAsync(new Uri("/api/state", UriKind.Relative))).EnsureSuccessStatusCode();
                return app;
            }
            catch (HttpRequestException)
            {
                app.process.WaitForExit(20);
            }
        }

        throw new InvalidOperationException("The app ended.");
    }

    /// <summary>The built app asked for something else than to serve.</summary>
    public static Process Command(string folder, params string[] arguments)
    {
        var root = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(root.FullName, "Mauvaise.slnx")))
        {
            root = root.Parent ?? throw new InvalidOperationException("This runs inside its own repository only.");
        }

        var app = Path.Combine(root.FullName, "artifacts", "app");
        return Process.Start(
            new ProcessStartInfo("dotnet", [Path.Combine(app, "Mauvaise.Web.dll"), .. arguments, "--Data", folder])
            {
                WorkingDirectory = app,
                RedirectStandardOutput = true,
                RedirectStandardError = true,
            }
        )!;
    }

    /// <summary>SIGKILL: no shutdown code runs.</summary>
    public void Kill()
    {
        process.Kill(entireProcessTree: true);
        process.WaitForExit();
    }

    public void Dispose()
    {
        if (!process.HasExited)
        {
            Kill();
        }

        process.Dispose();
        Http.Dispose();
    }
}
