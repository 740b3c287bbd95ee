using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Preparing;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Preparing;

/// <summary>
/// A relationship of three or more of which no sentence speaks, or in which one of them is limited, the others given, and no words limit
/// it.
/// </summary>
internal sealed class UndecidedTogether : ConceptPreflightKind
{
    public override string Name => "undecided-together";

    public override int Order => 11;

    public override string Title => "What no words say of three together";

    public override IEnumerable<PreflightItem> Find(ConceptPreflight one) =>
        one.Model.Relationships.Where(tie => tie.Roles.Length > 2 && !one.IsTied(tie.Id)).SelectMany(tie => Find(tie, one));

    private IEnumerable<PreflightItem> Find(RelationshipType tie, ConceptPreflight one)
    {
        var told = one.Sentences.Where(said => tie.Roles.All(role => Names(one, said.Sentence, role))).ToList();
        if (told.Count == 0)
        {
            yield return Item(
                tie.Id,
                $"No sentence speaks of {Phrasing.List([.. tie.Roles.Select(role => Phrasing.One(NameOf(one, role)))])} together."
            ) with
            {
                Elements = [ConceptId.Of(tie.Id).Element],
            };
            yield break;
        }

        foreach (var role in tie.Roles.Where(role => role.CoOccurrence.Max == 1 && one.IsOpen($"max:{role.Id}", role.Id)))
        {
            if (told.Any(said => Limits(one, said.Sentence, role)))
            {
                continue;
            }

            var others = Phrasing.List([
                .. tie.Roles.Where(other => other != role).Select(other => $"one {Phrasing.InText(NameOf(one, other))}"),
            ]);
            yield return Item(
                role.Id,
                $"Nothing limits how many {Phrasing.Several(NameOf(one, role))} go with {others} together. "
                    + $"The model answer has at most one {Phrasing.InText(NameOf(one, role))}."
            ) with
            {
                Better = $"For {others} together there is at most one {Phrasing.InText(NameOf(one, role))}.",
                Places = [one.PlaceOf(told[0].Block, told[0].Sentence, 0, told[0].Sentence.Written.Length)],
                Elements = [ConceptId.Of(role.Id).Element],
            };
        }
    }

    // By the thing's name, or by its role.
    private static bool Names(ConceptPreflight one, ScenarioSentence sentence, RelationshipRole role) =>
        one.Names.In(sentence).SelectMany(one.Links.Above).Contains(role.EntityId)
        || (role.Role.Length > 0 && sentence.Find(Language.Name.Of(role.Role).Words).Any());

    // At most one fixer, always the same fixer: the words stand before it.
    private static bool Limits(ConceptPreflight one, ScenarioSentence sentence, RelationshipRole role) =>
        QuantityReader
            .Read(sentence)
            .Any(amount => amount.Value.Says is { Max: 1, Explicit: true } && IsBefore(one, sentence, amount.Value.End, role));

    private static bool IsBefore(ConceptPreflight one, ScenarioSentence sentence, int at, RelationshipRole role) =>
        at < sentence.Written.Length
        && (
            (one.Names.At(sentence, at) is var (_, thing, _) && one.Links.Above(thing).Contains(role.EntityId))
            || (role.Role.Length > 0 && sentence.Forms[at] == Language.Name.Of(role.Role).Words.FirstOrDefault())
        );

    private static string NameOf(ConceptPreflight one, RelationshipRole role) =>
        role.Role.Length > 0 ? role.Role : one.Model.Entity(role.EntityId).Name;
}
