using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;
using BlueSlate.Data;

namespace BlueSlate.Server.Features.Exercises;

/// <summary>Makes an exercise with its four documents.</summary>
internal static class NewExercise
{
    public static Exercise Make(string title, Guid cohortId, DateTimeOffset now) =>
        Make(title, cohortId, now, "", new PartDocument(), Drawing.Empty, new AssessmentDocument());

    public static Exercise Make(
        string title,
        Guid cohortId,
        DateTimeOffset now,
        string scenario,
        PartDocument part,
        Drawing model,
        AssessmentDocument assessment
    )
    {
        var exercise = new Exercise
        {
            Id = Guid.CreateVersion7(),
            CohortId = cohortId,
            Title = title,
            CreatedAt = now,
        };
        Add(DocumentKind.Scenario, scenario);
        Add(DocumentKind.Part, ExerciseJson.Write(part));
        Add(DocumentKind.Model, DrawingWriter.WriteText(model));
        Add(DocumentKind.Assessment, ExerciseJson.Write(assessment));
        return exercise;

        void Add(DocumentKind kind, string text) =>
            exercise.Documents.Add(
                new ExerciseDocument
                {
                    ExerciseId = exercise.Id,
                    Kind = kind,
                    Revision = 1,
                    Text = text,
                    SavedAt = now,
                }
            );
    }
}
