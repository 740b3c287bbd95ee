using BlueSlate.Core.Drawings;
using BlueSlate.Core.Subjects.Dependencies;

namespace BlueSlate.Guide.Examples;

/// <summary>An example for each kind of finding about the tables of a stage.</summary>
internal sealed class Stages : ExampleArea
{
    private static readonly DependencyOptions Options = new();

    private static readonly string[] Lending =
    [
        "Attributes: loan no, day, tool no, tool, shed, keeper",
        "Key: loan no, tool no",
        "Loan no determines day",
        "Tool no determines tool and shed",
        "Shed determines keeper",
    ];

    private static readonly string[] Unnormalised = ["UNF: Lending has loan no (key), day, {tool no, tool, shed, keeper}"];
    private static readonly string[] First = ["1NF: Lending has loan no (key), day, tool no (key), tool, shed, keeper"];

    private static readonly string[] Second =
    [
        "2NF: Loan has loan no (key), day",
        "2NF: Tool has tool no (key), tool, shed, keeper",
        "2NF: Lent has loan no (key, foreign key), tool no (key, foreign key)",
    ];

    private static readonly string[] Third =
    [
        "3NF: Loan has loan no (key), day",
        "3NF: Tool has tool no (key), tool, shed (foreign key)",
        "3NF: Shed has shed (key), keeper",
        "3NF: Lent has loan no (key, foreign key), tool no (key, foreign key)",
    ];

    private static readonly string[] Lessons =
    [
        "Attributes: player, instrument, teacher",
        "Key: player, instrument",
        "Player and instrument determine teacher",
        "Teacher determines instrument",
    ];

    /// <summary>Something that is calculated, and a cell that holds two values.</summary>
    private static readonly string[] Sowing =
    [
        "Attributes: bed no, gardener, street, town, rows, spacing, plants",
        "Key: bed no",
        "Calculated: plants",
        "Bed no determines gardener, rows and spacing",
        "Gardener determines street and town",
        "Rows and spacing determine plants",
        "UNF: Bed has bed no (key), gardener, home (street, town), rows, spacing, plants",
        "1NF: Bed has bed no (key), gardener, street, town, rows, spacing, plants",
        "3NF: Bed has bed no (key), gardener (foreign key), rows, spacing",
        "3NF: Gardener has gardener (key), street, town",
    ];

    /// <summary>The last stage, in which a table is put together again.</summary>
    private static readonly string[] Together =
    [
        "denormalised: Loan has loan no (key), day",
        "denormalised: Tool has tool no (key), tool, shed, keeper",
        "denormalised: Lent has loan no (key, foreign key), tool no (key, foreign key)",
        "denormalised: Tool is denormalised, since the keeper is called whenever a tool is handed out",
    ];

    public override string Title => "Stages";

