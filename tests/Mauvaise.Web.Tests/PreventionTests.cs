using System.Net;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Preventing;
using Mauvaise.Web.Board;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Preventing;
using Mauvaise.Web.Undo;

namespace Mauvaise.Web.Tests;

/// <summary>Work before trouble over the API: said of many at once, once, undone together, refused with the field.</summary>
public sealed class PreventionTests : DemoTest
{
    private static List<PreventiveWorkAnswer> In(PreventionAnswer answer, string step, PreventionState state) =>
        [.. answer.Groups.Where(g => g.Step == step).SelectMany(g => g.Work).Where(w => w.State == state)];

    [Fact]
    public async Task It_is_done_in_all_places_with_one_word_sent_twice_written_once_and_undone_together()
    {
        var before = await GetAsync<PreventionAnswer>("prevention");
        var group = before.Groups.First(g => g.Work.Count(w => w.State == PreventionState.Due) > 1);
        var due = In(before, group.Step, PreventionState.Due);
        var said = new PreventionSaid([.. due.Select(w => new PreventionItem(Guid.NewGuid(), w.PlantingId, group.Step))], PreventionWord.Done);
        await Http.SendAsync("prevention", said, HttpStatusCode.Created);
        await Http.SendAsync("prevention", said, HttpStatusCode.Created);
        // A second tap with ids of its own says nothing new either.
        await Http.SendAsync("prevention", said with { Items = [.. said.Items.Select(i => i with { Id = Guid.NewGuid() })] }, HttpStatusCode.Created);
        Assert.Equal(due.Count, In(await GetAsync<PreventionAnswer>("prevention"), group.Step, PreventionState.Holds).Count);
        await Http.SendAsync("undo", new UndoRequest((await GetAsync<GardenAnswer>("")).LastDeed!.Id), HttpStatusCode.NoContent);
        Assert.Equal(due.Count, In(await GetAsync<PreventionAnswer>("prevention"), group.Step, PreventionState.Due).Count);
    }

    [Fact]
    public async Task What_is_taken_on_stands_on_the_board_on_its_day()
    {
        var before = await GetAsync<PreventionAnswer>("prevention");
        var group = before.Groups.First(g => g.Work.Any(w => w.State == PreventionState.Due));
        var work = group.Work.First(w => w.State == PreventionState.Due);
        var said = new PreventionSaid([new(Guid.NewGuid(), work.PlantingId, group.Step)], PreventionWord.Planned);
        await Http.SendAsync("prevention", said, HttpStatusCode.Created);
        var board = await GetAsync<BoardAnswer>("board");
        Assert.Contains(board.Evening.Deeds, d => d.TaskId is not null && d.Title == $"{group.Name}: {work.Where}");
    }

    [Fact]
    public async Task What_does_not_fit_is_refused_with_its_field()
    {
        var before = await GetAsync<PreventionAnswer>("prevention");
        var (step, planting) = (before.Groups[0].Step, before.Groups[0].Work[0].PlantingId);
        PreventionItem Item(Guid? id = null, string? what = null, Guid? where = null) => new(id ?? Guid.NewGuid(), where ?? planting, what ?? step);
        var same = Guid.NewGuid();
        var today = new DateOnly(2026, 7, 16);
        (PreventionSaid Said, string Field)[] wrong =
        [
            (new([], PreventionWord.Done), "items"),
            (new([Item(what: "dance")], PreventionWord.Done), "items"),
            (new([Item(where: Guid.NewGuid())], PreventionWord.Done), "items"),
            (new([Item(same), Item(same, where: Guid.NewGuid())], PreventionWord.Done), "items"),
            (new([Item(), Item()], PreventionWord.Done), "items"),
            (new([Item()], PreventionWord.Planned, today.AddDays(-1)), "on"),
            (new([Item()], PreventionWord.Planned, today.AddYears(1)), "on"),
            (new([Item()], PreventionWord.Done, today), "on"),
        ];
        foreach (var (said, field) in wrong)
        {
            await RefusedAsync("prevention", said, field);
        }

        static int Due(PreventionAnswer answer) => answer.Groups.Sum(g => g.Work.Count(w => w.State == PreventionState.Due));
        Assert.Equal(Due(before), Due(await GetAsync<PreventionAnswer>("prevention")));
    }
}
