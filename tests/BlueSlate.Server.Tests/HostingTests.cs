using System.Net;
using BlueSlate.Server.Hosting;
using Microsoft.Extensions.Configuration;
using Shouldly;

namespace BlueSlate.Server.Tests;

/// <summary>What the server believes of whoever stands in front of it, and what it tells browsers.</summary>
public sealed class HostingTests(TestServer server) : IClassFixture<TestServer>
{
    private static string Dll => Path.Combine(AppContext.BaseDirectory, "BlueSlate.Server.dll");

    [Fact]
    public async Task Every_reply_says_what_a_browser_must_never_do()
    {
        using var client = await server.AnonymousAsync();
        foreach (var path in new[] { "/", "/api/session", "/api/nothing", "/assets/none.js" })
        {
            var reply = await client.SendAsync(HttpMethod.Get, path);
            var policy = reply.Headers.GetValues("Content-Security-Policy").Single();
            policy.ShouldStartWith("default-src 'self';");
            policy.ShouldContain("frame-ancestors 'none'");
            policy.ShouldNotContain("unsafe");
            reply.Headers.GetValues("X-Content-Type-Options").Single().ShouldBe("nosniff");
        }
    }

    [Fact]
    public async Task A_request_for_another_host_is_refused()
    {
        using var http = new HttpClient();
        (
            await http.SendAsync(
                new HttpRequestMessage(HttpMethod.Get, server.Address + "/api/session")
                {
                    Headers = { Host = "elsewhere.invalid" },
                }
            )
        ).StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        (
            await http.SendAsync(
                new HttpRequestMessage(HttpMethod.Get, server.Address + "/api/session") { Headers = { Host = "localhost" } }
            )
        ).StatusCode.ShouldBe(HttpStatusCode.OK);
    }

    [Fact]
    public async Task Behind_a_proxy_its_headers_are_believed_under_its_path()
    {
        var web = Directory.CreateTempSubdirectory("web");
        await File.WriteAllTextAsync(
            Path.Combine(web.FullName, "index.html"),
            """<html><head><base href="/" /><meta content="__STYLE_NUMBER__" /></head></html>"""
        );
        await using var behind = await ServerProcess.StartAsync(
            server.Database.App,
            Dll,
            ("BLUESLATE_PROXIES", "127.0.0.1, 10.0.0.0/8"),
            ("BLUESLATE_PATH_BASE", "/slate"),
            ("BLUESLATE_HOSTS", "localhost,slate.example.invalid,127.0.0.1"),
            ("BLUESLATE_WEB", web.FullName)
        );
        using var http = new HttpClient(new HttpClientHandler { UseCookies = false });
        HttpRequestMessage Request(string path) =>
            new(HttpMethod.Get, behind.Address + path)
            {
                Headers =
                {
                    { "X-Forwarded-Proto", "https" },
                    { "X-Forwarded-Host", "slate.example.invalid" },
                    { "X-Forwarded-For", "192.0.2.7" },
                },
            };

        var session = await http.SendAsync(Request("/slate/api/session"));
        session.StatusCode.ShouldBe(HttpStatusCode.OK);
        session.Headers.GetValues("Strict-Transport-Security").Single().ShouldStartWith("max-age=");
        var cookie = session
            .Headers.GetValues("Set-Cookie")
            .Single(value => value.StartsWith("blueslate-guard", StringComparison.Ordinal));
        cookie.ShouldContain("path=/slate");
        cookie.ShouldContain("secure");
        cookie.ShouldContain("samesite=strict");

        var page = await http.SendAsync(Request("/slate/"));
        var text = await page.Content.ReadAsStringAsync();
        text.ShouldContain("<base href=\"/slate/\" />");
        var number = text.Split("content=\"")[1].Split('"')[0];
        page.Headers.GetValues("Content-Security-Policy").Single().ShouldContain($"'nonce-{number}'");
        web.Delete(recursive: true);
    }

    [Fact]
    public async Task Forwarded_headers_of_anybody_else_are_not_believed()
    {
        using var http = new HttpClient();
        var reply = await http.SendAsync(
            new HttpRequestMessage(HttpMethod.Get, server.Address + "/api/session")
            {
                Headers = { { "X-Forwarded-Proto", "https" }, { "X-Forwarded-Host", "elsewhere.invalid" } },
            }
        );
        reply.StatusCode.ShouldBe(HttpStatusCode.OK);
        reply.Headers.Contains("Strict-Transport-Security").ShouldBeFalse();
        reply.Headers.GetValues("Set-Cookie").ShouldNotContain(cookie => cookie.Contains("secure"));
    }

    [Theory]
    [InlineData("BLUESLATE_PROXIES", "the proxy")]
    [InlineData("BLUESLATE_PATH_BASE", "slate/")]
    [InlineData("BLUESLATE_PATH_BASE", "/\"><script>")]
    [InlineData("BLUESLATE_WORKERS", "many")]
    public void A_setting_that_cannot_be_read_is_named(string name, string value)
    {
        var configuration = new ConfigurationBuilder().AddInMemoryCollection([new(name, value)]).Build();
        Should.Throw<SettingException>(() => ServerSettings.Read(configuration, [])).Message.ShouldContain($"{name} wants");
    }

    [Fact]
    public async Task One_account_that_asks_for_too_much_is_held_back_and_nobody_else_is()
    {
        await using var limited = await ServerProcess.StartAsync(
            server.Database.App,
            Dll,
            ("BLUESLATE_REQUESTS", "5"),
            ("BLUESLATE_WORKERS", "0")
        );
        using var wild = await Client.OpenAsync(limited.Address);
        await wild.SignInAsync("outsider-student@test.invalid", TestServer.Password);
        using var other = await Client.OpenAsync(limited.Address);
        await other.SignInAsync("student@test.invalid", TestServer.Password);
        var replies = await Task.WhenAll(
            Enumerable
                .Range(0, RequestLimits.BurstSeconds * 10)
                .Select(_ => wild.SendAsync(HttpMethod.Get, "/api/study/exercises"))
        );
        var refused = replies.Where(reply => reply.StatusCode == HttpStatusCode.TooManyRequests).ToList();
        refused.ShouldNotBeEmpty();
        refused[0].Headers.RetryAfter.ShouldNotBeNull();
        (await other.SendAsync(HttpMethod.Get, "/api/study/exercises")).StatusCode.ShouldBe(HttpStatusCode.OK);
    }
}
