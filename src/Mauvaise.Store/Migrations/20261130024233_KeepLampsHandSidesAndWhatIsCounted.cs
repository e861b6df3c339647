using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Mauvaise.Store.Migrations
{
    /// <inheritdoc />
    public partial class KeepLampsHandSidesAndWhatIsCounted : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "ByHand",
                table: "TrialSideRow",
                type: "TEXT",
                maxLength: 60,
                nullable: true);

            migrationBuilder.AddColumn<long>(
                name: "LastTreatedAt",
                table: "Trials",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "TreatedTimes",
                table: "Trials",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<int>(
                name: "Alive",
                table: "TrialCounts",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Injury",
                table: "TrialCounts",
                type: "TEXT",
                maxLength: 32,
                nullable: false,
                defaultValue: "None");

            migrationBuilder.AddColumn<TimeOnly>(
                name: "LampsFrom",
                table: "Places",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<TimeOnly>(
                name: "LampsTo",
                table: "Places",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "On",
                table: "Observations",
                type: "TEXT",
                maxLength: 32,
                nullable: false,
                defaultValue: "Leaves");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "ByHand",
                table: "TrialSideRow");

            migrationBuilder.DropColumn(
                name: "LastTreatedAt",
                table: "Trials");

            migrationBuilder.DropColumn(
                name: "TreatedTimes",
                table: "Trials");

            migrationBuilder.DropColumn(
                name: "Alive",
                table: "TrialCounts");

            migrationBuilder.DropColumn(
                name: "Injury",
                table: "TrialCounts");

            migrationBuilder.DropColumn(
                name: "LampsFrom",
                table: "Places");

            migrationBuilder.DropColumn(
                name: "LampsTo",
                table: "Places");

            migrationBuilder.DropColumn(
                name: "On",
                table: "Observations");
        }
    }
}
