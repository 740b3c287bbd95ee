namespace BlueSlate.Core.Judging;

/// <summary>What kind of thing an extra is; every subject names its own.</summary>
/// <param name="Name">Stable; alike extras are found by it.</param>
public sealed record ExtraKind(string Name);

/// <summary>Something in the answer that stands for nothing in the model answer.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="AnswerId">The concept of the answer.</param>
/// <param name="OwnerId">What of the answer owns it, where something does.</param>
/// <param name="Name">Its name.</param>
public sealed record Extra(ExtraKind Kind, string AnswerId, string? OwnerId, string Name);
