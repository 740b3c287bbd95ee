using BlueSlate.Core.Drawings;
using BlueSlate.Drafting;
using BlueSlate.Drafting.Sheets;
using BlueSlate.Drafting.Worker;
using Shouldly;
using UglyToad.PdfPig;
using UglyToad.PdfPig.Tokens;
using Xunit;

namespace BlueSlate.Cli.Tests;

/// <summary>Feedback sheets: everything of them can be read by eye, searched, and read aloud.</summary>
public sealed class SheetTests
{
    private static readonly Drawing Ferry = new Sketch()
        .Box("Ferry", "PK hull no", "berths")
        .Box("Crossing", "PK crossing no")
        .Line("Ferry", Ends.One, "Crossing", Ends.ZeroOrMore, "makes", "is made by")
        .ToDrawing();

    private static SheetNote Note(string headline, params string[] elements) =>
        new(headline, ["There is one.", "Wanted: Another."], "−1½", "", elements, null);

    private static FeedbackSheet Sheet(string whom, Drawing drawing, params SheetNote[] notes) =>
        new(
            "Ferries of the fjord",
            whom,
            "17½",
            "20",
            "released on 3 May 2031",
            [
                new SheetPart(
                    "",
                    DrawingWriter.WriteText(drawing),
                    ["A ferry makes crossings."],
                    DrawingWriter.WriteText(Ferry),
                    ["A ferry makes any number of crossings."],
                    [new SheetLine("Entity Ferry", "1", "1"), new SheetLine("Ends of the line", "½", "2")],
                    "+¼",
                    notes,
                    ["Crew is drawn as a line."]
                ),
            ]
        );

    private static List<DraftReply> Replies(FeedbackSheet[] sheets, string? together) =>
        [.. DraftingTable.Do(DraftRequest.Of(sheets, together))];

    private static PdfDocument Open(byte[] document) => PdfDocument.Open(document);

    private static string TextOf(PdfDocument document) =>
        string.Join(' ', document.GetPages().SelectMany(page => page.GetWords()).Select(word => word.Text));

    [Fact]
    public void Everything_on_a_sheet_can_be_searched()
    {
        var note = Note("The key of Ferry is another.", Ferry.Shapes.First().Id) with
        {
            Decision = "Allowed in part by the marker. You explained it well – “hull” is fine.",
            Example = new SheetTable(
                "Could be kept as drawn: Two.",
                ["Ferry", "hull no"],
                [
                    ["ferry 1", "101"],
                    ["ferry 2", "101"],
                ]
            ),
        };
        using var document = Open(Replies([Sheet("Q7XP", Ferry, note)], null).ShouldHaveSingleItem().Picture!);
        var text = TextOf(document);
        foreach (
            var said in (string[])
                [
                    "Ferries of the fjord",
                    "17½ of 20",
                    "Q7XP · released on 3 May 2031",
                    "The key of Ferry is another.",
                    "−1½",
                    "Wanted: Another.",
                    "“hull” is fine.",
                    "hull no",
                    "Ends of the line ½ of 2",
                    "The total is rounded +¼",
                    "Crew is drawn as a line.",
                    "The model answer",
                ]
        )
        {
            text.ShouldContain(said);
        }
    }

    [Fact]
    public void What_is_missing_has_its_number_on_the_model_answer()
    {
        string Of(SheetNote note)
        {
            using var document = Open(Replies([Sheet("Q7XP", Ferry, note)], null).ShouldHaveSingleItem().Picture!);
            return TextOf(document);
        }

        var missing = Note("The pier is missing.") with { ModelElements = [Ferry.Shapes.First().Id] };
        Of(missing).ShouldContain("The model answer, with the numbers of what differs");
        Of(Note("The pier is missing.")).ShouldNotContain("with the numbers");
    }

    [Fact]
    public void What_a_drawing_says_stands_for_its_picture_when_it_is_read_aloud()
    {
        using var document = Open(Replies([Sheet("Q7XP", Ferry)], null)[0].Picture!);
        document.Structure.Catalog.CatalogDictionary.ContainsKey(NameToken.Create("StructTreeRoot")).ShouldBeTrue();
        var tokens = document.Structure.CrossReferenceTable.ObjectOffsets.Keys.Select(key =>
            document.Structure.GetObject(key).Data
        );
        var elements = tokens.OfType<DictionaryToken>().Where(token => token.ContainsKey(NameToken.Create("S"))).ToList();
        string Of(DictionaryToken element, string name) =>
            element.TryGet(NameToken.Create(name), out var value)
                ? value switch
                {
                    NameToken found => found.Data,
                    StringToken found => found.Data,
                    HexToken found => found.Data,
                    _ => "",
                }
                : "";
        var kinds = elements.Select(element => Of(element, "S")).ToList();
        foreach (var kind in (string[])["H1", "H2", "P", "Table", "TR", "TD", "Figure"])
        {
            kinds.ShouldContain(kind);
        }

        elements
            .Where(element => Of(element, "S") == "Figure")
            .Select(element => Of(element, "Alt"))
            .ShouldBe(["A ferry makes crossings.", "A ferry makes any number of crossings."]);
    }

