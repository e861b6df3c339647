using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Mauvaise.Store.Migrations
{
    /// <inheritdoc />
    public partial class KeepPlansAndReservoirs : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<double>(
                name: "ReservoirLitres",
                table: "Places",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "SpotAcrossM",
                table: "Places",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "SpotDownM",
                table: "Places",
                type: "REAL",
                nullable: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "ReservoirLitres",
                table: "Places");

            migrationBuilder.DropColumn(
                name: "SpotAcrossM",
                table: "Places");

            migrationBuilder.DropColumn(
                name: "SpotDownM",
                table: "Places");
        }
    }
}
