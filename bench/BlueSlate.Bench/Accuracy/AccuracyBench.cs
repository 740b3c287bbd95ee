using System.Globalization;
using System.Text.Json;

namespace BlueSlate.Bench.Accuracy;

/// <summary>
/// Draws, checks and marks the answers of a folder of cases, and holds marks and findings against those of examiners.
/// </summary>
internal static class AccuracyBench
{
    private static readonly JsonSerializerOptions Indented = new() { WriteIndented = true };

    /// <summary>Scores the cases of a folder, by notation and together.</summary>
    /// <param name="folder">The cases.</param>
    /// <param name="output">Where what was found is written.</param>
    /// <param name="more">
    /// <c>CASE/ANSWER</c> to print all that is found in one answer, <c>WEIGHT=NUMBER</c> to count a sign otherwise,
    /// <c>questions</c> to print nothing but the questions of the class.
    /// </param>
    public static int Run(string folder, string output, string[] more)
    {
        var show = more.FirstOrDefault(text => text.Contains('/'))?.Split('/');
        var weights = more.Where(text => text.Contains('='))
            .Select(text => text.Split('='))
            .ToDictionary(pair => pair[0], pair => double.Parse(pair[1], CultureInfo.InvariantCulture), StringComparer.Ordinal);
        var cases = Read(folder);
        if (more.Contains("questions"))
        {
            cases.ForEach(one => one.Ask(Console.Out));
            return 0;
        }

        Print(cases, [.. cases.Select(one => one.Check(weights, show?[0] == one.File.Id ? show[1] : null))], output);
        return 0;
    }

    /// <summary>
    /// Finds the weights under which all cases of some folders are judged best, and prints them as they are kept.
    /// </summary>
    public static int Fit(string[] folders)
    {
        var search = new WeightSearch([.. folders.SelectMany(Read)]);
        var best = search.Run(search.All, Console.Error);
        Console.WriteLine(JsonSerializer.Serialize(best, Indented));
        return 0;
    }

    /// <summary>
    /// Scores each case of a folder under weights that are found without it, from that folder and others.
    /// </summary>
    public static int LeaveOneOut(string folder, string output, string[] others)
    {
        var cases = Read(folder);
        var search = new WeightSearch([.. cases, .. others.SelectMany(Read)]);
        Print(
            cases,
            [.. cases.Select(one => one.Check(search.Run([.. search.All.Where(other => other != one)], Console.Error)))],
            output
        );
        return 0;
    }

    private static void Print(List<PreparedCase> cases, List<List<Entry>> entries, string output)
    {
        var all = new Score();
        var byNotation = new SortedDictionary<string, Score>(StringComparer.Ordinal);
        foreach (var (one, found) in cases.Zip(entries))
        {
            var notation = one.File.Notation;
            var score = byNotation.TryGetValue(notation, out var known) ? known : byNotation[notation] = new Score();
            one.AddTo(all, found, Console.Out);
            one.AddTo(score, found, TextWriter.Null);
        }

        foreach (var (notation, score) in byNotation)
        {
            Console.WriteLine($"{notation, -36}  wanted   found   false");
            Console.WriteLine(string.Join(Environment.NewLine, score.Table()));
        }

        File.WriteAllText(output, JsonSerializer.Serialize(entries.SelectMany(found => found), JsonSerializerOptions.Web));
        Console.WriteLine(all.Summary());
    }

    private static List<PreparedCase> Read(string folder)
    {
        var marks = Path.Combine(folder, "marks");
        var markings = Directory.Exists(marks)
            ? Directory
                .EnumerateFiles(marks, "*.json")
                .Order(StringComparer.Ordinal)
                .Select(CaseFile.Read<Dictionary<string, Dictionary<string, Dictionary<string, double>>>>)
                .ToList()
            : [];
        return CaseFile.ReadFolder(folder).ConvertAll(file => new PreparedCase(file, markings));
    }
}
