using Mauvaise.Core.Simulation;

namespace Mauvaise.Core.Planning;

/// <summary>
/// Solves a <see cref="RotaProblem"/>: the cheapest place for each need in turn, then needs, pairs of needs and whole visits are taken
/// out and put back until nothing gets cheaper; then a few that touch each other are torn out at a time and put back in another order
/// (ruin and recreate, Schrimpf and others 2000, doi:10.1006/jcph.1999.6413). Deterministic; a need that fits nowhere is skipped. No hard
/// rule is ever broken: only choices that keep them all are weighed.
/// </summary>
public sealed class RotaSolver
{
    /// <summary>Up to this many needs, pairs are tried together.</summary>
    private const int PairsUpTo = 48;

    /// <summary>Choices of each need that are tried in a pair.</summary>
    private const int TriedInPairs = 40;

    /// <summary>How often some are torn out and put back, needs times turns: small problems are looked at more closely.</summary>
    private const int Torn = 12000,
        MostTurns = 1500;

    /// <summary>Needs that are torn out at once.</summary>
    private const int FewestTorn = 2,
        MostTorn = 8;

    /// <summary>Share of the ways that are passed over on putting back, so that another order tries another way (Christiaens and Vanden Berghe
    /// 2020, doi:10.1287/trsc.2019.0914).</summary>
    private const double PassedOver = 0.4;

    /// <summary>A plan may be dearer than the best so far by this share while it is searched on; it falls to nothing (record to record, Dueck 1993,
    /// doi:10.1006/jcph.1993.1010).</summary>
    private const double Dearer = 0.1;

    /// <summary>Improvement that is worth another round.</summary>
    private const double Enough = 1e-9;

    private readonly RotaProblem problem;
    private readonly RotaWay[][] candidates;
    private readonly double[] skipped;
    private readonly RotaWay?[] chosen;
    private readonly double[] outingAt;
    private readonly int[] outings;
    private readonly int[,] tanks;
    private readonly double[] stock;
    private readonly List<int>[] atPlace;

    private RotaSolver(RotaProblem problem, Func<int, RotaWay, bool>? seen = null)
    {
        this.problem = problem;
        var recipes = problem.Waits.GetLength(0);
        candidates = [.. problem.Needs.Select(n => RotaWays.Of(problem, n))];
        skipped = [.. problem.Needs.Select(problem.SkipOf)];
        chosen = new RotaWay?[problem.Needs.Count];
        outingAt = [.. Enumerable.Range(0, problem.Slots).Select(problem.OutingAt)];
        outings = new int[problem.Slots];
        tanks = new int[problem.Slots, recipes];
        stock = [.. problem.Stocks];
        atPlace =
        [
            .. Enumerable
                .Range(0, problem.Needs.Select(n => n.Place + 1).DefaultIfEmpty(0).Max())
                .Select(p => problem.Needs.Index().Where(n => n.Item.Place == p).Select(n => n.Index).ToList()),
        ];
        if (seen is not null)
        {
            KeepTo(seen);
        }
    }

    /// <summary>A plan that the gardener has seen is left only for one that is cheaper by this for each need that changes (assumed).</summary>
    private const double ChangeIsWorth = 0.002;

    /// <param name="seen">Whether a way to meet a need, by its number, is the one that the gardener saw last; null when nobody has looked.</param>
    public static RotaSolution Solve(RotaProblem problem, Func<int, RotaWay, bool>? seen = null)
    {
        var solver = new RotaSolver(problem, seen);
        foreach (var need in Enumerable.Range(0, problem.Needs.Count).OrderByDescending(i => problem.SkipOf(problem.Needs[i])).ThenBy(i => i))
        {
            solver.Put(need, (seen is null ? null : solver.Best(need, way => seen(need, way)).Candidate) ?? solver.Best(need).Candidate);
        }

        solver.Improve();
        solver.TearAndMend();
        RotaChoice[] choices = [.. solver.chosen.Select(c => c is null ? RotaChoice.Skipped : new RotaChoice(c.Option, c.Slots))];
        return new RotaSolution(choices, seen is null ? solver.Total() : Cost(problem, choices));
    }

    /// <summary>Whatever was not seen costs a change while it is weighed.</summary>
    private void KeepTo(Func<int, RotaWay, bool> seen)
    {
        for (var i = 0; i < candidates.Length; i++)
        {
            var need = i;
            if (candidates[need].Any(way => seen(need, way)))
            {
                candidates[need] = [.. candidates[need].Select(w => seen(need, w) ? w : w with { Own = w.Own + ChangeIsWorth }).OrderBy(w => w.Own)];
                skipped[need] += ChangeIsWorth;
            }
        }
    }

