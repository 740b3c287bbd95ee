using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace BlueSlate.Data.Migrations
{
    /// <inheritdoc />
    public partial class AfterRelease : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "maximum",
                table: "released_sheets",
                type: "text",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "total",
                table: "released_sheets",
                type: "text",
                nullable: false,
                defaultValue: "");

            migrationBuilder.Sql("UPDATE released_sheets SET total = frozen::jsonb #>> '{result,total}', maximum = frozen::jsonb #>> '{result,maximum}'");

            migrationBuilder.CreateTable(
                name: "mark_revisions",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    answer_id = table.Column<Guid>(type: "uuid", nullable: false),
                    at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    by_id = table.Column<Guid>(type: "uuid", nullable: true),
                    reason = table.Column<string>(type: "text", nullable: false),
                    before = table.Column<string>(type: "text", nullable: false),
                    after = table.Column<string>(type: "text", nullable: false),
                    frozen_before = table.Column<string>(type: "text", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_mark_revisions", x => x.id);
                    table.ForeignKey(
                        name: "fk_mark_revisions_answers_answer_id",
                        column: x => x.answer_id,
                        principalTable: "answers",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "fk_mark_revisions_asp_net_users_by_id",
                        column: x => x.by_id,
                        principalTable: "AspNetUsers",
                        principalColumn: "id",
                        onDelete: ReferentialAction.SetNull);
                });

            migrationBuilder.CreateTable(
                name: "note_queries",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    answer_id = table.Column<Guid>(type: "uuid", nullable: false),
                    finding_id = table.Column<string>(type: "text", nullable: false),
                    headline = table.Column<string>(type: "text", nullable: false),
                    text = table.Column<string>(type: "text", nullable: false),
                    asked_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    reply = table.Column<string>(type: "text", nullable: true),
                    replied_by_id = table.Column<Guid>(type: "uuid", nullable: true),
                    replied_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_note_queries", x => x.id);
                    table.ForeignKey(
                        name: "fk_note_queries_answers_answer_id",
                        column: x => x.answer_id,
                        principalTable: "answers",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "fk_note_queries_asp_net_users_replied_by_id",
                        column: x => x.replied_by_id,
                        principalTable: "AspNetUsers",
                        principalColumn: "id",
                        onDelete: ReferentialAction.SetNull);
                });

            migrationBuilder.CreateTable(
                name: "sample_answers",
                columns: table => new
                {
                    answer_id = table.Column<Guid>(type: "uuid", nullable: false),
                    exercise_id = table.Column<Guid>(type: "uuid", nullable: false),
                    drawn_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_sample_answers", x => x.answer_id);
                    table.ForeignKey(
                        name: "fk_sample_answers_answers_answer_id",
                        column: x => x.answer_id,
                        principalTable: "answers",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "fk_sample_answers_exercises_exercise_id",
                        column: x => x.exercise_id,
                        principalTable: "exercises",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "blind_markings",
                columns: table => new
                {
                    answer_id = table.Column<Guid>(type: "uuid", nullable: false),
                    by_id = table.Column<Guid>(type: "uuid", nullable: false),
                    marks = table.Column<string>(type: "text", nullable: false),
                    at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    done_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_blind_markings", x => new { x.answer_id, x.by_id });
                    table.ForeignKey(
                        name: "fk_blind_markings_asp_net_users_by_id",
                        column: x => x.by_id,
                        principalTable: "AspNetUsers",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "fk_blind_markings_sample_answers_answer_id",
                        column: x => x.answer_id,
                        principalTable: "sample_answers",
                        principalColumn: "answer_id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "ix_blind_markings_by_id",
                table: "blind_markings",
                column: "by_id");

            migrationBuilder.CreateIndex(
                name: "ix_mark_revisions_answer_id_at",
                table: "mark_revisions",
                columns: new[] { "answer_id", "at" });

            migrationBuilder.CreateIndex(
                name: "ix_mark_revisions_by_id",
                table: "mark_revisions",
                column: "by_id");

            migrationBuilder.CreateIndex(
                name: "ix_note_queries_answer_id_finding_id",
                table: "note_queries",
                columns: new[] { "answer_id", "finding_id" },
                unique: true,
                filter: "replied_at IS NULL");

            migrationBuilder.CreateIndex(
                name: "ix_note_queries_replied_by_id",
                table: "note_queries",
                column: "replied_by_id");

            migrationBuilder.CreateIndex(
                name: "ix_sample_answers_exercise_id",
                table: "sample_answers",
                column: "exercise_id");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "blind_markings");

            migrationBuilder.DropTable(
                name: "mark_revisions");

            migrationBuilder.DropTable(
                name: "note_queries");

            migrationBuilder.DropTable(
                name: "sample_answers");

            migrationBuilder.DropColumn(
                name: "maximum",
                table: "released_sheets");

            migrationBuilder.DropColumn(
                name: "total",
                table: "released_sheets");
        }
    }
}
