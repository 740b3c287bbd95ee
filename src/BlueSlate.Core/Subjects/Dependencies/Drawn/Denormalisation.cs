using System.Text.RegularExpressions;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Drawn;

/// <summary>
/// What a note on the sheet of a stage says of a table that holds together on purpose what could be apart:
/// <c>Denormalised: Job, since the list is read every morning</c>.
/// </summary>
/// <param name="Note">The note.</param>
/// <param name="Table">What the table is called there.</param>
/// <param name="Reason">Why; empty where the note does not say it.</param>
internal sealed partial record Denormalisation(string Note, string Table, string Reason)
{
    // What the deed writes in place of a reason, for whoever denormalises to replace.
    private const string Open = "…";

    // After a comma a word has to tell that it is a reason, since columns can stand there too.
    private const string Because =
        @"\s*(?:(?:[,;]\s*(?:since|because|as)\b|:\s*(?:(?:since|because)\b)?|\s(?:since|because)\b)\s*(?<reason>.*))?$";

    /// <summary>Whether a reason is given.</summary>
    public bool IsAccountedFor => Reason.Length > 0;

    /// <summary>As a sentence, without the full stop.</summary>
    public string Said => $"{NameOf(Table)} is denormalised{(IsAccountedFor ? $", since {Reason}" : "")}";

    /// <summary>What the notes of a sheet say, in their order.</summary>
    public static IEnumerable<Denormalisation> On(Sheet sheet) =>
        from line in NoteLines.Of(sheet)
        let said = Read(line.Line)
        where said is not null
        select said with
        {
            Note = line.Note,
        };

    /// <summary>What a line of a note says; null where it says nothing of the kind.</summary>
    public static Denormalisation? Read(string line) =>
        NotePattern().Match(line) is { Success: true } found ? new Denormalisation("", TableIn(found), ReasonIn(found)) : null;

    /// <summary>What a sentence says, without the title of its stage before it; null where it says nothing of the kind.</summary>
    public static (string Table, string Reason)? Sentence(string text) =>
        SentencePattern().Match(text) is { Success: true } found ? (TableIn(found), ReasonIn(found)) : null;

    /// <summary>As a line of a note.</summary>
    public static string Line(string table, string reason) =>
        $"Denormalised: {NameOf(table)}, since {(reason.Length > 0 ? reason : Open)}";

    /// <summary>Whether it speaks of a table.</summary>
    public bool IsOf(StageTable table) => Name.Of(table.Name).Key == Name.Of(Table).Key;

    private static string NameOf(string table) => table.Length > 0 ? table : DependencyStatement.Nameless;

    private static string TableIn(Match found) =>
        found.Groups["table"].Value.Trim() is var table && table == DependencyStatement.Nameless ? "" : table;

    private static string ReasonIn(Match found) => found.Groups["reason"].Value.Trim().Trim('.', '…').Trim();

    [GeneratedRegex(@"^\s*de-?normali[sz]ed\s*:\s*(?<table>[^,;:]+?)" + Because, RegexOptions.IgnoreCase)]
    private static partial Regex NotePattern();

    [GeneratedRegex(@"^(?<table>.+?)\s+is\s+de-?normali[sz]ed" + Because, RegexOptions.IgnoreCase)]
    private static partial Regex SentencePattern();
}
