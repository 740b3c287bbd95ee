using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Marking;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Notations.CrowsFoot;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Tests;

/// <summary>Makes assessors for tests, with the scheme derived from the model answer.</summary>
internal static class Exercise
{
    public static Assessor Of(Drawing model, Level level = Level.Conceptual, params Tolerance[] tolerances) =>
        Of(model, new CrowsFootOptions { Level = level }, tolerances);

    public static Assessor Of(Drawing model, WorkOptions options, params Tolerance[] tolerances)
    {
        var facts = FactsOf(model, options);
        return new Assessor(model, options, tolerances, SchemeDeriver.Derive(facts, 40));
    }

    /// <summary>The assessor of an example, with what its scheme asks for besides the model answer's facts.</summary>
    public static Assessor Of(Drawing model, FindingExample example)
    {
        var facts = FactsOf(model, example.Options);
        var scheme = SchemeDeriver.Derive(facts, 40);
        return new Assessor(
            model,
            example.Options,
            [],
            scheme with
            {
                Lines = [.. scheme.Lines, .. MarkingScheme.Asking(example.Asked).Lines],
            }
        );
    }

    private static ImmutableArray<Fact> FactsOf(Drawing model, WorkOptions options) => Subject.Of(options).Facts(model, options);

    public static Reading Read(Drawing drawing, Level level = Level.Conceptual) =>
        Notation.Read(drawing, new CrowsFootOptions { Level = level });
}
