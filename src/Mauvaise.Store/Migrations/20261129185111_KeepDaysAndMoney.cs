using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Mauvaise.Store.Migrations
{
    /// <inheritdoc />
    public partial class KeepDaysAndMoney : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "Currency",
                table: "Gardens",
                type: "TEXT",
                maxLength: 3,
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Days",
                table: "Gardens",
                type: "TEXT",
                maxLength: 32,
                nullable: false,
                defaultValue: "DayFirst");

            migrationBuilder.AddColumn<int>(
                name: "DropsInSpoon",
                table: "Gardens",
                type: "INTEGER",
                nullable: false,
                defaultValue: 100);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "Currency",
                table: "Gardens");

            migrationBuilder.DropColumn(
                name: "Days",
                table: "Gardens");

            migrationBuilder.DropColumn(
                name: "DropsInSpoon",
                table: "Gardens");
        }
    }
}
