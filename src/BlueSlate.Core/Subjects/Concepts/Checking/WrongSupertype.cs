using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking;

/// <summary>Subtypes of one set of the model answer whose counterparts are drawn beneath another supertype.</summary>
/// <param name="Set">The set as wanted.</param>
/// <param name="Missing">The verdicts on the links that are wanted.</param>
/// <param name="Supertype">The supertype as wanted.</param>
/// <param name="Drawn">The supertype as drawn.</param>
/// <param name="ExtraLinks">The links as drawn.</param>
internal sealed record WrongSupertype(
    Specialisation Set,
    ImmutableArray<Verdict> Missing,
    EntityType Supertype,
    EntityType Drawn,
    ImmutableArray<string> ExtraLinks
)
{
    public static IEnumerable<WrongSupertype> In(Evidence evidence) =>
        from verdict in evidence.Comparison.Bad(FactKinds.Subtype)
        where verdict is { Kind: VerdictKind.Absent, AnswerId: not null }
        let extra = evidence.Comparison.Extras.FirstOrDefault(extra =>
            extra.Kind == ExtraKinds.Subtype && evidence.AnswerSubtype(extra.AnswerId) == verdict.AnswerId
        )
        where extra is not null
        group (Verdict: verdict, Link: extra.AnswerId) by (
            Set: evidence.ModelSet(verdict.Fact.ConceptId).Id,
            Drawn: extra.OwnerId!
        ) into links
        let set = evidence.ModelSet(links.Key.Set)
        select new WrongSupertype(
            set,
            [.. links.Select(link => link.Verdict)],
            evidence.ModelEntity(set.SupertypeId),
            evidence.AnswerEntity(links.Key.Drawn),
            [.. links.Select(link => link.Link)]
        );

    /// <summary>
    /// The subtypes concerned, as a list in a sentence with its verb: <c>a fixer is</c>, <c>fixer and visitor are</c>.
    /// </summary>
    public string SubtypesAre(Evidence evidence, string one, string several) =>
        Missing is [var only]
            ? $"{Phrasing.One(NameOf(only, evidence))} {one}"
            : $"{Phrasing.List([.. Missing.Select(verdict => Phrasing.Several(NameOf(verdict, evidence)))])} {several}";

    /// <summary>
    /// Whether what is drawn above the subtype is, in the model answer, above or beneath what is wanted there.
    /// </summary>
    public bool IsOfTheSameLine(Evidence evidence)
    {
        var sets = evidence.Comparison.Model.Model.Specialisations;
        return evidence.ModelOf(Drawn.Id) is { } drawn && (IsAbove(drawn.Id, Supertype.Id) || IsAbove(Supertype.Id, drawn.Id));

        bool IsAbove(string above, string beneath)
        {
            var seen = new HashSet<string>(StringComparer.Ordinal) { beneath };
            for (var size = 0; size < seen.Count; )
            {
                size = seen.Count;
                seen.UnionWith(
                    sets.Where(set => set.Subtypes.Any(link => seen.Contains(link.EntityId)))
                        .Select(set => set.SupertypeId)
                        .ToList()
                );
            }

            return seen.Contains(above);
        }
    }

    /// <summary>
    /// A finding about it; what is said of the set goes with it, when all that the set holds is drawn elsewhere.
    /// </summary>
    public Finding ToFinding(FindingKind kind, string headline, string why, Evidence evidence)
    {
        var gone = Set.Subtypes.All(link => evidence.Comparison.On(FactKinds.Subtype, link.Id) is { IsBad: true });
        var names = Phrasing.List([.. Missing.Select(verdict => NameOf(verdict, evidence))]);
        return new Finding
        {
            Id = $"{kind.Code}:{Missing[0].Fact.ConceptId}",
            Code = kind.Code,
            Tag = Tag.Differs,
            Headline = Phrasing.Capital(headline),
            There =
                $"Drawn beneath {Drawn.Name}: "
                + $"{Phrasing.List([.. Missing.Select(verdict => evidence.AnswerEntity(verdict.AnswerId!).Name)])}.",
            Wanted = $"{names} beneath {Supertype.Name}.",
            Why = why,
            Claims = [.. Missing.Select(verdict => verdict.Fact.Id), .. gone ? evidence.BadFactsOf(Set.Id) : []],
            Extras = ExtraLinks,
            ModelElements = [.. Missing.Select(verdict => verdict.Fact.ConceptId)],
            AnswerElements = ExtraLinks,
        };
    }

    private string NameOf(Verdict missing, Evidence evidence) =>
        evidence.ModelEntity(Set.Subtypes.First(link => link.Id == missing.Fact.ConceptId).EntityId).Name;
}
