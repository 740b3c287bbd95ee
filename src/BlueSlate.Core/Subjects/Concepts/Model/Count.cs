using System.Globalization;

namespace BlueSlate.Core.Subjects.Concepts.Model;

/// <summary>A minimum and a maximum; each is null when it is not said. <see cref="Many"/> stands for no upper limit.</summary>
public readonly record struct Count(int? Min, int? Max)
{
    /// <summary>No upper limit.</summary>
    public const int Many = int.MaxValue;

    /// <summary>Nothing said.</summary>
    public static Count Unsaid { get; } = new(null, null);

    /// <summary>The usual spelling: <c>1..*</c>; an unsaid value is a question mark.</summary>
    public override string ToString() => $"{Spell(Min)}..{Spell(Max)}";

    /// <summary>One value as text: <c>0</c>, <c>1</c>, <c>*</c>, or <c>?</c> when it is not said.</summary>
    public static string Spell(int? value) =>
        value switch
        {
            null => "?",
            Many => "*",
            { } number => number.ToString(CultureInfo.InvariantCulture),
        };
}