    [Fact]
    public void All_in_one_tells_of_each_sheet_and_begins_each_on_a_page_of_its_own()
    {
        var replies = Replies([Sheet("AAAA", Ferry), Sheet("BBBB", Drawing.Empty), Sheet("CCCC", Ferry)], "Ferries");
        replies.Count.ShouldBe(4);
        replies.SkipLast(1).ShouldAllBe(reply => reply.MoreFollow && reply.Picture == null);
        replies[^1].MoreFollow.ShouldBeFalse();
        using var document = Open(replies[^1].Picture!);
        document
            .GetPages()
            .Select(page => string.Join(' ', page.GetWords().Select(word => word.Text)))
            .Count(text => text.Contains("released on 3 May", StringComparison.Ordinal))
            .ShouldBe(3);
        document.TryGetBookmarks(out var bookmarks).ShouldBeTrue();
        bookmarks!.Roots.Select(root => root.Title).ShouldBe(["AAAA", "BBBB", "CCCC"]);
    }

    [Fact]
    public void A_document_comes_for_each_sheet_when_they_are_wanted_apart()
    {
        var replies = Replies([Sheet("AAAA", Ferry), Sheet("BBBB", Ferry)], null);
        replies.Select(reply => reply.MoreFollow).ShouldBe([true, false]);
        foreach (var (reply, whom) in replies.Zip((string[])["AAAA", "BBBB"]))
        {
            using var document = Open(reply.Picture!);
            TextOf(document).ShouldContain(whom);
        }
    }

    [Fact]
    public void Many_long_notes_go_on_from_page_to_page_and_nothing_runs_over_an_edge()
    {
        var endless = string.Join(' ', Enumerable.Repeat("again and again", 400)) + new string('x', 300);
        var notes = Enumerable.Range(1, 30).Select(at => Note($"Fault {at}") with { Text = [at == 7 ? endless : "Short."] });
        using var document = Open(Replies([Sheet("Q7XP", Ferry, [.. notes])], null)[0].Picture!);
        document.NumberOfPages.ShouldBeGreaterThan(3);
        var text = TextOf(document);
        for (var at = 1; at <= 30; at++)
        {
            text.ShouldContain($"Fault {at}");
        }

        foreach (var page in document.GetPages())
        {
            page.Letters.ShouldAllBe(letter =>
                letter.BoundingBox.Left >= 50
                && letter.BoundingBox.Right <= page.Width - 50
                && letter.BoundingBox.Bottom >= 40
                && letter.BoundingBox.Top <= page.Height - 45
            );
        }
    }

    [Fact]
    public void A_wide_drawing_lies_on_its_side_with_its_heading()
    {
        var wide = Placer.Place(
            Enumerable
                .Range(1, 9)
                .Aggregate(new Sketch(), (sketch, at) => sketch.Box($"Ferry {at}", "PK hull no", "berths for passengers"))
                .ToDrawing()
        );
        var row = wide with
        {
            Sheets =
            [
                wide.Sheets[0] with
                {
                    Shapes =
                    [
                        .. wide.Shapes.Select((shape, at) => shape with { Place = shape.Place! with { X = at * 1200, Y = 0 } }),
                    ],
                },
            ],
        };
        using var document = Open(Replies([Sheet("Q7XP", row)], null)[0].Picture!);
        var first = document.GetPage(1);
        first.Width.ShouldBeGreaterThan(first.Height);
        string.Join(' ', first.GetWords().Select(word => word.Text)).ShouldContain("Ferries of the fjord");
        document.GetPages().Skip(1).ShouldAllBe(page => page.Height > page.Width);
    }

    [Fact]
    public void Lines_without_routes_run_as_the_slate_runs_them()
    {
        var settled = SlateGeometry.Settle(Placer.Place(Ferry));
        var line = settled.Sheets[0].Lines.ShouldHaveSingleItem();
        line.Route.Length.ShouldBeGreaterThan(1);
        line.Labels.Select(label => label.Kind).ShouldBe([LabelKind.Label, LabelKind.Label], ignoreOrder: true);
        SlateGeometry.Settle(settled).ShouldBeSameAs(settled);
        settled
            .Shapes.Select(shape => (shape.Id, shape.Place))
            .ShouldBe(Placer.Place(Ferry).Shapes.Select(shape => (shape.Id, shape.Place)));
    }

    [Fact]
    public void What_is_no_drawing_leaves_its_marks_and_notes_readable()
    {
        var sheet = Sheet("Q7XP", Ferry, Note("A fault."));
        var broken = sheet with { Parts = [sheet.Parts[0] with { Drawing = "{", ModelDrawing = null }] };
        using var document = Open(Replies([broken], null)[0].Picture!);
        TextOf(document).ShouldContain("A fault.");
    }
}
