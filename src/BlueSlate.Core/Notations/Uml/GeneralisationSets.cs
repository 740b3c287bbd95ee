using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Notations.Uml;

/// <summary>
/// Gathers generalisations into sets: all unnamed ones to one class are one set, those with the same name another. What is
/// written in braces at one of them is said of its set.
/// </summary>
internal static class GeneralisationSets
{
    public static ImmutableArray<Specialisation> Of(
        List<(TiedLine Tied, string SuperId, string SubId)> generalisations,
        UmlOptions options
    )
    {
        var read = generalisations
            .Select(one => (one.Tied.Line.Id, one.SuperId, one.SubId, Text: ClassName.Parse(one.Tied.Line.Text)))
            .ToList();
        return
        [
            .. read.GroupBy(one => (one.SuperId, Name: one.Text.Name.TrimEnd(':').Trim()))
                .Select(set =>
                {
                    var disjoint = Said(set.Select(one => one.Text), "disjoint", "overlapping");
                    var total = Said(set.Select(one => one.Text), "complete", "incomplete");
                    return new Specialisation(
                        new ConceptId(set.First().Id, "set").ToString(),
                        set.Key.SuperId,
                        [.. set.Select(one => new SubtypeLink(one.Id, one.SubId))],
                        disjoint ?? (options.UnmarkedSetIsOpen ? false : null),
                        total ?? (options.UnmarkedSetIsOpen ? false : null),
                        set.Key.Name
                    );
                }),
        ];
    }

    private static bool? Said(IEnumerable<ClassName> texts, string yes, string no)
    {
        foreach (var text in texts)
        {
            if (text.Says(yes))
            {
                return true;
            }

            if (text.Says(no))
            {
                return false;
            }
        }

        return null;
    }
}
