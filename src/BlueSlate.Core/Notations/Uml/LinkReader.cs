using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Notations.Uml;

/// <summary>
/// Reads lines as associations, generalisations, realizations and dependencies, by their strokes and end symbols.
/// </summary>
internal sealed class LinkReader
{
    private readonly Drawing drawing;
    private readonly UmlOptions options;
    private readonly ImmutableArray<Remark>.Builder remarks;
    private readonly Dictionary<string, EntityType> classes;
    private readonly EndTargets targets;
    private readonly List<RelationshipType> relationships = [];
    private readonly List<(TiedLine Tied, string SuperId, string SubId)> generalisations = [];
    private readonly List<TiedLine> onLines = [];

    public LinkReader(Drawing drawing, List<EntityType> classes, UmlOptions options, ImmutableArray<Remark>.Builder remarks)
    {
        (this.drawing, this.options, this.remarks) = (drawing, options, remarks);
        this.classes = classes.ToDictionary(entity => entity.Id, StringComparer.Ordinal);
        targets = new EndTargets(drawing);
    }

    public (ImmutableArray<RelationshipType>, ImmutableArray<Specialisation>, ImmutableArray<ExclusiveConstraint>) Read()
    {
        var openTriangles = OpenTriangles.In([
            .. targets.Lines.Where(tied => ClassAt(tied.From) is not null && ClassAt(tied.To) is not null),
        ]);
        foreach (var tied in targets.Lines)
        {
            if (openTriangles.TryGetValue(tied.Line.Id, out var atGeneral))
            {
                Remark(RemarkKind.OpenTriangle, atGeneral.NearId, "an open arrowhead", "a hollow triangle");
                generalisations.Add((tied, atGeneral.Near!.Id, atGeneral.Far!.Id));
                continue;
            }

            ReadLine(tied);
        }

        foreach (var diamond in drawing.Shapes.Where(shape => shape.Form == Form.Diamond))
        {
            ReadDiamond(diamond);
        }

        foreach (var junction in drawing.Shapes.Where(shape => shape.Form == Form.Junction))
        {
            ReadJunction(junction);
        }

        var exclusions = ReadOnLines();
        return ([.. relationships], GeneralisationSets.Of(generalisations, options), exclusions);
    }

    private void ReadLine(TiedLine tied)
    {
        var line = tied.Line;
        if (IsOnLine(line.From) || IsOnLine(line.To))
        {
            onLines.Add(tied);
        }
        else if (tied.IsOfNote || IsKnot(tied.From) || IsKnot(tied.To))
        {
            // Notes say nothing here; lines of diamonds and junctions are read with them.
        }
        else if (ClassAt(tied.From) is { } from && ClassAt(tied.To) is { } to)
        {
            ReadBetween(tied, from, to);
        }
        else
        {
            Remark(RemarkKind.LooseEnd, line.Id, "a line with a loose end", "nothing", false);
        }
    }

    private void ReadBetween(TiedLine tied, EntityType from, EntityType to)
    {
        var line = tied.Line;
        if (line.Stroke == Stroke.Double)
        {
            Remark(RemarkKind.ForeignStroke, line.Id, "a double line", "a solid line");
        }

        var triangle = tied.BothWays.FirstOrDefault(seen => HasTriangle(seen.NearEnd));
        if (triangle.Tied is not null)
        {
            ReadTriangle(triangle, line.Stroke == Stroke.Dashed);
        }
        else if (line.Stroke == Stroke.Dashed)
        {
            ReadDashed(tied, from, to);
        }
        else if (to.Kind == EntityKind.Interface && IsBall(tied.To))
        {
            ReadAtBall(new SeenLine(tied, true));
        }
        else if (from.Kind == EntityKind.Interface && IsBall(tied.From))
        {
            ReadAtBall(new SeenLine(tied, false));
        }
        else
        {
            ReadAssociation(tied, from, to);
        }
    }

