using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace Mauvaise.Store.Rows;

/// <summary>A hash of a key, as hexadecimal SHA-256.</summary>
internal static class KeyHashes
{
    public const int Letters = 64;
}

internal sealed class PersonConfiguration : IEntityTypeConfiguration<PersonRow>
{
    public void Configure(EntityTypeBuilder<PersonRow> row)
    {
        row.HasIndex(r => r.NormalizedUserName).IsUnique();
        row.Property(r => r.ConcurrencyStamp).IsConcurrencyToken();
        // Nobody is asked for these.
        row.Ignore(r => r.Email);
        row.Ignore(r => r.NormalizedEmail);
        row.Ignore(r => r.EmailConfirmed);
        row.Ignore(r => r.PhoneNumber);
        row.Ignore(r => r.PhoneNumberConfirmed);
        row.Ignore(r => r.TwoFactorEnabled);
    }
}

/// <summary>Keys of devices that know their owner: as Identity keeps them, the public half alone.</summary>
internal sealed class PasskeyConfiguration : IEntityTypeConfiguration<IdentityUserPasskey<Guid>>
{
    /// <summary>The longest name of a credential that WebAuthn allows, bytes.</summary>
    private const int LongestId = 1023;

    public void Configure(EntityTypeBuilder<IdentityUserPasskey<Guid>> row)
    {
        row.ToTable("Passkeys");
        row.HasKey(r => r.CredentialId);
        row.Property(r => r.CredentialId).HasMaxLength(LongestId);
        row.OwnsOne(r => r.Data).ToJson();
        row.HasOne<PersonRow>().WithMany().HasForeignKey(r => r.UserId).OnDelete(DeleteBehavior.Cascade);
    }
}

internal sealed class GrantConfiguration : IEntityTypeConfiguration<GrantRow>
{
    public void Configure(EntityTypeBuilder<GrantRow> row)
    {
        row.HasKey(r => new { r.PersonId, r.GardenId });
        row.Property(r => r.Places).HasMaxLength(4000);
        row.HasOne<PersonRow>().WithMany().HasForeignKey(r => r.PersonId).OnDelete(DeleteBehavior.Cascade);
        row.HasOne<GardenRow>().WithMany().HasForeignKey(r => r.GardenId).OnDelete(DeleteBehavior.Cascade);
        row.HasOne<MemberRow>().WithMany().HasForeignKey(r => r.MemberId).OnDelete(DeleteBehavior.Cascade);
        row.HasIndex(r => r.MemberId).IsUnique();
    }
}

internal sealed class SessionConfiguration : IEntityTypeConfiguration<SessionRow>
{
    public void Configure(EntityTypeBuilder<SessionRow> row)
    {
        row.Property(r => r.KeyHash).HasMaxLength(KeyHashes.Letters);
        row.Property(r => r.Device).HasMaxLength(80);
        row.HasIndex(r => r.KeyHash).IsUnique();
        row.HasOne<PersonRow>().WithMany().HasForeignKey(r => r.PersonId).OnDelete(DeleteBehavior.Cascade);
    }
}

internal sealed class InviteConfiguration : IEntityTypeConfiguration<InviteRow>
{
    public void Configure(EntityTypeBuilder<InviteRow> row)
    {
        row.Property(r => r.KeyHash).HasMaxLength(KeyHashes.Letters);
        row.Property(r => r.GuestPlaces).HasMaxLength(4000);
        row.HasIndex(r => r.KeyHash).IsUnique();
        row.HasOne<GardenRow>().WithMany().HasForeignKey(r => r.GardenId).OnDelete(DeleteBehavior.Cascade);
        row.HasOne<MemberRow>().WithMany().HasForeignKey(r => r.MemberId).OnDelete(DeleteBehavior.Cascade);
    }
}

internal sealed class LinkConfiguration : IEntityTypeConfiguration<LinkRow>
{
    public void Configure(EntityTypeBuilder<LinkRow> row)
    {
        row.Property(r => r.Name).HasMaxLength(80);
        row.Property(r => r.KeyHash).HasMaxLength(KeyHashes.Letters);
        row.HasIndex(r => r.KeyHash).IsUnique();
        row.HasOne<GardenRow>().WithMany().HasForeignKey(r => r.GardenId).OnDelete(DeleteBehavior.Cascade);
    }
}
