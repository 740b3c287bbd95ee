using System.Collections.Immutable;
using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Marking;

/// <summary>A finding as it stands in the margin, with what it costs.</summary>
/// <param name="Finding">A root.</param>
/// <param name="Consequences">What only follows from it.</param>
/// <param name="Loss">The marks that belong to it.</param>
/// <param name="CountedIn">Ids of roots in whose notes lines that this one fails too are counted.</param>
/// <param name="Marked">False when no line of the scheme uses anything that it explains.</param>
/// <param name="LineIds">Lines whose loss belongs to it.</param>
public sealed record Note(
    Finding Finding,
    ImmutableArray<Finding> Consequences,
    Rational Loss,
    ImmutableArray<string> CountedIn,
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
/// Gives every lost mark to exactly one note: a line's loss to the first root that explains one of its failed facts; the
/// extras' loss to the notes of extras in their order; that of a line of which nothing is assessed to the first root. The
/// losses of the notes sum to the maximum less the exact total.
/// </summary>
public static class NoteWriter
{
    /// <summary>The notes of an answer, in the findings' order.</summary>
    public static ImmutableArray<Note> Write(MarkSheet sheet, ImmutableArray<Finding> findings, Rational extraCost)
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
        var countedIn = roots.ToDictionary(
            root => root.Id,
            _ => new SortedSet<string>(StringComparer.Ordinal),
            StringComparer.Ordinal
        );
        var lines = roots.ToDictionary(root => root.Id, _ => new List<string>(), StringComparer.Ordinal);
        var order = roots.Select((root, i) => (root.Id, i)).ToDictionary(pair => pair.Id, pair => pair.i, StringComparer.Ordinal);
        foreach (var line in sheet.Lines.Where(line => !line.Lost.IsZero))
        {
            var causes = line
                .Credits.Where(credit => credit.Credit < Rational.One)
                .Select(credit => rootOf.GetValueOrDefault(credit.FactId))
                .OfType<string>()
                .Distinct(StringComparer.Ordinal)
                .OrderBy(id => order[id])
                .ToList();
            // A line of which nothing is assessed is lost by drawing nothing: that is what the first note says.
            if (causes.Count == 0 && line.Credits.IsEmpty && roots.Count > 0)
            {
                causes.Add(roots[0].Id);
            }

            if (causes.Count == 0)
            {
                continue;
            }

            losses[causes[0]] += line.Lost;
            lines[causes[0]].Add(line.Line.Id);
            foreach (var further in causes.Skip(1))
            {
                countedIn[further].Add(causes[0]);
            }
        }

        SpreadExtras(sheet, roots, losses, extraCost);
        var marked = sheet.Lines.SelectMany(line => line.Line.FactIds).ToHashSet(StringComparer.Ordinal);
        return
        [
            .. roots.Select(root =>
            {
                var consequences = findings.Where(finding => finding.ConsequenceOf == root.Id).ToImmutableArray();
                var uses = root.Claims.Concat(consequences.SelectMany(finding => finding.Claims)).Any(marked.Contains);
                return new Note(
                    root,
                    consequences,
                    losses[root.Id],
                    [.. countedIn[root.Id]],
                    uses || !losses[root.Id].IsZero,
                    [.. lines[root.Id]]
                );
            }),
        ];
    }

    private static void SpreadExtras(
        MarkSheet sheet,
        List<Finding> roots,
        Dictionary<string, Rational> losses,
        Rational extraCost
    )
    {
        var left = sheet.ExtrasLoss;
        foreach (var root in roots.Where(root => root.Extras.Length > 0))
        {
            var share = Rational.Min(left, extraCost * root.Extras.Length);
            losses[root.Id] += share;
            left -= share;
        }
    }
}
