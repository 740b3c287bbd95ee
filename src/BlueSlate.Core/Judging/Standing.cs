namespace BlueSlate.Core.Judging;

/// <summary>What another way of drawing the same is worth.</summary>
public enum Standing
{
    /// <summary>It is as good.</summary>
    Same,

    /// <summary>It earns half of what it stands for.</summary>
    InPart,

    /// <summary>It is a difference like any other.</summary>
    Different,
}

/// <summary>Another way of saying the same, by what people need to choose its worth.</summary>
/// <param name="Code">Its stable code.</param>
/// <param name="Title">A few words.</param>
/// <param name="Usual">What it is worth where nothing is said of it.</param>
public sealed record RestatementChoice(string Code, string Title, Standing Usual);
