using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Classes;

/// <summary>One place in one of several answers at which a question is to be asked.</summary>
/// <param name="Answer">Which answer, by its place among those that were given.</param>
/// <param name="Guess">What may stand for what there.</param>
public sealed record AskedAt(int Answer, Guess Guess);

/// <summary>
/// A question about the answers of a class that only somebody who knows the scenario can answer: is what some of them call by one name
/// what the model answer calls by another?
/// </summary>
/// <param name="ModelId">The thing of the model answer.</param>
/// <param name="FactId">The fact that it is there.</param>
/// <param name="Model">Its name.</param>
/// <param name="Owner">The name of the model answer's thing that owns it; null for one that stands by itself.</param>
/// <param name="Drawn">What the answers call it, as most of them write it.</param>
/// <param name="TakenIn">In how many of them it was taken for it.</param>
/// <param name="Places">Where, in the order of the answers.</param>
public sealed record ClassQuestion(
    string ModelId,
    string FactId,
    string Model,
    string? Owner,
    string Drawn,
    int TakenIn,
    ImmutableArray<AskedAt> Places
)
{
    private const int Several = 3;

    /// <summary>
    /// Whether the class says it itself: several answers use the name, nearly all of them for this thing, known by its place, and for
    /// nothing else; and nothing else of the model answer is called so.
    /// </summary>
    public bool SaysItself { get; init; }

    /// <summary>
    /// The questions that some comparisons with one model answer leave, those first that most answers ask. What the exercise keeps apart is
    /// answered already.
    /// </summary>
    public static ImmutableArray<ClassQuestion> Of(IReadOnlyList<Comparison> comparisons, ExerciseWords words)
    {
        var names = comparisons
            .SelectMany(comparison => comparison.ModelThings)
            .DistinctBy(thing => thing.Id)
            .ToDictionary(thing => thing.Id, thing => thing.Name, StringComparer.Ordinal);
        var questions = comparisons
            .SelectMany((comparison, answer) => comparison.Guesses.Select(guess => new AskedAt(answer, guess)))
            .Where(place => !words.AreApart(place.Guess.Model.Name, place.Guess.Answer.Name))
            .GroupBy(place => (place.Guess.Model.Id, Name.Of(place.Guess.Answer.Name).Key))
            .Select(group => Of([.. group], names))
            .ToList();
        var taken = names.Values.Select(name => Name.Of(name).Key).ToHashSet(StringComparer.Ordinal);
        return
        [
            .. questions
                .Select(question =>
                    question with
                    {
                        SaysItself =
                            question.IsOfMost && !taken.Contains(Called(question)) && !questions.Exists(question.IsRivalledBy),
                    }
                )
                .OrderByDescending(question => question.Places.Length)
                .ThenBy(question => question.Model, StringComparer.Ordinal)
                .ThenBy(question => question.Drawn, StringComparer.Ordinal),
        ];
    }

    private bool IsOfMost => TakenIn >= Several && TakenIn * 4 >= Places.Length * 3;

    // The same name for another thing, where that could have been this one: at the same owner, or both things by themselves.
    private bool IsRivalledBy(ClassQuestion other) =>
        other.ModelId != ModelId && other.Owner == Owner && Called(other) == Called(this) && other.TakenIn * 4 > TakenIn;

    private static string Called(ClassQuestion question) => Name.Of(question.Drawn).Key;

    private static ClassQuestion Of(ImmutableArray<AskedAt> places, Dictionary<string, string> names)
    {
        var model = places[0].Guess.Model;
        var drawn = places
            .GroupBy(place => place.Guess.Answer.Name, StringComparer.Ordinal)
            .OrderByDescending(group => group.Count())
            .ThenBy(group => group.Key, StringComparer.Ordinal)
            .First()
            .Key;
        return new ClassQuestion(
            model.Id,
            places[0].Guess.FactId,
            model.Name,
            model.OwnerId is null ? null : names.GetValueOrDefault(model.OwnerId),
            drawn,
            places.Count(place => place.Guess.Taken),
            places
        );
    }
}
