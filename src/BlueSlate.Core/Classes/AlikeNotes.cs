using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Marking;

namespace BlueSlate.Core.Classes;

/// <summary>A note of one of several answers.</summary>
/// <param name="Answer">Which answer, by its place among those that were given.</param>
/// <param name="Note">The note.</param>
public sealed record NoteAt(int Answer, DigestNote Note);

/// <summary>One difference that some answers of a class share.</summary>
/// <param name="Key">What their notes have in common.</param>
/// <param name="Code">The kind of finding.</param>
/// <param name="Tag">The word that it carries.</param>
/// <param name="Headline">The difference in one sentence, as most of them have it.</param>
/// <param name="Loss">What it costs them together.</param>
/// <param name="Marked">Whether any line uses what it explains.</param>
/// <param name="Places">The notes, in the order of the answers.</param>
public sealed record AlikeNotes(
    string Key,
    string Code,
    Tag Tag,
    string Headline,
    Rational Loss,
    bool Marked,
    ImmutableArray<NoteAt> Places
)
{
    /// <summary>The differences of a class: those first that cost it most, then those that most answers share.</summary>
    public static ImmutableArray<AlikeNotes> Of(IReadOnlyList<AnswerDigest> answers) =>
        [
            .. answers
                .SelectMany((answer, at) => answer.Notes.Select(note => new NoteAt(at, note)))
                .GroupBy(place => place.Note.Key, StringComparer.Ordinal)
                .Select(group => Of([.. group]))
                .OrderByDescending(group => group.Loss)
                .ThenByDescending(group => group.Places.Length)
                .ThenBy(group => group.Headline, StringComparer.Ordinal)
                .ThenBy(group => group.Key, StringComparer.Ordinal),
        ];

    private static AlikeNotes Of(ImmutableArray<NoteAt> places) =>
        new(
            places[0].Note.Key,
            places[0].Note.Code,
            places[0].Note.Tag,
            MostUsual.Of(places.Select(place => place.Note.Headline)),
            places.Aggregate(Rational.Zero, (sum, place) => sum + place.Note.Loss),
            places.Any(place => place.Note.Marked),
            places
        );
}
