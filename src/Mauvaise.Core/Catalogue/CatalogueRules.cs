using System.Text.RegularExpressions;

namespace Mauvaise.Core.Catalogue;

/// <summary>What must hold between the facts. Each fault is a sentence that says where to look.</summary>
public static partial class CatalogueRules
{
    /// <summary>Two causes are separable when some sign is this much more likely under one than under the other.</summary>
    public const double SeparatingRatio = 3;

    /// <summary>Every fault found; empty when the catalogue is sound.</summary>
    public static IReadOnlyList<string> Faults(GardenCatalogue c) =>
        [
            .. Doubled("group", c.Groups.Select(g => g.Id)),
            .. Doubled("material", c.Materials.Select(m => m.Id)),
            .. Doubled("target", c.Targets.Select(t => t.Id)),
            .. Doubled("sign", c.Signs.Select(s => s.Id)),
            .. Doubled("crop", c.Crops.Select(x => x.Id)),
            .. Doubled("recipe", c.Recipes.Select(r => r.Id)),
            .. Doubled("climate", c.Climates.Select(x => x.Id)),
            .. c.Materials.SelectMany(m => MaterialFaults(m, c)),
            .. c.Targets.SelectMany(t => TargetFaults(t, c)),
            .. Inseparable(c),
            .. c
                .Crops.Where(x => x.StageDays.Count != 3 || x.StageDays.Zip(x.StageDays.Skip(1)).Any(p => p.First >= p.Second))
                .Select(x => $"crop '{x.Id}': stageDays wants three rising numbers (young, full, end)"),
            .. c.Recipes.SelectMany(r => RecipeFaults(r, c)),
            .. Doubled("measure", c.Measures.Select(m => m.Id)),
            .. c.Measures.SelectMany(m => MeasureFaults(m, c)),
            .. Doubled("helper", c.Helpers.Select(h => h.Id)),
            .. c
                .Helpers.Where(h => h.Ordered is { } o && !(o.For.Count > 0 && o.PerM2 > 0 && o.MostPerM2 >= o.PerM2 && o.SpareDays > 0))
                .Select(h => $"helper '{h.Id}': what is ordered wants targets, 0 < perM2 <= mostPerM2 and days to spare it"),
            .. from h in c.Helpers
            from id in h.Ordered?.For ?? []
            where c.Targets.All(t => t.Id != id)
            select $"helper '{h.Id}': '{id}' is not in targets; the nearest is '{Nearest(id, c.Targets.Select(t => t.Id))}'",
            .. Doubled("reading", c.Readings.Select(r => r.Id)),
            .. c
                .Readings.Where(r =>
                    !(r.Least <= r.FineFrom && r.FineFrom < r.FineTo && r.FineTo < r.Most && r.HoldsDays > 0) || r.FineOn?.Any(f => f.From >= f.To) == true
                )
                .Select(r => $"reading '{r.Id}': wants least <= fineFrom < fineTo < most, and days over 0"),
            .. from r in c.Readings
            from id in r.Tells.Select(t => t.Of).Where(id => c.Targets.All(t => t.Id != id))
            select $"reading '{r.Id}': '{id}' is not in targets; the nearest is '{Nearest(id, c.Targets.Select(t => t.Id))}'",
            .. from r in c.Readings
            from f in r.FineOn ?? []
            where c.Crops.All(x => x.Id != f.On && x.Family != f.On)
            select $"reading '{r.Id}': is fine on '{f.On}', which is neither a crop nor a family",
            .. from m in c.Materials
            from family in m.NeverOn
            where c.Crops.All(x => x.Family != family)
            select $"material '{m.Id}': never goes on '{family}', which is no family",
            .. UndecidedPairs(c),
            .. c.Climates.SelectMany(ClimateFaults),
            .. Doubled("word that is heard", c.Heard.SelectMany(h => h.Words)),
            .. c
                .Heard.Where(h => h.Material is { } id && c.Materials.All(m => m.Id != id))
                .Select(h =>
                    $"heard word '{h.Words[0]}': '{h.Material}' is not in materials; the nearest is '{Nearest(h.Material!, c.Materials.Select(m => m.Id))}'"
                ),
        ];

    /// <summary>Probability of a sign under a target: its own figure, else the sign's value for unlisted causes.</summary>
    public static double Likelihood(Target target, Sign sign) =>
        target.Signs.TryGetValue(sign.Id, out var p) ? p
        : target.Kind == TargetKind.LookAlike ? sign.WithoutLife
        : sign.WhenUnlisted;

