using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;
using BlueSlate.Data;
using BlueSlate.Scenarios;
using BlueSlate.Server.Features.Accounts;
using BlueSlate.Server.Features.Answers;
using BlueSlate.Server.Features.Audit;
using BlueSlate.Server.Features.Checking;
using BlueSlate.Server.Features.Classes;
using BlueSlate.Server.Features.Cohorts;
using BlueSlate.Server.Features.Demo;
using BlueSlate.Server.Features.Drafting;
using BlueSlate.Server.Features.Exercises;
using BlueSlate.Server.Features.Findings;
using BlueSlate.Server.Features.Health;
using BlueSlate.Server.Features.Home;
using BlueSlate.Server.Features.Marking;
using Hangfire;
using Hangfire.PostgreSql;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.HttpOverrides;
using Microsoft.AspNetCore.Identity;
using Microsoft.Extensions.FileProviders;
using Serilog;
using Serilog.Formatting.Compact;

namespace BlueSlate.Server.Hosting;

/// <summary>Puts the server together: services, the way of a request, and the endpoints of every feature.</summary>
public static class Server
{
    /// <summary>A server that is ready to run. It does not touch the database before it does.</summary>
    public static WebApplication Build(string[] args)
    {
        // The switch has no value; left among the arguments it would swallow the next one.
        var builder = WebApplication.CreateBuilder([.. args.Where(argument => argument != "--demo")]);
        var settings = ServerSettings.Read(builder.Configuration, args);
        AddServices(builder, settings);
        var app = builder.Build();
        Use(app, settings);
        MapFeatures(app, settings);
        return app;
    }

    private static void AddServices(WebApplicationBuilder builder, ServerSettings settings)
    {
        builder.Host.UseSerilog(
            (_, logging) =>
                logging
                    .MinimumLevel.Information()
                    .MinimumLevel.Override("Microsoft", Serilog.Events.LogEventLevel.Warning)
                    .MinimumLevel.Override("Hangfire", Serilog.Events.LogEventLevel.Warning)
                    .MinimumLevel.Override("Microsoft.Hosting.Lifetime", Serilog.Events.LogEventLevel.Information)
                    .WriteTo.Console(new CompactJsonFormatter())
        );
        builder.WebHost.ConfigureKestrel(kestrel => kestrel.Limits.MaxRequestBodySize = (DrawingLimits.Bytes * 2) + 65_536);

        var services = builder.Services;
        services.AddSingleton(settings);
        services.AddSingleton(TimeProvider.System);
        services.AddDbContextPool<BlueSlateContext>(options => BlueSlateContextFactory.Configure(options, settings.Connection));
        services
            .AddIdentity<Account, IdentityRole<Guid>>(AccountRules.Configure)
            .AddEntityFrameworkStores<BlueSlateContext>()
            .AddDefaultTokenProviders();
        services.Configure<DataProtectionTokenProviderOptions>(options => options.TokenLifespan = TimeSpan.FromDays(14));
        services.ConfigureApplicationCookie(AccountRules.ConfigureCookie);
        services.AddAuthorization();
        var keys = services.AddDataProtection().SetApplicationName("BlueSlate");
        if (!Contract.IsBeingWritten)
        {
            keys.PersistKeysToDbContext<BlueSlateContext>();
        }

        services.AddAntiforgery(options =>
        {
            options.HeaderName = Antiforgery.Header;
            options.Cookie.Name = "blueslate-guard";
            options.Cookie.SameSite = SameSiteMode.Strict;
            options.Cookie.SecurePolicy = CookieSecurePolicy.SameAsRequest;
        });
        services.AddHsts(options => options.MaxAge = TimeSpan.FromDays(365));
        services.AddHostFiltering(options => options.AllowedHosts = [.. settings.Hosts]);
        services.Configure<ForwardedHeadersOptions>(options =>
        {
            options.ForwardedHeaders =
                settings.Proxies.Count == 0
                    ? ForwardedHeaders.None
                    : ForwardedHeaders.XForwardedFor | ForwardedHeaders.XForwardedProto | ForwardedHeaders.XForwardedHost;
            options.KnownProxies.Clear();
            options.KnownIPNetworks.Clear();
            foreach (var network in settings.Proxies)
            {
                options.KnownIPNetworks.Add(network);
            }
        });
        services.AddRateLimiter(options => RequestLimits.Configure(options, settings.RequestsASecond));
        services.AddProblemDetails(Problems.Configure);
        services.AddExceptionHandler<UnstorableText>();
        services.AddExceptionHandler<NotAssessed>();
        services.AddExceptionHandler<UnreadableBody>();
        services.Configure<RouteHandlerOptions>(options => options.ThrowOnBadRequest = true);
        services.ConfigureHttpJsonOptions(options =>
        {
            Formats.Configure(options.SerializerOptions);
            options.SerializerOptions.RespectRequiredConstructorParameters = true;
            options.SerializerOptions.RespectNullableAnnotations = true;
        });
        services.AddOpenApi("contract", Contract.Configure);
        services.AddResponseCompression(options => options.EnableForHttps = true);
        AddBackgroundWork(services, settings);
        services.AddHttpContextAccessor();
        services.AddScoped<Access>();
        services.AddScoped<DocumentStore>();
        services.AddScoped<Publishing>();
        services.AddScoped<TrialCopies>();
        services.AddScoped<Times>();
        services.AddScoped<Correcting>();
        services.AddScoped<Repairing>();
        services.AddScoped<AnswerStore>();
        services.AddScoped<Attempts>();
        services.AddScoped<OnBehalf>();
        services.AddScoped<Help>();
        services.AddScoped<WorkAssessment>();
        services.AddScoped<CheckQueue>();
        services.AddScoped<Desk>();
        services.AddScoped<Releasing>();
        services.AddScoped<Rulings>();
        services.AddScoped<ClassView>();
        services.AddScoped<MarksTable>();
        services.AddScoped<Gradebook>();
        services.AddScoped<FeedbackSheets>();
        services.AddScoped<Remarking>();
        services.AddScoped<BlindSample>();
        services.AddScoped<MarkingPage>();
        services.AddScoped<Sharing>();
        services.AddSingleton<Presence>();
        services.AddScoped<AfterTheEnd>();
        services.AddScoped<FirstInstructor>();
        services.AddScoped<AuditTrail>();
        services.AddScoped<Invitations>();
        services.AddScoped<PersonExport>();
        services.AddScoped<Erasure>();
        services.AddSingleton<SignInGate>();
        services.AddSingleton<Sessions>();
        services.AddSingleton<AssessorStore>();
        services.AddSingleton<ScenarioRenderer>();
        services.AddSingleton(new DraftingLimits());
        services.AddSingleton<DraftingPool>();
        services.AddSingleton<ExamplePages>();
    }

