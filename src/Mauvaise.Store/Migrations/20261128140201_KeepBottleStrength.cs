using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Mauvaise.Store.Migrations
{
    /// <inheritdoc />
    public partial class KeepBottleStrength : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<double>(
                name: "BottlePercent",
                table: "BatchIngredientRow",
                type: "REAL",
                nullable: true);

            migrationBuilder.CreateIndex(
                name: "IX_CheckBacks_GardenId_DoneAt",
                table: "CheckBacks",
                columns: new[] { "GardenId", "DoneAt" });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_CheckBacks_GardenId_DoneAt",
                table: "CheckBacks");

            migrationBuilder.DropColumn(
                name: "BottlePercent",
                table: "BatchIngredientRow");
        }
    }
}
