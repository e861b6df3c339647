using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Mauvaise.Store.Migrations
{
    /// <inheritdoc />
    public partial class CreateGarden : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "Deeds",
                columns: table => new
                {
                    Id = table.Column<long>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    GardenId = table.Column<Guid>(type: "TEXT", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    MemberId = table.Column<Guid>(type: "TEXT", nullable: true),
                    Words = table.Column<string>(type: "TEXT", maxLength: 200, nullable: false),
                    Changes = table.Column<string>(type: "TEXT", maxLength: 1000000, nullable: false),
                    UndoneAt = table.Column<long>(type: "INTEGER", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Deeds", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "Gardens",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    Name = table.Column<string>(type: "TEXT", maxLength: 80, nullable: false),
                    Latitude = table.Column<double>(type: "REAL", nullable: false),
                    Longitude = table.Column<double>(type: "REAL", nullable: false),
                    ElevationM = table.Column<double>(type: "REAL", nullable: false),
                    TimeZoneId = table.Column<string>(type: "TEXT", maxLength: 200, nullable: false),
                    Climate = table.Column<string>(type: "TEXT", maxLength: 200, nullable: false),
                    Kitchen = table.Column<string>(type: "TEXT", maxLength: 32, nullable: false),
                    Stance = table.Column<string>(type: "TEXT", maxLength: 32, nullable: false),
                    DiseaseApproach = table.Column<string>(type: "TEXT", maxLength: 32, nullable: false),
                    OnlyLabelled = table.Column<bool>(type: "INTEGER", nullable: false),
                    CreatedAt = table.Column<long>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Gardens", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "Batches",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    GardenId = table.Column<Guid>(type: "TEXT", nullable: false),
                    MadeAt = table.Column<long>(type: "INTEGER", nullable: false),
                    MemberId = table.Column<Guid>(type: "TEXT", nullable: true),
                    Recipe = table.Column<string>(type: "TEXT", maxLength: 200, nullable: false),
                    Step = table.Column<string>(type: "TEXT", maxLength: 32, nullable: false),
                    Litres = table.Column<double>(type: "REAL", nullable: false),
                    UseBy = table.Column<long>(type: "INTEGER", nullable: false),
                    Target = table.Column<string>(type: "TEXT", maxLength: 200, nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Batches", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Batches_Gardens_GardenId",
                        column: x => x.GardenId,
                        principalTable: "Gardens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Members",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    GardenId = table.Column<Guid>(type: "TEXT", nullable: false),
                    Name = table.Column<string>(type: "TEXT", maxLength: 200, nullable: false),
                    Role = table.Column<string>(type: "TEXT", maxLength: 32, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Members", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Members_Gardens_GardenId",
                        column: x => x.GardenId,
                        principalTable: "Gardens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Places",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    GardenId = table.Column<Guid>(type: "TEXT", nullable: false),
                    Name = table.Column<string>(type: "TEXT", maxLength: 80, nullable: false),
                    Kind = table.Column<string>(type: "TEXT", maxLength: 32, nullable: false),
                    AreaM2 = table.Column<double>(type: "REAL", nullable: false),
                    SunHours = table.Column<double>(type: "REAL", nullable: false),
                    Watering = table.Column<string>(type: "TEXT", maxLength: 32, nullable: false),
                    SunFrom = table.Column<TimeOnly>(type: "TEXT", nullable: true),
                    SunTo = table.Column<TimeOnly>(type: "TEXT", nullable: true),
                    Stance = table.Column<string>(type: "TEXT", maxLength: 32, nullable: true),
                    PondDistanceM = table.Column<double>(type: "REAL", nullable: true),
                    Order = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Places", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Places_Gardens_GardenId",
                        column: x => x.GardenId,
                        principalTable: "Gardens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Sprayers",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    GardenId = table.Column<Guid>(type: "TEXT", nullable: false),
                    Name = table.Column<string>(type: "TEXT", maxLength: 200, nullable: false),
                    CapacityLitres = table.Column<double>(type: "REAL", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Sprayers", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Sprayers_Gardens_GardenId",
                        column: x => x.GardenId,
                        principalTable: "Gardens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Stocks",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    GardenId = table.Column<Guid>(type: "TEXT", nullable: false),
                    Material = table.Column<string>(type: "TEXT", maxLength: 200, nullable: false),
                    Name = table.Column<string>(type: "TEXT", maxLength: 200, nullable: false),
                    Amount = table.Column<double>(type: "REAL", nullable: false),
                    Left = table.Column<double>(type: "REAL", nullable: false),
                    Unit = table.Column<string>(type: "TEXT", maxLength: 200, nullable: false),
                    OpenedOn = table.Column<DateOnly>(type: "TEXT", nullable: true),
                    BestBefore = table.Column<DateOnly>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Stocks", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Stocks_Gardens_GardenId",
                        column: x => x.GardenId,
                        principalTable: "Gardens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "WeatherDays",
                columns: table => new
                {
                    GardenId = table.Column<Guid>(type: "TEXT", nullable: false),
                    DayUtc = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    Source = table.Column<string>(type: "TEXT", maxLength: 32, nullable: false),
                    Hours = table.Column<byte[]>(type: "BLOB", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_WeatherDays", x => new { x.GardenId, x.DayUtc, x.Source });
                    table.ForeignKey(
                        name: "FK_WeatherDays_Gardens_GardenId",
                        column: x => x.GardenId,
                        principalTable: "Gardens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "WeatherFetches",
                columns: table => new
                {
                    GardenId = table.Column<Guid>(type: "TEXT", nullable: false),
                    Source = table.Column<string>(type: "TEXT", maxLength: 32, nullable: false),
                    AnsweredAt = table.Column<long>(type: "INTEGER", nullable: true),
                    Trouble = table.Column<string>(type: "TEXT", maxLength: 500, nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_WeatherFetches", x => new { x.GardenId, x.Source });
                    table.ForeignKey(
                        name: "FK_WeatherFetches_Gardens_GardenId",
                        column: x => x.GardenId,
                        principalTable: "Gardens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Applications",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    GardenId = table.Column<Guid>(type: "TEXT", nullable: false),
                    BatchId = table.Column<Guid>(type: "TEXT", nullable: true),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    MemberId = table.Column<Guid>(type: "TEXT", nullable: true),
                    Material = table.Column<string>(type: "TEXT", maxLength: 200, nullable: false),
                    PerLitre = table.Column<double>(type: "REAL", nullable: true),
                    Litres = table.Column<double>(type: "REAL", nullable: false),
                    Target = table.Column<string>(type: "TEXT", maxLength: 200, nullable: true),
                    PatchTest = table.Column<bool>(type: "INTEGER", nullable: false),
                    Note = table.Column<string>(type: "TEXT", maxLength: 2000, nullable: true),
                    TemperatureC = table.Column<double>(type: "REAL", nullable: true),
                    RelativeHumidityPercent = table.Column<double>(type: "REAL", nullable: true),
                    WindMetresPerSecond = table.Column<double>(type: "REAL", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Applications", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Applications_Batches_BatchId",
                        column: x => x.BatchId,
                        principalTable: "Batches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "FK_Applications_Gardens_GardenId",
                        column: x => x.GardenId,
                        principalTable: "Gardens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "BatchIngredientRow",
                columns: table => new
                {
                    BatchId = table.Column<Guid>(type: "TEXT", nullable: false),
                    Material = table.Column<string>(type: "TEXT", maxLength: 200, nullable: false),
                    Role = table.Column<string>(type: "TEXT", maxLength: 200, nullable: false),
                    Amount = table.Column<double>(type: "REAL", nullable: false),
                    Unit = table.Column<string>(type: "TEXT", maxLength: 200, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_BatchIngredientRow", x => new { x.BatchId, x.Material });
                    table.ForeignKey(
                        name: "FK_BatchIngredientRow_Batches_BatchId",
                        column: x => x.BatchId,
                        principalTable: "Batches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Plantings",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    PlaceId = table.Column<Guid>(type: "TEXT", nullable: false),
                    Crop = table.Column<string>(type: "TEXT", maxLength: 200, nullable: false),
                    Variety = table.Column<string>(type: "TEXT", maxLength: 200, nullable: true),
                    From = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    Until = table.Column<DateOnly>(type: "TEXT", nullable: true),
                    Count = table.Column<int>(type: "INTEGER", nullable: true),
                    Stage = table.Column<string>(type: "TEXT", maxLength: 32, nullable: false),
                    InFlower = table.Column<bool>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Plantings", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Plantings_Places_PlaceId",
                        column: x => x.PlaceId,
                        principalTable: "Places",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "BatchPlantingRow",
                columns: table => new
                {
                    BatchId = table.Column<Guid>(type: "TEXT", nullable: false),
                    PlantingId = table.Column<Guid>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_BatchPlantingRow", x => new { x.BatchId, x.PlantingId });
                    table.ForeignKey(
                        name: "FK_BatchPlantingRow_Batches_BatchId",
                        column: x => x.BatchId,
                        principalTable: "Batches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_BatchPlantingRow_Plantings_PlantingId",
                        column: x => x.PlantingId,
                        principalTable: "Plantings",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "Observations",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    GardenId = table.Column<Guid>(type: "TEXT", nullable: false),
                    PlantingId = table.Column<Guid>(type: "TEXT", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    MemberId = table.Column<Guid>(type: "TEXT", nullable: true),
                    LeavesLooked = table.Column<int>(type: "INTEGER", nullable: false),
                    LeavesAffected = table.Column<int>(type: "INTEGER", nullable: false),
                    SeverityPercent = table.Column<double>(type: "REAL", nullable: true),
                    Ants = table.Column<string>(type: "TEXT", maxLength: 32, nullable: false),
                    Helpers = table.Column<int>(type: "INTEGER", nullable: false),
                    Mummies = table.Column<int>(type: "INTEGER", nullable: false),
                    Named = table.Column<string>(type: "TEXT", maxLength: 200, nullable: true),
                    Note = table.Column<string>(type: "TEXT", maxLength: 2000, nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Observations", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Observations_Gardens_GardenId",
                        column: x => x.GardenId,
                        principalTable: "Gardens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_Observations_Plantings_PlantingId",
                        column: x => x.PlantingId,
                        principalTable: "Plantings",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "TreatedRow",
                columns: table => new
                {
                    ApplicationId = table.Column<Guid>(type: "TEXT", nullable: false),
                    PlantingId = table.Column<Guid>(type: "TEXT", nullable: false),
                    ShareWetted = table.Column<double>(type: "REAL", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_TreatedRow", x => new { x.ApplicationId, x.PlantingId });
                    table.ForeignKey(
                        name: "FK_TreatedRow_Applications_ApplicationId",
                        column: x => x.ApplicationId,
                        principalTable: "Applications",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_TreatedRow_Plantings_PlantingId",
                        column: x => x.PlantingId,
                        principalTable: "Plantings",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "CheckBacks",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    GardenId = table.Column<Guid>(type: "TEXT", nullable: false),
                    ApplicationId = table.Column<Guid>(type: "TEXT", nullable: false),
                    PlantingId = table.Column<Guid>(type: "TEXT", nullable: false),
                    DueOn = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    DoneAt = table.Column<long>(type: "INTEGER", nullable: true),
                    ObservationId = table.Column<Guid>(type: "TEXT", nullable: true),
                    Outcome = table.Column<string>(type: "TEXT", maxLength: 32, nullable: true),
                    Injury = table.Column<string>(type: "TEXT", maxLength: 32, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_CheckBacks", x => x.Id);
                    table.ForeignKey(
                        name: "FK_CheckBacks_Applications_ApplicationId",
                        column: x => x.ApplicationId,
                        principalTable: "Applications",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "FK_CheckBacks_Gardens_GardenId",
                        column: x => x.GardenId,
                        principalTable: "Gardens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_CheckBacks_Observations_ObservationId",
                        column: x => x.ObservationId,
                        principalTable: "Observations",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "FK_CheckBacks_Plantings_PlantingId",
                        column: x => x.PlantingId,
                        principalTable: "Plantings",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "ObservedSignRow",
                columns: table => new
                {
                    ObservationId = table.Column<Guid>(type: "TEXT", nullable: false),
                    Sign = table.Column<string>(type: "TEXT", maxLength: 200, nullable: false),
                    Present = table.Column<bool>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_ObservedSignRow", x => new { x.ObservationId, x.Sign });
                    table.ForeignKey(
                        name: "FK_ObservedSignRow_Observations_ObservationId",
                        column: x => x.ObservationId,
                        principalTable: "Observations",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Applications_BatchId",
                table: "Applications",
                column: "BatchId");

            migrationBuilder.CreateIndex(
                name: "IX_Applications_GardenId_At",
                table: "Applications",
                columns: new[] { "GardenId", "At" });

            migrationBuilder.CreateIndex(
                name: "IX_Batches_GardenId_MadeAt",
                table: "Batches",
                columns: new[] { "GardenId", "MadeAt" });

            migrationBuilder.CreateIndex(
                name: "IX_BatchPlantingRow_PlantingId",
                table: "BatchPlantingRow",
                column: "PlantingId");

            migrationBuilder.CreateIndex(
                name: "IX_CheckBacks_ApplicationId",
                table: "CheckBacks",
                column: "ApplicationId");

            migrationBuilder.CreateIndex(
                name: "IX_CheckBacks_GardenId_DueOn",
                table: "CheckBacks",
                columns: new[] { "GardenId", "DueOn" });

            migrationBuilder.CreateIndex(
                name: "IX_CheckBacks_ObservationId",
                table: "CheckBacks",
                column: "ObservationId");

            migrationBuilder.CreateIndex(
                name: "IX_CheckBacks_PlantingId",
                table: "CheckBacks",
                column: "PlantingId");

            migrationBuilder.CreateIndex(
                name: "IX_Deeds_GardenId_Id",
                table: "Deeds",
                columns: new[] { "GardenId", "Id" });

            migrationBuilder.CreateIndex(
                name: "IX_Members_GardenId",
                table: "Members",
                column: "GardenId");

            migrationBuilder.CreateIndex(
                name: "IX_Observations_GardenId_At",
                table: "Observations",
                columns: new[] { "GardenId", "At" });

            migrationBuilder.CreateIndex(
                name: "IX_Observations_PlantingId",
                table: "Observations",
                column: "PlantingId");

            migrationBuilder.CreateIndex(
                name: "IX_Places_GardenId_Order",
                table: "Places",
                columns: new[] { "GardenId", "Order" });

            migrationBuilder.CreateIndex(
                name: "IX_Plantings_PlaceId",
                table: "Plantings",
                column: "PlaceId");

            migrationBuilder.CreateIndex(
                name: "IX_Sprayers_GardenId",
                table: "Sprayers",
                column: "GardenId");

            migrationBuilder.CreateIndex(
                name: "IX_Stocks_GardenId",
                table: "Stocks",
                column: "GardenId");

            migrationBuilder.CreateIndex(
                name: "IX_TreatedRow_PlantingId",
                table: "TreatedRow",
                column: "PlantingId");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "BatchIngredientRow");

            migrationBuilder.DropTable(
                name: "BatchPlantingRow");

            migrationBuilder.DropTable(
                name: "CheckBacks");

            migrationBuilder.DropTable(
                name: "Deeds");

            migrationBuilder.DropTable(
                name: "Members");

            migrationBuilder.DropTable(
                name: "ObservedSignRow");

            migrationBuilder.DropTable(
                name: "Sprayers");

            migrationBuilder.DropTable(
                name: "Stocks");

            migrationBuilder.DropTable(
                name: "TreatedRow");

            migrationBuilder.DropTable(
                name: "WeatherDays");

            migrationBuilder.DropTable(
                name: "WeatherFetches");

            migrationBuilder.DropTable(
                name: "Observations");

            migrationBuilder.DropTable(
                name: "Applications");

            migrationBuilder.DropTable(
                name: "Plantings");

            migrationBuilder.DropTable(
                name: "Batches");

            migrationBuilder.DropTable(
                name: "Places");

            migrationBuilder.DropTable(
                name: "Gardens");
        }
    }
}
