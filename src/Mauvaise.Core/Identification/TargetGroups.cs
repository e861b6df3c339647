using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Identification;

/// <summary>Groups of targets that are met with the same action, so that a group is name enough.</summary>
public static class TargetGroups
{
    /// <summary>The group in the gardener's words.</summary>
    public static string Words(string group) =>
        group switch
        {
            KnownIds.TargetGroups.SapFeeders => Say.Of("identification.aSapFeeder"),
            KnownIds.TargetGroups.Chewers => Say.Of("identification.aChewer"),
            KnownIds.TargetGroups.SurfaceMildew => Say.Of("identification.powderyMildew"),
            KnownIds.TargetGroups.DownyMildew => Say.Of("identification.downyMildew"),
            KnownIds.TargetGroups.LeafSpots => Say.Of("identification.aLeafSpot"),
            KnownIds.TargetGroups.LookAlikes => Say.Of("identification.noPest"),
            KnownIds.TargetGroups.SoilPests => Say.Of("identification.somethingAtTheRoots"),
            KnownIds.TargetGroups.Hopeless => Say.Of("identification.somethingNoSprayCures"),
            KnownIds.TargetGroups.Animals => Say.Of("identification.anAnimal"),
            _ => Say.Of("identification.somethingOfOneKind"),
        };

    /// <summary>All of a group: "sap feeders".</summary>
    public static string Many(string group) => Say.Of($"targetGroups.{group}");

    /// <summary>What one does about any of them; null when members of the group want different things.</summary>
    public static string? Action(string group) =>
        group switch
        {
            KnownIds.TargetGroups.SapFeeders => Say.Of("identification.soapOilOrNeem"),
            KnownIds.TargetGroups.LeafSpots => Say.Of("identification.allWantTheWorstLeavesOff"),
            KnownIds.TargetGroups.DownyMildew => Say.Of("identification.allWantAirDryLeaves"),
            KnownIds.TargetGroups.LookAlikes => Say.Of("identification.noneOfThemWantsASpray"),
            _ => null,
        };
}
