using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using CsCheck;

namespace BlueSlate.Core.Tests;

/// <summary>
/// Drawings at random: any form, outline, mark and stroke anywhere, lines to themselves, to lines and to nothing.
/// </summary>
internal static class RandomDrawings
{
    private static readonly Gen<string> Text = Pick(
        "",
        "Visit",
        "visit no",
        "PK date",
        "{skills}",
        "[age]",
        "name (first, last)",
        "é ß 漢",
        "a\nb",
        "1..n",
        "some",
        "Item",
        "item_no"
    );

    private static readonly Gen<TextLine> Row = Gen.Select(
        Pick("", "PK", "FK1", "AK2", "PPK", "PK FK", "pk/fk", "ZZ"),
        Gen.Bool,
        Text,
        Gen.Enum<Underline>(),
        (mark, ring, text, underline) => new TextLine("", mark, ring, text, underline)
    );

    private static readonly Gen<ImmutableArray<string>> Marks = Pick([.. Symbols.Ends.All.Select(symbol => symbol.Name)])
        .Array[0, 4]
        .Select(marks => marks.ToImmutableArray());

    public static Gen<Drawing> Any { get; } =
        Gen.Select(
            Gen.Select(
                Pick([.. Symbols.Forms.All.Select(symbol => symbol.Name)]),
                Gen.Enum<Outline>(),
                Text,
                Row.Array[0, 5],
                Gen.Int[-900, 900],
                (form, outline, text, rows, at) => (form, outline, text, rows, at)
            ).Array[0, 9],
            Gen.Select(
                Gen.Enum<Stroke>(),
                Text,
                Gen.Int[0, 60],
                Gen.Int[0, 60],
                Marks,
                Marks,
                Text,
                (stroke, text, from, to, marks, others, label) => (stroke, text, from, to, marks, others, label)
            ).Array[0, 12],
            (shapes, lines) => Assemble(shapes, lines)
        );

    private static Gen<string> Pick(params string[] texts) => Gen.Int[0, texts.Length - 1].Select(i => texts[i]);

    private static Drawing Assemble(
        (string Form, Outline Outline, string Text, TextLine[] Rows, int At)[] shapes,
        (
            Stroke Stroke,
            string Text,
            int From,
            int To,
            ImmutableArray<string> Marks,
            ImmutableArray<string> Others,
            string Label
        )[] lines
    )
    {
        var drawn = shapes
            .Select(
                (shape, i) =>
                    new Shape(
                        $"b{i}",
                        shape.Form,
                        shape.Outline,
                        shape.Text,
                        shape.Rows.Length == 0
                            ? []
                            :
                            [
                                [.. shape.Rows.Select((row, n) => row with { Id = $"t{i}x{n}" })],
                            ],
                        shape.At % 3 == 0 ? null : new Place(shape.At, -shape.At, 100, 50)
                    )
                    {
                        Pinned = shape.At % 5 == 0,
                        Italic = shape.At % 7 == 0,
                        Underline = (Underline)(Math.Abs(shape.At) % 3),
                    }
            )
            .ToImmutableArray();
        var rows = drawn.SelectMany(shape => shape.TextLines).ToList();
        var tied = lines
            .Select(
                (line, i) =>
                    new Line(
                        $"r{i}",
                        line.Stroke,
                        line.Text,
                        new LineEnd(On(line.From), line.Marks, line.Label),
                        new LineEnd(On(line.To), line.Others, Count: line.Text)
                        {
                            Qualifier = line.From % 11 == 0 ? line.Label : "",
                            Edge = (BoxEdge)(line.From % 5),
                        },
                        []
                    )
                    {
                        Along =
                            line.From % 3 == 0 ? [new Along(AlongMark.Cup, line.To % 2 == 0 ? EndSide.From : EndSide.To)] : [],
                        Pointer = (EndSide)(line.To % 3),
                        Labels =
                            line.To % 5 == 0
                                ?
                                [
                                    new LabelPlace(
                                        LabelKind.Text,
                                        EndSide.Neither,
                                        new Point(line.From, -line.To),
                                        line.From % 2 == 0
                                    ),
                                ]
                                : [],
                    }
            )
            .ToImmutableArray();
        var regions = drawn.IsEmpty
            ? ImmutableArray<Region>.Empty
            : [new Region("g1", "area", 1 + (drawn.Length % 6), [.. drawn.Take(2).Select(shape => shape.Id)])];
        return new Drawing([new Sheet("sheet1", "", drawn, tied) { Regions = regions }, new Sheet("sheet2", "more", [], [])])
        {
            Comments = drawn.IsEmpty ? [] : [new Comment(drawn[0].Id, "what it means")],
        };

        Attachment On(int n) =>
            n switch
            {
                < 40 when drawn.Length > 0 => Attachment.ToShape(drawn[n % drawn.Length].Id),
                < 48 when rows.Count > 0 => new Attachment(AttachmentKind.Row, rows[n % rows.Count].Id),
                < 52 when lines.Length > 0 => new Attachment(AttachmentKind.Line, $"r{n % lines.Length}"),
                < 56 when lines.Length > 0 => new Attachment(
                    AttachmentKind.End,
                    $"r{n % lines.Length}{(n % 2 == 0 ? EndSuffix.From : EndSuffix.To)}"
                ),
                _ => Attachment.Nothing,
            };
    }
}
