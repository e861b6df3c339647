using Mauvaise.Core.Gardens;

namespace Mauvaise.Core.Scouting;

/// <summary>Two looks at the same planting on one round, as two people walking it make them: each stands, or both are one. Of more, the first two.</summary>
public sealed record CountedTwice(Observation First, Observation Second)
{
    /// <summary>Pairs of the round that can be put together: one trouble each, counted on the same thing, and not under two names.</summary>
    public static IReadOnlyList<CountedTwice> On(GardenSnapshot garden, Guid walkId) =>
        [
            .. garden
                .Observations.Where(o => o.WalkId == walkId)
                .GroupBy(o => o.LookId)
                .Where(look => look.Count() == 1)
                .Select(look => look.Single())
                .Where(o => o is { Plants: null, LeavesLooked: > 0 })
                .GroupBy(o => (o.PlantingId, o.On))
                .Select(looks => looks.OrderBy(o => o.At).ThenBy(o => o.Id).ToList())
                .Where(looks => looks.Count > 1)
                .Select(looks => new CountedTwice(looks[0], looks[1]))
                .Where(two => two.First.Named is null || two.Second.Named is null || two.First.Named == two.Second.Named),
        ];

    /// <summary>
    /// Both as one look, under the id and at the hour of the first: leaves and helpers are added up, signs are those of either, and what is judged on affected
    /// leaves is weighed by them.
    /// </summary>
    public Observation Together() =>
        First with
        {
            LeavesLooked = First.LeavesLooked + Second.LeavesLooked,
            LeavesAffected = First.LeavesAffected + Second.LeavesAffected,
            SeverityPercent = Weighed(),
            Ants = (Ants)Math.Max((int)First.Ants, (int)Second.Ants),
            Helpers = First.Helpers + Second.Helpers,
            Mummies = First.Mummies + Second.Mummies,
            Part = First.Part == PlantPart.Unsaid ? Second.Part : First.Part,
            Side = First.Side == BedSide.Unsaid ? Second.Side : First.Side,
            Roots = (RootCheck)Math.Max((int)First.Roots, (int)Second.Roots),
            Signs = [.. First.Signs.Concat(Second.Signs).GroupBy(s => s.Sign).Select(g => new SeenSign(g.Key, g.Any(s => s.Present)))],
            Named = First.Named ?? Second.Named,
            NameIsGroup = First.Named is null ? Second.NameIsGroup : First.NameIsGroup,
            OwnName = First.Named is null ? Second.OwnName : First.OwnName,
            Note = string.Join(' ', new[] { First.Note, Second.Note }.OfType<string>()) is { Length: > 0 } note ? note : null,
        };

    private double? Weighed()
    {
        var judged = new[] { First, Second }.Where(o => o is { SeverityPercent: not null, LeavesAffected: > 0 }).ToList();
        return judged.Count == 0 ? null : judged.Sum(o => o.SeverityPercent!.Value * o.LeavesAffected) / judged.Sum(o => o.LeavesAffected);
    }
}
