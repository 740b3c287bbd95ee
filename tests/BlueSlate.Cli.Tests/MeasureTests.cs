using System.Collections.Immutable;
using System.Text.Json;
using BlueSlate.Core.Drawings;
using BlueSlate.Drafting;
using Shouldly;
using Xunit;

namespace BlueSlate.Cli.Tests;

/// <summary>Texts and shapes measure the same here and on the slate: both are held to one golden list.</summary>
public sealed class MeasureTests
{
    private static readonly JsonElement Golden = JsonDocument
        .Parse(
            File.ReadAllBytes(
                Path.Combine(AppContext.BaseDirectory, "..", "..", "..", "..", "..", "tests", "golden", "measures.json")
            )
        )
        .RootElement;

    [Fact]
    public void Texts_are_as_wide_as_the_golden_list_says()
    {
        foreach (var text in Golden.GetProperty("texts").EnumerateArray())
        {
            TextWidths
                .Of(
                    text.GetProperty("text").GetString()!,
                    text.GetProperty("size").GetDouble(),
                    text.GetProperty("bold").GetBoolean()
                )
                .ShouldBe(text.GetProperty("width").GetDouble(), 1e-6, text.GetProperty("text").GetString());
        }
    }

    private static ImmutableArray<ImmutableArray<TextLine>> Compartments(JsonElement shape, ImmutableArray<TextLine> rows)
    {
        if (!shape.TryGetProperty("parts", out var parts))
        {
            return rows.IsEmpty ? [] : [rows];
        }

        var at = 0;
        return
        [
            .. parts
                .EnumerateArray()
                .Select(part => part.GetInt32())
                .Select(length => rows.Slice((at += length) - length, length)),
        ];
    }

    [Fact]
    public void Shapes_are_as_large_as_the_golden_list_says()
    {
        foreach (var shape in Golden.GetProperty("shapes").EnumerateArray())
        {
            var rows = shape
                .GetProperty("rows")
                .EnumerateArray()
                .Select(
                    (row, i) =>
                        new TextLine(
                            $"t{i}",
                            row.GetProperty("mark").GetString()!,
                            row.GetProperty("ring").GetBoolean(),
                            row.GetProperty("text").GetString()!,
                            Underline.None
                        )
                );
            var form = shape.GetProperty("form").GetString()!;
            var (width, height) = ShapeSizes.Of(
                new Shape("b", form, Outline.Single, shape.GetProperty("text").GetString()!, Compartments(shape, [.. rows]), null)
            );
            width.ShouldBe(shape.GetProperty("width").GetDouble(), 1e-6);
            height.ShouldBe(shape.GetProperty("height").GetDouble(), 1e-6);
        }
    }
}
