namespace Mauvaise.Core.Catalogue;

/// <summary>Something that can be seen on a plant.</summary>
/// <param name="Id">Stable key.</param>
/// <param name="Name">Short label for a tile, as "white dust".</param>
/// <param name="Question">Asked when it would narrow the ranking: a yes-or-no sentence.</param>
/// <param name="Part">Part of the plant: leaf, underside, tip, stem, fruit, root, whole, around.</param>
/// <param name="Drawing">Name of the line drawing and pattern that shows it.</param>
/// <param name="WhenUnlisted">Probability of the sign under a cause that does not list it.</param>
/// <param name="Living">It is something alive, or what something alive leaves behind it.</param>
public sealed record Sign(string Id, string Name, string Question, string Part, string Drawing, double WhenUnlisted = 0.03, bool Living = false)
{
    /// <summary>How likely a sign of life is at the most where nothing alive is at work (assumed).</summary>
    private const double LifeWithoutLife = 0.01;

    /// <summary>Probability under what is no pest and does not list it: that does not crawl, fly up or drip honeydew.</summary>
    public double WithoutLife => Living ? Math.Min(WhenUnlisted, LifeWithoutLife) : WhenUnlisted;
}

/// <summary>A helper: an insect that eats pests.</summary>
/// <param name="DailyMeal">Pests eaten a day by one (assumed).</param>
/// <param name="Ordered">How it is ordered and let out; null for a kind that nobody sells.</param>
public sealed record Beneficial(string Id, string Name, string Drawing, double DailyMeal, OrderedHelper? Ordered = null);

/// <summary>A helper as it is ordered and let out.</summary>
/// <param name="Many">Several of them, in the middle of a sentence.</param>
/// <param name="For">Targets that it lives on.</param>
/// <param name="PerM2">Usual number to a square metre of bed.</param>
/// <param name="MostPerM2">More than this starve, or walk off.</param>
/// <param name="WarmC">It works from this warmth on: the day after it is let out has to reach it.</param>
/// <param name="SpareDays">What harms helpers is kept off for so many days after.</param>
public sealed record OrderedHelper(string Many, IReadOnlyList<string> For, double PerM2, double MostPerM2, double WarmC, int SpareDays);
