using System.Globalization;
using System.IO.Compression;
using System.Reflection;
using System.Text.Json;
using System.Text.Json.Serialization;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Words;
using Mauvaise.Store;
using Mauvaise.Store.Deeds;
using Mauvaise.Store.Facts;
using Mauvaise.Store.Loading;
using Mauvaise.Web.Archive;
using Mauvaise.Web.Bench;
using Mauvaise.Web.Board;
using Mauvaise.Web.Calc;
using Mauvaise.Web.CheckBacks;
using Mauvaise.Web.Decide;
using Mauvaise.Web.Demo;
using Mauvaise.Web.Facts;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Home;
using Mauvaise.Web.Hosting;
using Mauvaise.Web.Learned;
using Mauvaise.Web.Ledger;
using Mauvaise.Web.Mailing;
using Mauvaise.Web.Photos;
using Mauvaise.Web.Picking;
using Mauvaise.Web.Places;
using Mauvaise.Web.Plan;
using Mauvaise.Web.Preventing;
using Mauvaise.Web.Readings;
using Mauvaise.Web.Sprays;
using Mauvaise.Web.Suspects;
using Mauvaise.Web.Trials;
using Mauvaise.Web.Undo;
using Mauvaise.Web.Walk;
using Mauvaise.Web.Weather;
using Mauvaise.Web.WhatIfs;
using Mauvaise.Web.Windows;
using Microsoft.AspNetCore.HttpOverrides;
using Microsoft.AspNetCore.Localization;
using Microsoft.AspNetCore.ResponseCompression;
using Microsoft.Extensions.Http.Resilience;
using Polly;

// The build-time OpenAPI generator runs this program for real: keep it off the data folder.
var generatingDocuments = Assembly.GetEntryAssembly()?.GetName().Name == "GetDocument.Insider";

if (Commands.Run(args) is { } exitCode)
{
    return exitCode;
}

var builder = WebApplication.CreateBuilder(args);
var services = builder.Services;
services.AddSingleton(sp => Settings.From(sp.GetRequiredService<IConfiguration>()));
services.AddSingleton<DataFolder>();
services.AddSingleton(sp => new Catalogues(CatalogueFiles.DefaultFolder, sp.GetRequiredService<Settings>().OwnFactsFolder));
services.AddTransient(sp => sp.GetRequiredService<Catalogues>().Spoken);
services.AddSingleton(_ => new Lazy<TownBook>(() => TownFile.Read(CatalogueFiles.DefaultFolder)));
services.AddSingleton<TimeProvider>(sp => sp.GetRequiredService<Settings>() is { Demo: true } s ? new DemoClock(s.DataFolder) : TimeProvider.System);
services.AddGardenDb(sp => sp.GetRequiredService<Settings>().DatabasePath);
services.AddSingleton(sp => new SnapshotCache(sp.GetRequiredService<Settings>().DatabasePath));
services.AddSingleton<WriteGate>();
services.AddScoped(sp => sp.GetRequiredService<IHttpContextAccessor>().SeenDeed());
services.AddScoped<DeedLog>();
services.AddScoped<SnapshotLoader>();
services.AddScoped<GardenTools>();
services.AddScoped<DemoGarden>();
services.AddSingleton<Postman>();
services.AddScoped<MailRound>();
services
    .AddHttpClient<WeatherClient>(http => (http.Timeout, http.MaxResponseContentBufferSize) = (WeatherClient.LongestAnswer, WeatherClient.LargestAnswer))
    .AddResilienceHandler("weather", pipeline =>
    {
        // The garden's clock may stand still; waiting is done by the machine's.
        pipeline.TimeProvider = TimeProvider.System;
        pipeline
            .AddTimeout(TimeSpan.FromSeconds(9))
            .AddRetry(
                new HttpRetryStrategyOptions
                {
                    MaxRetryAttempts = 1,
                    Delay = TimeSpan.FromMilliseconds(300),
                    BackoffType = DelayBackoffType.Constant,
                }
            )
            .AddCircuitBreaker(new HttpCircuitBreakerStrategyOptions())
            .AddTimeout(TimeSpan.FromSeconds(4));
    });
if (!generatingDocuments)
{
    services.AddHostedService<WeatherSchedule>();
    services.AddHostedService<BackupSchedule>();
    services.AddHostedService<MailSchedule>();
    services.AddHostedService(s => s.GetRequiredService<FeedKeeper>());
}

services.AddSingleton<FeedKeeper>();

services.AddHttpContextAccessor();
if (!generatingDocuments)
{
    // The generator knows the framework's own converters alone.
    services
        .AddOptions<Microsoft.AspNetCore.Http.Json.JsonOptions>()
        .Configure<IHttpContextAccessor>((o, http) => o.SerializerOptions.Converters.Add(new ToldStrings(http)))
        .PostConfigure(o => o.SerializerOptions.Converters.Insert(0, new LateRecords(new JsonSerializerOptions(o.SerializerOptions))));
}