    private void ReadTriangle(SeenLine atGeneral, bool dashed)
    {
        var line = atGeneral.Line;
        if (atGeneral.NearEnd.Marks.Contains(EndMark.SolidTriangle))
        {
            Remark(RemarkKind.SolidTriangle, atGeneral.NearId, "a solid triangle", "a hollow triangle");
        }

        foreach (
            var (end, id) in new[] { (line.From, line.FromId), (line.To, line.ToId) }.Where(pair =>
                pair.Item1.Count.Trim().Length > 0
            )
        )
        {
            Remark(RemarkKind.CountOnGeneralisation, id, end.Count.Trim(), "nothing");
        }

        if (dashed)
        {
            relationships.Add(Directed(line, RelationshipKind.Realization, atGeneral));
        }
        else
        {
            generalisations.Add((atGeneral.Tied, atGeneral.Near!.Id, atGeneral.Far!.Id));
        }
    }

    private void ReadDashed(TiedLine tied, EntityType from, EntityType to)
    {
        var arrow = tied.BothWays.FirstOrDefault(seen =>
            seen.NearEnd.Marks.Any(mark => mark is EndMark.OpenArrow or EndMark.Arrow)
        );
        if (arrow.Tied is null)
        {
            Remark(RemarkKind.ForeignStroke, tied.Line.Id, "a dashed line without an arrowhead", "an association");
            ReadAssociation(tied, from, to);
            return;
        }

        if (arrow.NearEnd.Marks.Contains(EndMark.Arrow))
        {
            Remark(RemarkKind.Arrowhead, arrow.NearId, "a filled arrowhead", "an open arrowhead");
        }

        relationships.Add(Directed(tied.Line, RelationshipKind.Dependency, arrow));
    }

    // A ball with a plain line is provided by the class; with a socket it is required.
    private void ReadAtBall(SeenLine atBall) =>
        relationships.Add(
            Directed(
                atBall.Line,
                atBall.NearEnd.Marks.Contains(EndMark.Socket) ? RelationshipKind.Dependency : RelationshipKind.Realization,
                atBall
            )
        );

    private static RelationshipType Directed(Line line, RelationshipKind kind, SeenLine atTarget) =>
        new(
            line.Id,
            line.Text.Trim(),
            [
                new RelationshipRole(atTarget.FarId, atTarget.Far!.Id, "", "", Count.Unsaid, Count.Unsaid),
                new RelationshipRole(atTarget.NearId, atTarget.Near!.Id, "", "", Count.Unsaid, Count.Unsaid),
            ],
            null,
            null
        )
        {
            Kind = kind,
        };

    private void ReadAssociation(TiedLine tied, EntityType from, EntityType to)
    {
        var line = tied.Line;
        Count atFrom = ReadCount(line.From, line.FromId),
            atTo = ReadCount(line.To, line.ToId);
        // A qualifier at one end makes the count at the other one for each of its values.
        Count plainFrom = line.To.Qualifier.Length > 0 ? Count.Unsaid : atFrom,
            plainTo = line.From.Qualifier.Length > 0 ? Count.Unsaid : atTo;
        var (kind, whole) = ReadWhole(line);
        var arrows = line.From.Marks.Contains(EndMark.OpenArrow) || line.To.Marks.Contains(EndMark.OpenArrow);
        var text = line.Text.Trim();
        var derived = text.StartsWith('/');
        relationships.Add(
            new RelationshipType(
                line.Id,
                derived ? text[1..].Trim() : text,
                [
                    Role(line.From, line.FromId, from.Id, plainFrom, plainTo, arrows),
                    Role(line.To, line.ToId, to.Id, plainTo, plainFrom, arrows),
                ],
                null,
                null
            )
            {
                Kind = kind,
                WholeRoleId = whole,
                Derived = derived,
            }
        );
    }

    private static RelationshipRole Role(LineEnd end, string id, string classId, Count own, Count other, bool arrows) =>
        new(id, classId, end.Role.Trim().TrimStart('+', '-', '#', '~').Trim(), end.Label.Trim(), own, other)
        {
            Qualifier = end.Qualifier.Trim(),
            Navigable =
                end.Marks.Contains(EndMark.Cross) ? false
                : end.Marks.Contains(EndMark.OpenArrow) ? true
                : arrows ? false
                : null,
        };

