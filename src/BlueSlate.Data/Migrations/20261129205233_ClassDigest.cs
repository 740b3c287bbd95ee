using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace BlueSlate.Data.Migrations
{
    /// <summary>
    /// What the desk and the picture of a class need of an answer is kept beside its mark; decisions give back a part of a loss.
    /// </summary>
    public partial class ClassDigest : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "part",
                table: "rulings",
                type: "text",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "part",
                table: "class_rulings",
                type: "text",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "digest",
                table: "check_results",
                type: "text",
                nullable: true);

            migrationBuilder.Sql("ALTER TABLE check_results ALTER COLUMN digest SET COMPRESSION lz4");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "part",
                table: "rulings");

            migrationBuilder.DropColumn(
                name: "part",
                table: "class_rulings");

            migrationBuilder.DropColumn(
                name: "digest",
                table: "check_results");
        }
    }
}
