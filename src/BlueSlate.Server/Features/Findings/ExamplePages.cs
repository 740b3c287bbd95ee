using System.Collections.Concurrent;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Judging;
using BlueSlate.Guide;
using BlueSlate.Server.Features.Drafting;

namespace BlueSlate.Server.Features.Findings;

/// <summary>The drawn examples of the kinds of findings. They never change while the server runs, so that each is placed once.</summary>
public sealed class ExamplePages(DraftingPool drafting)
{
    private readonly ConcurrentDictionary<string, ExamplePage> pages = new(StringComparer.Ordinal);

    /// <summary>The example of a kind, drawn; a refusal while the drafting processes have too much to do.</summary>
    public async Task<(ExamplePage? Page, IResult? Refusal)> OfAsync(
        FindingKind kind,
        Guid person,
        CancellationToken cancellation
    )
    {
        if (pages.TryGetValue(kind.Code, out var page))
        {
            return (page, null);
        }

        var (example, _, assessment, finding) = AssessedExample.Of(kind);
        var (model, _, refused) = await drafting.PlaceAsync(person, example.Model, true, cancellation);
        if (model is null)
        {
            return (null, refused);
        }

        var beside = Beside(DrawingReader.Read(model).Drawing!, example.Answer);
        var (answer, _, also) = await drafting.PlaceAsync(person, beside, false, cancellation);
        if (answer is null)
        {
            return (null, also);
        }

        var notes = ResultDocument.Of(assessment, "").Notes;
        page = new ExamplePage(example.Options, model, answer, notes.First(note => note.Id == finding.Id));
        return (pages.GetOrAdd(kind.Code, page), null);
    }

    // What both drawings have stands in both at the same place.
    private static Drawing Beside(Drawing model, Drawing answer)
    {
        var places = model
            .Shapes.GroupBy(shape => (shape.Form, shape.Text))
            .ToDictionary(alike => alike.Key, alike => alike.First().Place);
        var taken = new HashSet<(string, string)>();
        Shape Placed(Shape shape) =>
            places.TryGetValue((shape.Form, shape.Text), out var place) && taken.Add((shape.Form, shape.Text))
                ? shape with
                {
                    Place = place,
                }
                : shape;
        return answer with
        {
            Sheets = [.. answer.Sheets.Select(sheet => sheet with { Shapes = [.. sheet.Shapes.Select(Placed)] })],
        };
    }
}

/// <summary>A drawn example: what the class has learned, both drawings, and the note.</summary>
public sealed record ExamplePage(WorkOptions Learned, string Model, string Answer, ResultNote Note);
