using System.Reflection;

namespace Mauvaise.Core.Catalogue;

/// <summary>
/// Ids of the catalogue that code relies on. Each is declared here and nowhere else, and the catalogue is not taken without it
/// (<see cref="CatalogueRules"/>).
/// </summary>
public static class KnownIds
{
    public static class Measures
    {
        public const string LookAgain = "look-again";
        public const string NameIt = "name-it";
        public const string SpareHelpers = "spare-helpers";
        public const string OrderHelpers = "order-helpers";
        public const string ReleaseHelpers = "release-helpers";
        public const string AntBait = "ant-bait";
        public const string AntBand = "ant-band";
        public const string WaterJet = "water-jet";
        public const string PinchTips = "pinch-tips";
        public const string PickOff = "pick-off";
        public const string WaterAtSoil = "water-at-soil";
        public const string Mulch = "mulch";
        public const string MoreAir = "more-air";
        public const string Netting = "netting";
        public const string Prune = "prune";
        public const string BagAndBin = "bag-and-bin";
        public const string Compost = "compost";
        public const string Feed = "feed";
        public const string Isolate = "isolate";
        public const string LookAtNeighbours = "look-at-neighbours";
        public const string PutRight = "put-right";
        public const string SowAgain = "sow-again";
        public const string FreshWater = "fresh-water";
        public const string RestRack = "rest-rack";
        public const string TakeOut = "take-out";
    }

    public static class Materials
    {
        public const string Milk = "milk";
        public const string InsecticidalSoap = "insecticidal-soap";
        public const string CastileSoap = "castile-soap";
        public const string Borax = "borax";
        public const string Sugar = "sugar";
    }

    public static class Recipes
    {
        public const string SoapDip = "soap-dip";
    }

    public static class Modes
    {
        public const string Oil = "oil";
        public const string Azadirachtin = "azadirachtin";
        public const string Oxidiser = "oxidiser";
        public const string Other = "other";
    }

    public static class Crops
    {
        public const string AnotherCrop = "another-crop";
    }

    public static class TargetGroups
    {
        public const string SapFeeders = "sap-feeders";
        public const string Chewers = "chewers";
        public const string SurfaceMildew = "surface-mildew";
        public const string DownyMildew = "downy-mildew";
        public const string LeafSpots = "leaf-spots";
        public const string Rusts = "rusts";
        public const string Moulds = "moulds";
        public const string TrueBugs = "true-bugs";
        public const string Miners = "miners";
        public const string LookAlikes = "look-alikes";
        public const string SoilPests = "soil-pests";
        public const string Hopeless = "hopeless";
        public const string Animals = "animals";

        /// <summary>Diseases that spread from leaf to leaf.</summary>
        internal static IReadOnlyList<string> LeafDiseases { get; } = [SurfaceMildew, DownyMildew, LeafSpots, Rusts, Moulds];
    }

    public static class Signs
    {
        public const string Curled = "curled";
        public const string Stunted = "stunted";
        public const string Wilting = "wilting";
        public const string Webbing = "webbing";
        public const string TipsFirst = "tips-first";
        public const string Ants = "ants";
        public const string NewLeavesFirst = "new-leaves-first";
        public const string OldLeavesFirst = "old-leaves-first";
        public const string WhiteOnRoots = "white-on-roots";
        public const string RootInsects = "root-insects";
    }

    public static class Climates
    {
        public const string Continental = "continental";
        public const string CoolNorth = "cool-north";
        public const string HumidSubtropical = "humid-subtropical";
        public const string Mediterranean = "mediterranean";
        public const string Oceanic = "oceanic";
    }

    /// <summary>Ids that are declared in one of the classes above.</summary>
    internal static IEnumerable<string> In(Type declared) =>
        declared.GetFields(BindingFlags.Public | BindingFlags.Static).Where(f => f.IsLiteral).Select(f => (string)f.GetRawConstantValue()!);
}
