using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace BlueSlate.Data.Migrations
{
    /// <inheritdoc />
    public partial class TrialCopies : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<Guid>(
                name: "trial_of_id",
                table: "exercises",
                type: "uuid",
                nullable: true);

            migrationBuilder.CreateIndex(
                name: "ix_exercises_trial_of_id",
                table: "exercises",
                column: "trial_of_id");

            migrationBuilder.AddForeignKey(
                name: "fk_exercises_exercises_trial_of_id",
                table: "exercises",
                column: "trial_of_id",
                principalTable: "exercises",
                principalColumn: "id",
                onDelete: ReferentialAction.Cascade);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropForeignKey(
                name: "fk_exercises_exercises_trial_of_id",
                table: "exercises");

            migrationBuilder.DropIndex(
                name: "ix_exercises_trial_of_id",
                table: "exercises");

            migrationBuilder.DropColumn(
                name: "trial_of_id",
                table: "exercises");
        }
    }
}