    private (RelationshipKind Kind, string? Whole) ReadWhole(Line line)
    {
        bool from = IsDiamond(line.From),
            to = IsDiamond(line.To);
        if (from && to)
        {
            Remark(RemarkKind.DiamondAtBothEnds, line.Id, "a diamond at both ends", "an association");
            return (RelationshipKind.Association, null);
        }

        if (!from && !to)
        {
            return (RelationshipKind.Association, null);
        }

        var marks = from ? line.From.Marks : line.To.Marks;
        var kind = marks.Contains(EndMark.SolidDiamond) ? RelationshipKind.Composition : RelationshipKind.Aggregation;
        return kind == RelationshipKind.Aggregation && !options.AggregationCounts
            ? (RelationshipKind.Association, null)
            : (kind, from ? line.FromId : line.ToId);
    }

    private Count ReadCount(LineEnd end, string id)
    {
        foreach (var mark in end.Marks)
        {
            switch (mark)
            {
                case EndMark.OpenArrow or EndMark.Cross or EndMark.Diamond or EndMark.SolidDiamond:
                    break;
                case EndMark.Arrow:
                    Remark(RemarkKind.Arrowhead, id, "a filled arrowhead", "an open arrowhead");
                    break;
                case EndMark.Bar or EndMark.Ring or EndMark.Foot or EndMark.FootOutward:
                    Remark(RemarkKind.ForeignEndSymbol, id, Symbols.Ends[mark].Says, "a multiplicity");
                    break;
                default:
                    Remark(RemarkKind.ForeignEndSymbol, id, Symbols.Ends[mark].Says, "nothing", false);
                    break;
            }
        }

        var text = end.Count.Trim();
        if (text.Length == 0)
        {
            var feet = end.Marks.Where(mark => mark is EndMark.Bar or EndMark.Ring or EndMark.Foot).ToImmutableArray();
            return feet.IsEmpty
                ? Count.Unsaid
                : EndReader.Read(
                    end with
                    {
                        Marks = feet,
                    },
                    id,
                    singleBarIsExactlyOne: false,
                    ImmutableArray.CreateBuilder<Remark>()
                );
        }

        if (!Multiplicity.TryRead(text, out var count))
        {
            Remark(RemarkKind.UnreadableCount, id, text, "nothing", false);
            return Count.Unsaid;
        }

        if (options.StrictCounts && !MultiplicityText.IsStandard(text))
        {
            Remark(RemarkKind.StrangeSpelling, id, text, count.ToString());
        }

        return count;
    }

    private void ReadDiamond(Shape diamond)
    {
        var ends = LinesAt(diamond)
            .Where(seen => ClassAt(seen.Far) is not null)
            .Select(seen => new SeenLine(seen.Tied, !seen.Turned))
            .ToList();
        var members = ends.Where(seen => seen.Line.Stroke != Stroke.Dashed).ToList();
        if (members.Count < 2)
        {
            Remark(RemarkKind.LoneDiamond, diamond.Id, "a diamond that joins fewer than two classes", "nothing", false);
            return;
        }

        foreach (var seen in members.Where(seen => IsDiamond(seen.NearEnd) || IsDiamond(seen.FarEnd)))
        {
            Remark(RemarkKind.DiamondAtBothEnds, seen.NearId, "a diamond on an association of more than two", "an association");
        }

        var counts = members.Select(seen => ReadCount(seen.NearEnd, seen.NearId)).ToList();
        var roles = members.Select(
            (seen, i) =>
                Role(
                    seen.NearEnd,
                    seen.NearId,
                    seen.Near!.Id,
                    counts[i],
                    members.Count == 2 ? counts[1 - i] : Count.Unsaid,
                    false
                )
        );
        relationships.Add(
            new RelationshipType(diamond.Id, diamond.Text.Trim(), [.. roles], null, null)
            {
                EntityId = ends.FirstOrDefault(seen => seen.Line.Stroke == Stroke.Dashed).Near?.Id,
            }
        );
    }

    // A junction gathers the lines of several subclasses into one triangle.
    private void ReadJunction(Shape junction)
    {
        var lines = LinesAt(junction).Where(seen => ClassAt(seen.Far) is not null).ToList();
        var up = lines.FirstOrDefault(seen => HasTriangle(seen.FarEnd));
        if (up.Tied is null)
        {
            Remark(RemarkKind.LooseEnd, junction.Id, "lines that meet without a triangle", "nothing", false);
            return;
        }

        if (up.FarEnd.Marks.Contains(EndMark.SolidTriangle))
        {
            Remark(RemarkKind.SolidTriangle, up.FarId, "a solid triangle", "a hollow triangle");
        }

        foreach (var seen in lines.Where(seen => seen.Line.Id != up.Line.Id))
        {
            var text = seen.Line.Text.Length > 0 ? seen.Line.Text : up.Line.Text;
            generalisations.Add((seen.Tied with { Line = seen.Line with { Text = text } }, up.Far!.Id, seen.Far!.Id));
        }
    }

