using BlueSlate.Core.Drawings;
using BlueSlate.Server.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace BlueSlate.Server.Features.Exercises;

/// <summary>Reads drawings that come from outside, and refuses with the place of what cannot be read.</summary>
public static class DrawingInput
{
    /// <summary>The drawing, or the problem to answer with.</summary>
    public static (Drawing? Drawing, ProblemHttpResult? Refusal) Read(string text)
    {
        var outcome = DrawingReader.Read(text);
        return outcome.Drawing is { } drawing
            ? (drawing, null)
            : (
                null,
                Problems.Unreadable(
                    "drawing-" + outcome.Problems[0].Key,
                    outcome.Problems[0].Message,
                    $"line {outcome.Problems[0].Line}, {outcome.Problems[0].Path}"
                )
            );
    }
}
