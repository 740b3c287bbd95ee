using System.Text.RegularExpressions;

namespace BlueSlate.Scenarios;

/// <summary>
/// A form as a scenario describes it in a few lines: printed texts, fields with what is written into them, choices to be ticked,
/// groups and tables. The description is open: docs/formats/README.md.
/// </summary>
/// <param name="Lines">What is printed, from top to bottom.</param>
internal sealed partial record PaperForm(IReadOnlyList<PaperForm.Printed> Lines)
{
    /// <summary>One line of what is printed.</summary>
    public abstract record Printed;

    /// <summary>A text that nobody fills in.</summary>
    public sealed record Words(string Text) : Printed;

    /// <summary>The heading of the fields below it.</summary>
    public sealed record Group(string Title) : Printed;

    /// <summary>Fields beside each other.</summary>
    public sealed record Row(IReadOnlyList<Field> Fields) : Printed;

    /// <summary>A table, its head first.</summary>
    public sealed record Table(IReadOnlyList<IReadOnlyList<string>> Cells) : Printed;

    /// <summary>A field.</summary>
    /// <param name="Label">What is printed at it.</param>
    /// <param name="Written">What is written into it, empty where it is blank.</param>
    /// <param name="Choices">What is printed to choose from.</param>
    /// <param name="TakesSeveral">Whether more than one of the choices can be ticked.</param>
    public sealed record Field(string Label, string Written, IReadOnlyList<Choice> Choices, bool TakesSeveral);

    /// <summary>One of several choices.</summary>
    public sealed record Choice(string Label, bool IsTicked);

    /// <summary>Reads a description. Whatever it cannot take for a field is printed as it stands.</summary>
    public static PaperForm Read(IEnumerable<string> description)
    {
        var printed = new List<Printed>();
        var table = new List<IReadOnlyList<string>>();
        foreach (var line in description.Select(line => line.Trim()).Append(""))
        {
            if (line.StartsWith('|'))
            {
                if (!Rule().IsMatch(line))
                {
                    table.Add([.. line.Trim('|').Split('|', StringSplitOptions.TrimEntries)]);
                }

                continue;
            }

            if (table.Count > 0)
            {
                printed.Add(new Table([.. table]));
                table.Clear();
            }

            if (line.Length > 0)
            {
                printed.Add(Of(line));
            }
        }

        return new PaperForm(printed);
    }

    private static Printed Of(string line)
    {
        if (line is ['[', .. var title, ']'] && !title.Contains('[', StringComparison.Ordinal) && title.Trim().Length > 1)
        {
            return new Group(title.Trim());
        }

        // What stands beside a field and is none itself belongs to what is written into that.
        var fields = new List<string>();
        foreach (var piece in Gap().Split(line))
        {
            if (fields.Count == 0 || Label().IsMatch(piece))
            {
                fields.Add(piece);
            }
            else
            {
                fields[^1] += $" {piece}";
            }
        }

        return Label().IsMatch(fields[0]) ? new Row([.. fields.Select(FieldOf)]) : new Words(string.Join(' ', fields));
    }

    private static Field FieldOf(string text)
    {
        var colon = text.IndexOf(':', StringComparison.Ordinal);
        var (label, rest) = (text[..colon].Trim(), text[(colon + 1)..].Trim());
        var choices = Tick().Matches(rest);
        return choices.Count > 0 && choices[0].Index == 0
            ? new Field(
                label,
                "",
                [
                    .. choices.Select(found => new Choice(
                        found.Groups["label"].Value.Trim(),
                        found.Groups["tick"].Value is "x" or "X"
                    )),
                ],
                choices[0].Value[0] == '['
            )
            : new Field(label, rest.Trim('_', '.', ' ').Length == 0 ? "" : rest, [], false);
    }

    [GeneratedRegex(@"^\|[\s:|-]*\|?$", RegexOptions.CultureInvariant)]
    private static partial Regex Rule();

    [GeneratedRegex(@"\t+| {3,}", RegexOptions.CultureInvariant)]
    private static partial Regex Gap();

    [GeneratedRegex(@"^[^:|()\[\]]{1,60}:(?!\S)", RegexOptions.CultureInvariant)]
    private static partial Regex Label();

    [GeneratedRegex(@"(?:\((?<tick>[ xX]?)\)|\[(?<tick>[ xX]?)\])\s*(?<label>[^(\[]+)", RegexOptions.CultureInvariant)]
    private static partial Regex Tick();
}
