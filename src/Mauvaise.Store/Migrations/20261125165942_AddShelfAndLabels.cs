using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Mauvaise.Store.Migrations
{
    /// <inheritdoc />
    public partial class AddShelfAndLabels : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<double>(
                name: "Cost",
                table: "Stocks",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "LowAt",
                table: "Stocks",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "StrengthPercent",
                table: "Stocks",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Water",
                table: "Gardens",
                type: "TEXT",
                maxLength: 32,
                nullable: false,
                defaultValue: "Rain");

            migrationBuilder.AddColumn<long>(
                name: "EmptiedAt",
                table: "Batches",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<bool>(
                name: "PatchTest",
                table: "Batches",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.CreateTable(
                name: "Emulsions",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    GardenId = table.Column<Guid>(type: "TEXT", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    Oil = table.Column<string>(type: "TEXT", maxLength: 200, nullable: false),
                    Soap = table.Column<string>(type: "TEXT", maxLength: 200, nullable: false),
                    Water = table.Column<string>(type: "TEXT", maxLength: 32, nullable: false),
                    SoapMlPerLitre = table.Column<double>(type: "REAL", nullable: false),
                    HeldSeconds = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Emulsions", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Emulsions_Gardens_GardenId",
                        column: x => x.GardenId,
                        principalTable: "Gardens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Picks",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    GardenId = table.Column<Guid>(type: "TEXT", nullable: false),
                    PlantingId = table.Column<Guid>(type: "TEXT", nullable: false),
                    On = table.Column<DateOnly>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Picks", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Picks_Gardens_GardenId",
                        column: x => x.GardenId,
                        principalTable: "Gardens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_Picks_Plantings_PlantingId",
                        column: x => x.PlantingId,
                        principalTable: "Plantings",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Products",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    GardenId = table.Column<Guid>(type: "TEXT", nullable: false),
                    Name = table.Column<string>(type: "TEXT", maxLength: 80, nullable: false),
                    Like = table.Column<string>(type: "TEXT", maxLength: 200, nullable: true),
                    WorksOn = table.Column<string>(type: "TEXT", maxLength: 200, nullable: false),
                    Unit = table.Column<string>(type: "TEXT", maxLength: 200, nullable: false),
                    DoseLow = table.Column<double>(type: "REAL", nullable: false),
                    DoseHigh = table.Column<double>(type: "REAL", nullable: false),
                    AddTo = table.Column<bool>(type: "INTEGER", nullable: false),
                    MaxTimes = table.Column<int>(type: "INTEGER", nullable: true),
                    DaysBetween = table.Column<int>(type: "INTEGER", nullable: true),
                    DaysToWait = table.Column<int>(type: "INTEGER", nullable: true),
                    Retired = table.Column<bool>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Products", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Products_Gardens_GardenId",
                        column: x => x.GardenId,
                        principalTable: "Gardens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Emulsions_GardenId_At",
                table: "Emulsions",
                columns: new[] { "GardenId", "At" });

            migrationBuilder.CreateIndex(
                name: "IX_Picks_GardenId_On",
                table: "Picks",
                columns: new[] { "GardenId", "On" });

            migrationBuilder.CreateIndex(
                name: "IX_Picks_PlantingId",
                table: "Picks",
                column: "PlantingId");

            migrationBuilder.CreateIndex(
                name: "IX_Products_GardenId",
                table: "Products",
                column: "GardenId");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Emulsions");

            migrationBuilder.DropTable(
                name: "Picks");

            migrationBuilder.DropTable(
                name: "Products");

            migrationBuilder.DropColumn(
                name: "Cost",
                table: "Stocks");

            migrationBuilder.DropColumn(
                name: "LowAt",
                table: "Stocks");

            migrationBuilder.DropColumn(
                name: "StrengthPercent",
                table: "Stocks");

            migrationBuilder.DropColumn(
                name: "Water",
                table: "Gardens");

            migrationBuilder.DropColumn(
                name: "EmptiedAt",
                table: "Batches");

            migrationBuilder.DropColumn(
                name: "PatchTest",
                table: "Batches");
        }
    }
}
