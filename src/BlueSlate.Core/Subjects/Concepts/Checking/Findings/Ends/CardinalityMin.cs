using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Ends;

internal sealed class CardinalityMin : ConceptFindingKind
{
    public override string Code => "cardinality-min";

    public override string Title => "Wrong minimum";

    public override string Help =>
        "The minimum at an end says how many there must be at least: none, or one. Ask: can there be one without?";

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.Minimum)
            .Where(verdict => verdict.Kind == VerdictKind.Wrong)
            .Select(verdict =>
            {
                var end = evidence.Wording(verdict.Fact.ConceptId);
                var couldBeNone = verdict.Drawn == "0";
                var wanted = end.Role.CoOccurrence;
                return AboutFact(
                    verdict,
                    Tag.Differs,
                    headline: couldBeNone
                        ? $"There could be {end.OneOther} that {end.Verb} no {Phrasing.InText(end.Here)}."
                        : $"{Phrasing.Capital(end.OneOther)} without {end.OneHere} is ruled out.",
                    there: $"Drawn at {end.Here}: {end.OneOther} {end.Verb} at least {verdict.Drawn}.",
                    wanted: $"{Phrasing.Capital(end.OneOther)} {end.Verb} {Phrasing.Counted(wanted, end.Here)}.",
                    why: couldBeNone
                        ? Beyond(end, evidence) is { } beyond
                            ? $"As drawn, {end.OneOther} may be kept before it {end.Verb} any "
                                + $"{Phrasing.InText(end.Here)}, and then nothing would say to which "
                                + $"{Phrasing.InText(beyond)} it belongs."
                            : $"As drawn, {end.OneOther} may be kept before it {end.Verb} any "
                                + $"{Phrasing.InText(end.Here)}; the scenario rules that out."
                        : $"As drawn, {end.OneOther} cannot be kept until it {end.Verb} {Phrasing.One(end.Here)}; the scenario allows it."
                );
            });

    // A chasm: through this end leads the only way to something that each has exactly one of.
    private static string? Beyond(EndWording end, Evidence evidence)
    {
        if (end.Role.CoOccurrence is not { Min: 1, Max: 1 })
        {
            return null;
        }

        var (here, other) = (end.Role.EntityId, end.Relationship.Other(end.Role).EntityId);
        return evidence
            .Comparison.Model.Model.RelationshipsOf(here)
            .Where(relationship =>
                relationship.Roles.Length == 2 && relationship.Id != end.Relationship.Id && !relationship.IsRecursive
            )
            .Select(relationship => relationship.Other(relationship.Roles.First(role => role.EntityId == here)))
            .Where(far =>
                far.CoOccurrence is { Min: 1, Max: 1 }
                && far.EntityId != other
                && !Joined(far.EntityId, other, evidence.Comparison.Model.Model)
            )
            .Select(far => evidence.ModelEntity(far.EntityId).Name)
            .FirstOrDefault();
    }

    private static bool Joined(string one, string other, ConceptModel model) =>
        model.RelationshipsOf(one).Any(relationship => relationship.Roles.Any(role => role.EntityId == other));
}
