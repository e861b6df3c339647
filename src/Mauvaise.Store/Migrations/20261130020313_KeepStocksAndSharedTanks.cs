using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Mauvaise.Store.Migrations
{
    /// <inheritdoc />
    public partial class KeepStocksAndSharedTanks : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<long>(
                name: "ReadyAt",
                table: "Stocks",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "FreshWaterDays",
                table: "Products",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "RunHours",
                table: "Products",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "SteepHours",
                table: "OwnRecipes",
                type: "REAL",
                nullable: false,
                defaultValue: 0.0);

            migrationBuilder.AddColumn<string>(
                name: "AlsoTarget",
                table: "CheckBacks",
                type: "TEXT",
                maxLength: 200,
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "AlsoMaterial",
                table: "Batches",
                type: "TEXT",
                maxLength: 200,
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "AlsoTarget",
                table: "Batches",
                type: "TEXT",
                maxLength: 200,
                nullable: true);

            migrationBuilder.AddColumn<long>(
                name: "ReadyAt",
                table: "Batches",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "AlsoMaterial",
                table: "Applications",
                type: "TEXT",
                maxLength: 200,
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "AlsoTarget",
                table: "Applications",
                type: "TEXT",
                maxLength: 200,
                nullable: true);

            migrationBuilder.CreateTable(
                name: "OwnStocks",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    GardenId = table.Column<Guid>(type: "TEXT", nullable: false),
                    Name = table.Column<string>(type: "TEXT", maxLength: 80, nullable: false),
                    Parts = table.Column<string>(type: "TEXT", maxLength: 1000, nullable: false),
                    WaterParts = table.Column<double>(type: "REAL", nullable: false),
                    ByWeight = table.Column<bool>(type: "INTEGER", nullable: false),
                    Making = table.Column<string>(type: "TEXT", maxLength: 20, nullable: false),
                    SteepHours = table.Column<double>(type: "REAL", nullable: false),
                    Retired = table.Column<bool>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_OwnStocks", x => x.Id);
                    table.ForeignKey(
                        name: "FK_OwnStocks_Gardens_GardenId",
                        column: x => x.GardenId,
                        principalTable: "Gardens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_OwnStocks_GardenId",
                table: "OwnStocks",
                column: "GardenId");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "OwnStocks");

            migrationBuilder.DropColumn(
                name: "ReadyAt",
                table: "Stocks");

            migrationBuilder.DropColumn(
                name: "FreshWaterDays",
                table: "Products");

            migrationBuilder.DropColumn(
                name: "RunHours",
                table: "Products");

            migrationBuilder.DropColumn(
                name: "SteepHours",
                table: "OwnRecipes");

            migrationBuilder.DropColumn(
                name: "AlsoTarget",
                table: "CheckBacks");

            migrationBuilder.DropColumn(
                name: "AlsoMaterial",
                table: "Batches");

            migrationBuilder.DropColumn(
                name: "AlsoTarget",
                table: "Batches");

            migrationBuilder.DropColumn(
                name: "ReadyAt",
                table: "Batches");

            migrationBuilder.DropColumn(
                name: "AlsoMaterial",
                table: "Applications");

            migrationBuilder.DropColumn(
                name: "AlsoTarget",
                table: "Applications");
        }
    }
}
