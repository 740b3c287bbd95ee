using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Subjects.Concepts.Model;
using BlueSlate.Core.Subjects.Dependencies;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Crossing;

/// <summary>
/// The tables of a stage as a drawing with columns: keys and foreign keys as they are marked, and each foreign key as a line to
/// the table whose key it holds.
/// </summary>
internal sealed class TablesAsEntities : Bridge
{
    public override bool Leads(WorkOptions from, WorkOptions to) =>
        from is DependencyOptions && to is NotationOptions notation && Notation.Of(notation.Notation).ShowsForeignKeys;

    public override IDocument? Cross(IDocument document, WorkOptions from, WorkOptions to, Piece piece)
    {
        var stages = DependencyReader.Read((Drawing)document).Stages;
        var stage = piece.Sheet.Length == 0 ? stages.LastOrDefault() : stages.FirstOrDefault(one => one.Id == piece.Sheet);
        var tables = stage?.Tables.Where(table => piece.Shapes.IsEmpty || piece.Shapes.Contains(table.Id)).ToList();
        return tables is null or []
            ? null
            : Notation.Of(((NotationOptions)to).Notation).Write(ModelOf(tables), (NotationOptions)to).Drawing;
    }

    private static ConceptModel ModelOf(List<StageTable> tables)
    {
        var links = tables
            .SelectMany(child => ParentsOf(child, tables).Select((parent, i) => new Link(child, parent, i + 1)))
            .ToList();
        return new ConceptModel(
            [.. tables.Select(table => EntityOf(table, [.. links.Where(link => link.Child == table)]))],
            [.. links.Select(RelationshipOf)]
        );
    }

    // Of several tables with one key that which refers to none of the others; none that another of them refers to already.
    private static IEnumerable<StageTable> ParentsOf(StageTable child, List<StageTable> tables)
    {
        var held = tables
            .Where(parent => parent != child && !parent.Key.IsEmpty && parent.Key.IsSubsetOf(child.Foreign))
            .GroupBy(parent => parent.Key)
            .Select(same => same.MinBy(parent => parent.Key.IsSubsetOf(parent.Foreign))!)
            .ToList();
        return held.Where(parent =>
            !held.Exists(other =>
                other.Key != parent.Key && parent.Key.IsSubsetOf(other.Key) && parent.Key.IsSubsetOf(other.Foreign)
            )
        );
    }

    // The foreign keys of one table are counted, so that those of several columns are told apart.
    private sealed record Link(StageTable Child, StageTable Parent, int Number)
    {
        public string Id => $"{Child.Id}-to-{Parent.Id}";

        public bool IsInKey => Parent.Key.IsSubsetOf(Child.Key);

        public bool IsWholeKey => Parent.Key == Child.Key;
    }

    private static EntityType EntityOf(StageTable table, List<Link> links)
    {
        var key = table.Columns.Where(column => column.IsInKey).Select(column => column.Id).ToImmutableArray();
        return new EntityType(
            table.Id,
            table.Name,
            EntityKind.Strong,
            [.. table.Columns.Select(column => ColumnOf(column, links))],
            key.IsEmpty ? [] : [new Identifier(IdentifierKind.Primary, 0, false, key, [])]
        );
    }

    private static ConceptAttribute ColumnOf(StageColumn column, List<Link> links) =>
        ConceptAttribute.Plain(column.Id, column.Name.Text) with
        {
            Multivalued = column.IsRepeating,
            ForeignKeys = column.IsForeign
                ?
                [
                    .. links
                        .Where(link => link.Parent.Key.Contains(column.Attribute))
                        .Select(link => new ForeignKey(links.Count > 1 ? link.Number : 0, link.Id))
                        .DefaultIfEmpty(new ForeignKey(0, null)),
                ]
                : [],
        };

    private static RelationshipType RelationshipOf(Link link)
    {
        var one = new Count(1, 1);
        var many = link.IsWholeKey ? new Count(0, 1) : new Count(0, Count.Many);
        var (parent, child) = ($"{link.Id}/parent", $"{link.Id}/child");
        return new RelationshipType(
            link.Id,
            "",
            [
                new RelationshipRole(parent, link.Parent.Id, "", "", one, many),
                new RelationshipRole(child, link.Child.Id, "", "", many, one),
            ],
            link.IsInKey,
            child
        );
    }
}
