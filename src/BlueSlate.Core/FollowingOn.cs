using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Marking;

namespace BlueSlate.Core;

/// <summary>
/// A part of an exercise that students begin with their own drawing of an earlier one: what was amiss there, and still is, was marked
/// there. It is prepared once for both model answers and may then be used for any number of answers, from several threads at once.
/// </summary>
public sealed class FollowingOn
{
    private readonly Assessor assessor;
    private readonly Assessor earlier;
    private readonly ImmutableHashSet<string> asked;
    private readonly bool crosses;

    /// <summary>Prepares a part.</summary>
    /// <param name="assessor">By which it is marked.</param>
    /// <param name="earlier">By which the earlier part is marked. From work of another subject nothing is inherited.</param>
    public FollowingOn(Assessor assessor, Assessor earlier)
    {
        (this.assessor, this.earlier) = (assessor, earlier);
        crosses = assessor.Subject != earlier.Subject;
        asked = crosses
            ? []
            :
            [
                .. assessor
                    .Assess(Here(earlier.Model), [])
                    .Comparison.Verdicts.Where(verdict => verdict is { IsGood: true, PartlyRight: false })
                    .Select(verdict => verdict.Fact.Id),
            ];
    }

    /// <summary>
    /// An assessment in which what the drawing of the earlier part had already is inherited, and costs nothing. An answer that is taken
    /// by a variant inherits nothing.
    /// </summary>
    /// <param name="answer">The assessment of the answer to this part.</param>
    /// <param name="before">The answer to the earlier part.</param>
    /// <param name="stands">What a person said of what stands for what in the answer.</param>
    public Assessment Inherited(Assessment answer, IDocument before, ImmutableDictionary<string, string> stands) =>
        answer.ByVariant || crosses
            ? answer
            : answer.With(
                Inheritance.Of(
                    asked,
                    assessor.AssessAs(Here(before), stands).Comparison,
                    earlier.Assess(before, []).Comparison,
                    answer.Comparison
                )
            );

    private IDocument Here(IDocument document) => assessor.Subject.Into(document, earlier.Options, assessor.Options);
}
