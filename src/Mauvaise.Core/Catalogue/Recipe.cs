using Mauvaise.Core.Words;

namespace Mauvaise.Core.Catalogue;

/// <summary>How a mix reaches the trouble.</summary>
public enum Form
{
    Spray,
    Dip,
    Drench,
    Dust,
    Bait,
    Feed,
    Wipe,
}

/// <summary>A part of a recipe.</summary>
/// <param name="Material">Material id.</param>
/// <param name="Role">"active", "partner" (a second active), "emulsifier", "sticker" or "part".</param>
/// <param name="Amount">In the material's unit per what the active's doses are per; null where the dose step decides. Of an active only in a recipe of
/// one's own.</param>
public sealed record Ingredient(string Material, string Role, double? Amount = null);

/// <summary>Proportions of a mix.</summary>
/// <param name="Shake">The last step: how it is kept even, or used.</param>
/// <param name="Steps">Order of work where the usual order of a spray does not fit (dust, bait).</param>
/// <param name="Kept">Heard somewhere and kept by the household: mixed as it was told, and nothing is claimed of it.</param>
/// <param name="PutAway">Records still name it, nothing proposes it.</param>
/// <param name="SteepHours">It stands so long before it is strained and sprayed; 0 for what is sprayed at once.</param>
public sealed record Recipe(
    string Id,
    string Name,
    IReadOnlyList<Ingredient> Ingredients,
    double MixedLifeHours,
    string Shake,
    Form Form = Form.Spray,
    IReadOnlyList<string>? Steps = null,
    bool Kept = false,
    bool PutAway = false,
    double SteepHours = 0
)
{
    /// <summary>The ingredient that names the mix in the log; partners step with it.</summary>
    public Ingredient Active => Ingredients.First(i => i.Role == "active");

    /// <summary>A labelled product on its own, as its label has it.</summary>
    public static Recipe ByLabel(Material product) =>
        new(
            product.Id,
            Say.Of("catalogue.byItsLabel", ("product", product.Name)),
            [new Ingredient(product.Id, "active")],
            product.MixedLifeHours,
            product.GivenAs switch
            {
                Form.Drench => Say.Of("catalogue.waterItInSlowly"),
                Form.Dip => Say.Of("catalogue.dipAndLetItDrip"),
                Form.Dust => Say.Of("catalogue.dustItThinly"),
                Form.Bait => Say.Of("catalogue.strewItThinly"),
                Form.Feed => Say.Of("catalogue.workItIntoTheSoil"),
                _ => Say.Of("catalogue.shakeEveryMinuteWhileSpraying"),
            },
            product.GivenAs,
            IsMixed(product.GivenAs) ? null : []
        );

    /// <summary>True for what is mixed with water, so that its amount is litres.</summary>
    public static bool IsMixed(Form form) => form is not (Form.Dust or Form.Bait or Form.Feed);

    /// <summary>True for a mix of liquids, whose amount is litres.</summary>
    public bool IsWet => IsMixed(Form);
}
