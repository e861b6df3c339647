using Mauvaise.Core.Catalogue;
using Mauvaise.Store.Facts;

namespace Mauvaise.Core.Tests;

/// <summary>The shipped catalogue, read once.</summary>
public static class Shipped
{
    public static readonly GardenCatalogue Catalogue = CatalogueFiles.Read(CatalogueFiles.DefaultFolder);
}
