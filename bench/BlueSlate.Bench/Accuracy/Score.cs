using System.Globalization;
using System.Text.RegularExpressions;

namespace BlueSlate.Bench.Accuracy;

/// <summary>What a checker gave an answer, and the least and the most that it might deserve.</summary>
internal sealed record Entry(
    string Case,
    string Answer,
    Dictionary<string, double> Lines,
    List<CaseFinding> Findings,
    double Lowest,
    double Highest
);

/// <summary>
/// Holds entries against what examiners gave and found: the differences of the marks, and of the findings by code and place, as
/// the description of the cases says they are compared.
/// </summary>
internal sealed partial class Score
{
    private readonly List<(double Mean, double Difference)> marks = [];
    private readonly SortedDictionary<string, int[]> byCode = new(StringComparer.Ordinal);

    // How far outside the least and the most the examiners' mean may lie.
    private const double Slack = 0.5;

    private int onEquivalent;
    private int covered;
    private double width;

    /// <summary>One answer, with the marks in all that each examiner gave it.</summary>
    public void Add(CaseFile file, CaseAnswer answer, Entry entry, List<double> given, TextWriter log)
    {
        var total = file.Scheme.Sum(line => Math.Clamp(entry.Lines[line.Id], 0, (double)line.Marks));
        if (given.Count > 0)
        {
            marks.Add((given.Average(), total - given.Average()));
            covered += given.Average() >= entry.Lowest - Slack && given.Average() <= entry.Highest + Slack ? 1 : 0;
            width += entry.Highest - entry.Lowest;
            log.WriteLine(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"marks        {file.Id} {answer.Id}  {total:0.00} against {given.Average():0.00}"
                )
            );
        }

        var wanted = answer.Expected.Where(finding => !finding.IsEquivalent).Select(Place).ToList();
        var equivalent = answer
            .Expected.Where(finding => finding.IsEquivalent)
            .Select(finding => Place(finding).At.Split('/')[0])
            .ToHashSet(StringComparer.Ordinal);
        var disputed = answer.Disputed.Select(Place).ToHashSet();
        var found = entry.Findings.Select(Place).ToList();
        foreach (var more in found.Where(finding => finding.Code == "naming").Skip(1).ToList())
        {
            found.Remove(more);
        }

        foreach (var one in wanted)
        {
            Of(one.Code)[0]++;
            if (found.Remove(one))
            {
                Of(one.Code)[1]++;
            }
            else
            {
                log.WriteLine($"missed       {file.Id} {answer.Id}  {one.Code} at {one.At}");
            }
        }

        foreach (var one in found.Where(one => !disputed.Contains(one)))
        {
            Of(one.Code)[2]++;
            onEquivalent += equivalent.Contains(one.At.Split('/')[0]) ? 1 : 0;
            log.WriteLine($"false alarm  {file.Id} {answer.Id}  {one.Code} at {one.At}");
        }
    }

    private int[] Of(string code) => byCode.TryGetValue(code, out var counts) ? counts : byCode[code] = new int[3];

    /// <summary>A table by code: wanted, found, false.</summary>
    public IEnumerable<string> Table() =>
        byCode.Select(pair => $"{pair.Key, -36}{pair.Value[0], 8}{pair.Value[1], 8}{pair.Value[2], 8}");

    /// <summary>How many findings are wanted, how many of them were found, and how many were found besides.</summary>
    public int Wanted => byCode.Values.Sum(counts => counts[0]);

    /// <summary>See <see cref="Wanted"/>.</summary>
    public int Hit => byCode.Values.Sum(counts => counts[1]);

    /// <summary>See <see cref="Wanted"/>.</summary>
    public int Alarms => byCode.Values.Sum(counts => counts[2]);

    /// <summary>By how many marks all answers together are off.</summary>
    public double AllDifferences => marks.Sum(one => Math.Abs(one.Difference));

    /// <summary>The last line of the bench.</summary>
    public string Summary()
    {
        var middle = marks.Where(one => one.Mean is >= 10 and <= 38).ToList();
        var (wanted, hit, alarms) = (Wanted, Hit, Alarms);
        var macro = byCode
            .Values.Where(counts => counts[0] > 0)
            .Select(counts => (double)counts[1] / counts[0])
            .DefaultIfEmpty(1)
            .Average();
        return string.Create(
            CultureInfo.InvariantCulture,
            $"accuracy: answers {marks.Count} mad {Mean(marks, Math.Abs):0.00} mid_mad {Mean(middle, Math.Abs):0.00} "
                + $"bias {Mean(marks, value => value):+0.00;-0.00} worst "
                + $"{marks.Select(one => Math.Abs(one.Difference)).DefaultIfEmpty().Max():0.00} recall "
                + $"{hit / Math.Max(1.0, wanted):0.000} macro_recall {macro:0.000} precision "
                + $"{hit / Math.Max(1.0, hit + alarms):0.000} alarms_on_equivalent {onEquivalent} "
                + $"covered {covered / Math.Max(1.0, marks.Count):0.000} width {width / Math.Max(1.0, marks.Count):0.00}"
        );
    }

    private static double Mean(List<(double Mean, double Difference)> marks, Func<double, double> of) =>
        marks.Select(one => of(one.Difference)).DefaultIfEmpty().Average();

    private static (string Code, string At) Place(CaseFinding finding)
    {
        var at = finding.At.Trim();
        return finding.Code switch
        {
            "naming" or "symbol" or "foreign-key-wrong-side" => (finding.Code, ""),
            "key-missing" or "key-wrong" or "key-not-minimal" or "weak-not-shown" => (
                finding.Code,
                Plain().Replace(at.Split('.')[0].ToLowerInvariant(), "")
            ),
            _ => (finding.Code, Plain().Replace(at.ToLowerInvariant(), "")),
        };
    }

    [GeneratedRegex("[^a-z0-9/]")]
    private static partial Regex Plain();
}
