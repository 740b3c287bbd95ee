using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Notations.Chen;

/// <summary>Reads circles with <c>d</c>, <c>o</c> or <c>u</c>, and lines with a cup straight between entities.</summary>
internal sealed class SpecialisationReader(ChenSheet sheet)
{
    private readonly ImmutableArray<Specialisation>.Builder specialisations = ImmutableArray.CreateBuilder<Specialisation>();
    private readonly ImmutableArray<UnionType>.Builder unions = ImmutableArray.CreateBuilder<UnionType>();

    /// <summary>Whether a line carries a triangle of another notation.</summary>
    public static bool HasTriangle(Line line) => IsTriangle(line.From) || IsTriangle(line.To);

    public (ImmutableArray<Specialisation>, ImmutableArray<UnionType>) Read()
    {
        foreach (var circle in sheet.Shapes(ChenRole.Circle))
        {
            ReadCircle(circle);
        }

        foreach (var tied in sheet.Targets.Lines.Where(tied => sheet.IsEntity(tied.From) && sheet.IsEntity(tied.To)))
        {
            ReadStraight(tied);
        }

        return (specialisations.ToImmutable(), unions.ToImmutable());
    }

    private void ReadCircle(Shape circle)
    {
        var lines = sheet.LinesAt(circle).Where(seen => sheet.IsEntity(seen.Far)).ToList();
        if (lines.Count < 2)
        {
            sheet.Remark(RemarkKind.LoneCircle, circle.Id, "a circle that joins fewer than two entities", "nothing", false);
            return;
        }

        foreach (var seen in lines)
        {
            RemarkOnEnds(seen);
        }

        var letter = circle.Text.Trim().ToLowerInvariant();
        if (letter == "u")
        {
            ReadUnion(circle, lines);
            return;
        }

        var (supers, subs) = Split(circle, lines);
        bool? disjoint = letter switch
        {
            "d" => true,
            "o" => false,
            _ => null,
        };
        for (var i = 0; i < supers.Count; i++)
        {
            // With several supertypes the links belong to the first; each further one has links of its own.
            var links = subs.Select(seen => new SubtypeLink(ConceptId.At(seen.Line.Id, i), seen.Far!.Id));
            specialisations.Add(
                new Specialisation(
                    ConceptId.At(circle.Id, i),
                    supers[i].Far!.Id,
                    [.. links],
                    disjoint,
                    supers[i].Line.Stroke == Stroke.Double,
                    NameOf(supers[i])
                )
            );
        }
    }

    private static string NameOf(SeenLine super) => super.Line.Text.Trim();

    // A cup open to the circle stands at a subtype; one open to the entity says that the entity is the supertype.
    private (List<SeenLine> Supers, List<SeenLine> Subs) Split(Shape circle, List<SeenLine> lines)
    {
        var cups = lines.Where(seen => CupOpensTo(seen) is not null).ToList();
        if (cups.Count > 0)
        {
            var subs = cups.Where(seen => CupOpensTo(seen) == seen.NearSide).ToList();
            var supers = cups.Where(seen => !subs.Contains(seen)).ToList();
            var plain = lines.Where(seen => !cups.Contains(seen)).ToList();
            return subs.Count >= supers.Count ? ([.. supers, .. plain], subs) : (supers, [.. subs, .. plain]);
        }

        sheet.Remark(RemarkKind.NoCup, circle.Id, "lines without a cup", "a specialisation");
        var (super, isSaid) = Supertype.Among(lines);
        if (!isSaid)
        {
            sheet.Remark(
                RemarkKind.NoSupertype,
                circle.Id,
                "lines of which none leads to the circle from a supertype",
                $"subtypes of {super.Far!.Text.Trim()}"
            );
        }

        return ([super], [.. lines.Where(seen => seen != super)]);
    }

    private void ReadUnion(Shape circle, List<SeenLine> lines)
    {
        // The cup and the double line lie between the circle and the category.
        var category =
            lines.FirstOrDefault(seen => CupOpensTo(seen) is not null) is { Tied: not null } cup ? cup
            : lines.FirstOrDefault(seen => seen.Line.Stroke == Stroke.Double) is { Tied: not null } doubled ? doubled
            : lines[^1];
        if (CupOpensTo(category) is null)
        {
            sheet.Remark(RemarkKind.NoCup, circle.Id, "lines without a cup", "a category");
        }

        unions.Add(
            new UnionType(
                circle.Id,
                category.Far!.Id,
                [.. lines.Where(seen => seen != category).Select(seen => new SubtypeLink(seen.Line.Id, seen.Far!.Id))],
                category.Line.Stroke == Stroke.Double
            )
        );
    }

    private void ReadStraight(TiedLine tied)
    {
        var seen = new SeenLine(tied, false);
        var cup = CupOpensTo(seen);
        if (cup is null && !HasTriangle(tied.Line))
        {
            return;
        }

        RemarkOnEnds(seen);
        var superIsFrom = cup is { } side ? side == EndSide.From : IsTriangle(tied.Line.From);
        var (super, sub) = superIsFrom ? (tied.From!, tied.To!) : (tied.To!, tied.From!);
        specialisations.Add(
            new Specialisation(
                new ConceptId(tied.Line.Id, "set").ToString(),
                super.Id,
                [new SubtypeLink(tied.Line.Id, sub.Id)],
                null,
                tied.Line.Stroke == Stroke.Double ? true : null,
                ""
            )
        );
    }

    private static EndSide? CupOpensTo(SeenLine seen) =>
        seen.Line.Along.FirstOrDefault(along => along.Symbol == AlongMark.Cup)?.Facing is { } side and not EndSide.Neither
            ? side
            : null;

    private void RemarkOnEnds(SeenLine seen)
    {
        foreach (var (end, id) in new[] { (seen.NearEnd, seen.NearId), (seen.FarEnd, seen.FarId) })
        {
            foreach (var mark in end.Marks)
            {
                var arrow = mark is EndMark.Arrow or EndMark.OpenArrow;
                sheet.Remark(
                    arrow ? RemarkKind.Arrowhead : RemarkKind.ForeignEndSymbol,
                    id,
                    arrow ? "an arrowhead" : Symbols.Ends[mark].Says,
                    IsTriangle(end) ? "a cup" : "nothing",
                    IsTriangle(end)
                );
            }
        }
    }

    private static bool IsTriangle(LineEnd end) => end.Marks.Any(mark => mark is EndMark.Triangle or EndMark.SolidTriangle);
}
