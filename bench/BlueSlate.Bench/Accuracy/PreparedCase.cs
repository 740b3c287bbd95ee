using BlueSlate.Core;
using BlueSlate.Core.Classes;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Marking;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Notations.Chen;
using BlueSlate.Core.Notations.CrowsFoot;
using BlueSlate.Core.Notations.Uml;
using BlueSlate.Core.Preparing;

namespace BlueSlate.Bench.Accuracy;

/// <summary>
/// A case with its model answer and all answers drawn. Nothing of an answer but its drawing reaches the checker.
/// </summary>
internal sealed class PreparedCase
{
    private readonly NotationOptions options;
    private readonly CaseSketch sketch;
    private readonly Drawing drawing;
    private readonly CaseScheme scheme;
    private readonly List<(CaseAnswer Answer, CaseSketch Sketch, Drawing Drawing)> answers;

    public PreparedCase(CaseFile file, IEnumerable<Dictionary<string, Dictionary<string, Dictionary<string, double>>>> markings)
    {
        File = file;
        options = OptionsOf(file);
        sketch = CaseSketch.Of(file, file.Model, [], 1);
        drawing = sketch.Draw();
        scheme = new CaseScheme(file, sketch, Notation.Read(drawing, options));
        answers =
        [
            .. file.Answers.Select(answer =>
            {
                var drawn = CaseSketch.Of(file, answer.Drawing, answer.SymbolFaults, Seed(file.Id + answer.Id));
                return (answer, drawn, drawn.Draw());
            }),
        ];
        Given = file.Answers.ToDictionary(
            answer => answer.Id,
            answer =>
                markings
                    .Where(marking => marking.ContainsKey(file.Id))
                    .Select(marking => marking[file.Id][answer.Id].Values.Sum())
                    .ToList(),
            StringComparer.Ordinal
        );
    }

    public CaseFile File { get; }

    /// <summary>The exercise of a case as somebody who sets it sees it, with nothing accepted besides.</summary>
    public static PreflightCase ForPreflight(CaseFile file) =>
        new(
            CaseSketch.Of(file, file.Model, [], 1).Draw(),
            OptionsOf(file),
            ScenarioProse.OfParagraphs(file.Scenario.Split('\n', StringSplitOptions.RemoveEmptyEntries))
        );

    /// <summary>For each answer the marks in all that each examiner gave it.</summary>
    public Dictionary<string, List<double>> Given { get; }

    /// <summary>Checks and marks all answers.</summary>
    /// <param name="weights">How much single signs count, where that is not the usual.</param>
    /// <param name="show">The answer of which everything that is found is printed; null for none.</param>
    public List<Entry> Check(IReadOnlyDictionary<string, double> weights, string? show = null)
    {
        var assessor = AsTheClassSays(
            new ExerciseTerms(scheme.Standings(), ExerciseWords.None)
            {
                Weights = weights,
                Scenario = new ScenarioText(File.Scenario),
            }
        );
        return answers.ConvertAll(answer =>
        {
            var assessment = assessor.Assess(answer.Drawing, []);
            if (show == answer.Answer.Id)
            {
                Show(assessment, sketch.PathOf, answer.Sketch.PathOf);
            }

            return new Entry(
                File.Id,
                answer.Answer.Id,
                File.Scheme.ToDictionary(line => line.Id, line => Earned(assessment, line.Id)),
                [
                    .. assessment
                        .Findings.Where(finding => finding.ConsequenceOf is null)
                        .SelectMany(finding => FindingCodes.Of(finding, File.Model, sketch.PathOf, answer.Sketch.PathOf)),
                ],
                Value(assessment.Doubt.Lowest),
                Value(assessment.Doubt.Highest)
            );
        });
    }

    // The answers of a case are a class: what several of them call a thing is its name there.
    private Assessor AsTheClassSays(ExerciseTerms terms)
    {
        var unheard = new Assessor(drawing, options, scheme.Tolerances(), scheme.Scheme(), terms);
        var comparisons = answers.ConvertAll(answer => unheard.Assess(answer.Drawing, []).Comparison);
        var said = ClassAnswer.AsTheClassSays(new AssessmentDocument(), ClassQuestion.Of(comparisons, terms.Words));
        return new Assessor(
            drawing,
            options,
            [.. scheme.Tolerances(), .. said.ToTolerances()],
            scheme.Scheme(),
            terms with
            {
                Words = said.ToWords(),
            }
        );
    }

    /// <summary>
    /// Prints what the class would be asked of these answers, each with how often examiners took the two for one.
    /// </summary>
    public void Ask(TextWriter output)
    {
        var assessor = new Assessor(
            drawing,
            options,
            scheme.Tolerances(),
            scheme.Scheme(),
            new ExerciseTerms(scheme.Standings(), ExerciseWords.None) { Scenario = new ScenarioText(File.Scenario) }
        );
        var comparisons = answers.ConvertAll(answer => assessor.Assess(answer.Drawing, []).Comparison);
        foreach (var question in ClassQuestion.Of(comparisons, ExerciseWords.None))
        {
            var path = sketch.PathOf.GetValueOrDefault(question.ModelId, question.ModelId);
            var same = question.Places.Count(place => !IsMissing(File.Answers[place.Answer], path));
            output.WriteLine(
                $"{File.Id}: {question.Drawn} for {path}? taken {question.TakenIn} of {question.Places.Length} times, "
                    + $"by examiners {same}: "
                    + string.Join(' ', question.Places.Select(place => File.Answers[place.Answer].Id))
            );
        }
    }

    private static bool IsMissing(CaseAnswer answer, string path) =>
        answer.Expected.Any(finding => finding.Code.EndsWith("-missing", StringComparison.Ordinal) && finding.At == path);

    /// <summary>Adds what was found to a score.</summary>
    public void AddTo(Score score, List<Entry> entries, TextWriter log)
    {
        foreach (var (answer, entry) in File.Answers.Zip(entries))
        {
            score.Add(File, answer, entry, Given[answer.Id], log);
        }
    }

    private static double Earned(Assessment assessment, string line) =>
        assessment
            .Sheet.Lines.Where(result => result.Line.Id.StartsWith(line + "/", StringComparison.Ordinal))
            .Sum(result => Value(result.Earned));

    private static double Value(Rational marks) => (double)marks.Numerator / (double)marks.Denominator;

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
