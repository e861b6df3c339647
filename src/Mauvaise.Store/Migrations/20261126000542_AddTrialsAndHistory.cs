using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Mauvaise.Store.Migrations
{
    /// <inheritdoc />
    public partial class AddTrialsAndHistory : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<int>(
                name: "Alive",
                table: "CheckBacks",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<Guid>(
                name: "BeforeId",
                table: "CheckBacks",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "Dead",
                table: "CheckBacks",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "DiscountedFor",
                table: "CheckBacks",
                type: "TEXT",
                maxLength: 200,
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "InjurySigns",
                table: "CheckBacks",
                type: "TEXT",
                maxLength: 200,
                nullable: true);

            migrationBuilder.AddColumn<Guid>(
                name: "MemberId",
                table: "CheckBacks",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "ExpectedLitres",
                table: "Applications",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Parts",
                table: "Applications",
                type: "TEXT",
                maxLength: 200,
                nullable: true);

            migrationBuilder.AddColumn<long>(
                name: "StruckAt",
                table: "Applications",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Why",
                table: "Applications",
                type: "TEXT",
                maxLength: 32,
                nullable: false,
                defaultValue: "OwnIdea");

            migrationBuilder.CreateTable(
                name: "Corrections",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    GardenId = table.Column<Guid>(type: "TEXT", nullable: false),
                    ApplicationId = table.Column<Guid>(type: "TEXT", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    MemberId = table.Column<Guid>(type: "TEXT", nullable: true),
                    Field = table.Column<string>(type: "TEXT", maxLength: 200, nullable: false),
                    Was = table.Column<string>(type: "TEXT", maxLength: 2000, nullable: true),
                    Became = table.Column<string>(type: "TEXT", maxLength: 2000, nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Corrections", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Corrections_Applications_ApplicationId",
                        column: x => x.ApplicationId,
                        principalTable: "Applications",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_Corrections_Gardens_GardenId",
                        column: x => x.GardenId,
                        principalTable: "Gardens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Trials",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    GardenId = table.Column<Guid>(type: "TEXT", nullable: false),
                    Name = table.Column<string>(type: "TEXT", maxLength: 200, nullable: false),
                    Target = table.Column<string>(type: "TEXT", maxLength: 200, nullable: false),
                    Unit = table.Column<string>(type: "TEXT", maxLength: 32, nullable: false),
                    LeavesPerUnit = table.Column<int>(type: "INTEGER", nullable: false),
                    Seed = table.Column<int>(type: "INTEGER", nullable: false),
                    Blind = table.Column<bool>(type: "INTEGER", nullable: false),
                    OpenedAt = table.Column<long>(type: "INTEGER", nullable: false),
                    ClosedAt = table.Column<long>(type: "INTEGER", nullable: true),
                    TreatedAt = table.Column<long>(type: "INTEGER", nullable: true),
                    MemberId = table.Column<Guid>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Trials", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Trials_Gardens_GardenId",
                        column: x => x.GardenId,
                        principalTable: "Gardens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "TrialCounts",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    GardenId = table.Column<Guid>(type: "TEXT", nullable: false),
                    TrialId = table.Column<Guid>(type: "TEXT", nullable: false),
                    Unit = table.Column<int>(type: "INTEGER", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    LeavesLooked = table.Column<int>(type: "INTEGER", nullable: false),
                    LeavesAffected = table.Column<int>(type: "INTEGER", nullable: false),
                    SeverityPercent = table.Column<double>(type: "REAL", nullable: true),
                    MemberId = table.Column<Guid>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_TrialCounts", x => x.Id);
                    table.ForeignKey(
                        name: "FK_TrialCounts_Gardens_GardenId",
                        column: x => x.GardenId,
                        principalTable: "Gardens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_TrialCounts_Trials_TrialId",
                        column: x => x.TrialId,
                        principalTable: "Trials",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "TrialSideRow",
                columns: table => new
                {
                    TrialId = table.Column<Guid>(type: "TEXT", nullable: false),
                    Number = table.Column<int>(type: "INTEGER", nullable: false),
                    Recipe = table.Column<string>(type: "TEXT", maxLength: 200, nullable: true),
                    Step = table.Column<string>(type: "TEXT", maxLength: 32, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_TrialSideRow", x => new { x.TrialId, x.Number });
                    table.ForeignKey(
                        name: "FK_TrialSideRow_Trials_TrialId",
                        column: x => x.TrialId,
                        principalTable: "Trials",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "TrialUnitRow",
                columns: table => new
                {
                    TrialId = table.Column<Guid>(type: "TEXT", nullable: false),
                    Number = table.Column<int>(type: "INTEGER", nullable: false),
                    PlantingId = table.Column<Guid>(type: "TEXT", nullable: false),
                    Side = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_TrialUnitRow", x => new { x.TrialId, x.Number });
                    table.ForeignKey(
                        name: "FK_TrialUnitRow_Plantings_PlantingId",
                        column: x => x.PlantingId,
                        principalTable: "Plantings",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "FK_TrialUnitRow_Trials_TrialId",
                        column: x => x.TrialId,
                        principalTable: "Trials",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_CheckBacks_BeforeId",
                table: "CheckBacks",
                column: "BeforeId");

            migrationBuilder.CreateIndex(
                name: "IX_Corrections_ApplicationId",
                table: "Corrections",
                column: "ApplicationId");

            migrationBuilder.CreateIndex(
                name: "IX_Corrections_GardenId",
                table: "Corrections",
                column: "GardenId");

            migrationBuilder.CreateIndex(
                name: "IX_TrialCounts_GardenId",
                table: "TrialCounts",
                column: "GardenId");

            migrationBuilder.CreateIndex(
                name: "IX_TrialCounts_TrialId",
                table: "TrialCounts",
                column: "TrialId");

            migrationBuilder.CreateIndex(
                name: "IX_Trials_GardenId",
                table: "Trials",
                column: "GardenId");

            migrationBuilder.CreateIndex(
                name: "IX_TrialUnitRow_PlantingId",
                table: "TrialUnitRow",
                column: "PlantingId");

            migrationBuilder.AddForeignKey(
                name: "FK_CheckBacks_Observations_BeforeId",
                table: "CheckBacks",
                column: "BeforeId",
                principalTable: "Observations",
                principalColumn: "Id",
                onDelete: ReferentialAction.SetNull);

            // What was judged so far was judged against the last count of its planting before the spray.
            migrationBuilder.Sql(
                """
                UPDATE CheckBacks SET BeforeId = (
                    SELECT o.Id FROM Observations o JOIN Applications a ON a.Id = CheckBacks.ApplicationId
                    WHERE o.PlantingId = CheckBacks.PlantingId AND o.At <= a.At AND o.LeavesLooked > 0
                    ORDER BY o.At DESC, (o.Named IS a.Target) DESC LIMIT 1)
                WHERE ApplicationId IS NOT NULL AND ObservationId IS NOT NULL
                """);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropForeignKey(
                name: "FK_CheckBacks_Observations_BeforeId",
                table: "CheckBacks");

            migrationBuilder.DropTable(
                name: "Corrections");

            migrationBuilder.DropTable(
                name: "TrialCounts");

            migrationBuilder.DropTable(
                name: "TrialSideRow");

            migrationBuilder.DropTable(
                name: "TrialUnitRow");

            migrationBuilder.DropTable(
                name: "Trials");

            migrationBuilder.DropIndex(
                name: "IX_CheckBacks_BeforeId",
                table: "CheckBacks");

            migrationBuilder.DropColumn(
                name: "Alive",
                table: "CheckBacks");

            migrationBuilder.DropColumn(
                name: "BeforeId",
                table: "CheckBacks");

            migrationBuilder.DropColumn(
                name: "Dead",
                table: "CheckBacks");

            migrationBuilder.DropColumn(
                name: "DiscountedFor",
                table: "CheckBacks");

            migrationBuilder.DropColumn(
                name: "InjurySigns",
                table: "CheckBacks");

            migrationBuilder.DropColumn(
                name: "MemberId",
                table: "CheckBacks");

            migrationBuilder.DropColumn(
                name: "ExpectedLitres",
                table: "Applications");

            migrationBuilder.DropColumn(
                name: "Parts",
                table: "Applications");

            migrationBuilder.DropColumn(
                name: "StruckAt",
                table: "Applications");

            migrationBuilder.DropColumn(
                name: "Why",
                table: "Applications");
        }
    }
}
