using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Preparing;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Preparing;

/// <summary>Looks over an exercise whose model answer is a dependency diagram.</summary>
internal sealed class DependencyPreflight
{
    private static readonly ImmutableArray<DependencyPreflightKind> Kinds = PreflightKind.Of<DependencyPreflightKind>();

    private DependencyPreflight(PreflightCase one) => (Case, Reading) = (one, DependencyReader.Read((Drawing)one.Model));

    /// <summary>The exercise.</summary>
    public PreflightCase Case { get; }

    /// <summary>What the model answer says.</summary>
    public DependencyReading Reading { get; }

    /// <summary>Everything that may be amiss.</summary>
    public static IEnumerable<PreflightItem> Of(PreflightCase one)
    {
        var preflight = new DependencyPreflight(one);
        return Kinds.SelectMany(kind => kind.Find(preflight));
    }

    /// <summary>What the rows of the scenario speak against.</summary>
    public static IEnumerable<PreflightItem> AgainstRows(PreflightCase one)
    {
        if (one.Prose.Tables.IsEmpty)
        {
            return [];
        }

        var preflight = new DependencyPreflight(one);
        return Kinds.Where(kind => kind.IsOfRows).SelectMany(kind => kind.Find(preflight));
    }
}

/// <summary>A kind of thing that may be amiss with an exercise about dependencies.</summary>
internal abstract class DependencyPreflightKind : PreflightKind
{
    /// <summary>Whether rows of the scenario speak against what is drawn.</summary>
    public virtual bool IsOfRows => false;

    /// <summary>What is amiss.</summary>
    public abstract IEnumerable<PreflightItem> Find(DependencyPreflight one);
}

/// <summary>Rows show two values of what is said to be determined.</summary>
internal sealed class RowsAgainstArrows : DependencyPreflightKind
{
    public override bool IsOfRows => true;

    public override string Name => "rows-dependency";

    public override int Order => 4;

    public override string Title => "Rows against the model answer";

    public override IEnumerable<PreflightItem> Find(DependencyPreflight one) =>
        from table in one.Case.Prose.Tables
        from arrow in one.Reading.Dependencies
        where !arrow.IsMultivalued
        let rows = ColumnRows.Of(table, one.Reading)
        let pair = rows.Contradicting(arrow.From, arrow.To)
        where pair is not null
        select Item(
            arrow.Id,
            $"Rows {pair.Value.First + 1} and {pair.Value.Second + 1} agree on {one.Reading.Say(arrow.From)} and not on "
                + $"{one.Reading.Attributes[arrow.To].Text}; {one.Case.Drawn} says that {one.Reading.Say(arrow.From)} {arrow.Verb} it."
        ) with
        {
            Places = [.. rows.PlacesOf([pair.Value.First, pair.Value.Second], arrow.From | AttributeSet.Of(arrow.To))],
            Elements = [ConceptId.Of(arrow.Id).Element],
        };
}

/// <summary>Rows agree on what is marked as the key.</summary>
internal sealed class RowsAgainstKey : DependencyPreflightKind
{
    public override bool IsOfRows => true;

    public override string Name => "rows-chosen-key";

    public override int Order => 4;

    public override string Title => "Rows against the model answer";

    public override IEnumerable<PreflightItem> Find(DependencyPreflight one) =>
        from table in one.Case.Prose.Tables
        where !one.Reading.Key.IsEmpty
        let rows = ColumnRows.Of(table, one.Reading)
        let pair = rows.Agreeing(one.Reading.Key)
        where pair is not null
        select Item(
            one.Reading.Attributes[one.Reading.Key.First()].Id,
            $"Rows {pair.Value.First + 1} and {pair.Value.Second + 1} have the same {one.Reading.Say(one.Reading.Key)}, which "
                + $"{one.Case.Drawn} marks as the key."
        ) with
        {
            Places = [.. rows.PlacesOf([pair.Value.First, pair.Value.Second], one.Reading.Key)],
            Elements = [.. one.Reading.Key.Select(i => one.Reading.Attributes[i].Id)],
        };
}

/// <summary>An arrow of the model answer follows from its others, or starts from more than it needs.</summary>
internal sealed class ReducibleArrows : DependencyPreflightKind
{
    public override string Name => "dependency-reducible";

    public override int Order => 6;

    public override string Title => "Arrows that say too much";

