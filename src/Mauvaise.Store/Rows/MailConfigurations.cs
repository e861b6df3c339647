using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace Mauvaise.Store.Rows;

internal sealed class MailServerConfiguration : IEntityTypeConfiguration<MailServerRow>
{
    public void Configure(EntityTypeBuilder<MailServerRow> row)
    {
        row.Property(r => r.Id).ValueGeneratedNever();
        row.Property(r => r.Sealed).HasMaxLength(2000);
    }
}

internal sealed class MailConfiguration : IEntityTypeConfiguration<MailRow>
{
    public void Configure(EntityTypeBuilder<MailRow> row)
    {
        row.Property(r => r.Told).HasMaxLength(8000);
        row.HasOne<GardenRow>().WithMany().HasForeignKey(r => r.GardenId).OnDelete(DeleteBehavior.Cascade);
    }
}
