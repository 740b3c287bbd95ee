using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace BlueSlate.Data.Migrations
{
    /// <inheritdoc />
    public partial class EndedSessions : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "ended_sessions",
                columns: table => new
                {
                    session_id = table.Column<Guid>(type: "uuid", nullable: false),
                    at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_ended_sessions", x => x.session_id);
                });

            migrationBuilder.CreateIndex(
                name: "ix_ended_sessions_at",
                table: "ended_sessions",
                column: "at");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "ended_sessions");
        }
    }
}
