namespace Mauvaise.Core.Catalogue;

/// <summary>Something that can be seen on a plant.</summary>
/// <param name="Id">Stable key.</param>
/// <param name="Name">Short label for a tile, as "white dust".</param>
/// <param name="Question">Asked when it would narrow the ranking: a yes-or-no sentence.</param>
/// <param name="Part">Part of the plant: leaf, underside, tip, stem, fruit, root, whole, around.</param>
/// <param name="Drawing">Name of the line drawing and pattern that shows it.</param>
/// <param name="WhenUnlisted">Probability of the sign under a cause that does not list it.</param>
/// <param name="Living">It is something alive, or what something alive leaves behind it.</param>
public sealed record Sign(string Id, string Name, string Question, string Part, string Drawing, double WhenUnlisted = 0.03, bool Living = false);

/// <summary>A helper: an insect that eats pests.</summary>
/// <param name="DailyMeal">Pests eaten a day by one (assumed).</param>
public sealed record Beneficial(string Id, string Name, string Drawing, double DailyMeal);
