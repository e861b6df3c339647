using Mauvaise.Core.Words;

namespace Mauvaise.Core.Catalogue;

/// <summary>A product in the household's hand, as its label describes it.</summary>
/// <param name="Like">Catalogue material it is a make of, whose effects and waits it has where the label is silent; null for something else.</param>
/// <param name="WorksOn">Targets or groups of targets that the label names, when it is like nothing in the catalogue.</param>
/// <param name="Unit">"ml" or "g" per litre of finished spray.</param>
/// <param name="DoseHigh">The most that the label allows: the ceiling.</param>
/// <param name="DaysToWait">Before picking; null when the label does not say.</param>
/// <param name="Form">How it reaches the trouble. One that is like a drench is a drench.</param>
/// <param name="RunHours">How long the pump carries it through a rack; null when the label does not say.</param>
/// <param name="FreshWaterDays">Days until the water of a rack is changed; null when the label does not say.</param>
/// <param name="Crops">Crops and families that the label names; null or empty for all.</param>
/// <param name="Per">What the doses are for, where it is dusted, strewn as bait or fed; a litre of what is mixed otherwise.</param>
public sealed record OwnProduct(
    Guid Id,
    string Name,
    string? Like,
    IReadOnlyList<string> WorksOn,
    string Unit,
    double DoseLow,
    double DoseHigh,
    bool AddTo,
    int? MaxTimes,
    int? DaysBetween,
    int? DaysToWait,
    bool Retired = false,
    Form Form = Form.Spray,
    DosedPer Per = DosedPer.Litre,
    int? RunHours = null,
    int? FreshWaterDays = null,
    IReadOnlyList<string>? Crops = null
)
{
    /// <summary>Share killed or held back by a product of which only the label's claim is known (assumed).</summary>
    private static Effect Claimed(string on) => new(on, 0.1, 0.5, 0.3, 0.3);

    /// <summary>The id under which batches and applications name the product.</summary>
    public string MaterialId => $"own-{Id:N}";

    /// <summary>The product as a material: what it is like, with the label's word over it.</summary>
    public Material ToMaterial(GardenCatalogue catalogue)
    {
        var like = Like is null ? null : catalogue.FindMaterial(Like);
        var basis = like
            ?? new Material
            {
                Id = MaterialId,
                Name = Name,
                Group = KnownIds.Modes.Other,
                Evidence = EvidenceGrade.Weak,
            };
        var form = Form == Form.Spray && basis.GivenAs == Form.Drench ? Form.Drench : Form;
        return basis with
        {
            Id = MaterialId,
            Name = Name,
            WorksOn = like is null ? [.. WorksOn.Select(Claimed)] : like.WorksOn,
            Doses = new Doses(Unit, DoseLow, (DoseLow + DoseHigh) / 2, DoseHigh, DoseHigh, Recipe.IsMixed(form) ? DosedPer.Litre : Per),
            Label = new ProductLabel(MaxTimes, DaysBetween, AddTo, Retired, RunHours, FreshWaterDays, Crops),
            DaysToWait = DaysToWait ?? (like?.LabelOnly == false ? like.DaysToWait : null),
            Cadence = DaysBetween is { } days
                ? basis.Cadence with
                {
                    CurativeMinDays = days,
                    CurativeMaxDays = Math.Max(days, basis.Cadence.CurativeMaxDays),
                }
                : basis.Cadence,
            // A ready product brings its own emulsifier.
            NeedsEmulsifier = false,
            PasteBelowC = null,
            MadeFrom = null,
            LabelOnly = false,
            GivenAs = form,
            Cautions = [.. basis.Cautions, Say.Of("catalogue.itsLabelComesFirstDoseTimes")],
        };
    }
}
