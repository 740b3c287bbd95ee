using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Relationships;

internal sealed class IdentifyingNotShown : ConceptFindingKind
{
    public override string Code => "identifying-not-shown";

    public override string Title => "Identifying relationship not shown as such";

    public override string Help =>
        "Where the class uses it, a solid line says that the far side is told apart only through this relationship.";

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.Identifying)
            .Where(verdict =>
                verdict is { Kind: VerdictKind.Wrong or VerdictKind.Absent, AnswerId: not null, Fact.Value: IdentifyingFact.Yes }
            )
            .Select(verdict =>
            {
                var relationship = evidence.ModelRelationship(verdict.Fact.ConceptId);
                var dependent = relationship.Roles.FirstOrDefault(role => role.Id == relationship.DependentRoleId)
                    ?? relationship.Roles[^1];
                var owner = relationship.Other(dependent);
                string one = evidence.ModelEntity(dependent.EntityId).Name,
                    other = evidence.ModelEntity(owner.EntityId).Name;
                var diamonds = Notation.Of(evidence.Comparison.Options.Notation).HasDiamonds;
                return new Finding
                {
                    Id = IdFor(relationship.Id),
                    Code = Code,
                    Tag = Tag.Notation,
                    Headline = diamonds
                        ? $"The diamond between {one} and {other} is not drawn as identifying."
                        : $"The line from {one} to {other} is not drawn as identifying.",
                    There =
                        diamonds ? $"The diamond between {one} and {other} has a single outline."
                        : verdict.Kind == VerdictKind.Absent
                            ? $"The line from {one} to {other} is thin: it does not say whether it identifies."
                        : $"The line from {one} to {other} is dashed.",
                    Wanted = diamonds
                        ? $"A diamond with a double outline between {one} and {other}."
                        : $"A solid line from {one} to {other}.",
                    Why =
                        $"As drawn, {Phrasing.One(one)} would be told apart without its {Phrasing.InText(other)}, and it is not.",
                    Claims = [verdict.Fact.Id],
                    ModelElements = [relationship.Id],
                    AnswerElements = [verdict.AnswerId!],
                };
            });
}
