using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Mauvaise.Store.Migrations
{
    /// <inheritdoc />
    public partial class AddWalksAndPhotos : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<Guid>(
                name: "LookId",
                table: "Observations",
                type: "TEXT",
                nullable: false,
                defaultValue: new Guid("00000000-0000-0000-0000-000000000000"));

            // Until now every observation was a look of its own.
            migrationBuilder.Sql("UPDATE Observations SET LookId = Id");

            migrationBuilder.AddColumn<bool>(
                name: "NameIsGroup",
                table: "Observations",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<string>(
                name: "Part",
                table: "Observations",
                type: "TEXT",
                maxLength: 32,
                nullable: false,
                defaultValue: "Unsaid");

            migrationBuilder.AddColumn<string>(
                name: "Roots",
                table: "Observations",
                type: "TEXT",
                maxLength: 32,
                nullable: false,
                defaultValue: "NotLooked");

            migrationBuilder.AddColumn<string>(
                name: "Side",
                table: "Observations",
                type: "TEXT",
                maxLength: 32,
                nullable: false,
                defaultValue: "Unsaid");

            migrationBuilder.AddColumn<Guid>(
                name: "WalkId",
                table: "Observations",
                type: "TEXT",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "Photos",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    GardenId = table.Column<Guid>(type: "TEXT", nullable: false),
                    ObservationId = table.Column<Guid>(type: "TEXT", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    Width = table.Column<int>(type: "INTEGER", nullable: false),
                    Height = table.Column<int>(type: "INTEGER", nullable: false),
                    RemovedAt = table.Column<long>(type: "INTEGER", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Photos", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Photos_Gardens_GardenId",
                        column: x => x.GardenId,
                        principalTable: "Gardens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_Photos_Observations_ObservationId",
                        column: x => x.ObservationId,
                        principalTable: "Observations",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Walks",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    GardenId = table.Column<Guid>(type: "TEXT", nullable: false),
                    StartedAt = table.Column<long>(type: "INTEGER", nullable: false),
                    EndedAt = table.Column<long>(type: "INTEGER", nullable: true),
                    MemberId = table.Column<Guid>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Walks", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Walks_Gardens_GardenId",
                        column: x => x.GardenId,
                        principalTable: "Gardens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "PhotoImages",
                columns: table => new
                {
                    PhotoId = table.Column<Guid>(type: "TEXT", nullable: false),
                    Image = table.Column<byte[]>(type: "BLOB", nullable: false),
                    Small = table.Column<byte[]>(type: "BLOB", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_PhotoImages", x => x.PhotoId);
                    table.ForeignKey(
                        name: "FK_PhotoImages_Photos_PhotoId",
                        column: x => x.PhotoId,
                        principalTable: "Photos",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "SkippedPlaceRow",
                columns: table => new
                {
                    WalkId = table.Column<Guid>(type: "TEXT", nullable: false),
                    PlaceId = table.Column<Guid>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_SkippedPlaceRow", x => new { x.WalkId, x.PlaceId });
                    table.ForeignKey(
                        name: "FK_SkippedPlaceRow_Places_PlaceId",
                        column: x => x.PlaceId,
                        principalTable: "Places",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_SkippedPlaceRow_Walks_WalkId",
                        column: x => x.WalkId,
                        principalTable: "Walks",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Observations_WalkId",
                table: "Observations",
                column: "WalkId");

            migrationBuilder.CreateIndex(
                name: "IX_Photos_GardenId_ObservationId",
                table: "Photos",
                columns: new[] { "GardenId", "ObservationId" });

            migrationBuilder.CreateIndex(
                name: "IX_Photos_ObservationId",
                table: "Photos",
                column: "ObservationId");

            migrationBuilder.CreateIndex(
                name: "IX_SkippedPlaceRow_PlaceId",
                table: "SkippedPlaceRow",
                column: "PlaceId");

            migrationBuilder.CreateIndex(
                name: "IX_Walks_GardenId_StartedAt",
                table: "Walks",
                columns: new[] { "GardenId", "StartedAt" });

            migrationBuilder.AddForeignKey(
                name: "FK_Observations_Walks_WalkId",
                table: "Observations",
                column: "WalkId",
                principalTable: "Walks",
                principalColumn: "Id",
                onDelete: ReferentialAction.SetNull);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropForeignKey(
                name: "FK_Observations_Walks_WalkId",
                table: "Observations");

            migrationBuilder.DropTable(
                name: "PhotoImages");

            migrationBuilder.DropTable(
                name: "SkippedPlaceRow");

            migrationBuilder.DropTable(
                name: "Photos");

            migrationBuilder.DropTable(
                name: "Walks");

            migrationBuilder.DropIndex(
                name: "IX_Observations_WalkId",
                table: "Observations");

            migrationBuilder.DropColumn(
                name: "LookId",
                table: "Observations");

            migrationBuilder.DropColumn(
                name: "NameIsGroup",
                table: "Observations");

            migrationBuilder.DropColumn(
                name: "Part",
                table: "Observations");

            migrationBuilder.DropColumn(
                name: "Roots",
                table: "Observations");

            migrationBuilder.DropColumn(
                name: "Side",
                table: "Observations");

            migrationBuilder.DropColumn(
                name: "WalkId",
                table: "Observations");
        }
    }
}