    /// <summary>What a decision costs; infinite when it breaks a rule.</summary>
    public static double Cost(RotaProblem problem, IReadOnlyList<RotaChoice> choices)
    {
        var solver = new RotaSolver(problem);
        for (var i = 0; i < choices.Count; i++)
        {
            if (choices[i].Option < 0)
            {
                continue;
            }

            var found = solver.candidates[i].FirstOrDefault(c => c.Option == choices[i].Option && c.Slots.AsSpan().SequenceEqual(choices[i].Slots));
            if (found is null || !solver.Fits(i, found))
            {
                return double.PositiveInfinity;
            }

            solver.Put(i, found);
        }

        return solver.Total();
    }

    private void Improve()
    {
        for (var better = true; better; )
        {
            better = false;
            for (var i = 0; i < chosen.Length; i++)
            {
                better |= Reinsert(i);
            }

            for (var slot = 0; slot < problem.Slots; slot++)
            {
                better |= CloseOuting(slot);
            }

            for (var slot = 0; slot < problem.Slots; slot++)
            {
                better |= OpenOuting(slot);
            }

            if (!better && chosen.Length <= PairsUpTo)
            {
                for (var i = 0; i < chosen.Length; i++)
                {
                    for (var j = i + 1; j < chosen.Length; j++)
                    {
                        better |= ReinsertPair(i, j);
                    }
                }
            }
        }
    }

    private void TearAndMend()
    {
        var needs = chosen.Length;
        if (needs < FewestTorn)
        {
            return;
        }

        var chance = new Chance(1);
        var turns = Math.Min(MostTurns, Torn / needs);
        var (best, cheapest) = (chosen.ToArray(), Total());
        var current = (Ways: best, Cost: cheapest);
        for (var turn = 0; turn < turns; turn++)
        {
            var torn = Touching((int)(chance.Next() * needs), FewestTorn + (int)(chance.Next() * (MostTorn - FewestTorn + 1)), chance);
            torn.ForEach(Take);
            torn.ForEach(i => Put(i, Best(i, _ => chance.Next() >= PassedOver).Candidate));
            torn.ForEach(i => Reinsert(i));
            var cost = Total();
            if (cost < cheapest * (1 + Dearer * (1 - (double)turn / turns)))
            {
                current = (chosen.ToArray(), cost);
                (best, cheapest) = cost < cheapest - Enough ? (current.Ways, cost) : (best, cheapest);
            }
            else
            {
                PutAll(current.Ways);
            }
        }

        PutAll(best);
        Improve();
    }

    /// <summary>A need with some that it touches, at its place or in its visits, by chance in order.</summary>
    private List<int> Touching(int need, int most, Chance chance) =>
        [
            .. Enumerable
                .Range(0, chosen.Length)
                .OrderBy(i => i == need ? -1 : chance.Next() * (Touches(need, i) ? 0.5 : 1))
                .Take(most)
                .OrderBy(_ => chance.Next()),
        ];

    private bool Touches(int need, int other) =>
        problem.Needs[need].Place == problem.Needs[other].Place
        || (chosen[need] is { } a && chosen[other] is { } b && a.Slots.AsSpan().IndexOfAny(b.Slots) >= 0);

    private void PutAll(RotaWay?[] ways)
    {
        for (var i = 0; i < ways.Length; i++)
        {
            Take(i);
        }

        for (var i = 0; i < ways.Length; i++)
        {
            Put(i, ways[i]);
        }
    }

    /// <summary>Takes a need out and puts it back where it is cheapest then; undone when that is no better.</summary>
    private bool Reinsert(int need)
    {
        var before = Total();
        var old = chosen[need];
        Take(need);
        Put(need, Best(need).Candidate);
        if (Total() < before - Enough)
        {
            return true;
        }

        Take(need);
        Put(need, old);
        return false;
    }

    /// <summary>What if nobody went out in this slot?</summary>
    private bool CloseOuting(int slot)
    {
        if (outings[slot] == 0)
        {
            return false;
        }

        return Together(i => chosen[i]?.Slots.Contains(slot) == true, (_, c) => !c.Slots.Contains(slot));
    }

    /// <summary>What if everybody who can came along in this slot?</summary>
    private bool OpenOuting(int slot) => Together(i => candidates[i].Any(c => c.Slots.Contains(slot)), (_, c) => c.Slots.Contains(slot));