    /// <summary>Ids that code relies on and that are not there, with the nearest that is.</summary>
    public static IEnumerable<string> KnownMissing(GardenCatalogue c) =>
        from known in new (string What, Type Declared, IEnumerable<string> There)[]
        {
            ("crop", typeof(KnownIds.Crops), c.Crops.Select(x => x.Id)),
            ("measure", typeof(KnownIds.Measures), c.Measures.Select(m => m.Id)),
            ("material", typeof(KnownIds.Materials), c.Materials.Select(m => m.Id)),
            ("recipe", typeof(KnownIds.Recipes), c.Recipes.Select(r => r.Id)),
            ("group", typeof(KnownIds.Modes), c.Groups.Select(g => g.Id)),
            ("target", typeof(KnownIds.TargetGroups), c.Targets.Select(t => t.Group)),
            ("sign", typeof(KnownIds.Signs), c.Signs.Select(s => s.Id)),
            ("climate", typeof(KnownIds.Climates), c.Climates.Select(x => x.Id)),
        }
        let there = known.There.ToHashSet()
        from id in KnownIds.In(known.Declared)
        where !there.Contains(id)
        select $"{known.What} '{Nearest(id, there)}': the program relies on '{id}', which is not there; this is the nearest";

    /// <summary>The id that is reached from a mistyped one by the fewest changed letters (Levenshtein 1966).</summary>
    public static string Nearest(string mistyped, IEnumerable<string> ids) =>
        ids.OrderBy(id => Changes(mistyped, id)).ThenBy(id => id, StringComparer.Ordinal).FirstOrDefault() ?? "nothing";

    private static int Changes(string from, string to)
    {
        var row = Enumerable.Range(0, to.Length + 1).ToArray();
        for (var i = 1; i <= from.Length; i++)
        {
            var diagonal = row[0];
            row[0] = i;
            for (var j = 1; j <= to.Length; j++)
            {
                var kept = diagonal + (from[i - 1] == to[j - 1] ? 0 : 1);
                diagonal = row[j];
                row[j] = Math.Min(kept, Math.Min(row[j], row[j - 1]) + 1);
            }
        }

        return row[^1];
    }

    private static IEnumerable<string> Doubled(string what, IEnumerable<string> ids) =>
        ids.GroupBy(id => id).Where(g => g.Count() > 1).Select(g => $"{what} '{g.Key}' is there more than once");

    private static IEnumerable<string> MaterialFaults(Material m, GardenCatalogue c)
    {
        var at = $"material '{m.Id}'";
        if (c.Groups.All(g => g.Id != m.Group))
        {
            yield return $"{at}: group '{m.Group}' is not in groups";
        }

        if (m.Doses is null && !m.LabelOnly && !m.Pantry)
        {
            yield return $"{at}: has no doses and is neither labelOnly nor pantry";
        }

        if (m.MadeFrom is { } prepared)
        {
            foreach (var part in prepared.Parts.Where(p => c.Materials.All(x => x.Id != p.Material) || !(p.Amount > 0)))
            {
                yield return $"{at}: is made from '{part.Material}', which is not in materials or has no amount";
            }

            if (!(prepared.YieldMl > 0 && prepared.KeepsDays > 0 && prepared.Steps.Count > 0))
            {
                yield return $"{at}: a preparation wants a yield, days that it keeps, and steps";
            }
            else if (MadeOfItself(m, c, []))
            {
                yield return $"{at}: is made of itself";
            }
        }

        if (m.Doses is { } d && !(0 < d.Gentle && d.Gentle <= d.Usual && d.Usual <= d.Strong && d.Strong <= d.Ceiling))
        {
            yield return $"{at}: doses must rise from gentle to ceiling";
        }

        foreach (var field in m.Assumed.Where(a => !Material.AssumedWords.ContainsKey(a)))
        {
            yield return $"{at}: '{field}' is nothing that is assumed; the nearest is '{Nearest(field, Material.AssumedWords.Keys)}'";
        }

        if (m.Unit is not ("ml" or "g"))
        {
            yield return $"{at}: its unit must be ml or g";
        }

        if (m.Cadence.CurativeMinDays < 1 || m.Cadence.CurativeMaxDays < m.Cadence.CurativeMinDays || m.Cadence.Rounds < 1)
        {
            yield return $"{at}: cadence wants 1 <= min <= max and at least one round";
        }

        if (m.Cover.HalfLifeDays is <= 0 || m.Cover.WashOffMm is <= 0)
        {
            yield return $"{at}: half-life and wash-off must be over 0, or left out";
        }

        foreach (var e in m.WorksOn)
        {
            if (new[] { e.Eggs, e.Young, e.Adult, e.Protects }.Any(p => !(p is >= 0 and <= 1)))
            {
                yield return $"{at}: effect on '{e.On}' has a share outside 0 to 1";
            }

            if (c.Targets.All(t => t.Id != e.On && t.Group != e.On))
            {
                yield return $"{at}: works on '{e.On}', which is neither a target nor a group of targets; "
                    + $"the nearest is '{Nearest(e.On, c.Targets.Select(t => t.Id).Concat(c.Targets.Select(t => t.Group)))}'";
            }
        }
    }

