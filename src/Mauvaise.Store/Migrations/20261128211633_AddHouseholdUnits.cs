using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Mauvaise.Store.Migrations
{
    /// <inheritdoc />
    public partial class AddHouseholdUnits : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "Hours",
                table: "Gardens",
                type: "TEXT",
                maxLength: 32,
                nullable: false,
                defaultValue: "TwentyFour");

            migrationBuilder.AddColumn<string>(
                name: "LengthUnit",
                table: "Gardens",
                type: "TEXT",
                maxLength: 32,
                nullable: false,
                defaultValue: "Metres");

            migrationBuilder.AddColumn<string>(
                name: "RainUnit",
                table: "Gardens",
                type: "TEXT",
                maxLength: 32,
                nullable: false,
                defaultValue: "Millimetres");

            migrationBuilder.AddColumn<string>(
                name: "TemperatureUnit",
                table: "Gardens",
                type: "TEXT",
                maxLength: 32,
                nullable: false,
                defaultValue: "Celsius");

            migrationBuilder.AddColumn<string>(
                name: "WeekStart",
                table: "Gardens",
                type: "TEXT",
                maxLength: 32,
                nullable: false,
                defaultValue: "Monday");

            migrationBuilder.AddColumn<string>(
                name: "WindUnit",
                table: "Gardens",
                type: "TEXT",
                maxLength: 32,
                nullable: false,
                defaultValue: "MetresPerSecond");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "Hours",
                table: "Gardens");

            migrationBuilder.DropColumn(
                name: "LengthUnit",
                table: "Gardens");

            migrationBuilder.DropColumn(
                name: "RainUnit",
                table: "Gardens");

            migrationBuilder.DropColumn(
                name: "TemperatureUnit",
                table: "Gardens");

            migrationBuilder.DropColumn(
                name: "WeekStart",
                table: "Gardens");

            migrationBuilder.DropColumn(
                name: "WindUnit",
                table: "Gardens");
        }
    }
}
