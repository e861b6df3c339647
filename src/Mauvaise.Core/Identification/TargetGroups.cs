namespace Mauvaise.Core.Identification;

/// <summary>Groups of targets that are met with the same action, so that a group is name enough.</summary>
public static class TargetGroups
{
    /// <summary>The group in the gardener's words.</summary>
    public static string Words(string group) => group switch
    {
        "sap-feeders" => "a sap feeder",
        "chewers" => "a chewer",
        "surface-mildew" => "powdery mildew",
        "downy-mildew" => "downy mildew",
        "leaf-spots" => "a leaf spot",
        "look-alikes" => "no pest",
        "soil-pests" => "something at the roots",
        "hopeless" => "something no spray cures",
        _ => "something of one kind",
    };

    /// <summary>What one does about any of them; null when members of the group want different things.</summary>
    public static string? Action(string group) => group switch
    {
        "sap-feeders" => "soap, oil or neem on the undersides meets them all",
        "leaf-spots" => "all want the worst leaves off and the rest kept dry and covered",
        "downy-mildew" => "all want air, dry leaves and the worst leaves off",
        "look-alikes" => "none of them wants a spray",
        _ => null,
    };
}
