using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Dependencies;

namespace BlueSlate.Guide.Examples;

/// <summary>An example for each kind of finding about dependency diagrams.</summary>
internal sealed class Dependencies : ExampleArea
{
    private static readonly DependencyOptions Options = new();

    private static readonly string[] JobSheet =
    [
        "Attributes: job no, visitor no, visitor name, item, part no, part name, quantity",
        "Key: job no, part no",
        "Visitor no determines visitor name",
        "Job no determines visitor no and item",
        "Part no determines part name",
        "Job no and part no determine quantity",
    ];

    /// <summary>Two candidate keys, listed beside the diagram.</summary>
    private static readonly string[] Crew =
    [
        "Attributes: host, show, producer",
        "Key: host, show",
        "Candidate keys: host, show; host, producer",
        "Prime attributes: host, show, producer",
        "Host and show determine producer",
        "Producer determines show",
    ];

    /// <summary>What follows from the arrows, written beside them.</summary>
    private static readonly string[] Loans =
    [
        "Attributes: ticket, borrower, phone, tool, shelf",
        "Key: ticket",
        "Closure of borrower: borrower, phone",
        "Closure of tool: tool, shelf",
        "Minimal cover: ticket -> borrower; borrower -> phone; ticket -> tool; tool -> shelf",
        "Normal form: 2NF",
        "Derivation of ticket -> phone: ticket -> borrower; borrower -> phone; ticket -> phone",
        "Ticket determines borrower and tool",
        "Borrower determines phone",
        "Tool determines shelf",
    ];

    /// <summary>Rows that show what does not follow.</summary>
    private static readonly string[] Against =
    [
        .. Loans[..2],
        .. Loans[7..],
        "Counterexample to tool -> borrower: ticket, borrower, tool; 1, Ines, saw; 2, Tom, saw",
    ];

    /// <summary>What rows of the scenario show.</summary>
    private static readonly string[] Shown = [.. Loans[..2], .. Loans[7..], "Anomaly of rows 1 and 2: update, tool -> shelf"];

    /// <summary>Two prices, of which one is in the list and the other was paid.</summary>
    private static readonly string[] Sale =
    [
        "Attributes: ticket no, seed, list price, paid price",
        "Key: ticket no, seed",
        "Seed determines list price",
        "Ticket no and seed determine paid price",
    ];

    private static readonly string[] Lettered =
    [
        .. JobSheet[..2],
        JobSheet[2] + " (transitive)",
        JobSheet[3] + " (partial)",
        JobSheet[4] + " (partial)",
        JobSheet[5],
    ];

    /// <summary>Two sets of values that have nothing to do with each other.</summary>
    internal static readonly string[] Skills =
    [
        "Attributes: badge no, skill, language",
        "Key: badge no, skill, language",
        "Badge no multidetermines skill and language",
    ];

    public override string Title => "Dependencies";

