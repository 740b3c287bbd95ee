using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace BlueSlate.Data.Migrations
{
    /// <inheritdoc />
    public partial class Sitting : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "ix_answers_exercise_id_account_id",
                table: "answers");

            migrationBuilder.AlterColumn<DateTimeOffset>(
                name: "until",
                table: "extensions",
                type: "timestamp with time zone",
                nullable: true,
                oldClrType: typeof(DateTimeOffset),
                oldType: "timestamp with time zone");

            migrationBuilder.AddColumn<int>(
                name: "extra_minutes",
                table: "extensions",
                type: "integer",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<int>(
                name: "attempts",
                table: "exercises",
                type: "integer",
                nullable: true);

            migrationBuilder.AddColumn<bool>(
                name: "best_counts",
                table: "exercises",
                type: "boolean",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<DateTimeOffset>(
                name: "closes_at",
                table: "exercises",
                type: "timestamp with time zone",
                nullable: true);

            migrationBuilder.AddColumn<DateTimeOffset>(
                name: "opens_at",
                table: "exercises",
                type: "timestamp with time zone",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "attempt",
                table: "answers",
                type: "integer",
                nullable: false,
                defaultValue: 1);

            migrationBuilder.AddColumn<bool>(
                name: "counts",
                table: "answers",
                type: "boolean",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<bool>(
                name: "ended_by_time",
                table: "answers",
                type: "boolean",
                nullable: false,
                defaultValue: false);

            // Until now an exercise was sat once, and whatever was handed in counted.
            migrationBuilder.Sql("UPDATE exercises SET attempts = 1");
            migrationBuilder.Sql("UPDATE answers SET counts = true WHERE handed_in_at IS NOT NULL");

            migrationBuilder.CreateIndex(
                name: "ix_answers_ends_at",
                table: "answers",
                column: "ends_at",
                filter: "handed_in_at IS NULL");

            migrationBuilder.CreateIndex(
                name: "ix_answers_exercise_id_account_id_attempt",
                table: "answers",
                columns: new[] { "exercise_id", "account_id", "attempt" },
                unique: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "ix_answers_ends_at",
                table: "answers");

            migrationBuilder.DropIndex(
                name: "ix_answers_exercise_id_account_id_attempt",
                table: "answers");

            migrationBuilder.DropColumn(
                name: "extra_minutes",
                table: "extensions");

            migrationBuilder.DropColumn(
                name: "attempts",
                table: "exercises");

            migrationBuilder.DropColumn(
                name: "best_counts",
                table: "exercises");

            migrationBuilder.DropColumn(
                name: "closes_at",
                table: "exercises");

            migrationBuilder.DropColumn(
                name: "opens_at",
                table: "exercises");

            migrationBuilder.DropColumn(
                name: "attempt",
                table: "answers");

            migrationBuilder.DropColumn(
                name: "counts",
                table: "answers");

            migrationBuilder.DropColumn(
                name: "ended_by_time",
                table: "answers");

            migrationBuilder.AlterColumn<DateTimeOffset>(
                name: "until",
                table: "extensions",
                type: "timestamp with time zone",
                nullable: false,
                defaultValue: new DateTimeOffset(new DateTime(1, 1, 1, 0, 0, 0, 0, DateTimeKind.Unspecified), new TimeSpan(0, 0, 0, 0, 0)),
                oldClrType: typeof(DateTimeOffset),
                oldType: "timestamp with time zone",
                oldNullable: true);

            migrationBuilder.CreateIndex(
                name: "ix_answers_exercise_id_account_id",
                table: "answers",
                columns: new[] { "exercise_id", "account_id" },
                unique: true);
        }
    }
}
