using BlueSlate.Core;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Marking;
using BlueSlate.Data;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Checking;

/// <summary>An answer checked under the newest assessment, its rulings applied.</summary>
public sealed record CheckedAnswer(Answer Answer, AssessmentRevision Revision, Assessment Assessment)
{
    /// <summary>True when an entity was matched by its place rather than by its name, so that a person has to look.</summary>
    public bool Doubtful => Assessment.Comparison.Correspondence.Entities.Values.Any(match => match.NameLikeness < 0.6);
}

/// <summary>Runs the core on a stored answer.</summary>
public sealed class AnswerAssessment(BlueSlateContext database, AssessorStore assessors)
{
    /// <summary>Reads, matches, checks and marks an answer as it stands, with its rulings.</summary>
    public async Task<CheckedAnswer> RunAsync(Guid answerId, CancellationToken cancellation)
    {
        var answer = await database.Answers.AsNoTracking()
            .Include(row => row.Question).Include(row => row.Exercise).Include(row => row.Rulings).Include(row => row.Released)
            .FirstAsync(row => row.Id == answerId, cancellation);
        var revision = await database.AssessmentRevisions.AsNoTracking().Where(row => row.ExerciseId == answer.ExerciseId).OrderByDescending(row => row.Number).FirstAsync(cancellation);
        var drawing = DrawingReader.Read(answer.Drawing).Drawing ?? throw new InvalidOperationException("A stored drawing cannot be read.");
        return new CheckedAnswer(answer, revision, assessors.For(answer.Question!, revision).Assess(drawing, [.. answer.Rulings.Select(ToRuling)]));
    }

    /// <summary>Writes the total of a checked answer to its result row, making the row when there is none.</summary>
    public async Task StoreAsync(CheckedAnswer result, DateTimeOffset now, CancellationToken cancellation)
    {
        var (total, maximum) = (result.Assessment.Sheet.Total.ToString(), result.Assessment.Sheet.Maximum.ToString());
        await database.Database.ExecuteSqlAsync(
            $"""
            INSERT INTO check_results (id, answer_id, question_revision_id, assessment_revision_id, core_version, total, maximum, doubtful, at)
            VALUES ({Guid.CreateVersion7()}, {result.Answer.Id}, {result.Answer.QuestionRevisionId}, {result.Revision.Id}, {Assessor.CoreVersion}, {total}, {maximum}, {result.Doubtful}, {now})
            ON CONFLICT (answer_id, question_revision_id, assessment_revision_id, core_version)
            DO UPDATE SET total = excluded.total, maximum = excluded.maximum, doubtful = excluded.doubtful
            """,
            cancellation);
    }

    /// <summary>A stored ruling as a value of the core.</summary>
    public static Ruling ToRuling(FindingRuling ruling) =>
        new(Enum.Parse<Decision>(ruling.Decision), [.. ruling.FactIds], [.. ruling.Extras], ruling.Comment);
}
