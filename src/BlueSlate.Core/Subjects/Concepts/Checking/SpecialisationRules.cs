using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;
using BlueSlate.Core.Subjects.Concepts.Matching;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking;

/// <summary>When subtypes, what is said of their sets, and unions are as wanted.</summary>
internal sealed class SpecialisationRules(VerdictLookup look)
{
    public Verdict OnSubtype(Fact fact)
    {
        if (look.Correspondence.Subtypes.TryGetValue(fact.ConceptId, out var match))
        {
            return new Verdict(
                fact,
                match.Reversed ? VerdictKind.Wrong : VerdictKind.Holds,
                match.AnswerId,
                match.Reversed ? "the other way round" : fact.Value
            );
        }

        var set = look.Model.Model.Specialisations.First(candidate => candidate.Subtypes.Any(link => link.Id == fact.ConceptId));
        var link = set.Subtypes.First(candidate => candidate.Id == fact.ConceptId);
        var drawn =
            look.CounterpartOf(set.SupertypeId) is not null && look.CounterpartOf(link.EntityId) is { } subtype
                ? subtype.Id
                : null;
        return look.Restated.Contains(fact.ConceptId)
            ? look.RestatedOr(fact, fact.ConceptId, VerdictKind.Absent)
            : new Verdict(fact, drawn is null ? VerdictKind.AbsentWithOwner : VerdictKind.Absent, drawn, "");
    }

    // Said of the answer's set that holds most of the wanted links, whichever way they lead.
    public Verdict OnSet(Fact fact, Func<Specialisation, EntityType, bool?> said, string yes, string no)
    {
        var links = look
            .Model.Model.Specialisations.First(set => set.Id == fact.ConceptId)
            .Subtypes.Select(link => look.Correspondence.Subtypes.GetValueOrDefault(link.Id))
            .OfType<SubtypeMatch>()
            .ToList();
        if (links.Count == 0)
        {
            return new Verdict(fact, VerdictKind.AbsentWithOwner, null, "");
        }

        var id = links
            .GroupBy(match => match.AnswerSetId, StringComparer.Ordinal)
            .OrderByDescending(group => group.Count())
            .First()
            .Key;
        var set = look.Answer.Model.Specialisations.First(candidate => candidate.Id == id);
        var text = said(set, look.Answer.Entities[set.SupertypeId]) switch
        {
            true => yes,
            false => no,
            null => "",
        };
        if (text.Length == 0 && links.All(match => match.Reversed))
        {
            // With one subtype beneath each nothing can be said of it.
            return new Verdict(fact, VerdictKind.Holds, id, "");
        }

        var verdict = VerdictLookup.Judge(fact, id, text, VerdictLookup.Equal);
        return fact.Kind == FactKinds.Disjoint && verdict.IsBad && look.Restated.Contains(fact.ConceptId)
            ? look.RestatedOr(fact, fact.ConceptId, VerdictKind.Wrong) with
            {
                Drawn = text,
            }
            : verdict;
    }

    public Verdict OnUnion(Fact fact)
    {
        var wanted = look.Model.Model.Unions.First(union => union.Id == fact.ConceptId);
        var category = look.CounterpartOf(wanted.CategoryId);
        var supers = wanted
            .Supertypes.Select(super => look.CounterpartOf(super.EntityId)?.Id)
            .OfType<string>()
            .ToHashSet(StringComparer.Ordinal);
        if (category is null || supers.Count == 0)
        {
            return new Verdict(fact, VerdictKind.AbsentWithOwner, null, "");
        }

        var drawn = look.Answer.Model.Unions.FirstOrDefault(union => union.CategoryId == category.Id);
        var holds = drawn is not null && supers.SetEquals(drawn.Supertypes.Select(super => super.EntityId));
        return new Verdict(
            fact,
            holds ? VerdictKind.Holds
                : drawn is null ? VerdictKind.Absent
                : VerdictKind.Wrong,
            drawn?.Id ?? category.Id,
            ""
        );
    }
}
