using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace BlueSlate.Data.Migrations
{
    /// <inheritdoc />
    public partial class SharedDesk : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<DateTimeOffset>(
                name: "confirmed_at",
                table: "works",
                type: "timestamp with time zone",
                nullable: true);

            migrationBuilder.AddColumn<Guid>(
                name: "gone_through_by_id",
                table: "works",
                type: "uuid",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "late_rule",
                table: "exercises",
                type: "text",
                nullable: true);

            migrationBuilder.AddColumn<DateTimeOffset>(
                name: "questions_until",
                table: "exercises",
                type: "timestamp with time zone",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "reasons",
                table: "blind_markings",
                type: "text",
                nullable: false,
                defaultValue: "{}");

            migrationBuilder.AddColumn<string>(
                name: "handed_in_because",
                table: "answers",
                type: "text",
                nullable: true);

            migrationBuilder.AddColumn<Guid>(
                name: "handed_in_by_id",
                table: "answers",
                type: "uuid",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "late_minutes",
                table: "answers",
                type: "integer",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<Guid>(
                name: "marker_id",
                table: "answers",
                type: "uuid",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "reopened_because",
                table: "answers",
                type: "text",
                nullable: true);

            migrationBuilder.AddColumn<DateTimeOffset>(
                name: "reopened_until",
                table: "answers",
                type: "timestamp with time zone",
                nullable: true);

            // Whatever was gone through before there was a second word on it needs none.
            migrationBuilder.Sql("UPDATE works SET confirmed_at = gone_through_at WHERE gone_through_at IS NOT NULL");

            migrationBuilder.CreateIndex(
                name: "ix_works_gone_through_by_id",
                table: "works",
                column: "gone_through_by_id");

            migrationBuilder.CreateIndex(
                name: "ix_answers_handed_in_by_id",
                table: "answers",
                column: "handed_in_by_id");

            migrationBuilder.CreateIndex(
                name: "ix_answers_marker_id",
                table: "answers",
                column: "marker_id");

            migrationBuilder.AddForeignKey(
                name: "fk_answers_asp_net_users_handed_in_by_id",
                table: "answers",
                column: "handed_in_by_id",
                principalTable: "AspNetUsers",
                principalColumn: "id",
                onDelete: ReferentialAction.SetNull);

            migrationBuilder.AddForeignKey(
                name: "fk_answers_asp_net_users_marker_id",
                table: "answers",
                column: "marker_id",
                principalTable: "AspNetUsers",
                principalColumn: "id",
                onDelete: ReferentialAction.SetNull);

            migrationBuilder.AddForeignKey(
                name: "fk_works_asp_net_users_gone_through_by_id",
                table: "works",
                column: "gone_through_by_id",
                principalTable: "AspNetUsers",
                principalColumn: "id",
                onDelete: ReferentialAction.SetNull);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropForeignKey(
                name: "fk_answers_asp_net_users_handed_in_by_id",
                table: "answers");

            migrationBuilder.DropForeignKey(
                name: "fk_answers_asp_net_users_marker_id",
                table: "answers");

            migrationBuilder.DropForeignKey(
                name: "fk_works_asp_net_users_gone_through_by_id",
                table: "works");

            migrationBuilder.DropIndex(
                name: "ix_works_gone_through_by_id",
                table: "works");

            migrationBuilder.DropIndex(
                name: "ix_answers_handed_in_by_id",
                table: "answers");

            migrationBuilder.DropIndex(
                name: "ix_answers_marker_id",
                table: "answers");

            migrationBuilder.DropColumn(
                name: "confirmed_at",
                table: "works");

            migrationBuilder.DropColumn(
                name: "gone_through_by_id",
                table: "works");

            migrationBuilder.DropColumn(
                name: "late_rule",
                table: "exercises");

            migrationBuilder.DropColumn(
                name: "questions_until",
                table: "exercises");

            migrationBuilder.DropColumn(
                name: "reasons",
                table: "blind_markings");

            migrationBuilder.DropColumn(
                name: "handed_in_because",
                table: "answers");

            migrationBuilder.DropColumn(
                name: "handed_in_by_id",
                table: "answers");

            migrationBuilder.DropColumn(
                name: "late_minutes",
                table: "answers");

            migrationBuilder.DropColumn(
                name: "marker_id",
                table: "answers");

            migrationBuilder.DropColumn(
                name: "reopened_because",
                table: "answers");

            migrationBuilder.DropColumn(
                name: "reopened_until",
                table: "answers");
        }
    }
}
