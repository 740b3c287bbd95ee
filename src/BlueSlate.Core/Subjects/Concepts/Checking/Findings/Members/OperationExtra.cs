using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Members;

internal sealed class OperationExtra : ConceptFindingKind
{
    public override string Code => "operation-extra";

    public override string Title => "Operation that is not wanted";

    public override string Help => "Accessors and constructors need no line; other operations want a reason in the scenario.";

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Extras.Where(extra => extra.Kind == ExtraKinds.Operation && !IsRoutine(evidence, extra))
            .Select(extra =>
            {
                var owner = evidence.AnswerEntity(extra.OwnerId!).Name;
                return new Finding
                {
                    Id = IdFor(extra.AnswerId),
                    Code = Code,
                    Tag = Tag.Extra,
                    Headline = $"Nothing in the scenario asks for {extra.Name} of {Phrasing.InText(owner)}.",
                    There = $"{owner} has the operation {extra.Name}.",
                    Wanted = $"{owner} without {extra.Name}: the scenario gives no reason for it.",
                    Why = $"Whoever builds {Phrasing.InText(owner)} would build {extra.Name} for nobody.",
                    Extras = [extra.AnswerId],
                    AnswerElements = [extra.AnswerId],
                };
            });

    // Accessors, constructors, and operations that a class has from its supertype or interface.
    private static bool IsRoutine(Evidence evidence, Extra extra)
    {
        var name = Name.Of(extra.Name);
        var inherited = evidence
            .Comparison.Model.Model.Entities.SelectMany(entity => entity.Operations)
            .Any(operation => Name.Of(operation.Name).Key == name.Key);
        return inherited
            || name.Words is ["get" or "set", ..]
            || name.Key == Name.Of(evidence.AnswerEntity(extra.OwnerId!).Name).Key
            || name.Words is ["create" or "new"];
    }
}
