namespace BlueSlate.Core.Subjects.Concepts.Matching;

/// <summary>
/// How much is given on names and how much on the place among the others.
/// </summary>
/// <param name="StrangeName">What an entity under a name that has nothing in common costs.</param>
/// <param name="StrangeAttribute">What a pair of attributes costs that nothing but their owners brings together.</param>
/// <param name="Rounds">How often likeness is spread over the neighbourhood.</param>
/// <param name="Spread">How much of it comes from there.</param>
/// <param name="Unlikely">The cost in the first assignment at which an entity is rather left alone.</param>
internal sealed record Trust(double StrangeName, double StrangeAttribute, int Rounds, double Spread, double Unlikely)
{
    /// <summary>Whether attributes under strange names are told apart by their form.</summary>
    public bool MindsForm { get; init; }

    /// <summary>
    /// By how much less a pair of attributes under strange names costs that are of one form and hold one sort of values.
    /// </summary>
    public double SameForm { get; init; }

    /// <summary>What a strange name costs in a drawing of something else.</summary>
    public double StrangeNameAbroad { get; init; } = StrangeName;

    /// <summary>
    /// How much of what is drawn has to be known, and how much of the model answer drawn, for a drawing to be of this exercise.
    /// </summary>
    public double FamiliarShare { get; init; } = 1;

    /// <summary>See <see cref="FamiliarShare"/>.</summary>
    public double DrawnShare { get; init; } = 1;

    /// <summary>How much of what is between two entities counts that are both known by nothing else.</summary>
    public double Stranger { get; init; } = 1;

    /// <summary>How much of what makes an entity known is handed on to one beside it.</summary>
    public double HandedOn { get; init; }

    /// <summary>What it saves that both have operations of one signature.</summary>
    public double AlikeOperation { get; init; }

    /// <summary>What it costs besides that one is an interface or an enumeration and the other is not.</summary>
    public double OtherNature { get; init; }

    /// <summary>What it costs besides that one is somebody and the other something, by their names.</summary>
    public double OtherSortOfThing { get; init; }

    /// <summary>What it costs besides that under strange names both have attributes, none of them in common.</summary>
    public double NothingShared { get; init; }

    /// <summary>What it saves that nothing else is left beside something known.</summary>
    public double OnlyOneLeft { get; init; }

    /// <summary>What it saves that one has the other as a type on both sides.</summary>
    public double Use { get; init; }

    /// <summary>What is known by its name, by what it has, or by its place beside what is known.</summary>
    public static Trust InSigns(Weights weights) =>
        new(weights["strangeName"], weights["strangeAttribute"], 3, 0.35, 0.62)
        {
            StrangeNameAbroad = weights["strangeNameAbroad"],
            FamiliarShare = weights["familiarShare"],
            DrawnShare = weights["drawnShare"],
            SameForm = weights["sameForm"],
            Stranger = weights["stranger"],
            HandedOn = weights["handedOn"],
            AlikeOperation = weights["alikeOperation"],
            OtherNature = weights["otherNature"],
            Use = weights["use"],
            OnlyOneLeft = weights["onlyOneLeft"],
            NothingShared = weights["nothingShared"],
            OtherSortOfThing = weights["otherSortOfThing"],
        };

    /// <summary>What stands in the same place is the same thing: for drawings in words of their own.</summary>
    public static Trust InStructure(Weights weights) =>
        new(weights["strangeNameInStructure"], weights["strangeAttributeInStructure"], 6, 0.6, 1)
        {
            MindsForm = true,
            AlikeOperation = weights["alikeOperation"],
            OtherNature = weights["otherNature"],
            Use = weights["use"],
            OtherSortOfThing = weights["otherSortOfThing"],
        };
}
