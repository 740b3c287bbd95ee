using BlueSlate.Core.Drawings;

namespace BlueSlate.Bench;

/// <summary>Writes the large exercise and so many different answers as the files that the command line reads.</summary>
internal static class AnswerFolder
{
    public static int Write(string folder, int count)
    {
        var answers = Directory.CreateDirectory(Path.Combine(folder, "answers"));
        File.WriteAllText(
            Path.Combine(folder, "question.json"),
            """{ "title": "The boat club", "parts": [ { "level": "conceptual", "marks": "40" } ] }"""
        );
        File.WriteAllBytes(Path.Combine(folder, "model.json"), DrawingWriter.Write(LargeExercise.Model));
        for (var seed = 1; seed <= count; seed++)
        {
            File.WriteAllBytes(
                Path.Combine(answers.FullName, $"{seed:0000}.json"),
                DrawingWriter.Write(LargeExercise.Answer(seed))
            );
        }

        return 0;
    }
}
