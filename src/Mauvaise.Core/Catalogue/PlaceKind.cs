namespace Mauvaise.Core.Catalogue;

public enum PlaceKind
{
    OpenBed,
    RaisedBed,
    Containers,
    Tunnel,
    IndoorRack,
}
