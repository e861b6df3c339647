using Mauvaise.Core.ByEar;
using Mauvaise.Core.Gardens;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace Mauvaise.Store.Rows;

internal sealed class GardenConfiguration : IEntityTypeConfiguration<GardenRow>
{
    public void Configure(EntityTypeBuilder<GardenRow> row)
    {
        row.Property(r => r.Name).HasMaxLength(80);
        row.Property(r => r.Currency).HasMaxLength(3);
    }
}

internal sealed class MemberConfiguration : IEntityTypeConfiguration<MemberRow>
{
    public void Configure(EntityTypeBuilder<MemberRow> row) =>
        row.HasOne<GardenRow>().WithMany().HasForeignKey(r => r.GardenId).OnDelete(DeleteBehavior.Cascade);
}

internal sealed class PlaceConfiguration : IEntityTypeConfiguration<PlaceRow>
{
    public void Configure(EntityTypeBuilder<PlaceRow> row)
    {
        row.HasOne<GardenRow>().WithMany().HasForeignKey(r => r.GardenId).OnDelete(DeleteBehavior.Cascade);
        row.HasIndex(r => new { r.GardenId, r.Order });
        row.Property(r => r.Name).HasMaxLength(80);
    }
}

internal sealed class PlantingConfiguration : IEntityTypeConfiguration<PlantingRow>
{
    public void Configure(EntityTypeBuilder<PlantingRow> row) =>
        row.HasOne<PlaceRow>().WithMany().HasForeignKey(r => r.PlaceId).OnDelete(DeleteBehavior.Restrict);
}

internal sealed class SprayerConfiguration : IEntityTypeConfiguration<SprayerRow>
{
    public void Configure(EntityTypeBuilder<SprayerRow> row) =>
        row.HasOne<GardenRow>().WithMany().HasForeignKey(r => r.GardenId).OnDelete(DeleteBehavior.Cascade);
}

internal sealed class StockConfiguration : IEntityTypeConfiguration<StockRow>
{
    public void Configure(EntityTypeBuilder<StockRow> row) =>
        row.HasOne<GardenRow>().WithMany().HasForeignKey(r => r.GardenId).OnDelete(DeleteBehavior.Cascade);
}

internal sealed class ProductConfiguration : IEntityTypeConfiguration<ProductRow>
{
    public void Configure(EntityTypeBuilder<ProductRow> row)
    {
        row.HasOne<GardenRow>().WithMany().HasForeignKey(r => r.GardenId).OnDelete(DeleteBehavior.Cascade);
        row.Property(r => r.Name).HasMaxLength(80);
        row.Property(r => r.Crops).HasMaxLength(1000);
    }
}

internal sealed class OwnRecipeConfiguration : IEntityTypeConfiguration<OwnRecipeRow>
{
    public void Configure(EntityTypeBuilder<OwnRecipeRow> row)
    {
        row.HasOne<GardenRow>().WithMany().HasForeignKey(r => r.GardenId).OnDelete(DeleteBehavior.Cascade);
        row.Property(r => r.Name).HasMaxLength(80);
        row.Property(r => r.HeardFrom).HasMaxLength(80);
        row.Property(r => r.Text).HasMaxLength(RecipeReader.MostLetters);
        row.Property(r => r.Parts).HasMaxLength(RecipeReader.MostLetters);
    }
}

internal sealed class OwnStockConfiguration : IEntityTypeConfiguration<OwnStockRow>
{
    public void Configure(EntityTypeBuilder<OwnStockRow> row)
    {
        row.HasOne<GardenRow>().WithMany().HasForeignKey(r => r.GardenId).OnDelete(DeleteBehavior.Cascade);
        row.Property(r => r.Name).HasMaxLength(80);
        row.Property(r => r.Parts).HasMaxLength(1000);
        row.Property(r => r.Making).HasConversion<string>().HasMaxLength(20);
    }
}

