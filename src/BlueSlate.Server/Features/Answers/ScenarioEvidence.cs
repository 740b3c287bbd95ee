using BlueSlate.Core.Interchange;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Preparing;
using BlueSlate.Server.Features.Exercises;

namespace BlueSlate.Server.Features.Answers;

/// <summary>What in a scenario speaks for and against what was judged.</summary>
/// <param name="Rows">What of the answer its rows speak against, where the part tells that.</param>
/// <param name="ModelWords">
/// The words from which the model answer has what it draws, besides those that are tied to it; none where it is not shown.
/// </param>
public sealed record ScenarioEvidence(RowRemark[] Rows, ProposedTie[] ModelWords)
{
    /// <summary>Of an answer to a part.</summary>
    /// <param name="part">The part.</param>
    /// <param name="answer">What was drawn.</param>
    /// <param name="model">The model answer; null where it is not shown.</param>
    /// <param name="prose">The scenario.</param>
    /// <param name="drawn">What the answer is called where something is said of it.</param>
    internal static ScenarioEvidence Of(
        PartDocument part,
        IDocument answer,
        IDocument? model,
        ScenarioProse prose,
        string drawn
    ) =>
        new(
            RowRemark.Of(part, answer, prose, drawn),
            model is null ? [] : [.. Subject.Of(part.Learned).Cover(new PreflightCase(model, part.Learned, prose)).Proposed]
        );
}
