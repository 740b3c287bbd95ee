using System.Collections.Immutable;

namespace BlueSlate.Core.Subjects.Dependencies;

/// <summary>
/// Why one set determines another: the dependencies by which one gets there, each with its determinant reached before it. Read one after
/// the other they are a derivation by Armstrong's axioms (Armstrong, Dependency Structures of Data Base Relationships, 1974): each step
/// is augmented by what is reached already, and follows by transitivity.
/// </summary>
public static class Derivation
{
    /// <summary>
    /// The steps that are needed, each with what of its attributes is; null where it does not follow. None where it follows from
    /// the set alone, by reflexivity.
    /// </summary>
    /// <param name="from">From which one goes out.</param>
    /// <param name="to">What is to be reached.</param>
    /// <param name="implied">What is given.</param>
    public static ImmutableArray<Dependency>? Of(AttributeSet from, AttributeSet to, Implication implied)
    {
        var steps = new List<(Dependency By, AttributeSet Added)>();
        var reached = implied.Follow(from, (by, added) => steps.Add((by, added)));
        if (!to.IsSubsetOf(reached))
        {
            return null;
        }

        var needed = to - from;
        var kept = new Stack<Dependency>();
        foreach (var (by, added) in Enumerable.Reverse(steps))
        {
            if ((added & needed).IsEmpty)
            {
                continue;
            }

            kept.Push(by with { To = added & needed });
            needed = (needed - added) | (by.From - from);
        }

        // What is reached from one determinant is reached in one step, where that is first possible.
        return
        [
            .. kept.GroupBy(step => step.From)
                .Select(same => new Dependency(same.Key, same.Aggregate(AttributeSet.Empty, (all, step) => all | step.To))),
        ];
    }
}