internal sealed class OwnKindConfiguration : IEntityTypeConfiguration<OwnKindRow>
{
    public void Configure(EntityTypeBuilder<OwnKindRow> row)
    {
        row.HasOne<GardenRow>().WithMany().HasForeignKey(r => r.GardenId).OnDelete(DeleteBehavior.Cascade);
        row.Property(r => r.Of).HasConversion<string>().HasMaxLength(20);
        row.Property(r => r.Name).HasMaxLength(80);
        row.Property(r => r.Like).HasMaxLength(80);
    }
}

internal sealed class PickConfiguration : IEntityTypeConfiguration<PickRow>
{
    public void Configure(EntityTypeBuilder<PickRow> row)
    {
        row.HasOne<GardenRow>().WithMany().HasForeignKey(r => r.GardenId).OnDelete(DeleteBehavior.Cascade);
        row.HasOne<PlantingRow>().WithMany().HasForeignKey(r => r.PlantingId).OnDelete(DeleteBehavior.Cascade);
        row.HasIndex(r => new { r.GardenId, r.On });
    }
}

internal sealed class HarvestConfiguration : IEntityTypeConfiguration<HarvestRow>
{
    public void Configure(EntityTypeBuilder<HarvestRow> row)
    {
        row.HasOne<GardenRow>().WithMany().HasForeignKey(r => r.GardenId).OnDelete(DeleteBehavior.Cascade);
        row.HasOne<PlantingRow>().WithMany().HasForeignKey(r => r.PlantingId).OnDelete(DeleteBehavior.Cascade);
        row.HasIndex(r => new { r.GardenId, r.At });
    }
}

internal sealed class ReadingConfiguration : IEntityTypeConfiguration<ReadingRow>
{
    public void Configure(EntityTypeBuilder<ReadingRow> row)
    {
        row.HasOne<GardenRow>().WithMany().HasForeignKey(r => r.GardenId).OnDelete(DeleteBehavior.Cascade);
        row.HasOne<PlaceRow>().WithMany().HasForeignKey(r => r.PlaceId).OnDelete(DeleteBehavior.Cascade);
        row.Property(r => r.Of).HasMaxLength(40);
        row.HasIndex(r => new { r.GardenId, r.At });
    }
}

internal sealed class EmulsionConfiguration : IEntityTypeConfiguration<EmulsionRow>
{
    public void Configure(EntityTypeBuilder<EmulsionRow> row)
    {
        row.HasOne<GardenRow>().WithMany().HasForeignKey(r => r.GardenId).OnDelete(DeleteBehavior.Cascade);
        row.HasIndex(r => new { r.GardenId, r.At });
    }
}

internal sealed class ObservationConfiguration : IEntityTypeConfiguration<ObservationRow>
{
    public void Configure(EntityTypeBuilder<ObservationRow> row)
    {
        row.Property(r => r.OwnName).HasMaxLength(Observation.OwnNameLetters);
        row.HasOne<GardenRow>().WithMany().HasForeignKey(r => r.GardenId).OnDelete(DeleteBehavior.Cascade);
        row.HasOne<PlantingRow>().WithMany().HasForeignKey(r => r.PlantingId).OnDelete(DeleteBehavior.Restrict);
        row.HasMany(r => r.Signs).WithOne().HasForeignKey(s => s.ObservationId).OnDelete(DeleteBehavior.Cascade);
        row.HasOne<WalkRow>().WithMany().HasForeignKey(r => r.WalkId).OnDelete(DeleteBehavior.SetNull);
        row.HasIndex(r => new { r.GardenId, r.At });
        row.Property(r => r.Note).HasMaxLength(2000);
    }
}

internal sealed class WalkConfiguration : IEntityTypeConfiguration<WalkRow>
{
    public void Configure(EntityTypeBuilder<WalkRow> row)
    {
        row.HasOne<GardenRow>().WithMany().HasForeignKey(r => r.GardenId).OnDelete(DeleteBehavior.Cascade);
        row.HasMany(r => r.Skipped).WithOne().HasForeignKey(s => s.WalkId).OnDelete(DeleteBehavior.Cascade);
        row.HasIndex(r => new { r.GardenId, r.StartedAt });
    }
}

