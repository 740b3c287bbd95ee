using System.Collections.Frozen;
using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Preparing;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Preparing;

/// <summary>
/// No words say by what a thing is told apart. A number or a code is given out for that; anything else has to be said.
/// </summary>
internal sealed class UndecidedKeys : ConceptPreflightKind
{
    // What things are numbered or marked for.
    private static readonly FrozenSet<string> GivenOut = FrozenSet.Create(
        StringComparer.Ordinal,
        "number",
        "code",
        "id",
        "reference",
        "barcode",
        "tag",
        "plate",
        "token",
        "sign",
        "mark"
    );

    private static readonly FrozenSet<string> TellApart = FrozenSet.Create(
        StringComparer.Ordinal,
        "know",
        "known",
        "identify",
        "identified",
        "unique",
        "uniquely",
        "distinct",
        "own",
        "other",
        "differ",
        "different",
        "tell",
        "number",
        "numbered",
        "count",
        "counted",
        "distinguish",
        "recognise",
        "share",
        "twice"
    );

    private static readonly FrozenSet<string> Within = FrozenSet.Create(
        StringComparer.Ordinal,
        "within",
        "each",
        "every",
        "afresh",
        "again",
        "numbered",
        "counted",
        "one's",
        "per",
        "without"
    );

    public override string Name => "undecided-key";

    public override int Order => 15;

    public override string Title => "Keys that no words decide";

    public override IEnumerable<PreflightItem> Find(ConceptPreflight one)
    {
        foreach (var entity in one.Model.Entities)
        {
            foreach (
                var (identifier, fact) in KeysOf(entity)
                    .Where(key => one.IsOpen(key.Fact, key.Concept))
                    .Select(key => (key.Identifier, key.Fact))
            )
            {
                var attributes = entity
                    .Attributes.Where(attribute => identifier.AttributeIds.Contains(attribute.Id) && attribute.ForeignKey is null)
                    .ToImmutableArray();
                if (attributes.IsEmpty || attributes.Any(attribute => one.IsTied(attribute.Id)))
                {
                    continue;
                }

                if (!IsDecided(identifier, attributes, entity, one.Spoken))
                {
                    yield return Say(one, identifier, attributes, entity, fact);
                }
            }
        }
    }

    private static IEnumerable<(Identifier Identifier, string Fact, string Concept)> KeysOf(EntityType entity) =>
        entity
            .Alternates.Select(alternate =>
                (alternate.Identifier, $"alternate-key:{alternate.AttributeId}", alternate.AttributeId)
            )
            .Concat(entity.Primary is { } key ? [(key, $"key:{entity.Id}", entity.Id)] : []);

    private static bool IsDecided(
        Identifier identifier,
        ImmutableArray<ConceptAttribute> attributes,
        EntityType entity,
        SpokenWords spoken
    )
    {
        var names = attributes.SelectMany(attribute => Language.Name.Of(attribute.Name).Words).ToHashSet(StringComparer.Ordinal);
        var said = spoken.Of(entity.Id).Select(one => one.Sentence).ToList();
        if (!attributes.All(attribute => spoken.Speaks(attribute, entity.Id)))
        {
            return false;
        }

        return identifier.Partial ? said.Exists(sentence => Says(sentence, Within))
            : identifier.Kind == IdentifierKind.Primary && names.Overlaps(GivenOut) ? true
            : said.Exists(sentence => sentence.Forms.Any(names.Contains) && Says(sentence, TellApart));
    }

    private static bool Says(ScenarioSentence sentence, FrozenSet<string> words) =>
        sentence.Forms.Any(words.Contains) || sentence.Written.Any(words.Contains);

    private PreflightItem Say(
        ConceptPreflight one,
        Identifier identifier,
        ImmutableArray<ConceptAttribute> attributes,
        EntityType entity,
        string fact
    )
    {
        var names = Phrasing.List([.. attributes.Select(attribute => Phrasing.InText(attribute.Name))]);
        var owner = one
            .Model.Relationships.Where(tie => identifier.OwnerRelationshipIds.Contains(tie.Id))
            .SelectMany(tie => tie.Roles)
            .FirstOrDefault(role => role.EntityId != entity.Id);
        return Item(
            fact,
            $"Nothing says that {Phrasing.One(entity.Name)} is known by {(attributes.Length == 1 ? "its" : "the")} {names}"
                + $"{(identifier.Partial ? " only together with what it belongs to" : "")}."
        ) with
        {
            Better =
                identifier.Partial && owner is not null
                    ? $"{Phrasing.Capital(Phrasing.Several(entity.Name))} are numbered from 1 within each "
                        + $"{Phrasing.InText(one.Model.Entity(owner.EntityId).Name)}."
                    : $"{Phrasing.Capital(Phrasing.One(entity.Name))} is known by {(attributes.Length == 1 ? "its" : "the")} {names}.",
            Elements = [ConceptId.Of(attributes[0].Id).Element],
        };
    }
}
