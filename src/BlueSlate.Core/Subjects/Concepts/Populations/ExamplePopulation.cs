using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Subjects.Concepts.Populations;

/// <summary>
/// A handful of made-up instances that the drawing and the model answer judge differently, as a table. They are part of a
/// population that breaks no other rule.
/// </summary>
/// <param name="Kind">Who allows it.</param>
/// <param name="Table">The few things on which it turns.</param>
/// <param name="Whole">The whole population of which the table shows a part.</param>
public sealed record ExamplePopulation(ExampleKind Kind, ExampleTable Table, Population Whole) : Example(Kind, Table);