internal sealed class SkippedPlaceConfiguration : IEntityTypeConfiguration<SkippedPlaceRow>
{
    public void Configure(EntityTypeBuilder<SkippedPlaceRow> row)
    {
        row.HasKey(r => new { r.WalkId, r.PlaceId });
        row.HasOne<PlaceRow>().WithMany().HasForeignKey(r => r.PlaceId).OnDelete(DeleteBehavior.Cascade);
    }
}

internal sealed class PhotoConfiguration : IEntityTypeConfiguration<PhotoRow>
{
    public void Configure(EntityTypeBuilder<PhotoRow> row)
    {
        row.HasOne<GardenRow>().WithMany().HasForeignKey(r => r.GardenId).OnDelete(DeleteBehavior.Cascade);
        row.HasOne<ObservationRow>().WithMany().HasForeignKey(r => r.ObservationId).OnDelete(DeleteBehavior.Cascade);
        row.HasIndex(r => new { r.GardenId, r.ObservationId });
    }
}

internal sealed class PhotoImageConfiguration : IEntityTypeConfiguration<PhotoImageRow>
{
    public void Configure(EntityTypeBuilder<PhotoImageRow> row)
    {
        row.HasKey(r => r.PhotoId);
        row.HasOne<PhotoRow>().WithOne().HasForeignKey<PhotoImageRow>(r => r.PhotoId).OnDelete(DeleteBehavior.Cascade);
    }
}

internal sealed class ObservedSignConfiguration : IEntityTypeConfiguration<ObservedSignRow>
{
    public void Configure(EntityTypeBuilder<ObservedSignRow> row) => row.HasKey(r => new { r.ObservationId, r.Sign });
}

internal sealed class BatchConfiguration : IEntityTypeConfiguration<BatchRow>
{
    public void Configure(EntityTypeBuilder<BatchRow> row)
    {
        row.HasOne<GardenRow>().WithMany().HasForeignKey(r => r.GardenId).OnDelete(DeleteBehavior.Cascade);
        row.HasMany(r => r.Plantings).WithOne().HasForeignKey(p => p.BatchId).OnDelete(DeleteBehavior.Cascade);
        row.HasMany(r => r.Ingredients).WithOne().HasForeignKey(i => i.BatchId).OnDelete(DeleteBehavior.Cascade);
        row.HasIndex(r => new { r.GardenId, r.MadeAt });
    }
}

internal sealed class BatchPlantingConfiguration : IEntityTypeConfiguration<BatchPlantingRow>
{
    public void Configure(EntityTypeBuilder<BatchPlantingRow> row)
    {
        row.HasKey(r => new { r.BatchId, r.PlantingId });
        row.HasOne<PlantingRow>().WithMany().HasForeignKey(r => r.PlantingId).OnDelete(DeleteBehavior.Restrict);
    }
}

internal sealed class BatchIngredientConfiguration : IEntityTypeConfiguration<BatchIngredientRow>
{
    public void Configure(EntityTypeBuilder<BatchIngredientRow> row) => row.HasKey(r => new { r.BatchId, r.Material });
}

internal sealed class ApplicationConfiguration : IEntityTypeConfiguration<ApplicationRow>
{
    public void Configure(EntityTypeBuilder<ApplicationRow> row)
    {
        row.HasOne<GardenRow>().WithMany().HasForeignKey(r => r.GardenId).OnDelete(DeleteBehavior.Cascade);
        row.HasOne<BatchRow>().WithMany().HasForeignKey(r => r.BatchId).OnDelete(DeleteBehavior.Restrict);
        row.HasMany(r => r.Treated).WithOne().HasForeignKey(t => t.ApplicationId).OnDelete(DeleteBehavior.Cascade);
        row.HasIndex(r => new { r.GardenId, r.At });
        row.Property(r => r.Note).HasMaxLength(2000);
    }
}

