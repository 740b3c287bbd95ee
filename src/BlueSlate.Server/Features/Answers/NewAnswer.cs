using System.Security.Cryptography;
using BlueSlate.Core.Drawings;
using BlueSlate.Data;

namespace BlueSlate.Server.Features.Answers;

/// <summary>Makes an answer with a candidate code of its own.</summary>
internal static class NewAnswer
{
    // Without letters and digits that are easily taken for each other.
    private const string Alphabet = "23456789ABCDEFGHJKLMNPQRSTUVWXYZ";

    /// <summary>An attempt at what is asked, with a drawing for every part.</summary>
    public static Answer Make(
        Guid accountId,
        QuestionRevision question,
        DateTimeOffset now,
        DateTimeOffset? endsAt,
        int attempt,
        Func<QuestionPart, Drawing> drawingOf
    )
    {
        var answer = new Answer
        {
            Id = Guid.CreateVersion7(now),
            ExerciseId = question.ExerciseId,
            AccountId = accountId,
            QuestionRevisionId = question.Id,
            Attempt = attempt,
            CandidateCode = Code(4),
            StartedAt = now,
            EndsAt = endsAt,
        };
        foreach (var part in question.Parts.OrderBy(part => part.Position))
        {
            var (text, hash) = DrawingWriter.WriteWithHash(drawingOf(part));
            answer.Works.Add(
                new Work
                {
                    Id = Guid.CreateVersion7(now),
                    AnswerId = answer.Id,
                    PartId = part.PartId,
                    QuestionRevisionId = question.Id,
                    Revision = 1,
                    Drawing = text,
                    DrawingHash = hash,
                    SavedAt = now,
                }
            );
        }

        return answer;
    }

    /// <summary>A random code of so many letters and digits.</summary>
    public static string Code(int length) => RandomNumberGenerator.GetString(Alphabet, length);
}
