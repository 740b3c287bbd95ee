using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Preparing;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Preparing;

/// <summary>A dependency diagram built up: its attributes, then one determinant after the other, then the key.</summary>
internal static class DependencySteps
{
    /// <summary>The steps; what an earlier one drew is not drawn again.</summary>
    public static ImmutableArray<WorkedStep> Of(PreflightCase one)
    {
        var reading = DependencyReader.Read((Drawing)one.Model);
        if (reading.Attributes.IsEmpty)
        {
            return [];
        }

        var steps = ImmutableArray.CreateBuilder<WorkedStep>();
        var drawn = new HashSet<string>(StringComparer.Ordinal);
        void Add(string said, string why, IEnumerable<string> elements)
        {
            ImmutableArray<string> fresh = [.. elements.Select(id => ConceptId.Of(id).Element).Where(drawn.Add)];
            if (!fresh.IsEmpty)
            {
                steps.Add(new WorkedStep(said, why, fresh, []));
            }
        }

        Add(
            $"The attributes are {reading.Say(reading.Set.All)}.",
            "Before anything can depend on anything, every value that is kept is laid out once.",
            ((Drawing)one.Model)
                .Shapes.Where(shape => !DependencyReader.IsGather(shape))
                .SelectMany(shape => shape.TextLines.Select(row => row.Id).Prepend(shape.Id))
        );
        foreach (var group in reading.Dependencies.GroupBy(arrow => (arrow.From, arrow.IsMultivalued)))
        {
            var (from, to) = (
                reading.Say(group.Key.From),
                Phrasing.List([.. group.Select(arrow => reading.Attributes[arrow.To].Text)])
            );
            Add(
                $"{Phrasing.Capital(from)} {group.First().Verb} {to}.",
                group.Key.IsMultivalued
                    ? $"With one {from} there is a set of {to}, whatever else is in the row."
                    : $"Two rows that agree on {from} agree on {to}.",
                group.SelectMany(arrow => arrow.Elements)
            );
        }

        return steps.ToImmutable();
    }
}
