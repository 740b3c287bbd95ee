using System.Text.Json;
using BlueSlate.Core;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Notations.Chen;
using BlueSlate.Core.Notations.CrowsFoot;
using BlueSlate.Core.Notations.Uml;

namespace BlueSlate.Bench.Accuracy;

/// <summary>
/// Draws, checks and marks the answers of a folder of cases, and holds marks and findings against those of examiners.
/// </summary>
internal static class AccuracyBench
{
    public static int Run(string folder, string? output, string? show, IReadOnlyDictionary<string, double> weights)
    {
        var cases = CaseFile.ReadFolder(folder);
        var markings = Directory.Exists(Path.Combine(folder, "marks"))
            ? Directory
                .EnumerateFiles(Path.Combine(folder, "marks"), "*.json")
                .Order(StringComparer.Ordinal)
                .Select(CaseFile.Read<Dictionary<string, Dictionary<string, Dictionary<string, double>>>>)
                .ToList()
            : [];
        var all = new Score();
        var byNotation = new SortedDictionary<string, Score>(StringComparer.Ordinal);
        var entries = new List<Entry>();
        foreach (var file in cases)
        {
            var score = byNotation.TryGetValue(file.Notation, out var known) ? known : byNotation[file.Notation] = new Score();
            var check = Prepare(file, show, weights);
            foreach (var answer in file.Answers)
            {
                var entry = check(answer);
                entries.Add(entry);
                var given = markings.Select(marking => marking[file.Id][answer.Id].Values.Sum()).ToList();
                all.Add(file, answer, entry, given, Console.Out);
                score.Add(file, answer, entry, given, TextWriter.Null);
            }
        }

        foreach (var (notation, score) in byNotation)
        {
            Console.WriteLine($"{notation, -36}  wanted   found   false");
            Console.WriteLine(string.Join(Environment.NewLine, score.Table()));
        }

        if (output is not null)
        {
            File.WriteAllText(output, JsonSerializer.Serialize(entries, JsonSerializerOptions.Web));
        }

        Console.WriteLine(all.Summary());
        return 0;
    }

    private static void Show(Assessment assessment, Dictionary<string, string> model, Dictionary<string, string> answer)
    {
        foreach (var pair in assessment.Comparison.StandIns)
        {
            Console.WriteLine($"    {Places([pair.AnswerId], answer)} for {Places([pair.ModelId], model)} {pair.Reason}");
        }

        foreach (var finding in assessment.Findings)
        {
            Console.WriteLine(
                $"    {(finding.ConsequenceOf is null ? "" : "  ")}{finding.Code} at "
                    + $"{Places(finding.ModelElements, model)} / {Places(finding.AnswerElements, answer)}: {finding.Headline}"
            );
        }

        static string Places(IEnumerable<string> elements, Dictionary<string, string> paths) =>
            string.Join(", ", elements.Select(id => paths.GetValueOrDefault(id, id)));
    }

    // Nothing of an answer but its drawing reaches the checker.
    private static Func<CaseAnswer, Entry> Prepare(CaseFile file, string? show, IReadOnlyDictionary<string, double> weights)
    {
        var options = OptionsOf(file);
        var sketch = CaseSketch.Of(file, file.Model, [], 1);
        var drawing = sketch.Draw();
        var scheme = new CaseScheme(file, sketch, Notation.Read(drawing, options));
        var assessor = new Assessor(
            drawing,
            options,
            scheme.Tolerances(),
            scheme.Scheme(),
            ExerciseTerms.Usual with
            {
                Weights = weights,
            }
        );
        return answer =>
        {
            var drawn = CaseSketch.Of(file, answer.Drawing, answer.SymbolFaults, Seed(file.Id + answer.Id));
            var assessment = assessor.Assess(drawn.Draw(), []);
            var lines = file.Scheme.ToDictionary(
                line => line.Id,
                line =>
                    assessment
                        .Sheet.Lines.Where(result => result.Line.Id.StartsWith(line.Id + "/", StringComparison.Ordinal))
                        .Sum(result => (double)result.Earned.Numerator / (double)result.Earned.Denominator)
            );
            var findings = assessment
                .Findings.Where(finding => finding.ConsequenceOf is null)
                .SelectMany(finding => FindingCodes.Of(finding, file.Model, sketch.PathOf, drawn.PathOf))
                .ToList();
            if (show == $"{file.Id}/{answer.Id}")
            {
                Show(assessment, sketch.PathOf, drawn.PathOf);
            }

            return new Entry(file.Id, answer.Id, lines, findings);
        };
    }

    private static NotationOptions OptionsOf(CaseFile file)
    {
        var formal = file.Model.Entities.Any(entity =>
            entity.Attributes.Any(attribute => attribute.Type is { Length: > 0 } || attribute.Visibility is { Length: > 0 })
        );
        var level = file.Level == "logical" ? Level.Logical : Level.Conceptual;
        return file.Notation switch
        {
            "chen" when ChenSketch.UsesLetters(file.Model) => new ChenOptions { Level = level },
            "chen" => new ChenOptions
            {
                Level = level,
                Counts = CountStyle.Pairs,
                PairsAcross = true,
                DoubleLineSaysAll = false,
            },
            "crowsfoot" => new CrowsFootOptions { Level = level },
            _ => new UmlOptions { Level = level, Formal = formal },
        };
    }

    // The same on every machine and in every run, which string.GetHashCode is not.
    private static int Seed(string text) => text.Aggregate(17, (sum, c) => unchecked((sum * 31) + c)) & 0x7fffffff;
}
