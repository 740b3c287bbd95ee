using System.Collections.Immutable;
using System.Text.RegularExpressions;
using BlueSlate.Core.Language;
using BlueSlate.Core.Language.Statements;

namespace BlueSlate.Core.Subjects.Dependencies.Drawn;

/// <summary>A sentence about dependencies, by the names in it.</summary>
internal abstract partial record DependencyStatement
{
    /// <summary>Which attributes there are.</summary>
    public sealed record OfAttributes(ImmutableArray<string> Names) : DependencyStatement;

    /// <summary>Which attributes are the key.</summary>
    public sealed record OfKey(ImmutableArray<string> Names) : DependencyStatement;

    /// <summary>Which attributes are calculated from others.</summary>
    public sealed record OfCalculated(ImmutableArray<string> Names) : DependencyStatement;

    /// <summary>All candidate keys.</summary>
    public sealed record OfKeys(ImmutableArray<ImmutableArray<string>> Keys) : DependencyStatement;

    /// <summary>Which attributes are in a candidate key.</summary>
    public sealed record OfPrimes(ImmutableArray<string> Names) : DependencyStatement;

    /// <summary>What a set determines, all in all.</summary>
    public sealed record OfClosure(ImmutableArray<string> Of, ImmutableArray<string> Reached) : DependencyStatement;

    /// <summary>A minimal cover.</summary>
    public sealed record OfCover(ImmutableArray<(ImmutableArray<string> From, ImmutableArray<string> To)> Arrows)
        : DependencyStatement;

    /// <summary>What is derived, step by step.</summary>
    public sealed record OfDerivation(
        (ImmutableArray<string> From, ImmutableArray<string> To) Goal,
        ImmutableArray<(ImmutableArray<string> From, ImmutableArray<string> To)> Steps
    ) : DependencyStatement;

    /// <summary>Rows against a dependency.</summary>
    public sealed record OfCounterexample(CounterexampleText Text) : DependencyStatement;

    /// <summary>The anomaly that rows of the scenario show.</summary>
    public sealed record OfAnomaly(AnomalyText Text) : DependencyStatement;

    /// <summary>The form of all as one table.</summary>
    public sealed record OfForm(NormalForm Form) : DependencyStatement;

    /// <summary>What a determinant determines.</summary>
    public sealed record OfDeterminant(
        ImmutableArray<string> From,
        ImmutableArray<string> To,
        bool IsMultivalued,
        DependencyLetter Letter
    ) : DependencyStatement;

    /// <summary>What a table of a stage has; <see cref="Name"/> may be empty.</summary>
    public sealed record OfTable(string Stage, string Name, ImmutableArray<StatedColumn> Columns) : DependencyStatement;

    /// <summary>That a table of a stage holds together on purpose what could be apart; <see cref="Reason"/> may be empty.</summary>
    public sealed record OfDenormalised(string Stage, string Name, string Reason) : DependencyStatement;

    /// <summary>What stands for the name of a table that has none.</summary>
    public const string Nameless = "(no name)";

