using BlueSlate.Core;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Marking;
using BlueSlate.Guide.Examples;

namespace BlueSlate.Guide;

/// <summary>The example of a kind of finding, with what checking says of it.</summary>
/// <param name="Example">The example.</param>
/// <param name="Assessor">Who assessed it.</param>
/// <param name="Assessment">What came of it.</param>
/// <param name="Finding">The finding of this kind.</param>
public sealed record AssessedExample(FindingExample Example, Assessor Assessor, Assessment Assessment, Finding Finding)
{
    /// <summary>The example of a kind that is in the catalogue.</summary>
    public static AssessedExample Of(FindingKind kind)
    {
        var example = ExampleArea.Of(kind.Code);
        var assessor = new Assessor(example.Model, example.Options, [], MarkingScheme.Asking(example.Asked));
        var assessment = assessor.Assess(example.Answer, []);
        return new AssessedExample(
            example,
            assessor,
            assessment,
            assessment.Findings.First(finding => finding.Code == kind.Code)
        );
    }
}
