using System.Collections.Concurrent;
using BlueSlate.Core;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Judging;
using BlueSlate.Data;
using BlueSlate.Scenarios;
using BlueSlate.Server.Features.Exercises;

namespace BlueSlate.Server.Features.Checking;

/// <summary>
/// Keeps prepared assessors, since one serves all work of its revisions. Bounded; any of them can be made anew.
/// </summary>
public sealed class AssessorStore
{
    private const int Most = 64;

    private readonly ConcurrentDictionary<(Guid Question, Guid Assessment), Assessor> prepared = new();

    /// <summary>The assessor of a part as it was asked and an assessment revision.</summary>
    public Assessor For(QuestionPart asked, AssessmentRevision assessment)
    {
        if (prepared.Count > Most)
        {
            prepared.Clear();
        }

        return prepared.GetOrAdd((asked.QuestionRevisionId, assessment.Id), _ => Prepare(asked, assessment));
    }

    /// <summary>An assessor that is not kept. The part's revision has to be at hand with it.</summary>
    public static Assessor Prepare(QuestionPart asked, AssessmentRevision assessment) =>
        Prepare(asked, asked.Question!, assessment);

    /// <summary>The same of a part of what is asked.</summary>
    public static Assessor Prepare(QuestionPart asked, QuestionRevision question, AssessmentRevision assessment)
    {
        var options = ExerciseJson.Read<PartDocument>(asked.Document).Learned;
        var document = ExerciseJson.Read<AssessmentDocument>(assessment.Assessment);
        var model = Subject.Of(options).Parse(assessment.Model)
            ?? throw new InvalidOperationException("A stored model answer cannot be read.");
        var terms = document.ToTerms(options) with
        {
            Scenario = ScenarioRenderer.ToText(question.Scenario),
            Tables = ScenarioRenderer.ToTables(question.Scenario),
        };
        return new Assessor(model, options, document.ToTolerances(), document.Scheme!.ToScheme(), terms);
    }
}
