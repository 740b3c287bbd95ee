using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Notations.Chen;

/// <summary>Reads diamonds, and what stands in their place, as relationships.</summary>
internal sealed class RelationshipReader(ChenSheet sheet, AttributeReader attributes)
{
    public ImmutableArray<RelationshipType> Read()
    {
        var relationships = ImmutableArray.CreateBuilder<RelationshipType>();
        foreach (var shape in sheet.Drawing.Shapes)
        {
            switch (sheet.Role(shape))
            {
                case ChenRole.Relationship:
                    if (ReadDiamond(shape) is { } found)
                    {
                        relationships.Add(found);
                    }

                    break;
                case ChenRole.Associative:
                    if (ReadAssociative(shape) is { } linked)
                    {
                        relationships.Add(linked);
                    }

                    break;
            }
        }

        foreach (var tied in sheet.Targets.Lines.Where(tied => !tied.IsOfNote))
        {
            if (ReadPlain(tied) is { } plain)
            {
                relationships.Add(plain);
            }
        }

        return [.. relationships.Select(Repaired)];
    }

    private RelationshipType? ReadDiamond(Shape diamond)
    {
        var lines = sheet
            .LinesAt(diamond)
            .Where(seen => sheet.IsEntity(seen.Far))
            .Select(seen => new SeenLine(seen.Tied, !seen.Turned))
            .ToList();
        if (diamond.Outline == Outline.Dashed)
        {
            sheet.Remark(RemarkKind.ForeignOutline, diamond.Id, "a dashed outline", "a diamond");
        }

        if (lines.Count < 2)
        {
            sheet.Remark(
                RemarkKind.LoneDiamond,
                diamond.Id,
                lines.Count == 0 ? "a diamond that joins nothing" : "a diamond with one line",
                "nothing",
                false
            );
            return null;
        }

        var identifying = diamond.Outline == Outline.Double;
        var roles = ReadRoles(lines);
        var (name, there, back) = Names(diamond.Text, lines.Count);
        roles = [.. roles.Select((role, i) => role with { Verb = i == 0 ? there : back })];
        return new RelationshipType(diamond.Id, name, roles, identifying, DependentRole(lines))
        {
            Attributes = [.. attributes.Of(diamond).Select(drawn => drawn.Attribute)],
        };
    }

    // A slash separates the two directions of a relationship of two.
    private static (string Name, string There, string Back) Names(string text, int degree) =>
        degree == 2 && text.Split('/', 2, StringSplitOptions.TrimEntries) is [{ Length: > 0 } there, { Length: > 0 } back]
            ? ("", there, back)
            : (text.Trim(), "", "");

    // Lines run straight from the linked entities to the box with the diamond in it.
    private RelationshipType? ReadAssociative(Shape box)
    {
        var lines = sheet
            .LinesAt(box)
            .Where(seen => sheet.Role(seen.Far) == ChenRole.Entity && seen.Line.Along.IsEmpty)
            .Select(seen => new SeenLine(seen.Tied, !seen.Turned))
            .ToList();
        return lines.Count < 2
            ? null
            : new RelationshipType(new ConceptId(box.Id, "link").ToString(), "", ReadRoles(lines), null, null)
            {
                EntityId = box.Id,
            };
    }

    private ImmutableArray<RelationshipRole> ReadRoles(List<SeenLine> lines)
    {
        var written = lines.Select(ReadCount).ToList();
        return
        [
            .. lines.Select(
                (seen, i) =>
                {
                    // What a pair counts is how often the entity takes part; with two entities that is the other's co-occurrence.
                    var other = lines.Count == 2 ? 1 - i : -1;
                    var own = CoOccurrence(lines, written, i, other);
                    var participation = other >= 0 ? CoOccurrence(lines, written, other, i) : Participation(lines[i], written[i]);
                    return new RelationshipRole(seen.NearId, seen.Near!.Id, RoleText(seen), "", own, participation);
                }
            ),
        ];
    }

