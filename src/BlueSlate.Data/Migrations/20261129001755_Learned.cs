using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace BlueSlate.Data.Migrations
{
    /// <summary>
    /// What a class has learned stands in the documents of parts as an object of its own, with the options of the part's notation
    /// alone.
    /// </summary>
    public partial class Learned : Migration
    {
        private static readonly string[] Tables =
        [
            "exercise_part_documents SET text = pg_temp.{0}(text) WHERE kind = 'Part'",
            "set_aside SET text = pg_temp.{0}(text) WHERE kind = 'Part'",
            "question_parts SET document = pg_temp.{0}(document)",
        ];

        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.Sql(
                """
                CREATE FUNCTION pg_temp.learned(document text) RETURNS text LANGUAGE sql AS $$
                    SELECT json_strip_nulls(json_build_object(
                        'title', part -> 'title',
                        'learned', CASE part ->> 'notation'
                            WHEN 'chen' THEN json_build_object(
                                'notation', 'chen',
                                'level', part -> 'level',
                                'oneNameIsOneElement', part -> 'oneNameIsOneElement',
                                'doubleLineSaysAll', part -> 'doubleLineSaysAll',
                                'counts', part -> 'counts',
                                'pairsAcross', part -> 'pairsAcross',
                                'underlinesAreOneKey', part -> 'underlinesAreOneKey')
                            WHEN 'uml' THEN json_build_object(
                                'notation', 'uml',
                                'level', part -> 'level',
                                'oneNameIsOneElement', part -> 'oneNameIsOneElement',
                                'formal', part -> 'formal',
                                'strictCounts', part -> 'strictCounts',
                                'unmarkedSetIsOpen', part -> 'unmarkedSetIsOpen',
                                'aggregationCounts', part -> 'aggregationCounts',
                                'stereotypes', part -> 'stereotypes')
                            ELSE json_build_object(
                                'notation', 'crows-foot',
                                'level', part -> 'level',
                                'oneNameIsOneElement', part -> 'oneNameIsOneElement',
                                'strokeSaysIdentifying', part -> 'strokeSaysIdentifying',
                                'singleBarIsExactlyOne', part -> 'singleBarIsExactlyOne')
                            END,
                        'marks', part -> 'marks',
                        'minutes', part -> 'minutes',
                        'aids', part -> 'aids',
                        'showModelAnswer', part -> 'showModelAnswer'))::text
                    FROM (SELECT document::json AS part) AS read
                $$;
                """
            );
            Rewrite(migrationBuilder, "learned");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.Sql(
                """
                CREATE FUNCTION pg_temp.flat(document text) RETURNS text LANGUAGE sql AS $$
                    SELECT ((part - 'learned') || (part -> 'learned'))::text FROM (SELECT document::jsonb AS part) AS read
                $$;
                """
            );
            Rewrite(migrationBuilder, "flat");
        }

        private static void Rewrite(MigrationBuilder migrationBuilder, string function)
        {
            foreach (var table in Tables)
            {
                migrationBuilder.Sql("UPDATE " + string.Format(System.Globalization.CultureInfo.InvariantCulture, table, function));
            }

            migrationBuilder.Sql($"DROP FUNCTION pg_temp.{function}(text)");
        }
    }
}
