using System.Collections.Immutable;
using System.Text.Json;
using BlueSlate.Core;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Marking;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Subjects.Concepts.Checking;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Bench.Seeded;

/// <summary>A model answer of the demo with what it says and what it is held against.</summary>
internal sealed record DemoModel(
    string Name,
    Drawing Drawing,
    NotationOptions Options,
    ConceptModel Concepts,
    Assessor Assessor,
    IReadOnlySet<string> Tolerated
)
{
    public static List<DemoModel> ReadAll(string folder) =>
        [.. Directory.EnumerateDirectories(folder).Order(StringComparer.Ordinal).SelectMany(ReadParts)];

    private static IEnumerable<DemoModel> ReadParts(string folder)
    {
        var question = JsonSerializer.Deserialize<QuestionDocument>(
            File.ReadAllText(Path.Combine(folder, "question.json")),
            Formats.Json
        )!;
        return question
            .Parts.Select((part, at) => (Part: part, Folder: question.FolderOf(folder, at)))
            .Where(one => one.Part.Learned is NotationOptions)
            .Select(one => Read(one.Folder, one.Part));
    }

    private static DemoModel Read(string folder, PartDocument part)
    {
        var assessment = JsonSerializer.Deserialize<AssessmentDocument>(
            File.ReadAllText(Path.Combine(folder, "assessment.json")),
            Formats.Json
        )!;
        var drawing = DrawingReader.Read(File.ReadAllBytes(Path.Combine(folder, "model.json"))).Drawing!;
        var options = (NotationOptions)part.Learned;
        var reading = Notation.Read(drawing, options);
        var scheme = SchemeDeriver.Derive(FactList.Of(reading, options), 40);
        return new DemoModel(
            Path.GetFileName(folder),
            drawing,
            options,
            reading.Model,
            new Assessor(drawing, options, assessment.ToTolerances(), scheme),
            assessment.ToTolerances().Select(tolerance => tolerance.FactId).ToHashSet(StringComparer.Ordinal)
        );
    }

    /// <summary>Concepts drawn in this exercise's notation.</summary>
    public Drawing Draw(ConceptModel concepts) => Notation.Of(Options.Notation).Write(concepts, Options).Drawing;
}

/// <summary>A fault that was put into an answer: the kind that names it, and the concept at which it stands.</summary>
internal sealed record Seed(string Code, string Place, ImmutableArray<string> Touched);