    private static void AddBackgroundWork(IServiceCollection services, ServerSettings settings)
    {
        var storage = new PostgreSqlStorageOptions
        {
            SchemaName = Migration.JobSchema,
            PrepareSchemaIfNecessary = false,
            QueuePollInterval = TimeSpan.FromSeconds(1),
            InvisibilityTimeout = TimeSpan.FromSeconds(30),
            UseSlidingInvisibilityTimeout = true,
        };
        services.AddHangfire(hangfire =>
            hangfire
                .UseSimpleAssemblyNameTypeSerializer()
                .UseRecommendedSerializerSettings()
                .UsePostgreSqlStorage(database => database.UseNpgsqlConnection(settings.Connection), storage)
        );
        services.AddScoped<CheckJob>();
        services.AddScoped<AfterCheck>();
        if (Contract.IsBeingWritten || settings.Workers == 0)
        {
            return;
        }

        services.AddHangfireServer(options =>
        {
            options.WorkerCount = settings.Workers;
            options.SchedulePollingInterval = TimeSpan.FromSeconds(5);
        });
        services.AddHostedService<CheckSweep>();
        services.AddHostedService<TimeOver>();
        services.AddHostedService<DraftingStart>();
        services.AddHostedService<RetentionSweep>();
    }

    private static void Use(WebApplication app, ServerSettings settings)
    {
        app.UseForwardedHeaders();
        app.UseHostFiltering();
        app.UsePathBase(settings.PathBase);
        app.UseExceptionHandler();
        app.UseStatusCodePages();
        app.UseHsts();
        app.UseSerilogRequestLogging(options =>
            options.MessageTemplate = "{RequestMethod} {RequestPath} {StatusCode} {Elapsed:0.0} ms"
        );
        app.Use(SecurityHeaders.AddAsync);
        app.UseResponseCompression();
        if (Directory.Exists(settings.WebFolder))
        {
            app.UseStaticFiles(
                new StaticFileOptions
                {
                    FileProvider = new PhysicalFileProvider(Path.GetFullPath(settings.WebFolder)),
                    OnPrepareResponse = Cache,
                }
            );
        }

        app.UseRouting();
        app.UseAuthentication();
        app.UseRateLimiter();
        app.UseAuthorization();
        app.UseMiddleware<Antiforgery>();
    }

    private static void MapFeatures(WebApplication app, ServerSettings settings)
    {
        app.MapHealth();
        var features = app.MapGroup("");
        features.AddEndpointFilter(NoNulls.FilterAsync);
        features.MapAccounts();
        features.MapHome();
        features.MapCohorts();
        features.MapExercises();
        features.MapParts();
        features.MapAnswers();
        features.MapMarking();
        features.MapFindings();
        features.MapDrafting();
        if (DemoEndpoints.MayExist(app, settings))
        {
            features.MapDemo();
        }

        app.MapFallback("/api/{**path}", () => Problems.NotFound("no-such-endpoint", "There is nothing at this address."))
            .ForAnyone();
        app.MapFallback(context => FrontPage.AnswerAsync(context, settings)).ForAnyone();
    }

    private static void Cache(Microsoft.AspNetCore.StaticFiles.StaticFileResponseContext context) =>
        context.Context.Response.Headers.CacheControl = context.Context.Request.Path.StartsWithSegments("/assets")
            ? "public, max-age=31536000, immutable"
            : "no-cache";
}