    /// <summary>
    /// Reads a line: <c>Attributes: a, b</c>, <c>Key: a, b</c>, <c>Calculated: c</c>, <c>A and b determine c, d</c>, or with an arrow,
    /// <c>a, b -> c</c> and <c>a ->> c</c>, with <c>(partial)</c> or <c>(transitive)</c> behind where that is marked;
    /// <c>Candidate keys: a, b; a, c</c>; <c>Prime attributes: a, b</c>; <c>Closure of a, b: a, b, c</c>;
    /// <c>Minimal cover: a, b -> c; c -> d</c>; <c>Normal form: 2NF</c>;
    /// <c>Derivation of a -> c: a -> b; b -> c; a -> c</c>; <c>Counterexample to a -> b: a, b; 1, 2; 1, 3</c>;
    /// <c>Anomaly of rows 2, 5: update, part no -> part name</c>; <c>2NF: Visitor has visitor no (key), phone</c> or
    /// <c>2NF: Visitor (visitor no, phone)</c> under a title that names a normal form or a sheet, and so
    /// <c>3NF: Job is denormalised, since the list is read every morning</c>. Gives what of it could not be taken.
    /// </summary>
    /// <param name="line">The line.</param>
    /// <param name="isStage">Whether a sheet has this title.</param>
    public static (DependencyStatement? Statement, StatementProblem? Problem) Parse(string line, Func<string, bool> isStage)
    {
        var text = line.Trim().TrimEnd('.');
        if (
            StagePattern().Match(text) is { Success: true } staged
            && IsTitle(staged.Groups["stage"].Value.Trim(), isStage)
            && Denormalisation.Sentence(staged.Groups["rest"].Value) is var (name, reason)
        )
        {
            return (new OfDenormalised(staged.Groups["stage"].Value.Trim(), name, reason), null);
        }

        if (Denormalisation.Read(text) is { IsAccountedFor: true } noted)
        {
            return (null, Problem($"Say of which stage: “3NF: {noted.Table} is denormalised, since {noted.Reason}”."));
        }

        if (TablePattern().Match(text) is { Success: true } table && IsTitle(table.Groups["stage"].Value.Trim(), isStage))
        {
            return OfTableIn(table, line);
        }

        if (ListingText.Keys(text) is { Count: > 0 } keys)
        {
            return (new OfKeys([.. keys]), null);
        }

        if (ListingText.Primes(text) is { IsEmpty: false } primes)
        {
            return (new OfPrimes(primes), null);
        }

        if (ListingText.Closure(text) is { Reached.IsEmpty: false } closure)
        {
            return (new OfClosure(closure.Of, closure.Reached), null);
        }

        if (ListingText.Cover(text) is { IsEmpty: false } cover)
        {
            return (new OfCover(cover), null);
        }

        if (ListingText.Derivation(text) is { Steps.IsEmpty: false } derived)
        {
            return (new OfDerivation(derived.Goal, derived.Steps), null);
        }

        if (CounterexampleText.Read(text) is { } against)
        {
            return against.Rows.Length < 2
                    ? (
                        null,
                        Problem(
                            "Here the columns are wanted, then two rows or more, with semicolons between: “a, b; 1, 2; 1, 3”."
                        )
                    )
                : against.Uneven is { } row ? (null, Problem($"Row {row} has not as many values as there are columns."))
                : (new OfCounterexample(against), null);
        }

        if (AnomalyText.Read(text) is { } shown)
        {
            return (new OfAnomaly(shown), null);
        }

        if (ListingText.Form(text) is { } form)
        {
            return (new OfForm(form), null);
        }

        if (HeadPattern().Match(text) is { Success: true } head)
        {
            var names = NamesIn(text[head.Length..]);
            return names.IsEmpty
                    ? (null, new StatementProblem(0, line.Length, "Here names of attributes are wanted, with commas between."))
                : head.Groups["key"].Success ? (new OfKey(names), null)
                : head.Groups["calculated"].Success ? (new OfCalculated(names), null)
                : (new OfAttributes(names), null);
        }

        var letter = DependencyLetter.None;
        if (MarkPattern().Match(text) is { Success: true } behind)
        {
            letter = DependencyLetters.Read(behind.Value);
            text = letter == DependencyLetter.None ? text : text[..behind.Index];
        }

        var (from, to) = ArrowIn(text);
        return from.IsEmpty || to.IsEmpty
            ? (null, Problem("This is not understood: “Item no and visit no determine fault, outcome”."))
            : (new OfDeterminant(from, to, VerbPattern().Match(text).Groups["many"].Success, letter), null);

        StatementProblem Problem(string said) => new(0, line.Length, said);
    }

    /// <summary>What determines in a text, and what it determines; both empty where none does.</summary>
    public static (ImmutableArray<string> From, ImmutableArray<string> To) ArrowIn(string text) =>
        VerbPattern().Match(text) is { Success: true } verb
            ? (NamesIn(text[..verb.Index]), NamesIn(text[(verb.Index + verb.Length)..]))
            : ([], []);

    private static bool IsTitle(string title, Func<string, bool> isStage) =>
        isStage(title)
        || FormNames.Claimed(title) is not null
        || FormNames.IsUnnormalised(title)
        || FormNames.IsDenormalised(title);

    private static (DependencyStatement? Statement, StatementProblem? Problem) OfTableIn(Match table, string line)
    {
        var (name, columns) = (table.Groups["name"].Value.Trim(), table.Groups["columns"].Value.Trim());
        if (table.Groups["open"].Value == "(" && columns.EndsWith(')'))
        {
            columns = columns[..^1];
        }

        ImmutableArray<StatedColumn> stated =
        [
            .. CellText.Split(columns).SelectMany(ColumnsIn).DistinctBy(column => Language.Name.Of(column.Name).Key),
        ];
        return stated.IsEmpty
            ? (
                null,
                new StatementProblem(
                    0,
                    line.Length,
                    "Here columns are wanted, with commas between: “2NF: Visitor has visitor no (key), phone”."
                )
            )
            : (new OfTable(table.Groups["stage"].Value.Trim(), name == Nameless ? "" : name, stated), null);
    }

