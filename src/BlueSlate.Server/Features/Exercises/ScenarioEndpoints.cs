using BlueSlate.Scenarios;
using BlueSlate.Server.Hosting;

namespace BlueSlate.Server.Features.Exercises;

/// <summary>Writing the scenario of an exercise.</summary>
internal static class ScenarioEndpoints
{
    /// <summary>What stands against a text as a scenario; null when nothing does.</summary>
    public static IResult? Refusal(string text) =>
        text.Length > ScenarioRenderer.Longest
            ? Problems.Unreadable("too-long", $"A scenario has at most {ScenarioRenderer.Longest} characters.", "text")
        : !ScenarioRenderer.CanRender(text)
            ? Problems.Unreadable(
                "too-deep",
                "Lists or quotations are nested too deep here to be shown. Take out a few levels.",
                "text"
            )
        : null;

    /// <summary>Saves it while the exercise is not published.</summary>
    public static async Task<IResult> Save(
        Guid id,
        SaveTextRequest request,
        DocumentStore documents,
        CancellationToken cancellation
    ) => Refusal(request.Text) ?? await documents.SaveScenarioAsync(id, request.Revision, request.Text, cancellation);
}
