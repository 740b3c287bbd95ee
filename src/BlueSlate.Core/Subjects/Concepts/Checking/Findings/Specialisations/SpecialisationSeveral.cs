using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Specialisations;

internal sealed class SpecialisationSeveral : ConceptFindingKind
{
    public override string Code => "specialisation-several";

    public override string Title => "A second supertype that is not wanted";

    public override string Help =>
        "A subtype with two supertypes is, each time, both of them at once. Where it is only the one, the other line says too much.";

    public override int Rank => 48;

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        from extra in evidence.Comparison.Extras
        where extra.Kind == ExtraKinds.Subtype
        let subtype = evidence.AnswerSubtype(extra.AnswerId)
        let first = evidence.Comparison.Answer.Model.Specialisations.FirstOrDefault(set =>
            set.Subtypes.Any(link => link.EntityId == subtype && evidence.IsSubtypeWanted(link.Id))
        )
        where first is not null
        let wanted = evidence.AnswerEntity(first.SupertypeId).Name
        let other = evidence.AnswerEntity(extra.OwnerId!).Name
        select new Finding
        {
            Id = IdFor(extra.AnswerId),
            Code = Code,
            Tag = Tag.Extra,
            Headline =
                $"{Phrasing.Capital(Phrasing.One(extra.Name))} is {Phrasing.One(wanted)}, but not {Phrasing.One(other)} as well.",
            There = $"{extra.Name} is drawn beneath {wanted} and beneath {other}.",
            Wanted = $"{extra.Name} beneath {wanted} alone.",
            Why =
                $"As drawn, each {Phrasing.InText(extra.Name)} would be {Phrasing.One(wanted)} and {Phrasing.One(other)} at once.",
            Extras = [extra.AnswerId],
            AnswerElements = [extra.AnswerId],
        };
}
