using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking;

/// <summary>
/// When what stands in the compartments of a class is as wanted: operations, literals, and the texts of members.
/// </summary>
internal sealed class MemberRules(VerdictLookup look)
{
    // A text of an attribute or operation; nothing written is absent, something else wrong.
    public Verdict OnMemberText(
        Fact fact,
        Func<ConceptAttribute, string> ofAttribute,
        Func<Operation, string>? ofOperation,
        Func<string, string, bool> same
    )
    {
        var (id, drawn) =
            look.Correspondence.Attributes.TryGetValue(fact.ConceptId, out var attribute)
                ? (attribute.AnswerId, ofAttribute(look.Answer.Attribute(attribute.AnswerId).Attribute))
            : ofOperation is not null && look.Correspondence.Members.TryGetValue(fact.ConceptId, out var member)
                ? (member.AnswerId, ofOperation(look.Answer.Operations[member.AnswerId].Operation))
            : (null, "");
        return id is null
            ? look.RestatedOr(fact, fact.ConceptId, VerdictKind.AbsentWithOwner)
            : VerdictLookup.Judge(fact, id, drawn, same);
    }

    public Verdict OnMember(Fact fact)
    {
        if (look.Correspondence.Members.TryGetValue(fact.ConceptId, out var match))
        {
            var name = look.Answer.Operations.TryGetValue(match.AnswerId, out var pair) ? pair.Operation.Name : fact.Value;
            return new Verdict(fact, match.Moved ? VerdictKind.Wrong : VerdictKind.Holds, match.AnswerId, name);
        }

        if (look.Restated.Contains(fact.ConceptId))
        {
            return look.RestatedOr(fact, fact.ConceptId, VerdictKind.Absent);
        }

        var owner = look.Model.Entities.Values.First(entity =>
            entity.Operations.Any(operation => operation.Id == fact.ConceptId)
            || entity.Literals.Any(literal => literal.Id == fact.ConceptId)
        );
        return look.CounterpartOf(owner.Id) is { } drawn
            ? new Verdict(fact, VerdictKind.Absent, drawn.Id, "")
            : new Verdict(fact, VerdictKind.AbsentWithOwner, null, "");
    }

    // The same number of parameters with the same families of types, and the return type; names of parameters are free.
    public Verdict OnSignature(Fact fact)
    {
        if (!look.Correspondence.Members.TryGetValue(fact.ConceptId, out var match))
        {
            return look.RestatedOr(fact, fact.ConceptId, VerdictKind.AbsentWithOwner);
        }

        var wanted = look.Model.Operations[fact.ConceptId].Operation;
        var drawn = look.Answer.Operations[match.AnswerId].Operation;
        var parameters =
            wanted.Parameters.Length == drawn.Parameters.Length
            && wanted.Parameters.Zip(drawn.Parameters).All(pair => look.Types.Same(pair.First.Type, pair.Second.Type));
        var returns = look.Types.Same(wanted.Returns, drawn.Returns);
        return new Verdict(
            fact,
            parameters && returns ? VerdictKind.Holds : VerdictKind.Wrong,
            match.AnswerId,
            FactList.SignatureOf(drawn),
            parameters != returns
        );
    }

    // An interface's operations are abstract without any mark.
    public bool IsAbstract(Operation operation) =>
        operation.Abstract
        || look.Answer.Model.Entities.Any(entity => entity.Kind == EntityKind.Interface && entity.Operations.Contains(operation));
}
