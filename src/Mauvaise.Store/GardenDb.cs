using Mauvaise.Store.Rows;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Storage.ValueConversion;

namespace Mauvaise.Store;

/// <summary>The data file. Instants are stored as UTC milliseconds, days as ISO text, enums as text.</summary>
public sealed class GardenDb(DbContextOptions<GardenDb> options) : DbContext(options)
{
    public DbSet<GardenRow> Gardens => Set<GardenRow>();
    public DbSet<MemberRow> Members => Set<MemberRow>();
    public DbSet<PlaceRow> Places => Set<PlaceRow>();
    public DbSet<PlantingRow> Plantings => Set<PlantingRow>();
    public DbSet<SprayerRow> Sprayers => Set<SprayerRow>();
    public DbSet<StockRow> Stocks => Set<StockRow>();
    public DbSet<ProductRow> Products => Set<ProductRow>();
    public DbSet<OwnRecipeRow> OwnRecipes => Set<OwnRecipeRow>();
    public DbSet<OwnStockRow> OwnStocks => Set<OwnStockRow>();
    public DbSet<OwnKindRow> OwnKinds => Set<OwnKindRow>();
    public DbSet<PickRow> Picks => Set<PickRow>();
    public DbSet<HarvestRow> Harvests => Set<HarvestRow>();
    public DbSet<ReadingRow> Readings => Set<ReadingRow>();
    public DbSet<EmulsionRow> Emulsions => Set<EmulsionRow>();
    public DbSet<WalkRow> Walks => Set<WalkRow>();
    public DbSet<PhotoRow> Photos => Set<PhotoRow>();
    public DbSet<PhotoImageRow> PhotoImages => Set<PhotoImageRow>();
    public DbSet<ObservationRow> Observations => Set<ObservationRow>();
    public DbSet<BatchRow> Batches => Set<BatchRow>();
    public DbSet<ApplicationRow> Applications => Set<ApplicationRow>();
    public DbSet<CheckBackRow> CheckBacks => Set<CheckBackRow>();
    public DbSet<CorrectionRow> Corrections => Set<CorrectionRow>();
    public DbSet<TrialRow> Trials => Set<TrialRow>();
    public DbSet<TrialCountRow> TrialCounts => Set<TrialCountRow>();
    public DbSet<TaskRow> Tasks => Set<TaskRow>();
    public DbSet<CourseRow> Courses => Set<CourseRow>();
    public DbSet<PlanChoiceRow> PlanChoices => Set<PlanChoiceRow>();
    public DbSet<SeenRoundRow> SeenRounds => Set<SeenRoundRow>();
    public DbSet<FeedEventRow> FeedEvents => Set<FeedEventRow>();
    public DbSet<WeatherDayRow> WeatherDays => Set<WeatherDayRow>();
    public DbSet<WeatherFetchRow> WeatherFetches => Set<WeatherFetchRow>();
    public DbSet<DeedRow> Deeds => Set<DeedRow>();
    public DbSet<PersonRow> People => Set<PersonRow>();
    public DbSet<IdentityUserPasskey<Guid>> Passkeys => Set<IdentityUserPasskey<Guid>>();
    public DbSet<GrantRow> Grants => Set<GrantRow>();
    public DbSet<SessionRow> Sessions => Set<SessionRow>();
    public DbSet<InviteRow> Invites => Set<InviteRow>();
    public DbSet<LinkRow> Links => Set<LinkRow>();
    public DbSet<MailServerRow> MailServers => Set<MailServerRow>();
    public DbSet<MailRow> Mails => Set<MailRow>();

    protected override void ConfigureConventions(ModelConfigurationBuilder configurationBuilder)
    {
        configurationBuilder.Properties<DateTimeOffset>().HaveConversion<UtcMilliseconds>();
        configurationBuilder.Properties<Enum>().HaveConversion<string>().HaveMaxLength(32);
        configurationBuilder.Properties<string>().HaveMaxLength(200);
    }

    protected override void OnModelCreating(ModelBuilder modelBuilder) => modelBuilder.ApplyConfigurationsFromAssembly(typeof(GardenDb).Assembly);

    internal sealed class UtcMilliseconds()
        : ValueConverter<DateTimeOffset, long>(at => at.ToUnixTimeMilliseconds(), ms => DateTimeOffset.FromUnixTimeMilliseconds(ms));
}
