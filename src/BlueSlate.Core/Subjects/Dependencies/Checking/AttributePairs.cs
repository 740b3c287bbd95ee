using System.Collections.Immutable;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Checking;

/// <summary>
/// Which attribute of an answer is which of the model answer: by what they are called, the likest first, each one once. What a person
/// said goes before.
/// </summary>
internal static class AttributePairs
{
    // Below it two names have too little in common to be one attribute.
    private const double Least = 0.6;

    /// <summary>For each attribute of the model answer the number of the answer's, or null.</summary>
    public static ImmutableArray<int?> Of(
        DependencyReading model,
        DependencyReading answer,
        ExerciseWords words,
        Func<int, ImmutableArray<string>> alsoCalled,
        ImmutableDictionary<string, string> stands
    )
    {
        var pairs = new int?[model.Attributes.Length];
        var taken = new HashSet<int>();
        for (var i = 0; i < pairs.Length; i++)
        {
            if (
                stands.TryGetValue(model.Attributes[i].Id, out var id)
                && answer.Attributes.ToList().FindIndex(attribute => attribute.Elements.Contains(id)) is >= 0 and var said
                && taken.Add(said)
            )
            {
                pairs[i] = said;
            }
        }

        var names = answer.Attributes.Select(attribute => words.Read(attribute.Name.Text)).ToList();
        var likeness =
            from i in Enumerable.Range(0, pairs.Length)
            where pairs[i] is null
            let called = alsoCalled(i).Prepend(model.Attributes[i].Name.Text).Select(words.Read).ToList()
            from j in Enumerable.Range(0, names.Count)
            where !taken.Contains(j)
            let value = called.Max(name => NameSimilarity.Of(name, names[j]).Value)
            where value >= Least && !words.AreApart(model.Attributes[i].Name.Text, answer.Attributes[j].Name.Text)
            orderby value descending, i, j
            select (Model: i, Answer: j);
        foreach (var (i, j) in likeness.ToList())
        {
            if (pairs[i] is null && taken.Add(j))
            {
                pairs[i] = j;
            }
        }

        return [.. pairs];
    }
}
