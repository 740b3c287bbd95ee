using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Concepts.Matching;

/// <summary>
/// Which attribute of one entity stands for which of another, best pairs first. One matcher serves one pair of sides and one
/// thread.
/// </summary>
internal sealed class AttributeMatcher
{
    /// <summary>Below this likeness two attributes of matched entities are different ones.</summary>
    public const double Sureness = 0.6;

    // What each attribute under a telling name that both have leaves untold of whether they are one.
    private const double Untold = 0.6;

    private const double WholeName = 0.97;
    private const double OnlyOneDerived = 0.78;
    private const double Measure = 0.95;

    // How much of the likeness to what the scenario calls it counts.
    private const double CalledElse = 0.97;

    private readonly Trust trust;
    private readonly AttributeSorts model;
    private readonly AttributeSorts answer;

    // For each sort of the answer's attributes how alike those of the model answer are.
    private readonly double[][] likeness;
    private readonly List<(double Value, int Model, int Answer)> candidates = [];
    private readonly List<(int Model, int Answer)> pairs = [];

    public AttributeMatcher(Side model, Side answer, Trust trust)
    {
        this.trust = trust;
        (this.model, this.answer) = (model.Sorts, answer.Sorts);
        likeness = [.. this.answer.Examples.Select(model.Likenesses.OfAttribute)];
    }

    /// <summary>Pairs of indexes into two entities' attributes.</summary>
    public (int Model, int Answer)[] Pairs(int modelEntity, int answerEntity)
    {
        Cost(modelEntity, answerEntity);
        return [.. pairs];
    }

    /// <summary>The cost that the best pairing of two entities' attributes leaves.</summary>
    public double Cost(int modelEntity, int answerEntity)
    {
        var (ours, theirs) = (model.Of[modelEntity], answer.Of[answerEntity]);
        candidates.Clear();
        pairs.Clear();
        for (var j = 0; j < theirs.Length; j++)
        {
            var row = likeness[theirs[j]];
            for (var i = 0; i < ours.Length; i++)
            {
                if (row[ours[i]] >= Sureness)
                {
                    candidates.Add((row[ours[i]], i, j));
                }
            }
        }

        candidates.Sort(
            static (a, b) =>
                a.Value != b.Value ? b.Value.CompareTo(a.Value)
                : a.Model != b.Model ? a.Model.CompareTo(b.Model)
                : a.Answer.CompareTo(b.Answer)
        );
        Span<bool> takenModel = stackalloc bool[ours.Length];
        Span<bool> takenAnswer = stackalloc bool[theirs.Length];
        var (cost, everyday, telling) = (0.0, 0, 0);
        foreach (var (value, i, j) in candidates)
        {
            if (takenModel[i] || takenAnswer[j])
            {
                continue;
            }

            takenModel[i] = takenAnswer[j] = true;
            pairs.Add((i, j));
            cost += (1 - value) * Costs.AttributeMissing;
            var (asked, drawn, marksOut) = (model.Examples[ours[i]], answer.Examples[theirs[j]], model.MarksOut[ours[i]]);
            telling += marksOut || (asked.IsTelling && drawn.IsTelling) ? 1 : 0;
            everyday += !marksOut && asked.IsEveryday && drawn.IsEveryday ? 1 : 0;
            cost += model.Examples[ours[i]].InKey == answer.Examples[theirs[j]].InKey ? 0 : Costs.KeyDiffers;
        }

        Known = 1 - Math.Pow(Untold, telling);

        // What neither name tells may still be meant as one, but no fact as what only refers to another thing.
        int mine = ours.Length - pairs.Count,
            others = theirs.Length - pairs.Count,
            myReferences = References(model, ours, takenModel),
            theirReferences = References(answer, theirs, takenAnswer),
            both = Math.Min(mine - myReferences, others - theirReferences) + Math.Min(myReferences, theirReferences);
        var sameForms = trust.SameForm > 0 ? SameForms(ours, theirs, takenModel, takenAnswer) : 0;
        ShareNothing = both > 0 && pairs.Count == 0 && sameForms == 0;
        cost +=
            (both * trust.StrangeAttribute)
            - (sameForms * trust.SameForm)
            + (trust.MindsForm ? OtherForms(ours, theirs, takenModel, takenAnswer) * Costs.FormDiffers : 0);
        cost += (mine - both) * Costs.AttributeMissing;
        cost += (others - both) * Costs.AttributeExtra;
        Everyday = everyday;
        return cost;
    }

