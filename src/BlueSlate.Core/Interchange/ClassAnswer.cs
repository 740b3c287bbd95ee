using System.Collections.Immutable;
using BlueSlate.Core.Classes;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Interchange;

/// <summary>
/// What becomes of an exercise's words by the answer to a question of the class: a thing that stands by itself gets another word of the
/// exercise, one that something owns another name accepted there; what is something else is kept apart, wherever it stands.
/// </summary>
public static class ClassAnswer
{
    /// <summary>The assessment once a question is answered.</summary>
    /// <param name="assessment">As it is.</param>
    /// <param name="question">The question.</param>
    /// <param name="same">Whether the two are one.</param>
    public static AssessmentDocument In(AssessmentDocument assessment, ClassQuestion question, bool same)
    {
        ImmutableArray<string> pair = [question.Model, question.Drawn];
        if (!same)
        {
            return assessment with { WordsApart = [.. Without(assessment.WordsApart, pair), pair] };
        }

        var free = assessment with { WordsApart = Without(assessment.WordsApart, pair) };
        return question.Owner is null
            ? free with
            {
                SameWords = WithWord(free.SameWords, pair),
            }
            : free with
            {
                Tolerances = WithName(free.Tolerances, question.FactId, question.Drawn),
            };
    }

    /// <summary>The assessment once all that the class says itself is taken over.</summary>
    /// <param name="assessment">As it is.</param>
    /// <param name="questions">The questions of the class.</param>
    public static AssessmentDocument AsTheClassSays(AssessmentDocument assessment, IEnumerable<ClassQuestion> questions) =>
        questions
            .Where(question => question.SaysItself)
            .Aggregate(assessment, (document, question) => In(document, question, true));

    private static ImmutableArray<ImmutableArray<string>> Without(
        ImmutableArray<ImmutableArray<string>> groups,
        ImmutableArray<string> pair
    ) =>
        groups.IsDefault
            ? []
            : [.. groups.Where(group => !(group.Length == 2 && group.All(word => pair.Any(other => Same(word, other)))))];

    // Each word counts as the first of its group.
    private static ImmutableArray<ImmutableArray<string>> WithWord(
        ImmutableArray<ImmutableArray<string>> groups,
        ImmutableArray<string> pair
    )
    {
        var all = groups.IsDefault ? [] : groups;
        var at = all.ToList().FindIndex(group => Same(group[0], pair[0]) && group.Length < AssessmentDocument.MostInGroup);
        return at < 0 ? all.Add(pair)
            : all[at].Any(word => Same(word, pair[1])) ? all
            : all.SetItem(at, all[at].Add(pair[1]));
    }

    private static ImmutableArray<ToleranceDocument> WithName(
        ImmutableArray<ToleranceDocument> tolerances,
        string factId,
        string name
    )
    {
        var all = tolerances.IsDefault ? [] : tolerances;
        var at = all.ToList().FindIndex(tolerance => tolerance.Fact == factId);
        return at < 0
            ? all.Add(new ToleranceDocument { Fact = factId, Accepted = [name] })
            : all.SetItem(at, all[at] with { Accepted = [.. all[at].Accepted.Where(other => !Same(other, name)), name] });
    }

    private static bool Same(string one, string other) => Name.Of(one).Key == Name.Of(other).Key;
}
