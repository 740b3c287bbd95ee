using System.Collections.Concurrent;
using BlueSlate.Core;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;
using BlueSlate.Data;
using BlueSlate.Server.Features.Exercises;

namespace BlueSlate.Server.Features.Checking;

/// <summary>
/// Keeps prepared assessors, since one serves all answers of its revisions. Bounded; any of them can be made anew.
/// </summary>
public sealed class AssessorStore
{
    private const int Most = 64;

    private readonly ConcurrentDictionary<(Guid Question, Guid Assessment), Assessor> prepared = new();

    /// <summary>The assessor of a question and an assessment revision.</summary>
    public Assessor For(QuestionRevision question, AssessmentRevision assessment)
    {
        if (prepared.Count > Most)
        {
            prepared.Clear();
        }

        return prepared.GetOrAdd((question.Id, assessment.Id), _ => Prepare(question, assessment));
    }

    /// <summary>An assessor that is not kept.</summary>
    public static Assessor Prepare(QuestionRevision question, AssessmentRevision assessment)
    {
        var part = ExerciseJson.Read<PartDocument>(question.Part);
        var document = ExerciseJson.Read<AssessmentDocument>(assessment.Assessment);
        var model = DrawingReader.Read(assessment.Model).Drawing
            ?? throw new InvalidOperationException("A stored model answer cannot be read.");
        return new Assessor(model, part.ToOptions(), document.ToTolerances(), document.Scheme!.ToScheme(), document.ToTerms());
    }
}
