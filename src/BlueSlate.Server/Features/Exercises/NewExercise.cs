using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;
using BlueSlate.Data;

namespace BlueSlate.Server.Features.Exercises;

/// <summary>What a part begins with.</summary>
internal sealed record NewPart(PartDocument Part, Drawing Model, AssessmentDocument Assessment)
{
    /// <summary>How the model answer is built up, where that is not as proposed.</summary>
    public StepsDocument Steps { get; init; } = new();

    /// <summary>Nothing yet.</summary>
    public static NewPart Empty => new(new PartDocument(), Drawing.Empty, new AssessmentDocument());
}

/// <summary>Makes exercises and parts with their documents.</summary>
internal static class NewExercise
{
    /// <summary>An exercise with one empty part.</summary>
    public static Exercise Make(string title, Guid cohortId, DateTimeOffset now) =>
        Make(title, cohortId, now, "", [NewPart.Empty]);

    /// <summary>An exercise with what is in its parts.</summary>
    public static Exercise Make(string title, Guid cohortId, DateTimeOffset now, string scenario, IReadOnlyList<NewPart> parts)
    {
        var exercise = new Exercise
        {
            Id = Guid.CreateVersion7(),
            CohortId = cohortId,
            Title = title,
            CreatedAt = now,
        };
        exercise.Documents.Add(
            new ExerciseDocument
            {
                ExerciseId = exercise.Id,
                Kind = DocumentKind.Scenario,
                Revision = 1,
                Text = scenario,
                SavedAt = now,
            }
        );
        exercise.Parts.AddRange(parts.Select((part, at) => MakePart(exercise.Id, at + 1, part, now)));
        return exercise;
    }

    /// <summary>A part of an exercise.</summary>
    public static ExercisePart MakePart(Guid exerciseId, int position, NewPart content, DateTimeOffset now)
    {
        var part = new ExercisePart
        {
            Id = Guid.CreateVersion7(),
            ExerciseId = exerciseId,
            Position = position,
        };
        Add(DocumentKind.Part, ExerciseJson.Write(content.Part));
        Add(DocumentKind.Model, DrawingWriter.WriteText(content.Model));
        Add(DocumentKind.Assessment, ExerciseJson.Write(content.Assessment));
        Add(DocumentKind.Steps, ExerciseJson.Write(content.Steps));
        return part;

        void Add(DocumentKind kind, string text) =>
            part.Documents.Add(
                new ExercisePartDocument
                {
                    PartId = part.Id,
                    Kind = kind,
                    Revision = 1,
                    Text = text,
                    SavedAt = now,
                }
            );
    }
}