internal sealed class TreatedConfiguration : IEntityTypeConfiguration<TreatedRow>
{
    public void Configure(EntityTypeBuilder<TreatedRow> row)
    {
        row.HasKey(r => new { r.ApplicationId, r.PlantingId });
        row.HasOne<PlantingRow>().WithMany().HasForeignKey(r => r.PlantingId).OnDelete(DeleteBehavior.Restrict);
    }
}

internal sealed class CheckBackConfiguration : IEntityTypeConfiguration<CheckBackRow>
{
    public void Configure(EntityTypeBuilder<CheckBackRow> row)
    {
        row.HasOne<GardenRow>().WithMany().HasForeignKey(r => r.GardenId).OnDelete(DeleteBehavior.Cascade);
        row.HasOne<ApplicationRow>().WithMany().HasForeignKey(r => r.ApplicationId).OnDelete(DeleteBehavior.Restrict);
        row.HasOne<TaskRow>().WithMany().HasForeignKey(r => r.TaskId).OnDelete(DeleteBehavior.Restrict);
        row.HasOne<PlantingRow>().WithMany().HasForeignKey(r => r.PlantingId).OnDelete(DeleteBehavior.Restrict);
        row.HasOne<ObservationRow>().WithMany().HasForeignKey(r => r.ObservationId).OnDelete(DeleteBehavior.Restrict);
        row.HasOne<ObservationRow>().WithMany().HasForeignKey(r => r.BeforeId).OnDelete(DeleteBehavior.SetNull);
        row.HasIndex(r => new { r.GardenId, r.DueOn });
        row.HasIndex(r => new { r.GardenId, r.DoneAt });
    }
}

internal sealed class CorrectionConfiguration : IEntityTypeConfiguration<CorrectionRow>
{
    public void Configure(EntityTypeBuilder<CorrectionRow> row)
    {
        row.HasOne<GardenRow>().WithMany().HasForeignKey(r => r.GardenId).OnDelete(DeleteBehavior.Cascade);
        row.HasOne<ApplicationRow>().WithMany().HasForeignKey(r => r.ApplicationId).OnDelete(DeleteBehavior.Cascade);
        row.Property(r => r.Was).HasMaxLength(2000);
        row.Property(r => r.Became).HasMaxLength(2000);
    }
}

internal sealed class TrialConfiguration : IEntityTypeConfiguration<TrialRow>
{
    public void Configure(EntityTypeBuilder<TrialRow> row)
    {
        row.HasOne<GardenRow>().WithMany().HasForeignKey(r => r.GardenId).OnDelete(DeleteBehavior.Cascade);
        row.HasMany(r => r.Sides).WithOne().HasForeignKey(s => s.TrialId).OnDelete(DeleteBehavior.Cascade);
        row.HasMany(r => r.Units).WithOne().HasForeignKey(u => u.TrialId).OnDelete(DeleteBehavior.Cascade);
    }
}

internal sealed class TrialSideConfiguration : IEntityTypeConfiguration<TrialSideRow>
{
    public void Configure(EntityTypeBuilder<TrialSideRow> row)
    {
        row.HasKey(r => new { r.TrialId, r.Number });
        row.Property(r => r.ByHand).HasMaxLength(TrialSide.ByHandLetters);
    }
}

internal sealed class TrialUnitConfiguration : IEntityTypeConfiguration<TrialUnitRow>
{
    public void Configure(EntityTypeBuilder<TrialUnitRow> row)
    {
        row.HasKey(r => new { r.TrialId, r.Number });
        row.HasOne<PlantingRow>().WithMany().HasForeignKey(r => r.PlantingId).OnDelete(DeleteBehavior.Restrict);
    }
}

internal sealed class TrialCountConfiguration : IEntityTypeConfiguration<TrialCountRow>
{
    public void Configure(EntityTypeBuilder<TrialCountRow> row)
    {
        row.HasOne<GardenRow>().WithMany().HasForeignKey(r => r.GardenId).OnDelete(DeleteBehavior.Cascade);
        row.HasOne<TrialRow>().WithMany().HasForeignKey(r => r.TrialId).OnDelete(DeleteBehavior.Cascade);
    }
}