    public override IReadOnlyDictionary<string, FindingExample> ByCode =>
        new Dictionary<string, FindingExample>(StringComparer.Ordinal)
        {
            ["anomaly-cause"] = On(Shown, 5, "Anomaly of rows 1 and 2: update, ticket -> tool"),
            ["anomaly-mistaken"] = On(Shown, 5, "Anomaly of rows 1 and 2: deletion, tool -> shelf"),
            ["anomaly-unnamed"] = On(Shown, 5, ""),
            ["arrow-loose"] = new(Of(JobSheet), WithLoose(Of(JobSheet))) { Options = Options },
            ["arrowhead-missing"] = new(Of(JobSheet), WithoutHead(Of(JobSheet))) { Options = Options },
            ["candidate-key-missing"] = On(Crew, 2, "Candidate keys: host, show"),
            ["closure-missing"] = On(Loans, 2, ""),
            ["closure-wrong"] = On(Loans, 2, "Closure of borrower: borrower, phone, tool"),
            ["counterexample-harmless"] = On(
                Against,
                5,
                "Counterexample to tool -> borrower: ticket, borrower, tool; 1, Ines, saw; 2, Tom, awl"
            ),
            ["counterexample-impossible"] = On(
                Against,
                5,
                "Counterexample to tool -> borrower: ticket, borrower, tool; 1, Ines, saw; 1, Tom, saw"
            ),
            ["counterexample-missing"] = On(Against, 5, ""),
            ["cover-missing"] = On(Loans, 4, ""),
            ["cover-not-equivalent"] = On(Loans, 4, "Minimal cover: ticket -> borrower; borrower -> phone; ticket -> tool"),
            ["cover-not-minimal"] = On(Loans, 4, Loans[4] + "; ticket -> shelf"),
            ["derivation-missing"] = On(Loans, 6, ""),
            ["derivation-step-wrong"] = On(
                Loans,
                6,
                "Derivation of ticket -> phone: tool -> phone; ticket -> tool; ticket -> phone"
            ),
            ["derivation-unfinished"] = On(Loans, 6, "Derivation of ticket -> phone: ticket -> borrower; borrower -> phone"),
            ["form-mistaken"] = On(Loans, 5, "Normal form: 3NF"),
            ["form-unnamed"] = On(Loans, 5, ""),
            ["chosen-key-not-minimal"] = On(JobSheet, 1, "Key: job no, part no, visitor no"),
            ["chosen-key-not-unique"] = On(JobSheet, 1, "Key: job no"),
            ["chosen-key-unmarked"] = On(JobSheet, 1, ""),
            ["dependency-attribute-invented"] = On(JobSheet, 0, JobSheet[0] + ", mood"),
            ["dependency-attribute-missing"] = new(
                Of(JobSheet),
                Of([
                    JobSheet[0].Replace(", item", "", StringComparison.Ordinal),
                    .. JobSheet[1..3],
                    "Job no determines visitor no",
                    .. JobSheet[4..],
                ])
            )
            {
                Options = Options,
            },
            ["dependency-from-part"] = On(JobSheet, 5, "Job no determines quantity"),
            ["dependency-missing"] = On(JobSheet, 4, ""),
            ["dependency-not-implied"] = On(JobSheet, 5, JobSheet[5] + "\nItem determines part name"),
            ["dependency-redundant"] = On(JobSheet, 3, "Job no determines visitor no, item and visitor name"),
            ["dependency-reversed"] = On(JobSheet, 2, "Visitor name determines visitor no"),
            ["dependency-trivial"] = On(JobSheet, 3, JobSheet[3] + "\nVisitor no and item determine item"),
            ["determinant-separated"] = On(JobSheet, 5, "Job no determines quantity\nPart no determines quantity"),
            ["determinant-too-large"] = On(JobSheet, 4, "Job no and part no determine part name"),
            ["functional-as-multivalued"] = On(JobSheet, 4, "Part no multidetermines part name"),
            ["letter-missing"] = On(Lettered, 2, JobSheet[2]),
            ["letter-wrong"] = On(Lettered, 2, JobSheet[2] + " (partial)"),
            ["listed-key-not-minimal"] = On(Crew, 2, Crew[2] + "; host, show, producer"),
            ["listed-key-not-unique"] = On(Crew, 2, Crew[2] + "; producer"),
            ["multivalued-as-functional"] = On(Skills, 2, "Badge no multidetermines language\nBadge no determines skill"),
            ["prime-attributes-unlisted"] = On(Crew, 3, ""),
            ["prime-attributes-wrong"] = On(Crew, 3, "Prime attributes: host, show"),
            ["two-meanings"] = new(
                Of(Sale),
                Of(["Attributes: ticket no, seed, price", Sale[1], "Seed determines price", "Ticket no and seed determine price"])
            )
            {
                Options = Options,
            },
        };

    private static FindingExample On(string[] model, int at, string instead) =>
        new(Of(model), Of([.. model[..at], .. instead.Split('\n'), .. model[(at + 1)..]])) { Options = Options };

    private static Drawing Of(string[] lines) => Typed(lines);

    /// <summary>What these lines say, drawn.</summary>
    internal static Drawing Typed(string[] lines)
    {
        var typed = Subject.Of(Options).Retype(Drawing.Empty, lines, Options)!;
        return typed.Problems.IsEmpty
            ? (Drawing)typed.Document
            : throw new InvalidOperationException(typed.Problems[0].Problem.Message);
    }

    private static Drawing WithLoose(Drawing drawing)
    {
        var from = drawing.Shapes.First(shape => shape.Text == "item");
        var loose = new Line(
            "loose",
            Stroke.Solid,
            "",
            new LineEnd(Attachment.ToShape(from.Id), []),
            new LineEnd(Attachment.Nothing, [EndMark.Arrow]),
            []
        );
        return drawing with { Sheets = [drawing.Sheets[0] with { Lines = [.. drawing.Sheets[0].Lines, loose] }] };
    }

    private static Drawing WithoutHead(Drawing drawing)
    {
        var name = drawing.Shapes.First(shape => shape.Text == "visitor name").Id;
        return drawing with
        {
            Sheets =
            [
                drawing.Sheets[0] with
                {
                    Lines =
                    [
                        .. drawing
                            .Sheets[0]
                            .Lines.Select(line => line.To.On.Id == name ? line with { To = line.To with { Marks = [] } } : line),
                    ],
                },
            ],
        };
    }
}
