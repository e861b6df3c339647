using Mauvaise.Core.Catalogue;
namespace Mauvaise.Core.Identification;

/// <summary>Groups of targets that are met with the same action, so that a group is name enough.</summary>
public static class TargetGroups
{
    /// <summary>The group in the gardener's words.</summary>
    public static string Words(string group) => group switch
    {
        KnownIds.TargetGroups.SapFeeders => "a sap feeder",
        KnownIds.TargetGroups.Chewers => "a chewer",
        KnownIds.TargetGroups.SurfaceMildew => "powdery mildew",
        KnownIds.TargetGroups.DownyMildew => "downy mildew",
        KnownIds.TargetGroups.LeafSpots => "a leaf spot",
        KnownIds.TargetGroups.LookAlikes => "no pest",
        KnownIds.TargetGroups.SoilPests => "something at the roots",
        KnownIds.TargetGroups.Hopeless => "something no spray cures",
        KnownIds.TargetGroups.Animals => "an animal",
        _ => "something of one kind",
    };

    /// <summary>What one does about any of them; null when members of the group want different things.</summary>
    public static string? Action(string group) => group switch
    {
        KnownIds.TargetGroups.SapFeeders => "soap, oil or neem on the undersides meets them all",
        KnownIds.TargetGroups.LeafSpots => "all want the worst leaves off and the rest kept dry and covered",
        KnownIds.TargetGroups.DownyMildew => "all want air, dry leaves and the worst leaves off",
        KnownIds.TargetGroups.LookAlikes => "none of them wants a spray",
        _ => null,
    };
}
