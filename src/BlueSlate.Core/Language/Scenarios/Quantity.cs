namespace BlueSlate.Core.Language.Scenarios;

/// <summary>How a text speaks of things: of each, of some, of a number of them.</summary>
internal enum Quantifier
{
    /// <summary>Nothing stands in front: <c>riders hold passes</c>.</summary>
    Bare,

    /// <summary><c>a rider</c>.</summary>
    Indefinite,

    /// <summary><c>the rider</c>, <c>its rider</c>.</summary>
    Definite,

    /// <summary><c>each rider</c>, <c>every rider</c>, <c>any rider</c>.</summary>
    Each,

    /// <summary><c>some riders</c>, <c>most riders</c>, <c>new riders</c>: not all of them.</summary>
    Some,

    /// <summary><c>no rider</c>, <c>none</c>.</summary>
    None,

    /// <summary><c>exactly one rider</c>, <c>up to three riders</c>, <c>several riders</c>.</summary>
    Number,
}

/// <summary>
/// How many a text speaks of. <paramref name="Min"/> and <paramref name="Max"/> are null where the words do not decide them;
/// <see cref="Many"/> is no upper limit.
/// </summary>
internal readonly record struct Quantity(Quantifier Kind, int? Min, int? Max)
{
    /// <summary>No upper limit.</summary>
    public const int Many = int.MaxValue;

    /// <summary>The words leave no doubt: <c>exactly one</c>, where <c>one</c> alone leaves some.</summary>
    public bool Explicit { get; init; }

    /// <summary>The words say that there may be none.</summary>
    public bool OrNone { get; init; }

    /// <summary>Nothing in front of a noun.</summary>
    public static Quantity Bare { get; } = new(Quantifier.Bare, null, null);

    /// <summary>Whether it counts.</summary>
    public bool Counts => Kind == Quantifier.Number;

    /// <summary>Whether it speaks of one at a time, so that something else is counted for it.</summary>
    public bool IsOneByOne => Kind is Quantifier.Each or Quantifier.Indefinite or Quantifier.Definite;
}
