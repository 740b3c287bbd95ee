using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace BlueSlate.Data.Migrations
{
    /// <inheritdoc />
    public partial class MarkAdjustments : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "mark_adjustments",
                columns: table => new
                {
                    work_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    line_id = table.Column<string>(type: "text", nullable: true),
                    amount = table.Column<string>(type: "text", nullable: false),
                    reason = table.Column<string>(type: "text", nullable: false),
                    elements = table.Column<string[]>(type: "text[]", nullable: false),
                    by_id = table.Column<Guid>(type: "uuid", nullable: false),
                    at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_mark_adjustments", x => new { x.work_id, x.id });
                    table.ForeignKey(
                        name: "fk_mark_adjustments_works_work_id",
                        column: x => x.work_id,
                        principalTable: "works",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "mark_adjustments");
        }
    }
}
