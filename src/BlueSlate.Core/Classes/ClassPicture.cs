using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Marking;

namespace BlueSlate.Core.Classes;

/// <summary>
/// What a class drew, seen from the model answer: at each of its facts how many have it, who drew what instead and who drew nothing;
/// what was drawn besides; how the lines of the scheme were earned.
/// </summary>
/// <param name="Answers">How many answers there are.</param>
/// <param name="ByVariant">Those that were held against an accepted variant, and say nothing of the facts.</param>
/// <param name="Facts">The facts, in the model answer's order.</param>
/// <param name="Extras">What stands for nothing, what most drew first.</param>
/// <param name="Lines">The lines of the scheme.</param>
/// <param name="Kinds">The kinds of findings by how many answers have one.</param>
public sealed record ClassPicture(
    int Answers,
    ImmutableArray<int> ByVariant,
    ImmutableArray<FactCount> Facts,
    ImmutableArray<ExtraCount> Extras,
    ImmutableArray<LineCount> Lines,
    ImmutableArray<KindCount> Kinds
)
{
    /// <summary>The picture of some answers to one model answer.</summary>
    /// <param name="facts">The facts of the model answer.</param>
    /// <param name="scheme">The scheme by which the answers were marked.</param>
    /// <param name="answers">Their digests.</param>
    public static ClassPicture Of(IReadOnlyList<Fact> facts, MarkingScheme scheme, IReadOnlyList<AnswerDigest> answers)
    {
        var drawn = answers
            .SelectMany((answer, at) => answer.Facts.Select(fact => (fact.Id, Answer: at, Fact: fact)))
            .ToLookup(place => place.Id, place => (place.Answer, place.Fact), StringComparer.Ordinal);
        return new ClassPicture(
            answers.Count,
            [.. Enumerable.Range(0, answers.Count).Where(at => answers[at].ByVariant)],
            [.. facts.Select(fact => CountOf(fact, [.. drawn[fact.Id]]))],
            ExtrasOf(answers),
            LineStatistics.Of(scheme, answers),
            KindsOf(answers)
        );
    }

    private static FactCount CountOf(Fact fact, ImmutableArray<(int Answer, DigestFact Fact)> places) =>
        new(
            fact,
            [
                .. places
                    .Where(place => place.Fact.Verdict == VerdictKind.Wrong)
                    .GroupBy(place => place.Fact.Drawn, StringComparer.Ordinal)
                    .Select(group => new DrawnAs(group.Key, [.. group.Select(place => place.Answer)]))
                    .OrderByDescending(group => group.Answers.Length)
                    .ThenBy(group => group.Drawn, StringComparer.Ordinal),
            ],
            [
                .. places
                    .Where(place => place.Fact.Verdict is VerdictKind.Absent or VerdictKind.AbsentWithOwner)
                    .Select(place => place.Answer),
            ]
        );

    private static ImmutableArray<ExtraCount> ExtrasOf(IReadOnlyList<AnswerDigest> answers) =>
        [
            .. answers
                .SelectMany((answer, at) => answer.Extras.Select(extra => (Answer: at, Extra: extra)))
                .GroupBy(place => place.Extra.Key, StringComparer.Ordinal)
                .Select(group => new ExtraCount(
                    group.Key,
                    group.First().Extra.Kind,
                    MostUsual.Of(group.Select(place => place.Extra.Name)),
                    group.First().Extra.Near,
                    [.. group.Select(place => new ExtraAt(place.Answer, place.Extra.Element))]
                ))
                .OrderByDescending(extra => extra.Places.Length)
                .ThenBy(extra => extra.Key, StringComparer.Ordinal),
        ];

    private static ImmutableArray<KindCount> KindsOf(IReadOnlyList<AnswerDigest> answers) =>
        [
            .. answers
                .SelectMany((answer, at) => answer.Notes.Select(note => (note.Code, Answer: at)))
                .Distinct()
                .GroupBy(place => place.Code, StringComparer.Ordinal)
                .Select(group => new KindCount(group.Key, [.. group.Select(place => place.Answer)]))
                .OrderByDescending(kind => kind.Answers.Length)
                .ThenBy(kind => kind.Code, StringComparer.Ordinal),
        ];
}

/// <summary>A fact of the model answer in the answers of a class. Whoever is in neither list has it, in whatever way.</summary>
/// <param name="Fact">The fact.</param>
/// <param name="Otherwise">What was drawn instead, what most drew first.</param>
/// <param name="Absent">The answers in which nothing stands for it.</param>
public sealed record FactCount(Fact Fact, ImmutableArray<DrawnAs> Otherwise, ImmutableArray<int> Absent)
{
    /// <summary>How many do not have it as it is wanted.</summary>
    public int Amiss => Absent.Length + Otherwise.Sum(drawn => drawn.Answers.Length);
}

/// <summary>What some answers have in place of what is wanted, in the model answer's names; empty for nothing that can be told.</summary>
public sealed record DrawnAs(string Drawn, ImmutableArray<int> Answers);

/// <summary>Something that stands for nothing, in the answers of a class.</summary>
/// <param name="Key">What they have in common.</param>
/// <param name="Kind">What it is.</param>
/// <param name="Name">What most of them call it.</param>
/// <param name="Near">The things of the model answer beside which it stands, by id.</param>
/// <param name="Places">Where.</param>
public sealed record ExtraCount(
    string Key,
    string Kind,
    string Name,
    ImmutableArray<string> Near,
    ImmutableArray<ExtraAt> Places
);

/// <summary>An element of one of several answers.</summary>
public sealed record ExtraAt(int Answer, string Element);

/// <summary>How many answers have a finding of one kind.</summary>
public sealed record KindCount(string Code, ImmutableArray<int> Answers);

/// <summary>A line of the scheme in the answers of a class.</summary>
/// <param name="Line">The line.</param>
/// <param name="Share">The mean share of its marks that was earned, from 0 to 1; 0 without answers.</param>
/// <param name="Lost">The answers that did not earn all of it.</param>
/// <param name="Tells">
/// How well it tells strong answers from weak ones: the corrected item-total correlation, from −1 to 1; null below
/// <see cref="LineStatistics.Fewest"/> answers, or where all earned the same.
/// </param>
public sealed record LineCount(MarkLine Line, Rational Share, ImmutableArray<int> Lost, double? Tells);
