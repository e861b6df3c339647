using System.Net.Http.Json;
using System.Text.Json;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Web.Demo;
using Mauvaise.Web.Suspects;

namespace Mauvaise.Web.Tests;

/// <summary>A device that names by itself comes to what the server says: both are held to one file of cases, which is made here.</summary>
public sealed class NamingAwayTests : DemoTest
{
    private static readonly JsonSerializerOptions Readable = new(TestApp.Json) { WriteIndented = true };

    private static readonly string Cases = Repository.Path("client", "tests", "naming-cases.json");

    /// <summary>What was seen where; a sign with a minus was looked for and is not there.</summary>
    public static readonly IReadOnlyList<(string At, NewObservation Seen, string Skip)> Seen =
    [
        Case("Chapel/courgette", "white-dust"),
        Case("Chapel/courgette", "white-dust -rubs-off", "felt-below"),
        Case("Chapel/squash", "wilting -dry-soil"),
        Case("Towpath/tomato", "small-dark-spots old-leaves-first -rings"),
        Case("Towpath/tomato", "greasy -white-rim-below"),
        Case("Towpath/tomato", "caterpillar holes frass"),
        Case("Sluice/runner-bean", "small-insects", ants: Ants.Few, part: PlantPart.Tips),
        Case("Sluice/runner-bean", "small-insects pale-dots webbing"),
        Case("Polytunnel south/cucumber", "flies-up sticky sooty -small-insects"),
        Case("Polytunnel north/aubergine", "pale-dots -webbing -moving-specks"),
        Case("Window rack/lettuce", "stunted wilting", roots: RootCheck.Clean),
        Case("Window rack/lettuce", "brown-margins new-leaves-first -grey-fur -after-spray -wet-soil -dry-soil -frass -slime"),
        Case("Herb tubs/mint", "orange-pustules"),
        // Two at once.
        Case("Chapel/courgette", "white-dust rubs-off small-insects sticky ants"),
        // What nothing listed explains.
        Case("Lower Gate/leek", "looping even-film broken-tassel"),
    ];

    [Fact]
    public async Task The_tables_and_cases_that_the_client_is_held_to_are_the_server_s()
    {
        var tables = await GetAsync<NamingTables>("naming");
        var cases = new List<object>();
        var answers = new List<SuspectsAnswer>();
        foreach (var (at, seen, skip) in Seen)
        {
            using var kept = await Http.PostAsJsonAsync("observations", seen, TestApp.Json, Stop);
            kept.EnsureSuccessStatusCode();
            var told = await GetAsync<SuspectsAnswer>($"observations/{seen.Id}/suspects?skip={skip}");
            answers.Add(told);
            cases.Add(
                new
                {
                    at,
                    priors = tables.Plantings.Single(p => p.PlantingId == seen.PlantingId).Priors,
                    seen = new
                    {
                        signs = seen.Signs,
                        seen.Ants,
                        seen.Part,
                        seen.Roots,
                    },
                    skip = skip.Split(',', StringSplitOptions.RemoveEmptyEntries),
                    suspects = told.Suspects.ToDictionary(s => s.Target, s => s.Probability),
                    told.NotListed,
                    told.Meanwhile,
                    told.Group,
                    next = told.Next is { } next ? next with { Question = "" } : null,
                    told.Together,
                }
            );
            // Nothing that was named speaks for the next.
            using var struck = await Http.DeleteAsync($"looks/{seen.Id}", Stop);
            struck.EnsureSuccessStatusCode();
        }

        // Every part of an answer is there at least once, or the client would not be held to it.
        Assert.Contains(answers, a => a.Together is not null);
        Assert.Contains(answers, a => a.Group is not null);
        Assert.Contains(answers, a => a.Meanwhile is not null);
        Assert.Contains(answers, a => a.Next is null);
        var made =
            JsonSerializer.Serialize(
                new
                {
                    tables.Rules,
                    tables.GroupSure,
                    tables.Shown,
                    tables.Meanwhile,
                    tables.Groups,
                    tables.Following,
                    signs = tables.Signs.Select(s => s with { Question = "" }),
                    causes = tables.Causes.Select(c => new
                    {
                        suspect = new
                        {
                            c.Suspect.Target,
                            c.Suspect.Name,
                            c.Suspect.Kind,
                            c.Suspect.IsGroup,
                        },
                        c.NameGroup,
                        c.Shows,
                    }),
                    cases,
                },
                Readable
            ) + "\n";
        if (Environment.GetEnvironmentVariable("MAUVAISE_WRITE_SCHEMAS") == "1")
        {
            await File.WriteAllTextAsync(Cases, made, Stop);
        }

        Assert.Equal(made, await File.ReadAllTextAsync(Cases, Stop));
    }

    private static (string, NewObservation, string) Case(
        string at,
        string signs,
        string skip = "",
        Ants ants = Ants.None,
        PlantPart part = PlantPart.Unsaid,
        RootCheck roots = RootCheck.NotLooked
    ) =>
        (
            at,
            new NewObservation(
                Guid.NewGuid(),
                DemoGarden.PlantingId(at),
                20,
                5,
                ants,
                0,
                0,
                [.. signs.Split(' ').Select(s => new SeenSign(s.TrimStart('-'), s[0] != '-'))],
                Part: part,
                Roots: roots
            ),
            skip
        );
}