    private static IEnumerable<string> TargetFaults(Target t, GardenCatalogue c)
    {
        var at = $"target '{t.Id}'";
        foreach (var crop in t.ResistedBy.Where(r => c.Crops.All(x => x.Id != r)))
        {
            yield return $"{at}: resistedBy '{crop}' is no crop; the nearest is '{Nearest(crop, c.Crops.Select(x => x.Id))}'";
        }

        foreach (var host in t.Hosts.Where(h => h != "all" && c.Crops.All(x => x.Id != h && x.Family != h)))
        {
            yield return $"{at}: host '{host}' is neither a crop nor a family; "
                + $"the nearest is '{Nearest(host, c.Crops.Select(x => x.Id).Concat(c.Crops.Select(x => x.Family)))}'";
        }

        if (t.CheckBackDays is < 1)
        {
            yield return $"{at}: checkBackDays must be 1 or more";
        }

        if (t.Hosts.Count == 0)
        {
            yield return $"{at}: has no host";
        }

        foreach (var (sign, likelihood) in t.Signs)
        {
            if (c.Signs.All(x => x.Id != sign))
            {
                yield return $"{at}: sign '{sign}' is not in signs; the nearest is '{Nearest(sign, c.Signs.Select(s => s.Id))}'";
            }

            if (!(likelihood is >= 0.01 and <= 0.99))
            {
                yield return $"{at}: likelihood of '{sign}' must be 0.01 to 0.99";
            }
        }

        foreach (var sign in t.AgreedSigns.Where(s => !t.Signs.ContainsKey(s)))
        {
            yield return $"{at}: '{sign}' is called agreed but has no likelihood";
        }

        if (t.Season.From is < 1 or > 12 || t.Season.To is < 1 or > 12)
        {
            yield return $"{at}: season months must be 1 to 12";
        }

        if (t.Insect is { } i && !(i.LowerC < i.UpperC && i.EggDegreeDays >= 0 && i.ToAdultDegreeDays > i.EggDegreeDays))
        {
            yield return $"{at}: insect biology wants lower < upper and 0 <= egg < to adult";
        }

        if (t.IsGroup && c.Targets.Any(x => x != t && x.IsGroup && x.NameGroup == t.NameGroup))
        {
            yield return $"{at}: another target stands for the name group '{t.NameGroup}' too";
        }

        foreach (var stage in t.Stages.Where(s => s.LengthMm is not (> 0 and <= 200) || !Tint().IsMatch(s.Tint)))
        {
            yield return $"target '{t.Id}': the stage {stage.Name} wants a length up to 200 mm and a tint as #a1b2c3.";
        }

        if (t.Kind == TargetKind.Insect && t.Stages.Count < 2)
        {
            yield return $"{at}: an insect wants two stages of life at least";
        }

        if (!(t.YoungFactor > 0 && t.UnderCoverFactor > 0 && t.Commonness > 0))
        {
            yield return $"{at}: commonness and factors must be over 0";
        }

        if (t.Disease is { } d && !(d.MinC < d.OptimumC && d.OptimumC < d.MaxC))
        {
            yield return $"{at}: disease temperatures must rise from min to max";
        }

        if (t.NoSpray && t.InsteadOfSpray is null)
        {
            yield return $"{at}: is not to be sprayed and does not say what to do instead";
        }

        if (t.Kind == TargetKind.LookAlike && c.Measures.Any(m => m.Id == KnownIds.Measures.PutRight && !m.IsFor(t)))
        {
            yield return $"{at}: is no pest, and the measure {KnownIds.Measures.PutRight} is not for it";
        }
    }

    private static IEnumerable<string> Inseparable(GardenCatalogue c)
    {
        var kinds = c
            .Targets.Where(t => !t.IsGroup)
            .Select(t => (Kind: t, Hosts: c.Crops.Where(x => GardenCatalogue.IsHost(t, x)).ToHashSet(), Signs: c.Signs.Select(s => Likelihood(t, s)).ToArray()))
            .ToList();
        return from i in Enumerable.Range(0, kinds.Count)
            from j in Enumerable.Range(i + 1, kinds.Count - i - 1)
            let a = kinds[i]
            let b = kinds[j]
            where !a.Kind.InseparableFrom.Contains(b.Kind.Id) && !b.Kind.InseparableFrom.Contains(a.Kind.Id) && a.Hosts.Overlaps(b.Hosts)
            where Enumerable.Range(0, a.Signs.Length).All(s => Ratio(a.Signs[s], b.Signs[s]) < SeparatingRatio)
            select $"targets '{a.Kind.Id}' and '{b.Kind.Id}' share a host and no sign tells them apart; add one or declare them inseparable";
    }

