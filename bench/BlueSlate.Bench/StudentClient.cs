using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace BlueSlate.Bench;

/// <summary>
/// A student's browser, as far as saving and handing in go. It says what came back and never takes silence for a yes.
/// </summary>
internal sealed class StudentClient : IDisposable
{
    private readonly CookieContainer cookies = new();
    private readonly HttpClient http;

    public StudentClient(int patience = 20) =>
        http = new HttpClient(new SocketsHttpHandler { CookieContainer = cookies, ConnectTimeout = TimeSpan.FromSeconds(2) })
        {
            Timeout = TimeSpan.FromSeconds(patience),
        };

    public void Dispose() => http.Dispose();

    public async Task<bool> SignInAsync(string address, string email)
    {
        await GuardAsync(address);
        var reply = await SendAsync(HttpMethod.Post, $"{address}/api/session", new { email, password = Course.Password });
        return reply.Status == HttpStatusCode.NoContent && await GuardAsync(address);
    }

    /// <summary>Starts an exercise: the answer, and the work on its first part; null when nobody answered.</summary>
    public async Task<(Guid Answer, Guid Work)?> StartAsync(string address, Guid exercise)
    {
        var (_, made) = await SendAsync(HttpMethod.Post, $"{address}/api/study/exercises/{exercise}/answer", new { });
        if ((Guid?)made?["id"] is not { } answer)
        {
            return null;
        }

        var (_, opened) = await SendAsync(HttpMethod.Get, $"{address}/api/study/answers/{answer}", null);
        return (Guid?)opened?["works"]?[0]?["id"] is { } work ? (answer, work) : null;
    }

    /// <summary>The status and the body; no status when nobody answered or the server said that it failed.</summary>
    public async Task<(HttpStatusCode? Status, JsonNode? Body)> SendAsync(HttpMethod method, string url, object? body)
    {
        try
        {
            using var reply = await http.SendAsync(
                new HttpRequestMessage(method, url) { Content = body is null ? null : JsonContent.Create(body) }
            );
            var text = await reply.Content.ReadAsStringAsync();
            return ((int)reply.StatusCode >= 500 ? null : reply.StatusCode, text.StartsWith('{') ? JsonNode.Parse(text) : null);
        }
        catch (Exception error) when (error is HttpRequestException or TaskCanceledException or IOException)
        {
            return (null, null);
        }
    }

    /// <summary>How many bytes a reply has, however long it takes to come.</summary>
    public async Task<long> DownloadAsync(string url, object body)
    {
        using var reply = await http.SendAsync(
            new HttpRequestMessage(HttpMethod.Post, url) { Content = JsonContent.Create(body) },
            HttpCompletionOption.ResponseHeadersRead
        );
        reply.EnsureSuccessStatusCode();
        await using var stream = await reply.Content.ReadAsStreamAsync();
        var (buffer, bytes) = (new byte[1 << 16], 0L);
        for (int read; (read = await stream.ReadAsync(buffer)) > 0; )
        {
            bytes += read;
        }

        return bytes;
    }

    /// <summary>Asks, and goes away without waiting for the answer.</summary>
    public async Task AbandonAsync(HttpMethod method, string url, object body, CancellationToken gone)
    {
        try
        {
            using var reply = await http.SendAsync(
                new HttpRequestMessage(method, url) { Content = JsonContent.Create(body) },
                gone
            );
        }
        catch (OperationCanceledException)
        {
            // That was the intention.
        }
    }

    /// <summary>Fetches the token that changing requests carry; false when nobody answered.</summary>
    private async Task<bool> GuardAsync(string address)
    {
        var (_, session) = await SendAsync(HttpMethod.Get, $"{address}/api/session", null);
        http.DefaultRequestHeaders.Remove("X-Blue-Slate-Guard");
        http.DefaultRequestHeaders.Add("X-Blue-Slate-Guard", (string?)session?["guard"] ?? "");
        return session?["guard"] is not null;
    }
}
