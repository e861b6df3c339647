namespace Mauvaise.Core.Catalogue;

/// <summary>What was turned over one by one.</summary>
public enum CountedOn
{
    Leaves,
    Tips,
    Stems,
    Heads,
    Fruits,
    Roots,
}
