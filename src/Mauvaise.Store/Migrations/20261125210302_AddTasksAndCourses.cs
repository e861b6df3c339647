using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Mauvaise.Store.Migrations
{
    /// <inheritdoc />
    public partial class AddTasksAndCourses : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AlterColumn<Guid>(
                name: "ApplicationId",
                table: "CheckBacks",
                type: "TEXT",
                nullable: true,
                oldClrType: typeof(Guid),
                oldType: "TEXT");

            migrationBuilder.AddColumn<Guid>(
                name: "TaskId",
                table: "CheckBacks",
                type: "TEXT",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "Courses",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    GardenId = table.Column<Guid>(type: "TEXT", nullable: false),
                    PlantingId = table.Column<Guid>(type: "TEXT", nullable: false),
                    Target = table.Column<string>(type: "TEXT", maxLength: 200, nullable: false),
                    Recipe = table.Column<string>(type: "TEXT", maxLength: 200, nullable: false),
                    OpenedAt = table.Column<long>(type: "INTEGER", nullable: false),
                    Step = table.Column<string>(type: "TEXT", maxLength: 32, nullable: false),
                    SpacingDays = table.Column<int>(type: "INTEGER", nullable: false),
                    Rounds = table.Column<int>(type: "INTEGER", nullable: false),
                    DegreeDaysPerDay = table.Column<double>(type: "REAL", nullable: true),
                    OwnDays = table.Column<string>(type: "TEXT", maxLength: 200, nullable: true),
                    StoppedAt = table.Column<long>(type: "INTEGER", nullable: true),
                    MemberId = table.Column<Guid>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Courses", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Courses_Gardens_GardenId",
                        column: x => x.GardenId,
                        principalTable: "Gardens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_Courses_Plantings_PlantingId",
                        column: x => x.PlantingId,
                        principalTable: "Plantings",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "Tasks",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    GardenId = table.Column<Guid>(type: "TEXT", nullable: false),
                    PlantingId = table.Column<Guid>(type: "TEXT", nullable: false),
                    LookId = table.Column<Guid>(type: "TEXT", nullable: true),
                    Step = table.Column<string>(type: "TEXT", maxLength: 200, nullable: false),
                    Target = table.Column<string>(type: "TEXT", maxLength: 200, nullable: true),
                    DueOn = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    State = table.Column<string>(type: "TEXT", maxLength: 32, nullable: false),
                    DoneAt = table.Column<long>(type: "INTEGER", nullable: true),
                    Leaves = table.Column<int>(type: "INTEGER", nullable: true),
                    MemberId = table.Column<Guid>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Tasks", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Tasks_Gardens_GardenId",
                        column: x => x.GardenId,
                        principalTable: "Gardens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_Tasks_Plantings_PlantingId",
                        column: x => x.PlantingId,
                        principalTable: "Plantings",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateIndex(
                name: "IX_CheckBacks_TaskId",
                table: "CheckBacks",
                column: "TaskId");

            migrationBuilder.CreateIndex(
                name: "IX_Courses_GardenId_OpenedAt",
                table: "Courses",
                columns: new[] { "GardenId", "OpenedAt" });

            migrationBuilder.CreateIndex(
                name: "IX_Courses_PlantingId",
                table: "Courses",
                column: "PlantingId");

            migrationBuilder.CreateIndex(
                name: "IX_Tasks_GardenId_DueOn",
                table: "Tasks",
                columns: new[] { "GardenId", "DueOn" });

            migrationBuilder.CreateIndex(
                name: "IX_Tasks_PlantingId",
                table: "Tasks",
                column: "PlantingId");

            migrationBuilder.AddForeignKey(
                name: "FK_CheckBacks_Tasks_TaskId",
                table: "CheckBacks",
                column: "TaskId",
                principalTable: "Tasks",
                principalColumn: "Id",
                onDelete: ReferentialAction.Restrict);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropForeignKey(
                name: "FK_CheckBacks_Tasks_TaskId",
                table: "CheckBacks");

            migrationBuilder.DropTable(
                name: "Courses");

            migrationBuilder.DropTable(
                name: "Tasks");

            migrationBuilder.DropIndex(
                name: "IX_CheckBacks_TaskId",
                table: "CheckBacks");

            migrationBuilder.DropColumn(
                name: "TaskId",
                table: "CheckBacks");

            migrationBuilder.AlterColumn<Guid>(
                name: "ApplicationId",
                table: "CheckBacks",
                type: "TEXT",
                nullable: false,
                defaultValue: new Guid("00000000-0000-0000-0000-000000000000"),
                oldClrType: typeof(Guid),
                oldType: "TEXT",
                oldNullable: true);
        }
    }
}
