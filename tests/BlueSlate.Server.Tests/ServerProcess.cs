using System.Diagnostics;
using System.Net;
using System.Net.Sockets;

namespace BlueSlate.Server.Tests;

/// <summary>The server as a process of its own, as an operator runs it; it can be killed.</summary>
public sealed class ServerProcess : IAsyncDisposable
{
    private readonly Process process;

    private ServerProcess(Process process, string address) => (this.process, Address) = (process, address);

    public string Address { get; }

    public int Id => process.Id;

    /// <summary>Starts a server and waits until it reaches its database.</summary>
    public static async Task<ServerProcess> StartAsync(string database, string dll, params (string Name, string Value)[] settings)
    {
        var address = $"http://127.0.0.1:{FreePort()}";
        var start = new ProcessStartInfo("dotnet") { RedirectStandardOutput = true, RedirectStandardError = true };
        foreach (var argument in (string[])[dll, "--urls", address])
        {
            start.ArgumentList.Add(argument);
        }

        start.Environment["BLUESLATE_DATABASE"] = database;
        foreach (var (name, value) in settings)
        {
            start.Environment[name] = value;
        }

        var process = Process.Start(start)!;
        process.OutputDataReceived += (_, _) => { };
        process.ErrorDataReceived += (_, _) => { };
        process.BeginOutputReadLine();
        process.BeginErrorReadLine();
        var server = new ServerProcess(process, address);
        await server.WaitUntilReadyAsync();
        return server;
    }

    /// <summary>Ends it as a power cut would.</summary>
    public async Task KillAsync()
    {
        process.Kill();
        await process.WaitForExitAsync();
    }

    public async ValueTask DisposeAsync()
    {
        if (!process.HasExited)
        {
            await KillAsync();
        }

        process.Dispose();
    }

    private async Task WaitUntilReadyAsync()
    {
        using var http = new HttpClient();
        for (var attempt = 0; attempt < 600; attempt++)
        {
            if (process.HasExited)
            {
                throw new InvalidOperationException($"The server ended with {process.ExitCode} before it was ready.");
            }

            try
            {
                if ((await http.GetAsync(new Uri(Address + "/health/ready"))).StatusCode == HttpStatusCode.OK)
                {
                    return;
                }
            }
            catch (HttpRequestException)
            {
                // Not listening yet.
            }

            await Task.Delay(100);
        }

        throw new TimeoutException("The server does not become ready.");
    }

    private static int FreePort()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }
}