internal sealed class TaskConfiguration : IEntityTypeConfiguration<TaskRow>
{
    public void Configure(EntityTypeBuilder<TaskRow> row)
    {
        row.HasOne<GardenRow>().WithMany().HasForeignKey(r => r.GardenId).OnDelete(DeleteBehavior.Cascade);
        row.HasOne<PlantingRow>().WithMany().HasForeignKey(r => r.PlantingId).OnDelete(DeleteBehavior.Restrict);
        row.HasIndex(r => new { r.GardenId, r.DueOn });
    }
}

internal sealed class CourseConfiguration : IEntityTypeConfiguration<CourseRow>
{
    public void Configure(EntityTypeBuilder<CourseRow> row)
    {
        row.HasOne<GardenRow>().WithMany().HasForeignKey(r => r.GardenId).OnDelete(DeleteBehavior.Cascade);
        row.HasOne<PlantingRow>().WithMany().HasForeignKey(r => r.PlantingId).OnDelete(DeleteBehavior.Restrict);
        row.HasIndex(r => new { r.GardenId, r.OpenedAt });
    }
}

internal sealed class PlanChoiceConfiguration : IEntityTypeConfiguration<PlanChoiceRow>
{
    public void Configure(EntityTypeBuilder<PlanChoiceRow> row)
    {
        row.HasOne<GardenRow>().WithMany().HasForeignKey(r => r.GardenId).OnDelete(DeleteBehavior.Cascade);
        row.HasOne<PlantingRow>().WithMany().HasForeignKey(r => r.PlantingId).OnDelete(DeleteBehavior.Restrict);
        row.HasIndex(r => r.GardenId);
    }
}

internal sealed class SeenRoundConfiguration : IEntityTypeConfiguration<SeenRoundRow>
{
    public void Configure(EntityTypeBuilder<SeenRoundRow> row)
    {
        row.HasKey(r => new { r.GardenId, r.Key });
        row.HasOne<GardenRow>().WithMany().HasForeignKey(r => r.GardenId).OnDelete(DeleteBehavior.Cascade);
    }
}

internal sealed class FeedEventConfiguration : IEntityTypeConfiguration<FeedEventRow>
{
    public void Configure(EntityTypeBuilder<FeedEventRow> row)
    {
        row.HasKey(r => new { r.GardenId, r.Key });
        row.HasOne<GardenRow>().WithMany().HasForeignKey(r => r.GardenId).OnDelete(DeleteBehavior.Cascade);
        row.Property(r => r.Words).HasMaxLength(2000);
    }
}

internal sealed class WeatherDayConfiguration : IEntityTypeConfiguration<WeatherDayRow>
{
    public void Configure(EntityTypeBuilder<WeatherDayRow> row)
    {
        row.HasKey(r => new
        {
            r.GardenId,
            r.DayUtc,
            r.Source,
        });
        row.HasOne<GardenRow>().WithMany().HasForeignKey(r => r.GardenId).OnDelete(DeleteBehavior.Cascade);
    }
}

internal sealed class WeatherFetchConfiguration : IEntityTypeConfiguration<WeatherFetchRow>
{
    public void Configure(EntityTypeBuilder<WeatherFetchRow> row)
    {
        row.HasKey(r => new { r.GardenId, r.Source });
        row.HasOne<GardenRow>().WithMany().HasForeignKey(r => r.GardenId).OnDelete(DeleteBehavior.Cascade);
        row.Property(r => r.Trouble).HasMaxLength(500);
    }
}

internal sealed class DeedConfiguration : IEntityTypeConfiguration<DeedRow>
{
    public void Configure(EntityTypeBuilder<DeedRow> row)
    {
        row.HasIndex(r => new { r.GardenId, r.Id });
        row.Property(r => r.Changes).HasMaxLength(1_000_000);
    }
}