    private ImmutableArray<ExclusiveConstraint> ReadOnLines()
    {
        var exclusions = ImmutableArray.CreateBuilder<ExclusiveConstraint>();
        foreach (var tied in onLines)
        {
            var line = tied.Line;
            if (IsOnLine(line.From) && IsOnLine(line.To))
            {
                var pair = new[] { line.From, line.To }
                    .Select(end => RelationshipAt(end)?.Id)
                    .OfType<string>()
                    .ToImmutableArray();
                if (pair.Length == 2 && line.Text.Contains("xor", StringComparison.OrdinalIgnoreCase))
                {
                    exclusions.Add(new ExclusiveConstraint(line.Id, pair));
                    continue;
                }
            }
            else if (
                IsOnLine(line.From)
                    ? ClassAt(tied.To) is { } box && Embody(line.From, box, line)
                    : ClassAt(tied.From) is { } other && Embody(line.To, other, line)
            )
            {
                continue;
            }
            else if (tied.IsOfNote)
            {
                continue;
            }

            Remark(RemarkKind.LineToLine, line.Id, "a line that ends on a line", "nothing", false);
        }

        foreach (
            var note in drawing.Shapes.Where(shape =>
                shape.Form == Form.Note && shape.Text.Contains("xor", StringComparison.OrdinalIgnoreCase)
            )
        )
        {
            var tied = onLines
                .Where(one => one.From?.Id == note.Id || one.To?.Id == note.Id)
                .Select(one => RelationshipAt(one.From is null ? one.Line.From : one.Line.To)?.Id)
                .OfType<string>()
                .Distinct(StringComparer.Ordinal)
                .ToImmutableArray();
            if (tied.Length > 1)
            {
                exclusions.Add(new ExclusiveConstraint(note.Id, tied));
            }
        }

        return exclusions.ToImmutable();
    }

    private bool Embody(LineEnd end, EntityType box, Line tie)
    {
        var at = relationships.FindIndex(relationship => relationship.Id == OwnerOf(end));
        if (at < 0 || relationships[at].EntityId is not null)
        {
            return false;
        }

        if (tie.Stroke != Stroke.Dashed)
        {
            Remark(RemarkKind.SolidTieOfClass, tie.Id, "a solid line", "the tie of an association class");
        }

        relationships[at] = relationships[at] with { EntityId = box.Id };
        return true;
    }

    private RelationshipType? RelationshipAt(LineEnd end) =>
        relationships.FirstOrDefault(relationship => relationship.Id == OwnerOf(end));

    private static string OwnerOf(LineEnd end) =>
        end.On.Kind == AttachmentKind.End ? end.On.Id![..end.On.Id!.LastIndexOf('/')] : end.On.Id!;

    private IEnumerable<SeenLine> LinesAt(Shape shape) =>
        targets.Lines.SelectMany(tied => tied.BothWays).Where(seen => seen.Near?.Id == shape.Id);

    private EntityType? ClassAt(Shape? shape) => shape is null ? null : classes.GetValueOrDefault(shape.Id);

    private static bool IsOnLine(LineEnd end) => end.On.Kind is AttachmentKind.Line or AttachmentKind.End;

    private static bool IsKnot(Shape? shape) => shape?.Form is Form.Diamond or Form.Junction;

    private static bool IsBall(Shape? shape) => shape?.Form is Form.Ball or Form.Circle;

    private static bool HasTriangle(LineEnd end) => end.Marks.Any(mark => mark is EndMark.Triangle or EndMark.SolidTriangle);

    private static bool IsDiamond(LineEnd end) => end.Marks.Any(mark => mark is EndMark.Diamond or EndMark.SolidDiamond);

    private void Remark(RemarkKind kind, string element, string drawn, string readAs, bool repaired = true) =>
        remarks.Add(new Remark(kind, element, drawn, readAs, repaired));
}
