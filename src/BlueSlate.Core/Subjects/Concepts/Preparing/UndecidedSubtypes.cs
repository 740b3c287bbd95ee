using System.Collections.Frozen;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Preparing;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Preparing;

/// <summary>No words say whether subtypes may be had together, or whether there are others besides.</summary>
internal sealed class UndecidedSubtypes : ConceptPreflightKind
{
    private static readonly FrozenSet<string> Disjoint = FrozenSet.Create(
        StringComparer.Ordinal,
        "either",
        "never",
        "not",
        "both",
        "one",
        "no"
    );

    private static readonly FrozenSet<string> Overlapping = FrozenSet.Create(
        StringComparer.Ordinal,
        "both",
        "several",
        "also",
        "too",
        "once"
    );

    private static readonly FrozenSet<string> Total = FrozenSet.Create(
        StringComparer.Ordinal,
        "every",
        "each",
        "all",
        "either",
        "only",
        "no",
        "nobody",
        "nothing",
        "none"
    );

    private static readonly FrozenSet<string> Partial = FrozenSet.Create(
        StringComparer.Ordinal,
        "neither",
        "other",
        "others",
        "may",
        "can",
        "some",
        "none",
        "among",
        "else"
    );

    public override string Name => "undecided-subtypes";

    public override int Order => 12;

    public override string Title => "Subtypes that no words decide";

    public override IEnumerable<PreflightItem> Find(ConceptPreflight one) =>
        one
            .Model.Specialisations.Where(set => !one.IsTied(set.Id))
            .SelectMany(set => new[] { Together(set, one), Others(set, one) })
            .OfType<PreflightItem>();

    private PreflightItem? Together(Specialisation set, ConceptPreflight one)
    {
        var kinds = set.Subtypes.Select(link => one.Model.Entity(link.EntityId).Name).ToList();
        if (set.Disjoint is not { } disjoint || kinds.Count < 2 || !one.IsOpen($"disjoint:{set.Id}", set.Id))
        {
            return null;
        }

        var about = Sentences(set, one);
        return about.Exists(said => Says(said.Sentence, disjoint ? Disjoint : Overlapping))
            ? null
            : Item(
                $"disjoint:{set.Id}",
                $"Nothing says whether one and the same {Phrasing.InText(one.Model.Entity(set.SupertypeId).Name)} can be "
                    + $"{Phrasing.List([.. kinds.Select(Phrasing.One)])}. The model answer says {(disjoint ? "no" : "yes")}."
            ) with
            {
                Better = disjoint
                    ? $"Nothing is both {string.Join(" and ", kinds.Select(Phrasing.One))}."
                    : $"{Phrasing.Capital(Phrasing.One(one.Model.Entity(set.SupertypeId).Name))} may be both "
                        + $"{string.Join(" and ", kinds.Select(Phrasing.One))}.",
                Places =
                [
                    .. about.Select(said => one.PlaceOf(said.Block, said.Sentence, 0, said.Sentence.Written.Length)).Take(1),
                ],
                Elements = [ConceptId.Of(set.Id).Element],
            };
    }

    private PreflightItem? Others(Specialisation set, ConceptPreflight one)
    {
        if (set.Total is not { } total || !one.IsOpen($"total:{set.Id}", set.Id))
        {
            return null;
        }

        var about = Sentences(set, one);
        var super = one.Model.Entity(set.SupertypeId).Name;
        var kinds = set.Subtypes.Select(link => Phrasing.One(one.Model.Entity(link.EntityId).Name)).ToList();
        return about.Exists(said => Says(said.Sentence, total ? Total : Partial))
            ? null
            : Item(
                $"total:{set.Id}",
                $"Nothing says whether there may be {Phrasing.Several(super)} that are {NoneOf(kinds)}. "
                    + $"The model answer says {(total ? "no" : "yes")}."
            ) with
            {
                Better = total
                    ? $"There are no other {Phrasing.Several(super)}."
                    : $"There are other {Phrasing.Several(super)} too.",
                Places =
                [
                    .. about.Select(said => one.PlaceOf(said.Block, said.Sentence, 0, said.Sentence.Written.Length)).Take(1),
                ],
                Elements = [ConceptId.Of(set.Id).Element],
            };
    }

    private static string NoneOf(List<string> kinds) =>
        kinds.Count == 1 ? $"not {kinds[0]}" : $"neither {string.Join(" nor ", kinds)}";

    // Those that name two of the kinds, or one with what it is a kind of, and those that follow them.
    private static List<(int Block, ScenarioSentence Sentence)> Sentences(Specialisation set, ConceptPreflight one)
    {
        var kinds = set.Subtypes.Select(link => link.EntityId).ToHashSet(StringComparer.Ordinal);
        var found = new List<(int Block, ScenarioSentence Sentence)>();
        for (var at = 0; at < one.Sentences.Length; at++)
        {
            var (block, sentence) = one.Sentences[at];
            var named = one
                .Names.In(sentence)
                .Concat(kinds.Where(kind => one.Spoken.NamesBySort(kind, set.SupertypeId, sentence)))
                .ToHashSet(StringComparer.Ordinal);
            if (named.Count(kinds.Contains) >= 2 || (named.Any(kinds.Contains) && named.Contains(set.SupertypeId)))
            {
                found.Add((block, sentence));
            }
        }

        return found;
    }

    private static bool Says(ScenarioSentence sentence, FrozenSet<string> words) => sentence.Written.Any(words.Contains);
}