    public override IReadOnlyDictionary<string, FindingExample> ByCode =>
        new Dictionary<string, FindingExample>(StringComparer.Ordinal)
        {
            ["calculated-stored"] = On(Sowing, "3NF: Bed", Sowing[8] + ", plants"),
            ["cell-not-atomic"] = On(Sowing, "1NF", "1NF: Bed has bed no (key), gardener, home, rows, spacing, plants"),
            ["claimed-form-wrong"] = On(
                [.. Lessons, "3NF: Lesson has player (key), instrument (key), teacher"],
                "3NF",
                "3NF: Lesson has player (key), instrument (key), teacher\n"
                    + "BCNF: Lesson has player (key), instrument (key), teacher"
            ),
            ["denormalisation-unaccounted"] = On([.. Lending, .. Third, .. Together], "denormalised: Tool is", ""),
            ["denormalised-knowingly"] = On(
                [.. Lending, .. Third],
                "3NF: Tool",
                "3NF: Tool has tool no (key), tool, shed, keeper",
                "3NF: Shed",
                "3NF: Tool is denormalised, since the keeper is called whenever a tool is handed out"
            ),
            ["dependency-lost"] = On(
                [.. Lending, .. Second, .. Third],
                "3NF: Tool",
                "3NF: Tool has tool no (key), tool, shed",
                "3NF: Shed",
                "3NF: Keeper has tool no (key), keeper"
            ),
            ["determinant-no-key"] = On(
                [
                    .. Lessons,
                    "BCNF: Teacher has teacher (key), instrument",
                    "BCNF: Lesson has player (key), teacher (key, foreign key)",
                ],
                "BCNF: Teacher",
                "",
                "BCNF: Lesson",
                "BCNF: Lesson has player (key), instrument (key), teacher"
            ),
            ["determinant-not-left-behind"] = On(
                [.. Lending, .. Second, .. Third],
                "3NF: Tool",
                "3NF: Tool has tool no (key), tool"
            ),
            ["form-not-reached"] = On(
                [.. Lending, .. Second, .. Third],
                "3NF: Lent",
                "3NF: Lent has loan no (key, foreign key), tool no (key, foreign key), tool"
            ),
            ["group-left"] = On(
                [.. Lending, .. Unnormalised, .. First],
                "1NF",
                "1NF: Lending has loan no (key), day, {tool no, tool, shed, keeper}"
            ),
            ["group-without-outer-key"] = On(
                [.. Lending, .. Unnormalised, .. First],
                "1NF",
                "1NF: Loan has loan no (key), day\n1NF: Lent has tool no (key), tool, shed, keeper"
            ),
            ["multivalued-dependency-left"] = On(
                [
                    .. Dependencies.Skills,
                    "4NF: Skill has badge no (key), skill (key)",
                    "4NF: Language has badge no (key), language (key)",
                ],
                "4NF: Skill",
                "4NF: Skill has badge no (key), skill (key), language (key)",
                "4NF: Language",
                ""
            ),
            ["partial-dependency-left"] = On(
                [.. Lending, .. Second],
                "2NF: Loan",
                "",
                "2NF: Lent",
                "2NF: Lent has loan no (key), day, tool no (key, foreign key)"
            ),
            ["split-lossy"] = On(
                [.. Lending, .. Second],
                "2NF: Lent",
                "2NF: Lent has loan no (key, foreign key), shed (key)\n2NF: Used has tool no (key, foreign key), day (key)"
            ),
            ["stage-attribute-dropped"] = On([.. Lending, .. Second], "2NF: Tool", "2NF: Tool has tool no (key), tool, shed"),
            ["stage-missing"] = On([.. Lending, .. Second, .. Third], [.. Third.SelectMany(line => new[] { line, "" })]),
            ["stage-skipped"] = On([.. Lending, .. Second, .. Third], [.. Second.SelectMany(line => new[] { line, "" })]),
            ["surrogate-without-alternate"] = On(
                Sowing,
                "3NF: Bed",
                "3NF: Bed has bed no (key), gardener id (foreign key), rows, spacing",
                "3NF: Gardener",
                "3NF: Gardener has gardener id (key), gardener, street, town"
            ),
            ["table-column-invented"] = On([.. Lending, .. Second], "2NF: Loan", "2NF: Loan has loan no (key), day, mood"),
            ["table-foreign-key-unmarked"] = On(
                [.. Lending, .. Second, .. Third],
                "3NF: Tool",
                "3NF: Tool has tool no (key), tool, shed"
            ),
            ["table-key-not-minimal"] = On(
                [.. Lending, .. Second],
                "2NF: Tool",
                "2NF: Tool has tool no (key), tool (key), shed, keeper"
            ),
            ["table-key-not-unique"] = On(
                [.. Lending, .. Second],
                "2NF: Tool",
                "2NF: Tool has tool no, tool (key), shed, keeper"
            ),
            ["table-key-unmarked"] = On([.. Lending, .. Second], "2NF: Tool", "2NF: Tool has tool no, tool, shed, keeper"),
            ["table-too-many"] = On([.. Lending, .. Second], "2NF: Loan", Second[0] + "\n2NF: Calendar has day (key)"),
            ["transitive-dependency-left"] = On(
                [.. Lending, .. Second, .. Third],
                "3NF: Tool",
                "3NF: Tool has tool no (key), tool, shed, keeper",
                "3NF: Shed",
                ""
            ),
        };

    // Pairs: how the line begins that is another in the answer, and what stands there instead.
    private static FindingExample On(string[] model, params string[] changes)
    {
        var answer = model.ToList();
        foreach (var change in changes.Chunk(2))
        {
            var at = answer.FindIndex(line => line.StartsWith(change[0], StringComparison.Ordinal));
            answer.RemoveAt(at);
            answer.InsertRange(at, change[1].Split('\n', StringSplitOptions.RemoveEmptyEntries));
        }

        return new FindingExample(Of(model), Of([.. answer])) { Options = Options };
    }

    private static Drawing Of(string[] lines) => Dependencies.Typed(lines);
}
