using System.Collections.Immutable;
using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Marking;

/// <summary>A finding as it stands in the margin, with what it costs.</summary>
/// <param name="Finding">A root.</param>
/// <param name="Consequences">What only follows from it.</param>
/// <param name="Loss">The marks that belong to it.</param>
/// <param name="Marked">False when no line of the scheme uses anything that it explains.</param>
/// <param name="LineIds">Lines of whose loss a share belongs to it.</param>
public sealed record Note(
    Finding Finding,
    ImmutableArray<Finding> Consequences,
    Rational Loss,
    bool Marked,
    ImmutableArray<string> LineIds
)
{
    /// <summary>The facts that it and its consequences explain.</summary>
    public IEnumerable<string> AllFactIds => Finding.Claims.Concat(Consequences.SelectMany(consequence => consequence.Claims));

    /// <summary>A decision on all that it explains.</summary>
    public Ruling Ruled(Decision decision, string comment) => new(decision, [.. AllFactIds], Finding.Extras, comment);
}

/// <summary>
/// Gives every lost mark to the notes that explain it: what a line lost to the roots of its failed facts, in proportion to what each
/// explains of them; what an extra costs to its note; what a line lost of which nothing is assessed to the first root. The losses of
/// the notes sum to the maximum less the exact total, what a person gave or took besides left aside.
/// </summary>
public static class NoteWriter
{
    /// <summary>The notes of an answer, in the findings' order.</summary>
    public static ImmutableArray<Note> Write(MarkSheet sheet, ImmutableArray<Finding> findings)
    {
        var roots = findings.Where(finding => finding.ConsequenceOf is null).ToList();
        var rootOf = new Dictionary<string, string>(StringComparer.Ordinal);
        foreach (var finding in findings)
        {
            foreach (var fact in finding.Claims)
            {
                rootOf.TryAdd(fact, finding.ConsequenceOf ?? finding.Id);
            }
        }

        var losses = roots.ToDictionary(root => root.Id, _ => Rational.Zero, StringComparer.Ordinal);
        var lines = roots.ToDictionary(root => root.Id, _ => new List<string>(), StringComparer.Ordinal);
        foreach (var line in sheet.Lines.Where(line => !line.Lost.IsZero))
        {
            var causes = line
                .Credits.Where(credit => credit.Credit < Rational.One && rootOf.ContainsKey(credit.FactId))
                .GroupBy(credit => rootOf[credit.FactId], StringComparer.Ordinal)
                .Select(group => (Root: group.Key, Weight: group.Aggregate(Rational.Zero, (sum, credit) => sum + credit.Weight)))
                .ToList();
            // A line of which nothing is assessed is lost by drawing nothing: that is what the first note says.
            if (line.Credits.IsEmpty && roots.Count > 0)
            {
                causes.Add((roots[0].Id, Rational.One));
            }

            var all = causes.Aggregate(Rational.Zero, (sum, cause) => sum + cause.Weight);
            foreach (var (root, weight) in causes.Where(cause => !cause.Weight.IsZero))
            {
                losses[root] += line.Lost * weight / all;
                lines[root].Add(line.Line.Id);
            }
        }

        AddExtras(sheet, findings, losses);
        var marked = sheet.Lines.SelectMany(line => line.Line.FactIds).ToHashSet(StringComparer.Ordinal);
        return
        [
            .. roots.Select(root =>
            {
                var consequences = findings.Where(finding => finding.ConsequenceOf == root.Id).ToImmutableArray();
                var uses = root.Claims.Concat(consequences.SelectMany(finding => finding.Claims)).Any(marked.Contains);
                return new Note(root, consequences, losses[root.Id], uses || !losses[root.Id].IsZero, [.. lines[root.Id]]);
            }),
        ];
    }

    private static void AddExtras(MarkSheet sheet, ImmutableArray<Finding> findings, Dictionary<string, Rational> losses)
    {
        var rootOf = new Dictionary<string, string>(StringComparer.Ordinal);
        foreach (var finding in findings)
        {
            foreach (var extra in finding.Extras)
            {
                rootOf.TryAdd(extra, finding.ConsequenceOf ?? finding.Id);
            }
        }

        foreach (var extra in sheet.Extras)
        {
            if (rootOf.TryGetValue(extra.AnswerId, out var root))
            {
                losses[root] += extra.Loss;
            }
        }
    }
}
