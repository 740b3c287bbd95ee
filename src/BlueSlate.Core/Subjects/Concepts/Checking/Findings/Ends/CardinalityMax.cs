using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Ends;

internal sealed class CardinalityMax : ConceptFindingKind
{
    public override string Code => "cardinality-max";

    public override string Title => "Wrong maximum";

    public override string Help =>
        "The maximum at an end says how many there may be at most: one, or many. Ask: can there be a second?";

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.Maximum)
            .Where(verdict => verdict.Kind == VerdictKind.Wrong && !IsUnresolved(evidence, verdict))
            .Select(verdict =>
            {
                var end = evidence.Wording(verdict.Fact.ConceptId);
                var tooMany = verdict.Drawn == "*";
                if (end.IsOfSeveral)
                {
                    return OfSeveral(verdict, end, tooMany);
                }

                return AboutFact(
                    verdict,
                    Tag.Differs,
                    headline: tooMany
                        ? $"There could be {end.OneOther} that {end.Verb} several {Phrasing.Several(end.Here)}."
                        : $"{Phrasing.Capital(end.OneOther)} never {end.Verb} more than one {Phrasing.InText(end.Here)}.",
                    there: $"Drawn at {end.Here}: {end.OneOther} {end.Verb} {(tooMany ? "many" : $"at most {verdict.Drawn}")}.",
                    wanted: $"{Phrasing.Capital(end.OneOther)} {end.Verb} {Phrasing.Counted(end.Role.CoOccurrence, end.Here)}.",
                    why: tooMany
                        ? $"As drawn, a second {Phrasing.InText(end.Here)} may go with the same "
                            + $"{Phrasing.InText(end.Other)}; the scenario rules that out."
                        : $"As drawn, a second {Phrasing.InText(end.Here)} of the same {Phrasing.InText(end.Other)} could not be kept."
                );
            });

    // What is fixed is one of each of the others, all together.
    private Finding OfSeveral(Verdict verdict, EndWording end, bool tooMany) =>
        AboutFact(
            verdict,
            Tag.Differs,
            headline: tooMany
                ? $"{Phrasing.Capital(end.OneOfEach)} could go with several {Phrasing.Several(end.Here)}."
                : $"{Phrasing.Capital(end.OneOfEach)} never go with more than one {Phrasing.InText(end.Here)}.",
            there: $"Drawn at {end.Here}: {(tooMany ? "many" : $"at most {verdict.Drawn}")} for {end.OneOfEach} together.",
            wanted: $"{Phrasing.Capital(end.OneOfEach)} together go with {Phrasing.Counted(end.Role.CoOccurrence, end.Here)}.",
            why: tooMany
                ? $"As drawn, a second {Phrasing.InText(end.Here)} may go with the same {end.Others} together; the scenario rules that out."
                : $"As drawn, a second {Phrasing.InText(end.Here)} of the same {end.Others} together could not be kept."
        );

    private static bool IsUnresolved(Evidence evidence, Verdict verdict) =>
        evidence.Comparison.Options.Level == Notations.Level.Logical
        && evidence.AnswerRelationship(verdict.AnswerId!).IsManyToMany
        && evidence.ModelRelationship(verdict.Fact.ConceptId).IsManyToMany;
}