    public override IEnumerable<PreflightItem> Find(DependencyPreflight one)
    {
        var functional = one.Reading.Dependencies.Where(arrow => !arrow.IsMultivalued).ToList();
        var closure = new Closure(functional.Select(arrow => arrow.Dependency));
        foreach (var arrow in functional)
        {
            var others = new Closure(functional.Where(other => other.Id != arrow.Id).Select(other => other.Dependency));
            var (from, to) = (one.Reading.Say(arrow.From), one.Reading.Attributes[arrow.To].Text);
            var spare = arrow.From.FirstOrDefault(i => closure.Of(arrow.From - AttributeSet.Of(i)).Contains(arrow.To), -1);
            var said =
                arrow.Dependency.IsTrivial ? $"That {from} {arrow.Verb} {to} is so in any table."
                : others.Implies(arrow.Dependency) ? $"That {from} {arrow.Verb} {to} follows from the other arrows."
                : spare >= 0 ? $"To determine {to}, {one.Reading.Attributes[spare].Text} is not needed beside the rest of {from}."
                : null;
            if (said is not null)
            {
                yield return Item(arrow.Id, said) with
                {
                    Elements = [ConceptId.Of(arrow.Id).Element],
                };
            }
        }
    }
}

/// <summary>What the model answer marks as the key is no candidate key by its own arrows.</summary>
internal sealed class KeyAgainstArrows : DependencyPreflightKind
{
    public override string Name => "chosen-key-wrong";

    public override int Order => 3;

    public override string Title => "The key against the arrows";

    public override IEnumerable<PreflightItem> Find(DependencyPreflight one)
    {
        var (reading, all) = (one.Reading, one.Reading.Set.All);
        if (reading.Key.IsEmpty)
        {
            return [];
        }

        var implied = reading.Set.Implied;
        var (key, does) = (reading.Say(reading.Key), reading.Key.Count == 1 ? "does" : "do");
        var left = all - implied.ClosureOf(reading.Key);
        var spare = reading.Key.FirstOrDefault(i => implied.ClosureOf(reading.Key - AttributeSet.Of(i)) == all, -1);
        var said =
            !left.IsEmpty ? $"By the arrows, {key} {does} not determine {reading.Say(left)}, and so cannot be the key."
            : spare >= 0 ? $"The key needs no {reading.Attributes[spare].Text}: the rest of it determines everything."
            : null;
        return said is null
            ? []
            :
            [
                Item(reading.Attributes[reading.Key.First()].Id, said) with
                {
                    Elements = [.. reading.Key.Select(i => reading.Attributes[i].Id)],
                },
            ];
    }
}

/// <summary>A table with rows whose columns are attributes of a diagram.</summary>
internal sealed class ColumnRows
{
    private readonly RowTable table;
    private readonly Dictionary<int, int> columnOf;

    private ColumnRows(RowTable table, Dictionary<int, int> columnOf) => (this.table, this.columnOf) = (table, columnOf);

    /// <summary>The table, each attribute in the column that is called likest to it.</summary>
    public static ColumnRows Of(RowTable table, DependencyReading reading)
    {
        var heads = table.Head.Select(column => Name.Of(column.Text)).ToList();
        var columns = new Dictionary<int, int>();
        for (var i = 0; i < reading.Attributes.Length; i++)
        {
            var best = Enumerable
                .Range(0, heads.Count)
                .Select(column => (Column: column, NameSimilarity.Of(reading.Attributes[i].Name, heads[column]).Value))
                .MaxBy(one => one.Value);
            if (heads.Count > 0 && best.Value >= 0.6)
            {
                columns[i] = best.Column;
            }
        }

        return new ColumnRows(table, columns);
    }

    /// <summary>The first two rows that agree on a determinant and not on what it determines; null for none.</summary>
    public (int First, int Second)? Contradicting(AttributeSet from, int to) =>
        columnOf.TryGetValue(to, out var column) ? Pair(from, (a, b) => Cell(a, column) != Cell(b, column)) : null;

    /// <summary>The first two rows that agree on a set; null for none.</summary>
    public (int First, int Second)? Agreeing(AttributeSet set) => Pair(set, (_, _) => true);

    /// <summary>Where some attributes of some rows stand.</summary>
    public IEnumerable<ScenarioPlace> PlacesOf(IEnumerable<int> rows, AttributeSet attributes) =>
        from row in rows
        from attribute in attributes
        select table.Rows[row][columnOf[attribute]].Place;

    // What is missing agrees with nothing.
    private (int First, int Second)? Pair(AttributeSet on, Func<int, int, bool> tells)
    {
        if (on.IsEmpty || on.Any(attribute => !columnOf.ContainsKey(attribute)))
        {
            return null;
        }

        var seen = new Dictionary<string, List<int>>(StringComparer.Ordinal);
        for (var row = 0; row < table.Rows.Length; row++)
        {
            var cells = on.Select(attribute => Cell(row, columnOf[attribute])).ToList();
            if (cells.Contains(""))
            {
                continue;
            }

            var alike = seen.TryGetValue(string.Join('\u001f', cells), out var before) ? before : [];
            if (alike.Exists(other => tells(other, row)))
            {
                return (alike.Find(other => tells(other, row)), row);
            }

            alike.Add(row);
            seen[string.Join('\u001f', cells)] = alike;
        }

        return null;
    }

    private string Cell(int row, int column) => table.Rows[row][column].Text.Trim();
}
