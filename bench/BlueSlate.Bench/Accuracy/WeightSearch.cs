using System.Collections.Concurrent;
using System.Globalization;
using BlueSlate.Core.Subjects.Concepts.Matching;

namespace BlueSlate.Bench.Accuracy;

/// <summary>
/// Looks for the weights under which cases are judged best: from the same beginning every time, one weight after the other, a
/// step down or up as long as that helps (coordinate descent), with smaller steps in the second round. How a case is judged under
/// some weights is found out once.
/// </summary>
internal sealed class WeightSearch(List<PreparedCase> cases)
{
    private const int MostSteps = 3;

    // How large a difference of the marks weighs as much as all findings missed or all false.
    private const double MarksAgainstFindings = 4;
    private static readonly double[] Rounds = [0.25, 0.1];

    private readonly ConcurrentDictionary<(PreparedCase Case, string Weights), Loss> known = new();

    public List<PreparedCase> All => cases;

    /// <summary>The best weights for some of the cases.</summary>
    public SortedDictionary<string, double> Run(List<PreparedCase> some, TextWriter log)
    {
        var weights = new SortedDictionary<string, double>(
            Weights.Shipped.Values.ToDictionary(pair => pair.Key, pair => pair.Value),
            StringComparer.Ordinal
        );
        var best = LossOf(some, weights);
        log.WriteLine(string.Create(CultureInfo.InvariantCulture, $"begins at {best:0.0000}"));
        foreach (var step in Rounds)
        {
            foreach (var name in weights.Keys.ToList())
            {
                foreach (var direction in new[] { 1 - step, 1 + step })
                {
                    for (var taken = 0; taken < MostSteps && Try(name, direction); taken++)
                    {
                        log.WriteLine(
                            string.Create(CultureInfo.InvariantCulture, $"{name} {weights[name]:0.###}: {best:0.0000}")
                        );
                    }
                }
            }
        }

        return weights;

        bool Try(string name, double factor)
        {
            var before = weights[name];
            weights[name] = Math.Round(before * factor, 3);
            var loss = LossOf(some, weights);
            if (loss < best - 1e-6)
            {
                best = loss;
                return true;
            }

            weights[name] = before;
            return false;
        }
    }

    // The mean difference of the marks, and the shares of findings missed and false.
    private double LossOf(List<PreparedCase> some, SortedDictionary<string, double> weights)
    {
        var key = string.Join(' ', weights.Values.Select(value => value.ToString(CultureInfo.InvariantCulture)));
        var losses = some.AsParallel()
            .Select(one => known.GetOrAdd((one, key), _ => Loss.Of(one, one.Check(weights))))
            .Aggregate((a, b) => a + b);
        return losses.Value(MarksAgainstFindings);
    }

    private sealed record Loss(double Marks, int Answers, int Wanted, int Missed, int False)
    {
        public static Loss Of(PreparedCase one, List<Entry> entries)
        {
            var score = new Score();
            one.AddTo(score, entries, TextWriter.Null);
            return new Loss(score.AllDifferences, entries.Count, score.Wanted, score.Wanted - score.Hit, score.Alarms);
        }

        public static Loss operator +(Loss a, Loss b) =>
            new(a.Marks + b.Marks, a.Answers + b.Answers, a.Wanted + b.Wanted, a.Missed + b.Missed, a.False + b.False);

        public double Value(double weight) => (Marks / Answers) + (weight * (Missed + False) / Math.Max(1, Wanted));
    }
}