    /// <summary>Needs that are meant are put back within a rule, then each is looked at again freely; undone when that is no better.</summary>
    private bool Together(Func<int, bool> meant, Func<int, RotaWay, bool> within)
    {
        var before = Total();
        var old = chosen.ToArray();
        var needs = Enumerable.Range(0, chosen.Length).Where(meant).ToList();
        foreach (var i in needs)
        {
            Take(i);
        }

        foreach (var i in needs)
        {
            Put(i, Best(i, c => within(i, c)).Candidate ?? Best(i).Candidate);
        }

        foreach (var i in needs)
        {
            Take(i);
            Put(i, Best(i).Candidate);
        }

        if (Total() < before - Enough)
        {
            return true;
        }

        PutAll(old);
        return false;
    }

    private bool ReinsertPair(int i, int j)
    {
        var before = Total();
        var (oldI, oldJ) = (chosen[i], chosen[j]);
        Take(i);
        Take(j);
        var best = (Cost: before - Enough, I: oldI, J: oldJ);
        foreach (var c in candidates[i].Take(TriedInPairs).Append(null))
        {
            if (c is not null && !Fits(i, c))
            {
                continue;
            }

            Put(i, c);
            var other = Best(j, limit: TriedInPairs);
            Put(j, other.Candidate);
            if (Total() is var total && total < best.Cost)
            {
                best = (total, c, other.Candidate);
            }

            Take(j);
            Take(i);
        }

        Put(i, best.I);
        Put(j, best.J);
        return Total() < before - Enough;
    }

    /// <summary>The cheapest way to meet a need beside all that is chosen, or null to leave it.</summary>
    private (RotaWay? Candidate, double Cost) Best(int need, Func<RotaWay, bool>? within = null, int limit = int.MaxValue)
    {
        (RotaWay?, double Cost) best = (null, skipped[need]);
        var tried = 0;
        foreach (var c in candidates[need])
        {
            // Candidates come cheapest first, and sharing a visit only ever adds nothing.
            if (c.Own >= best.Cost || tried++ >= limit)
            {
                break;
            }

            var cost = c.Own + Added(c);
            if (cost < best.Cost - 1e-12 && (within is null || within(c)) && Fits(need, c))
            {
                best = (c, cost);
            }
        }

        return best;
    }

    private double Added(RotaWay c)
    {
        var added = 0.0;
        foreach (var slot in c.Slots)
        {
            added += (outings[slot] == 0 ? outingAt[slot] : 0) + (tanks[slot, c.Recipe] == 0 ? problem.TankCost : 0);
        }

        return added;
    }

    /// <summary>Waits at its place and stocks hold.</summary>
    private bool Fits(int need, RotaWay c)
    {
        foreach (var (s, amount) in problem.Needs[need].Options[c.Option].Takes)
        {
            if (stock[s] + 1e-9 < amount * c.Slots.Length)
            {
                return false;
            }
        }

        foreach (var i in atPlace[problem.Needs[need].Place])
        {
            if (i == need || chosen[i] is not { } other)
            {
                continue;
            }

            foreach (var a in c.Slots)
            {
                foreach (var b in other.Slots)
                {
                    // One tank of one recipe may meet two troubles in the same visit.
                    if (a == b && c.Recipe == other.Recipe)
                    {
                        continue;
                    }

                    var wait = a <= b ? problem.Waits[c.Recipe, other.Recipe] : problem.Waits[other.Recipe, c.Recipe];
                    if (Math.Abs(RotaProblem.DayOf(a) - RotaProblem.DayOf(b)) < wait)
                    {
                        return false;
                    }
                }
            }
        }

        return true;
    }

    private void Put(int need, RotaWay? c)
    {
        chosen[need] = c;
        Count(need, c, 1);
    }

    private void Take(int need)
    {
        Count(need, chosen[need], -1);
        chosen[need] = null;
    }

    private void Count(int need, RotaWay? c, int sign)
    {
        if (c is null)
        {
            return;
        }

        foreach (var slot in c.Slots)
        {
            outings[slot] += sign;
            tanks[slot, c.Recipe] += sign;
        }

        foreach (var (s, amount) in problem.Needs[need].Options[c.Option].Takes)
        {
            stock[s] -= sign * amount * c.Slots.Length;
        }
    }

    private double Total()
    {
        var total = 0.0;
        for (var i = 0; i < chosen.Length; i++)
        {
            total += chosen[i]?.Own ?? skipped[i];
        }

        for (var slot = 0; slot < problem.Slots; slot++)
        {
            if (outings[slot] == 0)
            {
                continue;
            }

            total += outingAt[slot];
            for (var r = 0; r < tanks.GetLength(1); r++)
            {
                total += tanks[slot, r] > 0 ? problem.TankCost : 0;
            }
        }

        return total;
    }
}
