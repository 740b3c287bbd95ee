using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Notations;

/// <summary>
/// Reads the marks at one end of a line. The mark nearest the box is the maximum, the one behind it the minimum; a ring is
/// always the minimum and a foot always the maximum, whatever their order.
/// </summary>
internal static class EndReader
{
    public static Count Read(LineEnd end, string endId, bool singleBarIsExactlyOne, ImmutableArray<Remark>.Builder remarks)
    {
        var known = Repair(end.Marks, endId, remarks);
        if (known.Length == 0 && end.Count.Trim().Length > 0)
        {
            return ReadText(end.Count, endId, remarks);
        }

        if (known.Length > 2)
        {
            remarks.Add(new Remark(RemarkKind.TooManyMarks, endId, Spell(known), Spell(known[..2]), true));
            known = known[..2];
        }

        return known switch
        {
            [] => Count.Unsaid,
            [EndMark.Bar] => singleBarIsExactlyOne ? new Count(1, 1) : new Count(null, 1),
            [EndMark.Foot] => new Count(null, Count.Many),
            [EndMark.Ring] => new Count(0, null),
            [EndMark.Bar, EndMark.Bar] => new Count(1, 1),
            [EndMark.Bar, EndMark.Ring] => new Count(0, 1),
            [EndMark.Foot, EndMark.Bar] => new Count(1, Count.Many),
            [EndMark.Foot, EndMark.Ring] => new Count(0, Count.Many),
            [EndMark.Ring, EndMark.Bar] => InsideOut(new Count(0, 1)),
            [EndMark.Ring, EndMark.Foot] => InsideOut(new Count(0, Count.Many)),
            [EndMark.Bar, EndMark.Foot] => InsideOut(new Count(1, Count.Many)),
            [EndMark.Foot, EndMark.Foot] => Doubled(new Count(null, Count.Many)),
            _ => Doubled(new Count(0, null)),
        };

        Count InsideOut(Count meant)
        {
            remarks.Add(new Remark(RemarkKind.MarkOrder, endId, Spell(known), meant.ToString(), true));
            return meant;
        }

        Count Doubled(Count meant)
        {
            remarks.Add(new Remark(RemarkKind.TooManyMarks, endId, Spell(known), meant.ToString(), true));
            return meant;
        }
    }

    private static ImmutableArray<string> Repair(
        ImmutableArray<string> marks,
        string endId,
        ImmutableArray<Remark>.Builder remarks
    )
    {
        var known = ImmutableArray.CreateBuilder<string>(marks.Length);
        foreach (var mark in marks)
        {
            switch (mark)
            {
                case EndMark.Bar or EndMark.Ring or EndMark.Foot:
                    known.Add(mark);
                    break;
                case EndMark.FootOutward:
                    remarks.Add(new Remark(RemarkKind.ToesAway, endId, "toes turned away from the box", "many", true));
                    known.Add(EndMark.Foot);
                    break;
                case EndMark.Arrow or EndMark.OpenArrow:
                    remarks.Add(new Remark(RemarkKind.Arrowhead, endId, "an arrowhead", "many", true));
                    known.Add(EndMark.Foot);
                    break;
                default:
                    remarks.Add(new Remark(RemarkKind.ForeignEndSymbol, endId, mark.Replace('-', ' '), "nothing", false));
                    break;
            }
        }

        return known.ToImmutable();
    }

    private static Count ReadText(string text, string endId, ImmutableArray<Remark>.Builder remarks)
    {
        if (Multiplicity.TryRead(text, out var count))
        {
            // A lone 1 or n at a plain line says the maximum only.
            var read = text.Trim().Length == 1 && text.Trim() != "*" ? new Count(null, count.Max) : count;
            remarks.Add(new Remark(RemarkKind.CountAsText, endId, text.Trim(), read.ToString(), true));
            return read;
        }

        remarks.Add(new Remark(RemarkKind.UnreadableCount, endId, text.Trim(), "nothing", false));
        return Count.Unsaid;
    }

    private static string Spell(ImmutableArray<string> marks) => string.Join(", then a ", marks);
}
