using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace BlueSlate.Data.Migrations
{
    /// <inheritdoc />
    public partial class WorkedSteps : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            // Every part says how its model answer is built up: so far as proposed.
            migrationBuilder.Sql(
                """
                INSERT INTO exercise_part_documents (part_id, kind, revision, text, saved_at)
                SELECT id, 'Steps', 1, '{"steps":[]}', now() FROM exercise_parts
                """
            );
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.Sql("DELETE FROM exercise_part_documents WHERE kind = 'Steps'");
        }
    }
}
