using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Specialisations;

internal sealed class SpecialisationExtra : ConceptFindingKind
{
    public override string Code => "specialisation-extra";

    public override string Title => "Specialisation that is not wanted";

    public override string Help =>
        "A subtype is a kind of its supertype. What merely belongs to it, or is used by it, is tied by a relationship.";

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Extras.Where(extra => extra.Kind == ExtraKinds.Subtype)
            .Select(extra =>
            {
                var super = evidence.AnswerEntity(extra.OwnerId!).Name;
                return new Finding
                {
                    Id = IdFor(extra.AnswerId),
                    Code = Code,
                    Tag = Tag.Extra,
                    Headline = $"Nothing says that {Phrasing.One(extra.Name)} is a kind of {Phrasing.InText(super)}.",
                    There = $"{extra.Name} is drawn beneath {super}.",
                    Wanted = $"No specialisation of {super} to {extra.Name}.",
                    Why = $"As drawn, {Phrasing.One(extra.Name)} would have all that {Phrasing.One(super)} has.",
                    Extras = [extra.AnswerId],
                    AnswerElements = [extra.AnswerId],
                };
            });
}