    private Count CoOccurrence(List<SeenLine> lines, List<CountText?> written, int i, int other)
    {
        var mine = written[i];
        var max = mine is { IsPair: false } ? mine.Count.Max : null;
        int? min = null;
        if (mine is { IsPair: true } && sheet.Options.PairsAcross)
        {
            (min, max) = (mine.Count.Min, mine.Count.Max);
        }

        if (other >= 0)
        {
            var taking = Participation(lines[other], written[other]);
            min ??= taking.Min;
            max ??= taking.Max;
        }

        return new Count(min, max);
    }

    // How often one instance takes part, by the stroke of its line and a pair written at it.
    private Count Participation(SeenLine seen, CountText? written)
    {
        if (written is { IsPair: true } && !sheet.Options.PairsAcross)
        {
            return written.Count;
        }

        return sheet.Options.DoubleLineSaysAll ? new Count(seen.Line.Stroke == Stroke.Double ? 1 : 0, null) : Count.Unsaid;
    }

    private CountText? ReadCount(SeenLine seen)
    {
        ReadEnds(seen);
        var written = CountText.In(seen);
        if (written is null)
        {
            var text = seen.NearEnd.Count.Trim().Length > 0 ? seen.NearEnd.Count.Trim() : seen.FarEnd.Count.Trim();
            if (text.Length > 0)
            {
                sheet.Remark(RemarkKind.UnreadableCount, seen.NearId, text, "nothing", false);
            }

            return FromMarks(seen);
        }

        if (written.IsPair != (sheet.Options.Counts == CountStyle.Pairs) && written.Text is not "1")
        {
            sheet.Remark(
                RemarkKind.OtherCountStyle,
                seen.NearId,
                written.Text,
                written.IsPair ? written.Count.ToString() : Count.Spell(written.Count.Max)
            );
        }

        if (written is { IsPair: true, Count.Min: 0 } && seen.Line.Stroke == Stroke.Double)
        {
            sheet.Remark(
                RemarkKind.PairWithDoubleLine,
                seen.NearId,
                $"{written.Text} on a double line",
                written.Count.ToString()
            );
        }

        return written;
    }

    // A crow's foot or the like at the entity: read by its own notation, and remarked on as of another.
    private static CountText? FromMarks(SeenLine seen)
    {
        var marks = seen.NearEnd.Marks;
        if (!marks.Any(mark => mark is EndMark.Bar or EndMark.Ring or EndMark.Foot))
        {
            return null;
        }

        var count = EndReader.Read(
            seen.NearEnd,
            seen.NearId,
            singleBarIsExactlyOne: false,
            ImmutableArray.CreateBuilder<Remark>()
        );
        return new CountText("", false, count);
    }

