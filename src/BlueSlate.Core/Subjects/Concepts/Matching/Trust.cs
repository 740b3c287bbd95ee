namespace BlueSlate.Core.Subjects.Concepts.Matching;

/// <summary>
/// How much is given on names. A strange name alone costs more than one missing and one extra entity: it needs attributes or
/// relationships in its favour.
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

    /// <summary>What has another name is another thing, unless much speaks for it.</summary>
    public static Trust InNames { get; } = new(3.8, Costs.AttributeMissing + Costs.AttributeExtra, 3, 0.35, 0.62);

    /// <summary>What stands in the same place is the same thing: for drawings in words of their own.</summary>
    public static Trust InStructure { get; } = new(3.0, 0.45, 6, 0.6, 1) { MindsForm = true };
}
