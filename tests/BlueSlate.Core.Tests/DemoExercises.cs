using BlueSlate.Core.Drawings;
using BlueSlate.Core.Notations;

namespace BlueSlate.Core.Tests;

/// <summary>The demo course's drawings, as test material.</summary>
internal static class DemoExercises
{
    public static readonly string Folder = Path.Combine(AppContext.BaseDirectory, "..", "..", "..", "..", "..", "demo");

    public static IEnumerable<(string Name, Drawing Model, Level Level)> Models =>
    [
        ("repair-cafe", Load("repair-cafe/model.json"), Level.Conceptual),
        ("community-radio", Load("community-radio/model.json"), Level.Conceptual),
        ("observatory", Load("observatory/model.json"), Level.Logical),
    ];

    public static IEnumerable<Drawing> Answers(string name) =>
        Directory.EnumerateFiles(Path.Combine(Folder, name, "answers"), "*.json").Order(StringComparer.Ordinal).Select(LoadFile);

    public static Drawing Load(string path) => LoadFile(Path.Combine(Folder, path));

    private static Drawing LoadFile(string path) => DrawingReader.Read(File.ReadAllBytes(path)).Drawing!;
}
