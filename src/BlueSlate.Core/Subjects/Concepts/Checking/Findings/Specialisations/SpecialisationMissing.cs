using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Specialisations;

internal sealed class SpecialisationMissing : ConceptFindingKind
{
    public override string Code => "specialisation-missing";

    public override string Title => "Specialisation missing";

    public override string Help =>
        "What is a kind of something else is drawn as its subtype: it has all that the supertype has, and something of its own.";

    public override int Rank => 44;

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.Subtype)
            .Where(verdict => verdict.Kind is VerdictKind.Absent or VerdictKind.AbsentWithOwner)
            .GroupBy(verdict => evidence.ModelSet(verdict.Fact.ConceptId).Id)
            .Select(group =>
            {
                var set = evidence.ModelSet(group.Key);
                var super = evidence.ModelEntity(set.SupertypeId).Name;
                var links = set.Subtypes.Where(link => group.Any(verdict => verdict.Fact.ConceptId == link.Id)).ToList();
                var subs = Phrasing.List([.. links.Select(link => Phrasing.InText(evidence.ModelEntity(link.EntityId).Name))]);
                var absent = links
                    .Select(link => link.EntityId)
                    .Append(set.SupertypeId)
                    .FirstOrDefault(id => evidence.Comparison.On(FactKinds.Entity, id) is { IsBad: true });
                var drawn = links.Select(link => evidence.CounterpartOf(link.EntityId)?.Id).OfType<string>().ToList();
                return new Finding
                {
                    Id = IdFor(set.Id),
                    Code = Code,
                    Tag = Tag.Missing,
                    Headline =
                        $"{Phrasing.Capital(subs)} {(links.Count == 1 ? "is" : "are")} not shown as a kind of {Phrasing.InText(super)}.",
                    There = $"Nothing ties {subs} to {Phrasing.InText(super)}.",
                    Wanted = $"A specialisation of {super}.",
                    Why =
                        $"As drawn, {Phrasing.One(evidence.ModelEntity(links[0].EntityId).Name)} would have nothing of "
                        + $"what every {Phrasing.InText(super)} has.",
                    Claims = [.. group.Select(verdict => verdict.Fact.Id), .. evidence.BadFactsOf(set.Id)],
                    Extras =
                    [
                        .. evidence
                            .Comparison.Extras.Where(extra =>
                                extra.Kind == ExtraKinds.Subtype && drawn.Contains(evidence.AnswerSubtype(extra.AnswerId))
                            )
                            .Select(extra => extra.AnswerId),
                    ],
                    ModelElements = [.. links.Select(link => link.Id)],
                    AnswerElements = [.. drawn],
                    ConsequenceOf = absent is null ? null : evidence.RootOfMissing(absent),
                };
            });
}
