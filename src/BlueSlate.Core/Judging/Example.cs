using System.Collections.Immutable;

namespace BlueSlate.Core.Judging;

/// <summary>How a small example tells two answers apart.</summary>
public enum ExampleKind
{
    /// <summary>What is drawn allows it; the model answer, with all that it accepts, does not.</summary>
    AllowedAsDrawn,

    /// <summary>The model answer, with all that it accepts, allows it; what is drawn does not.</summary>
    RuledOutAsDrawn,

    /// <summary>Put together again from what is drawn, the last row follows from the others, though it never was.</summary>
    FollowsAsDrawn,

    /// <summary>What is drawn keeps the same in several rows.</summary>
    RepeatedAsDrawn,
}

/// <summary>A handful of made-up data that the answer and the model answer judge differently.</summary>
/// <param name="Kind">Who allows it.</param>
/// <param name="Table">The few things on which it turns.</param>
public record Example(ExampleKind Kind, ExampleTable Table);

/// <summary>A few things as a table.</summary>
/// <param name="Said">What is seen in it, in a few words.</param>
/// <param name="Columns">The heads.</param>
/// <param name="Rows">Cells by row, each row as long as the heads.</param>
public sealed record ExampleTable(string Said, ImmutableArray<string> Columns, ImmutableArray<ImmutableArray<string>> Rows);
