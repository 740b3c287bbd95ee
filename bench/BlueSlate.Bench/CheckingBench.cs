using System.Diagnostics;
using System.Globalization;
using System.Text.Json;
using BlueSlate.Core;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Marking;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Notations.CrowsFoot;
using BlueSlate.Core.Subjects.Concepts.Checking;

namespace BlueSlate.Bench;

/// <summary>
/// Times the whole way of an answer, from its bytes to its notes, beside the parsing of the same bytes by the platform.
/// </summary>
internal static class CheckingBench
{
    private const int Answers = 200;
    private const int Rounds = 9;
    private static readonly int[] Sizes = [12, 25, 50, 100];

    public static int Run(string output)
    {
        var options = new CrowsFootOptions();
        var facts = FactList.Of(Notation.Read(LargeExercise.Model, options), options);
        var assessor = new Assessor(LargeExercise.Model, options, [], SchemeDeriver.Derive(facts, 40));
        var documents = Enumerable.Range(1, Answers).Select(seed => DrawingWriter.Write(LargeExercise.Answer(seed))).ToList();
        var checks = new List<double>();
        var parses = new List<double>();
        var allocated = 0L;
        for (var round = 0; round < Rounds; round++)
        {
            var before = GC.GetAllocatedBytesForCurrentThread();
            checks.Add(Time(documents, bytes => Check(assessor, bytes)));
            allocated = GC.GetAllocatedBytesForCurrentThread() - before;
            parses.Add(Time(documents, bytes =>
                {
                    using var document = JsonDocument.Parse(bytes);
                    return document.RootElement.GetPropertyCount();
                }));
        }

        PrintGrowth();
        PrintMemory(assessor, documents);
        File.WriteAllText(
            output,
            JsonSerializer.Serialize(
                new
                {
                    unit = "ms per answer",
                    answers = Answers,
                    bytes = documents.Average(bytes => bytes.Length),
                    checks,
                    parses,
                    allocatedPerAnswer = allocated / Answers,
                }
            )
        );
        var (check, parse) = (Median(checks), Median(parses));
        Console.WriteLine(
            string.Create(
                CultureInfo.InvariantCulture,
                $"answers {Answers} ms_per_answer {check:0.000} parse_ms {parse:0.0000} times_parse {check / parse:0.0}"
            )
        );
        return 0;
    }

    // The whole way, the small examples of the notes and the sentences included.
    private static int Check(Assessor assessor, byte[] bytes)
    {
        var drawing = DrawingReader.Read(bytes).Drawing!;
        return ResultDocument.Of(assessor.Assess(drawing, []), DrawingWriter.Hash(drawing)).Notes.Length;
    }

    private static void PrintGrowth()
    {
        foreach (var entities in Sizes)
        {
            var options = new CrowsFootOptions();
            var times = new List<double>();
            for (var seed = 0; seed < Rounds; seed++)
            {
                var (model, answer) = LargeExercise.OfSize(entities, seed + 1);
                var assessor = new Assessor(
                    model,
                    options,
                    [],
                    SchemeDeriver.Derive(FactList.Of(Notation.Read(model, options), options), 40)
                );
                times.Add(Time([DrawingWriter.Write(answer)], bytes => Check(assessor, bytes)));
            }

            Console.WriteLine(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"entities {entities} ms_per_answer {times.Order().ElementAt(Rounds / 2):0.0} slowest {times.Max():0.0}"
                )
            );
        }
    }

    // What is still held after a hundred answers, and after ten times as many.
    private static void PrintMemory(Assessor assessor, List<byte[]> documents)
    {
        var held = new List<long>();
        for (var n = 1; n <= 10 * documents.Count; n++)
        {
            Check(assessor, documents[n % documents.Count]);
            if (n == documents.Count || n == 10 * documents.Count)
            {
                held.Add(GC.GetTotalMemory(forceFullCollection: true));
            }
        }

        Console.WriteLine(
            string.Create(
                CultureInfo.InvariantCulture,
                $"held after {documents.Count} answers {held[0] / 1048576.0:0.00} MB, after {10 * documents.Count} "
                    + $"{held[1] / 1048576.0:0.00} MB"
            )
        );
    }

    private static double Time(List<byte[]> documents, Func<byte[], int> work)
    {
        var sum = 0;
        var watch = Stopwatch.StartNew();
        foreach (var document in documents)
        {
            sum += work(document);
        }

        var elapsed = watch.Elapsed.TotalMilliseconds / documents.Count;
        return sum >= 0 ? elapsed : throw new InvalidOperationException();
    }

    // The first rounds warm up; the median of the rest stands.
    private static double Median(List<double> samples) => samples.Skip(3).Order().ElementAt((samples.Count - 3) / 2);
}
