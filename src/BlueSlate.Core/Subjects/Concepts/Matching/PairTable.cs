using System.Runtime.InteropServices;

namespace BlueSlate.Core.Subjects.Concepts.Matching;

/// <summary>Numbers for some of the pairs of choices of two entities; 0 for all others.</summary>
/// <param name="choices">How many choices there are.</param>
internal sealed class PairTable(int choices)
{
    private readonly Dictionary<int, double> cells = [];

    /// <summary>The number of a pair.</summary>
    public double this[int first, int second] => cells.GetValueOrDefault((first * choices) + second);

    /// <summary>Adds to the number of a pair.</summary>
    public void Add(int first, int second, double number) =>
        CollectionsMarshal.GetValueRefOrAddDefault(cells, (first * choices) + second, out _) += number;

    /// <summary>All pairs that have a number, in the order in which they were added.</summary>
    public Enumerator GetEnumerator() => new(cells.GetEnumerator(), choices);

    /// <summary>Goes through a table.</summary>
    public ref struct Enumerator(Dictionary<int, double>.Enumerator cells, int choices)
    {
        private Dictionary<int, double>.Enumerator cells = cells;

        public readonly (int First, int Second, double Number) Current
        {
            get
            {
                var (first, second) = Math.DivRem(cells.Current.Key, choices);
                return (first, second, cells.Current.Value);
            }
        }

        public bool MoveNext() => cells.MoveNext();
    }
}