    /// <summary>How many of the pairs that were found last are called what attributes of anything are called.</summary>
    public int Everyday { get; private set; }

    /// <summary>Whether both that were compared last have attributes, and none of one is anything like one of the other.</summary>
    public bool ShareNothing { get; private set; }

    /// <summary>
    /// How well the pairs that were found last tell that the two are one, from 0 to 1: names that attributes of anything have
    /// tell nothing, and each other one adds to it.
    /// </summary>
    public double Known { get; private set; }

    // How many foreign keys are left over.
    private static int References(AttributeSorts side, int[] sorts, ReadOnlySpan<bool> taken)
    {
        var left = 0;
        for (var i = 0; i < sorts.Length; i++)
        {
            left += !taken[i] && side.Examples[sorts[i]].Attribute.ForeignKey is not null ? 1 : 0;
        }

        return left;
    }

    // How many of those left over find one of their own form that holds the same sort of values.
    private int SameForms(int[] ours, int[] theirs, ReadOnlySpan<bool> takenModel, ReadOnlySpan<bool> takenAnswer)
    {
        var same = 0;
        Span<bool> gone = stackalloc bool[theirs.Length];
        for (var i = 0; i < ours.Length; i++)
        {
            for (var j = 0; j < theirs.Length && !takenModel[i]; j++)
            {
                var (mine, other) = (model.Examples[ours[i]], answer.Examples[theirs[j]]);
                if (
                    !takenAnswer[j]
                    && !gone[j]
                    && mine.Sort == other.Sort
                    && (mine.Sort != ValueSort.Unsaid || mine.Attribute.Type.Length > 0)
                    && WeakLikeness.SameForm(mine, other)
                )
                {
                    gone[j] = true;
                    same++;
                    break;
                }
            }
        }

        return same;
    }

    // How many of those left over find none of their own form.
    private int OtherForms(int[] ours, int[] theirs, ReadOnlySpan<bool> takenModel, ReadOnlySpan<bool> takenAnswer)
    {
        var left = new List<NamedAttribute>();
        for (var j = 0; j < theirs.Length; j++)
        {
            if (!takenAnswer[j])
            {
                left.Add(answer.Examples[theirs[j]]);
            }
        }

        var strange = 0;
        for (var i = 0; i < ours.Length; i++)
        {
            if (!takenModel[i] && left.FindIndex(other => WeakLikeness.SameForm(model.Examples[ours[i]], other)) is var at)
            {
                strange += at < 0 ? 1 : 0;
                if (at >= 0)
                {
                    left.RemoveAt(at);
                }
            }
        }

        return strange;
    }

    // The number of a thing is neither how many of it there are nor what it costs.
    private static bool IsMereMark(NamedAttribute mark, NamedAttribute other) =>
        mark.Bare.Words is ["number"] && mark.Sort == ValueSort.Mark && other.Sort is ValueSort.Money or ValueSort.Count;

    /// <summary>How alike an attribute of the model answer and one of an answer are, from 0 to 1.</summary>
    public static double Likeness(NamedAttribute a, NamedAttribute b)
    {
        var value = NameSimilarity.OfBare(a.Name, a.Bare, b.Name, b.Bare).Value;
        foreach (var called in a.CalledElse)
        {
            value = Math.Max(value, NameSimilarity.OfBare(called, called, b.Name, b.Bare).Value * CalledElse);
        }

        if (IsMereMark(a, b) || IsMereMark(b, a))
        {
            value = 0;
        }
        else if (value < Measure && NameSimilarity.MeasureTheSame(a.Bare, b.Bare))
        {
            value = Measure;
        }

        if (value < 0.95 && a.InKey && b.InKey && NameSimilarity.AlikeAsKeys(a.Bare, b.Bare))
        {
            value = 0.95;
        }

        // What is worked out is the same by the whole of its name, not by a part.
        value = a.Attribute.Derived != b.Attribute.Derived && value < WholeName ? value * OnlyOneDerived : value;

        // Two columns that differ in being foreign keys are the same only by name.
        var sameNature = a.Attribute.ForeignKey is null == b.Attribute.ForeignKey is null;
        value = sameNature ? value : value * 0.95;
        var (first, second) = (a.Attribute, b.Attribute);
        return value < 1 && (first.Multivalued != second.Multivalued || first.Parts.IsEmpty != second.Parts.IsEmpty)
            ? value * 0.97
            : value;
    }
}
