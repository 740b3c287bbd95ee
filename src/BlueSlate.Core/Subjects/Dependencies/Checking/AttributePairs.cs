using System.Collections.Immutable;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Checking;

/// <summary>
/// Which attribute of an answer is which of the model answer: by what they are called, the likest first, each one once; of two that are
/// called alike the one that is determined by the same. What a person said goes before. An attribute that stands in tables only is the
/// one whose name it has most of, whatever else is that one too.
/// </summary>
/// <param name="Answers">For each attribute that the model answer lays out the number of the answer's, or null.</param>
/// <param name="Models">For each attribute of the answer the number of the model answer's, or null.</param>
internal sealed record AttributePairs(ImmutableArray<int?> Answers, ImmutableArray<int?> Models)
{
    // Below it two names have too little in common to be one attribute.
    private const double Least = 0.6;

    /// <summary>The pairs of a model answer and an answer.</summary>
    public static AttributePairs Of(
        DependencyReading model,
        DependencyReading answer,
        ExerciseWords words,
        Func<int, ImmutableArray<string>> alsoCalled,
        ImmutableDictionary<string, string> stands
    )
    {
        var said = new HashSet<int>();
        var answers = new int?[model.Laid];
        var models = new int?[answer.Attributes.Length];
        void Pair(int i, int j) => (answers[i], models[j]) = (j, i);

        for (var i = 0; i < answers.Length; i++)
        {
            if (
                stands.TryGetValue(model.Attributes[i].Id, out var id)
                && answer.Attributes.ToList().FindIndex(attribute => attribute.Elements.Contains(id)) is >= 0 and var meant
                && models[meant] is null
            )
            {
                Pair(i, meant);
                said.Add(i);
            }
        }

        var names = answer.Attributes.Select(attribute => words.Read(attribute.Name.Text)).ToList();
        var likeness = (
            from i in Enumerable.Range(0, answers.Length)
            let called = alsoCalled(i).Prepend(model.Attributes[i].Name.Text).Select(words.Read).ToList()
            from j in Enumerable.Range(0, names.Count)
            let value = called.Max(name => NameSimilarity.Of(name, names[j]).Value)
            where value >= Least && !words.AreApart(model.Attributes[i].Name.Text, answer.Attributes[j].Name.Text)
            orderby value descending, i, j
            select (Model: i, Answer: j)
        ).ToList();
        foreach (var (i, j) in likeness.Where(pair => pair.Answer < answer.Laid))
        {
            if (answers[i] is null && models[j] is null)
            {
                Pair(i, j);
            }
        }

        foreach (var (i, j) in likeness.Where(pair => pair.Answer < answer.Laid))
        {
            if (answers[i] is null && models[j] is { } other && !said.Contains(other) && Fits(i, j) && !Fits(other, j))
            {
                answers[other] = null;
                Pair(i, j);
            }
        }

        foreach (var (i, j) in likeness.Where(pair => pair.Answer >= answer.Laid))
        {
            models[j] ??= i;
        }

        return new AttributePairs([.. answers], [.. models]);

        // Whether an arrow of the answer leads to it from what determines the one of the model answer.
        bool Fits(int i, int j) =>
            (
                from wanted in model.Dependencies
                from arrow in answer.Dependencies
                where wanted.To == i && arrow.To == j && arrow.From.Count == wanted.From.Count
                select arrow.From.All(one => models[one] is { } known && wanted.From.Contains(known))
            ).Any(isSame => isSame);
    }
}