    private static IEnumerable<StatedColumn> ColumnsIn(string text)
    {
        var repeats = text.StartsWith('{') && text.EndsWith('}');
        return from one in repeats ? CellText.Split(text[1..^1]) : [text]
            let marks = KeyMarksPattern().Match(one)
            let said = marks.Value
            from cell in CellText.Read(marks.Success ? one[..marks.Index] : one).Cells
            select new StatedColumn(cell.Name, KeyPattern().IsMatch(said), ForeignPattern().IsMatch(said), repeats ? text : null)
            {
                IsAlternate = AlternatePattern().IsMatch(said),
                Whole = cell.Whole,
            };
    }

    /// <summary>The names in a text, with commas, plus signs or <c>and</c> between them.</summary>
    public static ImmutableArray<string> NamesIn(string text) =>
        [
            .. SeparatorPattern()
                .Split(text)
                .Select(name => name.Trim().Trim('{', '}', '(', ')').Trim())
                .Where(name => !Name.Of(name).Words.IsEmpty)
                .DistinctBy(name => Name.Of(name).Key),
        ];

    // The columns of a table go up to the end of the line, so that the name of one may hold the words that stand between.
    [GeneratedRegex(
        @"^(?:in\s+)?(?<stage>[^:]{1,40}):\s*(?<name>\(no name\)|[^:(]*?)\s*(?<open>\bhas\b|:|\()\s*(?<columns>.+)$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex TablePattern();

    [GeneratedRegex(@"^(?:in\s+)?(?<stage>[^:]{1,40}):\s*(?<rest>.+)$", RegexOptions.IgnoreCase)]
    private static partial Regex StagePattern();

    [GeneratedRegex(@"\s*\([^)]*\)\s*$")]
    private static partial Regex MarkPattern();

    // Nothing but words that mark: what else stands in brackets are the parts of a cell.
    [GeneratedRegex(
        @"\s*\((?:\s|,|/|\+|\band\b|\b(?:primary|candidate|alternate|foreign|key|PK|P?FK|AK\d*|UK\d*)\b)+\)\s*$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex KeyMarksPattern();

    [GeneratedRegex(@"(?<!(?:foreign|alternate)\s)\bkey\b|\bPF?K\b", RegexOptions.IgnoreCase)]
    private static partial Regex KeyPattern();

    [GeneratedRegex(@"\bforeign\b|\bP?FK\b", RegexOptions.IgnoreCase)]
    private static partial Regex ForeignPattern();

    [GeneratedRegex(@"\balternate\b|\b[AU]K\d*\b", RegexOptions.IgnoreCase)]
    private static partial Regex AlternatePattern();

    [GeneratedRegex(
        @"^(?:attributes?|(?<key>(?:candidate |primary )?key)|(?<calculated>calculated))\s*:",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex HeadPattern();

    [GeneratedRegex(
        @"\s*(?:(?<many>->>|-->>|→→|↠)|->|-->|→|=>)\s*|\s+(?:(?<many>multi-?determines?)|(?:functionally\s+)?determines?)\s+",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex VerbPattern();

    [GeneratedRegex(@"\s*[,;+]\s*(?:and\s+)?|\s+and\s+", RegexOptions.IgnoreCase)]
    private static partial Regex SeparatorPattern();
}

/// <summary>A column as it is stated.</summary>
/// <param name="Name">Its name.</param>
/// <param name="IsInKey">Whether it is said to be part of the key.</param>
/// <param name="IsForeign">Whether it is said to be a foreign key.</param>
/// <param name="Group">What is the same for all columns of a group that repeats; null for a column of its own.</param>
internal sealed record StatedColumn(string Name, bool IsInKey, bool IsForeign, string? Group)
{
    /// <summary>Whether it is said to be part of an alternate key.</summary>
    public bool IsAlternate { get; init; }

    /// <summary>The cell of which it is a part; empty where it has one of its own.</summary>
    public string Whole { get; init; } = "";
}
