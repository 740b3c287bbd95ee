using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using System.Text.Json.Nodes;
using BlueSlate.Core.Interchange;
using BlueSlate.Server.Hosting;
using Shouldly;

namespace BlueSlate.Server.Tests;

/// <summary>A browser's side of the HTTP contract: cookies, and the token that changing requests carry.</summary>
public sealed class Client : IDisposable
{
    private readonly CookieContainer cookies = new();
    private HttpClient http;

    private Client(string address) => http = On(address);

    public static async Task<Client> OpenAsync(string address)
    {
        var client = new Client(address);
        await client.RefreshAsync();
        return client;
    }

    public async Task SignInAsync(string email, string password)
    {
        (await SendAsync(HttpMethod.Post, "/api/session", new { email, password })).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        await RefreshAsync();
    }

    /// <summary>Goes on at another server, with the same cookies: they are told apart by host, not by port.</summary>
    public Task MoveAsync(string address)
    {
        http.Dispose();
        http = On(address);
        return RefreshAsync();
    }

    public Task<HttpResponseMessage> SendAsync(HttpMethod method, string path, object? body = null) =>
        http.SendAsync(
            new HttpRequestMessage(method, path)
            {
                Content = body is null ? null : JsonContent.Create(body, options: Formats.Json),
            }
        );

    /// <summary>Sends these very characters as JSON.</summary>
    public Task<HttpResponseMessage> SendRawAsync(HttpMethod method, string path, string json) =>
        http.SendAsync(
            new HttpRequestMessage(method, path)
            {
                Content = new StringContent(json, System.Text.Encoding.UTF8, "application/json"),
            }
        );

    /// <summary>Sends a file as it is.</summary>
    public Task<HttpResponseMessage> SendBytesAsync(HttpMethod method, string path, byte[] bytes) =>
        http.SendAsync(
            new HttpRequestMessage(method, path)
            {
                Content = new ByteArrayContent(bytes) { Headers = { ContentType = new("application/octet-stream") } },
            }
        );

    public async Task<JsonNode> GetAsync(string path) => await ReadAsync(await SendAsync(HttpMethod.Get, path));

    public async Task<JsonNode> PostAsync(string path, object? body = null) =>
        await ReadAsync(await SendAsync(HttpMethod.Post, path, body ?? new { }));

    public async Task<JsonNode> PutAsync(string path, object body) =>
        await ReadAsync(await SendAsync(HttpMethod.Put, path, body));

    /// <summary>The stable code of a refused request.</summary>
    public async Task<string> CodeOfAsync(HttpMethod method, string path, object? body = null)
    {
        var response = await SendAsync(method, path, body);
        response.IsSuccessStatusCode.ShouldBeFalse($"{method} {path}");
        var problem = (await response.Content.ReadFromJsonAsync<JsonObject>())!;
        problem["correlation"].ShouldNotBeNull();
        return (string)problem["code"]!;
    }

    /// <summary>A client with the same cookies, as somebody has who copied them.</summary>
    public Client Copy()
    {
        var copy = new Client(http.BaseAddress!.ToString());
        copy.cookies.Add(http.BaseAddress, cookies.GetCookies(http.BaseAddress));
        return copy;
    }

    public void ForgetToken() => http.DefaultRequestHeaders.Remove(Antiforgery.Header);

    public void Dispose() => http.Dispose();

    private HttpClient On(string address) =>
        new(new HttpClientHandler { CookieContainer = cookies }) { BaseAddress = new Uri(address) };

    private async Task RefreshAsync()
    {
        var session = await http.GetFromJsonAsync<JsonObject>("/api/session");
        ForgetToken();
        http.DefaultRequestHeaders.Add(Antiforgery.Header, (string)session!["guard"]!);
    }

    private static async Task<JsonNode> ReadAsync(HttpResponseMessage response)
    {
        var text = await response.Content.ReadAsStringAsync();
        response.IsSuccessStatusCode.ShouldBeTrue(
            $"{response.RequestMessage!.Method} {response.RequestMessage.RequestUri}: {(int)response.StatusCode} {text}"
        );
        return text.Length == 0
            ? new JsonObject()
            : JsonNode.Parse(text, documentOptions: new JsonDocumentOptions { MaxDepth = 64 })!;
    }
}
