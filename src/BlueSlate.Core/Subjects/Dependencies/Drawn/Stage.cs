using System.Collections.Immutable;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Drawn;

/// <summary>A column of a table of a stage.</summary>
/// <param name="Id">The line of text that names it.</param>
/// <param name="Attribute">Its number among the attributes of the drawing.</param>
/// <param name="Name">Its name.</param>
/// <param name="IsInKey">Whether it is underlined, or marked as part of the key.</param>
/// <param name="IsForeign">Whether it is marked as a foreign key.</param>
/// <param name="IsRepeating">Whether it stands in a group that repeats within one row.</param>
internal sealed record StageColumn(string Id, int Attribute, Name Name, bool IsInKey, bool IsForeign, bool IsRepeating)
{
    /// <summary>Whether it is marked as part of an alternate key.</summary>
    public bool IsAlternate { get; init; }

    /// <summary>The cell of which it is a part, together with others; empty where it has one of its own.</summary>
    public string Whole { get; init; } = "";

    /// <summary>Its name as it stands in running text.</summary>
    public string Text => Phrasing.InText(Name.Text);
}

/// <summary>A table of a stage.</summary>
/// <param name="Id">The box.</param>
/// <param name="Name">What it is called; may be empty.</param>
/// <param name="Columns">Its columns, from top to bottom.</param>
internal sealed record StageTable(string Id, string Name, ImmutableArray<StageColumn> Columns)
{
    /// <summary>The note which says that its tables were put together on purpose, or null.</summary>
    public Denormalisation? Denormalised { get; init; }

    /// <summary>Its attributes.</summary>
    public AttributeSet All { get; } = AttributeSet.Of(Columns.Select(column => column.Attribute));

    /// <summary>Those of the key that is marked.</summary>
    public AttributeSet Key { get; } = Numbers(Columns.Where(column => column.IsInKey));

    /// <summary>Those that are marked as foreign keys.</summary>
    public AttributeSet Foreign { get; } = Numbers(Columns.Where(column => column.IsForeign));

    /// <summary>Those that are marked as an alternate key.</summary>
    public AttributeSet Alternate { get; } = Numbers(Columns.Where(column => column.IsAlternate));

    /// <summary>Those that repeat within one row.</summary>
    public AttributeSet Repeating { get; } = Numbers(Columns.Where(column => column.IsRepeating));

    /// <summary>In running text: the table Visitor; where it has no name, by what it begins with.</summary>
    public string Said => Name.Length > 0 ? Name : $"the table of {(Columns.IsEmpty ? "nothing" : Columns[0].Text)}";

    /// <summary>The line of text that names an attribute; the table itself where none does.</summary>
    public string ElementOf(int attribute) => Columns.FirstOrDefault(column => column.Attribute == attribute)?.Id ?? Id;

    private static AttributeSet Numbers(IEnumerable<StageColumn> columns) =>
        AttributeSet.Of(columns.Select(column => column.Attribute));
}

/// <summary>A stage on the way to a normal form: a sheet with tables.</summary>
/// <param name="Id">The sheet.</param>
/// <param name="Title">What the sheet is called, or its number.</param>
/// <param name="Tables">Its tables, in the order in which they were drawn.</param>
internal sealed record Stage(string Id, string Title, ImmutableArray<StageTable> Tables)
{
    /// <summary>What its notes say of tables that no table is called, or several are.</summary>
    public ImmutableArray<Denormalisation> Unplaced { get; init; } = [];

    /// <summary>The form that its title claims, or null.</summary>
    public NormalForm? Claimed { get; } = FormNames.Claimed(Title);

    /// <summary>Whether its title says that it is not normalised.</summary>
    public bool IsUnnormalised { get; } = FormNames.IsUnnormalised(Title);

    /// <summary>The attributes of all its tables.</summary>
    public AttributeSet All { get; } = Tables.Aggregate(AttributeSet.Empty, (all, table) => all | table.All);

    /// <summary>The attributes of each table.</summary>
    public ImmutableArray<AttributeSet> Parts { get; } = [.. Tables.Select(table => table.All)];

    /// <summary>The same without some attributes.</summary>
    public Stage Without(AttributeSet gone) =>
        gone.Meets(All)
            ? new Stage(
                Id,
                Title,
                [
                    .. Tables.Select(table => new StageTable(
                        table.Id,
                        table.Name,
                        table.Columns.RemoveAll(column => gone.Contains(column.Attribute))
                    )
                    {
                        Denormalised = table.Denormalised,
                    }),
                ]
            )
            {
                Unplaced = Unplaced,
            }
            : this;
}
