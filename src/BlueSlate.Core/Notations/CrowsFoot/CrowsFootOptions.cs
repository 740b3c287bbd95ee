namespace BlueSlate.Core.Notations.CrowsFoot;

/// <summary>How formal a part of an exercise is.</summary>
public enum Level { Conceptual, Logical }

/// <summary>What the class has learned about crow's foot notation.</summary>
/// <param name="Level">Conceptual: no foreign keys, many-to-many allowed. Logical: foreign keys shown, many-to-many resolved.</param>
/// <param name="StrokeSaysIdentifying">Solid is identifying and dashed is not; otherwise the stroke leaves it unsaid.</param>
/// <param name="SingleBarIsExactlyOne">A single bar reads as 1..1; otherwise its minimum is unsaid.</param>
public sealed record CrowsFootOptions(Level Level, bool StrokeSaysIdentifying = true, bool SingleBarIsExactlyOne = false);