services.AddHome();
builder.WebHost.ListenAtHome();
services.AddProblemDetails(o => o.CustomizeProblemDetails = ErrorAnswers.AddCode);
services.AddExceptionHandler<ErrorAnswers>();
services.ConfigureHttpJsonOptions(o =>
{
    o.SerializerOptions.NumberHandling = JsonNumberHandling.Strict;
    o.SerializerOptions.DictionaryKeyPolicy = JsonNamingPolicy.CamelCase;
    o.SerializerOptions.RespectNullableAnnotations = true;
    o.SerializerOptions.RespectRequiredConstructorParameters = true;
    // The generator knows the framework's own converter alone.
    o.SerializerOptions.Converters.Add(
        generatingDocuments ? new JsonStringEnumConverter(JsonNamingPolicy.CamelCase, allowIntegerValues: false) : new StrictEnums()
    );
});
services.Configure<RouteHandlerOptions>(o => o.ThrowOnBadRequest = true);

// What a page of another site could make the app answer carries no sign-in (SameSite), so that its length tells nothing. The line of news is not
// among the kinds that are packed: it would be held back.
services.AddResponseCompression(o => o.EnableForHttps = true);

// The quickest packs Decide half as well, and saves three milliseconds.
services.Configure<BrotliCompressionProviderOptions>(o => o.Level = CompressionLevel.Optimal);
services.AddOpenApi("v1", o => o.AddSchemaTransformer(StrictEnums.TellWordsAlone));

var app = builder.Build();
if (!generatingDocuments && !await Startup.PrepareAsync(app))
{
    return 1;
}

app.UseRequestLocalization(o =>
{
    // What is reckoned and written stays as it is everywhere; words alone follow the reader.
    o.DefaultRequestCulture = new RequestCulture(CultureInfo.InvariantCulture, CultureInfo.GetCultureInfo(Language.Default));
    o.SupportedCultures = [CultureInfo.InvariantCulture];
    o.SupportedUICultures = [.. Language.Cultures];
    o.RequestCultureProviders = [new AcceptLanguageHeaderRequestCultureProvider()];
});
app.UseExceptionHandler();
var home = app.Services.GetRequiredService<HomeSettings>();
if (home.Proxies.Count > 0)
{
    var forwarded = new ForwardedHeadersOptions
    {
        ForwardedHeaders = ForwardedHeaders.XForwardedFor | ForwardedHeaders.XForwardedProto | ForwardedHeaders.XForwardedHost,
    };
    forwarded.KnownIPNetworks.Clear();
    forwarded.KnownProxies.Clear();
    foreach (var proxy in home.Proxies)
    {
        forwarded.KnownProxies.Add(proxy);
    }

    app.UseForwardedHeaders(forwarded);
}

app.UseResponseCompression();
app.UseOwnPage(app.Services.GetRequiredService<HomeNames>().Knows);
app.UseTrustPage();
app.UseOwnFiles();
app.UseStatusCodePages();
app.UseRouting();
app.UseAuthentication();
app.UseAuthorization();
app.UseRateLimiter();

// As the build wrote it.
app.MapGet("/openapi/v1.json", () => TypedResults.PhysicalFile(Path.Combine(AppContext.BaseDirectory, "openapi", "openapi.json"), "application/json"))
    .ExcludeFromDescription();
var api = app.MapGroup("").AddEndpointFilterFactory(SoundRequest.Filter).AddEndpointFilterFactory(SignedDeeds.Filter).AddEndpointFilter(WriteGate.Filter);
api.MapSetUp();
api.MapGardens();
api.MapHousehold();
api.MapHome();
api.MapPasskeys();
api.MapDevices();
api.MapLinks();
api.MapMails();
GardenNews.Map(api);
api.MapPutRight();
api.MapMoves();
api.MapPicks();
api.MapHarvests();
api.MapReadings();
api.MapOwnKinds();
api.MapBoard();
api.MapPlaces();
api.MapRound();
api.MapTwice();
api.MapObservations();
api.MapPhotos();
api.MapSuspects();
api.MapNaming();
api.MapBench();
api.MapWindows();
api.MapWeather();
api.MapSprays();
api.MapWhatIfs();
api.MapDecide();
api.MapPrevention();
api.MapPlan();
api.MapCheckBacks();
api.MapArchive();
api.MapCopies();
api.MapLedger();
api.MapAlmanac();
api.MapStories();
api.MapLearned();
api.MapTrials();
api.MapUndo();
api.MapCatalogue();
api.MapCalc();
api.MapDemo();

// A plain request delegate: bound at build, a fallback would forget its pattern and answer for every page.
app.MapFallback("/api/{**rest}", static (HttpContext http) =>
        Problems.Of(StatusCodes.Status404NotFound, "not-found", Say.Of("hosting.thereIsNothingAtThisAddress")).ExecuteAsync(http)
    )
    .ExcludeFromDescription();
app.MapFallbackToFile("index.html", new StaticFileOptions { OnPrepareResponse = OwnFiles.Prepare });

return await Startup.ServeAsync(app);