    private static double Ratio(double p, double q) => p > q ? p / q : q / p;

    private static IEnumerable<string> RecipeFaults(Recipe r, GardenCatalogue c)
    {
        if (r.Ingredients.Count(i => i.Role == "active") != 1)
        {
            yield return $"recipe '{r.Id}': wants exactly one active";
        }

        foreach (var i in r.Ingredients)
        {
            var material = c.Materials.FirstOrDefault(m => m.Id == i.Material);
            if (material is null)
            {
                yield return $"recipe '{r.Id}': '{i.Material}' is not in materials";
            }
            else if (i.Role is not ("active" or "partner") && !(i.Amount > 0 && i.Amount <= (material.Doses?.Ceiling ?? double.MaxValue)))
            {
                yield return $"recipe '{r.Id}': '{i.Material}' wants a dose over 0 and under its ceiling";
            }
            else if (i.Role is not ("active" or "partner" or "emulsifier" or "sticker" or "part"))
            {
                yield return $"recipe '{r.Id}': there is no role '{i.Role}'";
            }
            else if (i.Role == "partner" && material.Doses is null)
            {
                yield return $"recipe '{r.Id}': the partner '{i.Material}' has no doses to step";
            }
        }
    }

    private static IEnumerable<string> MeasureFaults(Measure m, GardenCatalogue c)
    {
        var at = $"measure '{m.Id}'";
        foreach (var on in m.For.Concat(m.NotFor).Concat(m.WorksOn.Select(e => e.On)).Where(on => c.Targets.All(t => t.Id != on && t.Group != on)))
        {
            yield return $"{at}: is for '{on}', which is neither a target nor a group of targets";
        }

        if (m.Recipe is { } recipe && c.Recipes.All(r => r.Id != recipe))
        {
            yield return $"{at}: wants recipe '{recipe}', which is not in recipes";
        }

        if (m.Lasts is { Days: < 1 } or { RainMm: <= 0 })
        {
            yield return $"{at}: lasts over 0 days, and bears over 0 mm of rain";
        }

        if (m.Prevents is { } prevents)
        {
            foreach (var on in prevents.Against.Where(on => c.Targets.All(t => t.Id != on && t.Group != on)))
            {
                yield return $"{at}: keeps off '{on}', which is neither a target nor a group of targets";
            }

            foreach (var on in prevents.On.Where(on => on != "all" && c.Crops.All(x => x.Id != on && x.Family != on)))
            {
                yield return $"{at}: is done on '{on}', which is neither a crop nor a family";
            }

            if (prevents.TakesOff is not (> 0 and < 1) || prevents.From > prevents.Until)
            {
                yield return $"{at}: takes off a share between 0 and 1, from a stage to a later one";
            }
        }

        if (m.CheckBackDays is < 1 || m.LeadDays < 0)
        {
            yield return $"{at}: days must be 1 or more";
        }
    }

    private static bool MadeOfItself(Material m, GardenCatalogue c, IReadOnlyList<string> above) =>
        above.Contains(m.Id)
        || (m.MadeFrom?.Parts.Any(p => c.Materials.FirstOrDefault(x => x.Id == p.Material) is { } part && MadeOfItself(part, c, [.. above, m.Id])) ?? false);

    private static IEnumerable<string> UndecidedPairs(GardenCatalogue c) =>
        from i in Enumerable.Range(0, c.Materials.Count)
        from j in Enumerable.Range(i + 1, c.Materials.Count - i - 1)
        where Pairs.Find(c.Pairs, c.Materials[i], c.Materials[j]) is null
        select $"pairs: nothing says whether '{c.Materials[i].Id}' and '{c.Materials[j].Id}' may meet";

    private static IEnumerable<string> ClimateFaults(Climate x) =>
        new (string Name, IReadOnlyList<double> Values)[]
        {
            ("meanC", x.MeanC),
            ("dailyRangeK", x.DailyRangeK),
            ("rainDays", x.RainDays),
            ("rainMm", x.RainMm),
            ("relativeHumidityPercent", x.RelativeHumidityPercent),
            ("windMetresPerSecond", x.WindMetresPerSecond),
        }
            .Where(p => p.Values.Count != 12)
            .Select(p => $"climate '{x.Id}': {p.Name} wants 12 values");

    [GeneratedRegex("^#[0-9a-f]{6}$")]
    private static partial Regex Tint();
}