    private void ReadEnds(SeenLine seen)
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
                    "nothing",
                    arrow
                );
            }
        }

        if (seen.Line.Stroke == Stroke.Dashed)
        {
            sheet.Remark(RemarkKind.ForeignStroke, seen.Line.Id, "a dashed line", "a single line");
        }
    }

    private static string RoleText(SeenLine seen) =>
        new[] { seen.NearEnd.Role, seen.FarEnd.Role, seen.NearEnd.Label, seen.FarEnd.Label, seen.Line.Text }
            .Select(text => text.Trim())
            .FirstOrDefault(text => text.Length > 0 && CountText.Parse(text) is null)
        ?? "";

    private static string? DependentRole(List<SeenLine> lines)
    {
        var weak = lines.Where(seen => seen.Near!.Outline == Outline.Double).ToList();
        return weak.Count == 1 ? weak[0].NearId : null;
    }

    // A line straight between two entities, without a cup, is meant as a relationship.
    private RelationshipType? ReadPlain(TiedLine tied)
    {
        var line = tied.Line;
        var (from, to) = (sheet.Role(tied.From), sheet.Role(tied.To));
        if (from == ChenRole.Relationship && to == ChenRole.Relationship)
        {
            sheet.Remark(RemarkKind.DiamondToDiamond, line.Id, "a line between two relationships", "nothing", false);
            return null;
        }

        if (from == ChenRole.Nothing || to == ChenRole.Nothing)
        {
            var onLine =
                line.From.On.Kind is AttachmentKind.Line or AttachmentKind.End
                || line.To.On.Kind is AttachmentKind.Line or AttachmentKind.End;
            sheet.Remark(
                onLine ? RemarkKind.LineToLine : RemarkKind.LooseEnd,
                line.Id,
                onLine ? "a line that ends on a line" : "a line with a loose end",
                "nothing",
                false
            );
            return null;
        }

        if (from != ChenRole.Entity || to != ChenRole.Entity || !line.Along.IsEmpty || SpecialisationReader.HasTriangle(line))
        {
            return null;
        }

        sheet.Remark(RemarkKind.NoDiamond, line.Id, "a line without a diamond", "a relationship");
        var lines = tied.BothWays.ToList();
        var marked = lines.Any(seen => seen.NearEnd.Marks.Any(mark => mark is EndMark.Bar or EndMark.Ring or EndMark.Foot));
        var roles = marked ? FromFeet(lines) : ReadRoles(lines);
        var name = new[] { line.Text, line.From.Label, line.To.Label }
            .Select(text => text.Trim())
            .FirstOrDefault(text => text.Length > 0 && CountText.Parse(text) is null)
            ?? "";
        return new RelationshipType(
            line.Id,
            name,
            [.. roles.Select(role => role with { Role = role.Role == name ? "" : role.Role })],
            null,
            null
        );
    }

    private static ImmutableArray<RelationshipRole> FromFeet(List<SeenLine> lines)
    {
        var unheard = ImmutableArray.CreateBuilder<Remark>();
        var counts = lines
            .Select(seen => EndReader.Read(seen.NearEnd, seen.NearId, singleBarIsExactlyOne: false, unheard))
            .ToList();
        return
        [
            .. lines.Select(
                (seen, i) =>
                    new RelationshipRole(seen.NearId, seen.Near!.Id, seen.NearEnd.Role.Trim(), "", counts[i], counts[1 - i])
            ),
        ];
    }

    // A weak entity with one diamond that can only be its identifying one: the double outline was forgotten.
    private RelationshipType Repaired(RelationshipType relationship)
    {
        if (relationship is not { Identifying: false, DependentRoleId: { } dependent, Roles.Length: 2 })
        {
            return relationship;
        }

        var weak = relationship.Roles.First(role => role.Id == dependent);
        var shape = sheet.Drawing.Shapes.First(candidate => candidate.Id == weak.EntityId);
        var diamonds = sheet
            .LinesAt(shape)
            .Select(seen => seen.Far)
            .Where(far => sheet.Role(far) == ChenRole.Relationship)
            .Distinct()
            .ToList();
        var candidates = diamonds.Where(diamond => OwnerIsOne(diamond!, shape)).ToList();
        if (
            relationship.Other(weak).CoOccurrence.Max != 1
            || candidates is not [var only]
            || only!.Id != relationship.Id
            || diamonds.Any(diamond => diamond!.Outline == Outline.Double)
        )
        {
            return relationship;
        }

        sheet.Remark(RemarkKind.SingleDiamondAtWeak, relationship.Id, "a single diamond", "an identifying relationship");
        return relationship with { Identifying = true };
    }

    // Another entity takes part at most once for each instance of the weak one.
    private bool OwnerIsOne(Shape diamond, Shape weak)
    {
        var lines = sheet
            .LinesAt(diamond)
            .Where(seen => sheet.IsEntity(seen.Far))
            .Select(seen => new SeenLine(seen.Tied, !seen.Turned))
            .ToList();
        var written = lines.Select(CountText.In).ToList();
        return lines.Count == 2
            && lines.Any(seen => seen.Near == weak)
            && lines
                .Select((seen, i) => (seen, i))
                .Any(pair =>
                    pair.seen.Near != weak && CoOccurrence(lines, written, pair.i, 1 - pair.i) is { Max: 1, Min: null or 1 }
                );
    }
}
