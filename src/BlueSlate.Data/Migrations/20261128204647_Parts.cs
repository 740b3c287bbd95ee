using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace BlueSlate.Data.Migrations
{
    /// <inheritdoc />
    public partial class Parts : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropForeignKey(
                name: "fk_assessment_revisions_exercises_exercise_id",
                table: "assessment_revisions");

            migrationBuilder.DropForeignKey(
                name: "fk_blind_markings_sample_answers_answer_id",
                table: "blind_markings");

            migrationBuilder.DropForeignKey(
                name: "fk_check_requests_answers_answer_id",
                table: "check_requests");

            migrationBuilder.DropForeignKey(
                name: "fk_check_results_answers_answer_id",
                table: "check_results");

            migrationBuilder.DropForeignKey(
                name: "fk_checkpoints_answers_answer_id",
                table: "checkpoints");

            migrationBuilder.DropForeignKey(
                name: "fk_class_rulings_exercises_exercise_id",
                table: "class_rulings");

            migrationBuilder.DropForeignKey(
                name: "fk_mark_revisions_answers_answer_id",
                table: "mark_revisions");

            migrationBuilder.DropForeignKey(
                name: "fk_note_queries_answers_answer_id",
                table: "note_queries");

            migrationBuilder.DropForeignKey(
                name: "fk_released_sheets_answers_answer_id",
                table: "released_sheets");

            migrationBuilder.DropForeignKey(
                name: "fk_rulings_answers_answer_id",
                table: "rulings");

            migrationBuilder.DropForeignKey(
                name: "fk_stands_for_answers_answer_id",
                table: "stands_for");

            migrationBuilder.RenameColumn(
                name: "answer_id",
                table: "stands_for",
                newName: "work_id");

            migrationBuilder.RenameColumn(
                name: "answer_id",
                table: "rulings",
                newName: "work_id");

            migrationBuilder.RenameColumn(
                name: "answer_id",
                table: "released_sheets",
                newName: "work_id");

            migrationBuilder.RenameColumn(
                name: "answer_id",
                table: "note_queries",
                newName: "work_id");

            migrationBuilder.RenameIndex(
                name: "ix_note_queries_answer_id_finding_id",
                table: "note_queries",
                newName: "ix_note_queries_work_id_finding_id");

            migrationBuilder.RenameColumn(
                name: "answer_id",
                table: "mark_revisions",
                newName: "work_id");

            migrationBuilder.RenameIndex(
                name: "ix_mark_revisions_answer_id_at",
                table: "mark_revisions",
                newName: "ix_mark_revisions_work_id_at");

            migrationBuilder.RenameColumn(
                name: "exercise_id",
                table: "class_rulings",
                newName: "part_id");

            migrationBuilder.RenameColumn(
                name: "answer_id",
                table: "checkpoints",
                newName: "work_id");

            migrationBuilder.RenameIndex(
                name: "ix_checkpoints_answer_id_at",
                table: "checkpoints",
                newName: "ix_checkpoints_work_id_at");

            migrationBuilder.RenameColumn(
                name: "answer_id",
                table: "check_results",
                newName: "work_id");

            migrationBuilder.RenameIndex(
                name: "ix_check_results_answer_id_question_revision_id_assessment_rev",
                table: "check_results",
                newName: "ix_check_results_work_id_question_revision_id_assessment_revis");

            migrationBuilder.RenameColumn(
                name: "answer_id",
                table: "check_requests",
                newName: "work_id");

            migrationBuilder.RenameIndex(
                name: "ix_check_requests_answer_id_assessment_revision_id",
                table: "check_requests",
                newName: "ix_check_requests_work_id_assessment_revision_id");

            migrationBuilder.RenameColumn(
                name: "answer_id",
                table: "blind_markings",
                newName: "work_id");

            migrationBuilder.RenameColumn(
                name: "exercise_id",
                table: "assessment_revisions",
                newName: "part_id");

            migrationBuilder.RenameIndex(
                name: "ix_assessment_revisions_exercise_id_number",
                table: "assessment_revisions",
                newName: "ix_assessment_revisions_part_id_number");

            migrationBuilder.AddColumn<Guid>(
                name: "part_id",
                table: "set_aside",
                type: "uuid",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "exercise_parts",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    exercise_id = table.Column<Guid>(type: "uuid", nullable: false),
                    position = table.Column<int>(type: "integer", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_exercise_parts", x => x.id);
                    table.ForeignKey(
                        name: "fk_exercise_parts_exercises_exercise_id",
                        column: x => x.exercise_id,
                        principalTable: "exercises",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "exercise_part_documents",
                columns: table => new
                {
                    kind = table.Column<string>(type: "text", nullable: false),
                    part_id = table.Column<Guid>(type: "uuid", nullable: false),
                    revision = table.Column<int>(type: "integer", nullable: false),
                    text = table.Column<string>(type: "text", nullable: false),
                    saved_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_exercise_part_documents", x => new { x.part_id, x.kind });
                    table.ForeignKey(
                        name: "fk_exercise_part_documents_exercise_parts_part_id",
                        column: x => x.part_id,
                        principalTable: "exercise_parts",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "question_parts",
                columns: table => new
                {
                    question_revision_id = table.Column<Guid>(type: "uuid", nullable: false),
                    part_id = table.Column<Guid>(type: "uuid", nullable: false),
                    position = table.Column<int>(type: "integer", nullable: false),
                    document = table.Column<string>(type: "text", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_question_parts", x => new { x.question_revision_id, x.part_id });
                    table.ForeignKey(
                        name: "fk_question_parts_exercise_parts_part_id",
                        column: x => x.part_id,
                        principalTable: "exercise_parts",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "fk_question_parts_question_revisions_question_revision_id",
                        column: x => x.question_revision_id,
                        principalTable: "question_revisions",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "works",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    answer_id = table.Column<Guid>(type: "uuid", nullable: false),
                    part_id = table.Column<Guid>(type: "uuid", nullable: false),
                    question_revision_id = table.Column<Guid>(type: "uuid", nullable: false),
                    revision = table.Column<int>(type: "integer", nullable: false),
                    drawing = table.Column<string>(type: "text", nullable: false),
                    drawing_hash = table.Column<string>(type: "text", nullable: false),
                    save_id = table.Column<Guid>(type: "uuid", nullable: true),
                    saved_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    gone_through_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_works", x => x.id);
                    table.ForeignKey(
                        name: "fk_works_answers_answer_id",
                        column: x => x.answer_id,
                        principalTable: "answers",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "fk_works_exercise_parts_part_id",
                        column: x => x.part_id,
                        principalTable: "exercise_parts",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "fk_works_question_parts_question_revision_id_part_id",
                        columns: x => new { x.question_revision_id, x.part_id },
                        principalTable: "question_parts",
                        principalColumns: new[] { "question_revision_id", "part_id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "sample_works",
                columns: table => new
                {
                    work_id = table.Column<Guid>(type: "uuid", nullable: false),
                    part_id = table.Column<Guid>(type: "uuid", nullable: false),
                    drawn_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_sample_works", x => x.work_id);
                    table.ForeignKey(
                        name: "fk_sample_works_exercise_parts_part_id",
                        column: x => x.part_id,
                        principalTable: "exercise_parts",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "fk_sample_works_works_work_id",
                        column: x => x.work_id,
                        principalTable: "works",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "ix_set_aside_part_id",
                table: "set_aside",
                column: "part_id");

            migrationBuilder.CreateIndex(
                name: "ix_exercise_parts_exercise_id_position",
                table: "exercise_parts",
                columns: new[] { "exercise_id", "position" });

            migrationBuilder.CreateIndex(
                name: "ix_question_parts_part_id",
                table: "question_parts",
                column: "part_id");

            migrationBuilder.CreateIndex(
                name: "ix_sample_works_part_id",
                table: "sample_works",
                column: "part_id");

            migrationBuilder.CreateIndex(
                name: "ix_works_answer_id_part_id",
                table: "works",
                columns: new[] { "answer_id", "part_id" },
                unique: true);

            migrationBuilder.CreateIndex(
                name: "ix_works_part_id",
                table: "works",
                column: "part_id");

            migrationBuilder.CreateIndex(
                name: "ix_works_question_revision_id_part_id",
                table: "works",
                columns: new[] { "question_revision_id", "part_id" });

            // Documents are long texts that are rewritten often: lz4 costs a third of what the default does.
            foreach (var column in new[] { "exercise_part_documents.text", "question_parts.document", "works.drawing" })
            {
                var parts = column.Split('.');
                migrationBuilder.Sql($"ALTER TABLE {parts[0]} ALTER COLUMN {parts[1]} SET COMPRESSION lz4");
            }

            // Every exercise there is has one part, and every answer one work, each with the id of what it was taken from: so what
            // points at them points right.
            migrationBuilder.Sql("""
                INSERT INTO exercise_parts (id, exercise_id, position) SELECT id, id, 1 FROM exercises;
                INSERT INTO exercise_part_documents (part_id, kind, revision, text, saved_at)
                    SELECT exercise_id, kind, revision, text, saved_at FROM exercise_documents WHERE kind <> 'Scenario';
                DELETE FROM exercise_documents WHERE kind <> 'Scenario';
                UPDATE set_aside SET part_id = exercise_id WHERE kind <> 'Scenario';
                INSERT INTO question_parts (question_revision_id, part_id, position, document)
                    SELECT id, exercise_id, 1, part FROM question_revisions;
                INSERT INTO works (id, answer_id, part_id, question_revision_id, revision, drawing, drawing_hash, save_id, saved_at, gone_through_at)
                    SELECT id, id, exercise_id, question_revision_id, revision, drawing, drawing_hash, save_id, saved_at, gone_through_at
                    FROM answers;
                INSERT INTO sample_works (work_id, part_id, drawn_at) SELECT answer_id, exercise_id, drawn_at FROM sample_answers;
                """);

            migrationBuilder.DropTable(
                name: "sample_answers");

            migrationBuilder.DropColumn(
                name: "part",
                table: "question_revisions");

            migrationBuilder.DropColumn(
                name: "drawing",
                table: "answers");

            migrationBuilder.DropColumn(
                name: "drawing_hash",
                table: "answers");

            migrationBuilder.DropColumn(
                name: "gone_through_at",
                table: "answers");

            migrationBuilder.DropColumn(
                name: "revision",
                table: "answers");

            migrationBuilder.DropColumn(
                name: "save_id",
                table: "answers");

            migrationBuilder.DropColumn(
                name: "saved_at",
                table: "answers");

            migrationBuilder.AddForeignKey(
                name: "fk_assessment_revisions_exercise_parts_part_id",
                table: "assessment_revisions",
                column: "part_id",
                principalTable: "exercise_parts",
                principalColumn: "id",
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "fk_blind_markings_sample_works_work_id",
                table: "blind_markings",
                column: "work_id",
                principalTable: "sample_works",
                principalColumn: "work_id",
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "fk_check_requests_works_work_id",
                table: "check_requests",
                column: "work_id",
                principalTable: "works",
                principalColumn: "id",
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "fk_check_results_works_work_id",
                table: "check_results",
                column: "work_id",
                principalTable: "works",
                principalColumn: "id",
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "fk_checkpoints_works_work_id",
                table: "checkpoints",
                column: "work_id",
                principalTable: "works",
                principalColumn: "id",
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "fk_class_rulings_exercise_parts_part_id",
                table: "class_rulings",
                column: "part_id",
                principalTable: "exercise_parts",
                principalColumn: "id",
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "fk_mark_revisions_works_work_id",
                table: "mark_revisions",
                column: "work_id",
                principalTable: "works",
                principalColumn: "id",
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "fk_note_queries_works_work_id",
                table: "note_queries",
                column: "work_id",
                principalTable: "works",
                principalColumn: "id",
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "fk_released_sheets_works_work_id",
                table: "released_sheets",
                column: "work_id",
                principalTable: "works",
                principalColumn: "id",
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "fk_rulings_works_work_id",
                table: "rulings",
                column: "work_id",
                principalTable: "works",
                principalColumn: "id",
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "fk_set_aside_exercise_parts_part_id",
                table: "set_aside",
                column: "part_id",
                principalTable: "exercise_parts",
                principalColumn: "id",
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "fk_stands_for_works_work_id",
                table: "stands_for",
                column: "work_id",
                principalTable: "works",
                principalColumn: "id",
                onDelete: ReferentialAction.Cascade);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder) =>
            throw new NotSupportedException(
                "An exercise of several parts has no place in the earlier schema; restore the backup that was written before.");
    }
}
