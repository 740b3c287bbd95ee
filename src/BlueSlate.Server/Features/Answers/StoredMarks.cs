using BlueSlate.Core.Marking;

namespace BlueSlate.Server.Features.Answers;

/// <summary>Marks as the database keeps them, exact and as text.</summary>
public static class StoredMarks
{
    /// <summary>Of one column.</summary>
    public static Rational Read(string text) =>
        Rational.TryParse(text, out var marks)
            ? marks
            : throw new InvalidOperationException($"“{text}” is stored as marks and is none.");

    /// <summary>Of several parts together, as text.</summary>
    public static string Sum(IEnumerable<string> texts) =>
        texts.Select(Read).Aggregate(Rational.Zero, (sum, marks) => sum + marks).ToString();
}
