using System.Globalization;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.NotationFaults;

/// <summary>
/// A kind of finding about the notation itself. One pattern through a drawing is one finding: all remarks of its sort
/// together. A fault that was read as what is meant costs only lines about notation.
/// </summary>
public sealed class NotationFault : ConceptFindingKind
{
    private readonly RemarkText text;

    private NotationFault(RemarkText text) => this.text = text;

    /// <summary>A kind for every remark of the catalogue.</summary>
    public static IEnumerable<NotationFault> OfCatalogue => RemarkCatalogue.All.Select(text => new NotationFault(text));

    /// <inheritdoc />
    public override string Code => text.Code;

    /// <inheritdoc />
    public override string Title => text.Title;

    /// <inheritdoc />
    public override string Help => text.Help;

    /// <inheritdoc />
    public override int Rank => 25;

    /// <inheritdoc />
    public override bool IsIndependent => true;

    /// <inheritdoc />
    public override IEnumerable<Finding> Find(Evidence evidence)
    {
        var remarks = evidence.Comparison.Answer.Remarks.Where(remark => remark.Kind == text.Kind).ToList();
        if (remarks.Count == 0)
        {
            yield break;
        }

        var drawn = remarks.Select(remark => remark.Drawn).Distinct(StringComparer.Ordinal).ToList();
        var verdict = evidence.Comparison.On(FactKinds.OwnNotation, Fact.WholeDrawing);
        var unread = remarks
            .Where(remark => !remark.Repaired)
            .Select(remark => remark.ElementId)
            .ToHashSet(StringComparer.Ordinal);
        var all = remarks.Select(remark => remark.ElementId).ToHashSet(StringComparer.Ordinal);
        var left = evidence.Comparison.Verdicts.Where(bad =>
            bad is { Kind: VerdictKind.Absent, AnswerId: { } place }
            && (unread.Contains(place) || (bad.Fact.Kind is IdentifyingFact or MinimumFact or MaximumFact && all.Contains(place)))
        );
        var readAs = remarks[0].Repaired ? $" It is read as {remarks[0].ReadAs}." : " It cannot be read.";
        yield return new Finding
        {
            Id = IdFor(Fact.WholeDrawing),
            Code = Code,
            Tag = Tag.Notation,
            Headline = remarks.Count == 1 ? text.One : string.Format(CultureInfo.InvariantCulture, text.Several, remarks.Count),
            There = $"Drawn: {Phrasing.List(drawn)}.{readAs}",
            Wanted = text.Wants,
            Why = WhyOf(remarks[0], PlaceOf(evidence, remarks[0].ElementId)),
            Claims =
            [
                .. verdict is { IsBad: true } ? [verdict.Fact.Id] : Array.Empty<string>(),
                .. left.Select(bad => bad.Fact.Id),
            ],
            AnswerElements = [.. remarks.Select(remark => remark.ElementId)],
        };
    }

    private static string WhyOf(Remark remark, string? place) =>
        remark.Repaired
            ? $"Another reader may take “{remark.Drawn}”{(place is null ? "" : $" at {place}")} for something else."
            : $"Another reader could not read it either, and would have to ask what is meant{(place is null ? "" : $" at {place}")}.";

    private static string? PlaceOf(Evidence evidence, string elementId)
    {
        var model = evidence.Comparison.Answer.Model;
        var line = elementId.Split('/')[0];
        return model.Entities.FirstOrDefault(entity =>
                entity.Id == elementId || entity.Attributes.Any(attribute => attribute.Id == elementId)
            )
                is { Name.Length: > 0 } entity
                ? entity.Name
            : model.Relationships.FirstOrDefault(relationship => relationship.Id == line) is { } relationship
                ? $"the line between {Phrasing.List([.. relationship.Roles.Select(role => model.Entity(role.EntityId).Name)])}"
            : null;
    }
}
