using System.Collections.Immutable;
using System.Text.RegularExpressions;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Language;

/// <summary>
/// Reads one line of the sentences. It knows the names of the drawing, so that names of several words and verbs need no marks
/// between them; a name that it does not know is new. It never fails: what it cannot take it says, with the place.
/// </summary>
public sealed partial class StatementParser(IEnumerable<string> entityNames)
{
    private static readonly string[] AttributeMarkers =
    [
        "key",
        "partial key",
        "several",
        "derived",
        "optional",
        "class scope",
        "public",
        "private",
        "protected",
        "package",
    ];

    // Longest first, so that "repair part" is found before "repair".
    private readonly string[] known =
    [
        .. entityNames
            .Where(name => name.Length > 0)
            .Distinct(StringComparer.OrdinalIgnoreCase)
            .OrderByDescending(name => name.Length)
            .ThenBy(name => name, StringComparer.Ordinal),
    ];

    /// <summary>The statement of a line, or null when it is none, and what of it could not be taken.</summary>
    public (Statement? Statement, ImmutableArray<StatementProblem> Problems) Parse(string line)
    {
        var problems = ImmutableArray.CreateBuilder<StatementProblem>();
        var text = line.TrimEnd('.', ' ');
        var lead = IsKnownAt(text) ? 0 : LeadPattern().Match(text).Length;
        var statement = text.Trim().Length == 0 ? null : ParseLine(text[lead..], problems);
        return (statement, [.. problems.Select(problem => problem with { Start = problem.Start + lead })]);
    }

    private bool IsKnownAt(string text) => known.Any(name => text.StartsWith(name, StringComparison.OrdinalIgnoreCase));

    private Statement? ParseLine(string text, ImmutableArray<StatementProblem>.Builder problems)
    {
        if (KindsPattern().Match(text) is { Success: true } kinds)
        {
            return Specialisation(kinds, problems);
        }

        if (OneOfPattern().Match(text) is { Success: true } union)
        {
            return new UnionStatement(
                union.Groups["category"].Value.Trim(),
                [
                    .. union
                        .Groups["supers"]
                        .Value.Split(OrSeparators, StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries),
                ],
                union.Groups["total"].Success
            );
        }

        if (DirectedPattern().Match(text) is { Success: true } directed)
        {
            var kind = directed.Groups["verb"].Value == "realises" ? RelationshipKind.Realization : RelationshipKind.Dependency;
            return new DirectedStatement(kind, directed.Groups["from"].Value.Trim(), directed.Groups["to"].Value.Trim());
        }

        var colon = text.IndexOf(':', StringComparison.Ordinal);
        if (AmountText.Find(text) is { } amount && (colon < 0 || amount.Start < colon))
        {
            return text.IndexOf(" joins ", StringComparison.OrdinalIgnoreCase) is var joins and > 0 && joins < amount.Start
                ? Joining(text, joins, problems)
                : Relationship(text, problems);
        }

        return OperationPattern().Match(text) is { Success: true } operation && colon < 0 ? Operation(operation, problems)
            : NotUnderstood(text, colon) is { } problem ? Refuse(problem)
            : Entity(text, colon, problems);

        Statement? Refuse(StatementProblem problem)
        {
            problems.Add(problem);
            return null;
        }
    }

    // A name alone, or before a colon, is a new thing: a sentence is none, and is asked about where it stops being one.
    private StatementProblem? NotUnderstood(string text, int colon)
    {
        var head = colon < 0 ? text : text[..colon];
        if (known.Any(name => SameName(name, head.Trim())))
        {
            return null;
        }

        if (UnknownKindPattern().Match(head) is { Success: true } kind && !KindPattern().IsMatch(head))
        {
            return At(
                kind.Groups["word"],
                "here stands weak, associative, abstract, an interface, an enumeration or a «stereotype»"
            );
        }

        if (NumberPattern().Match(head) is { Success: true, Index: > 0 } number && colon < 0)
        {
            return At(number.Groups["word"], "say how many: “exactly 1”, “at least 1”, “0 or more”");
        }

        var words = WordPattern().Matches(KindPattern().Replace(head, "")).ToList();
        var capitals = words.TrueForAll(word => char.IsUpper(word.Value[0]));
        var verb = words
            .Skip(1)
            .FirstOrDefault(word => IsAuxiliary(word.Value) || (colon < 0 && !capitals && IsVerb(word.Value)));
        return verb is null
            ? null
            : At(verb, "“Item: item no (key), fault” names a thing, “Visit brings in 1 or more Item” ties two");
    }

    private static StatementProblem At(Capture word, string wanted) =>
        new(word.Index, word.Length, $"“{word.Value}” is not understood: {wanted}.");

    private static bool IsAuxiliary(string word) =>
        word.ToLowerInvariant()
            is "is"
                or "are"
                or "was"
                or "were"
                or "has"
                or "have"
                or "may"
                or "must"
                or "can"
                or "does"
                or "do";

    // Inflected, as a verb stands in a sentence: "stands", "stood", not "stand".
    private static bool IsVerb(string word)
    {
        var lower = word.ToLowerInvariant();
        var infinitive = Inflection.Infinitive(lower);
        return infinitive != lower && Lexicon.English.Find(infinitive) is { IsVerb: true };
    }

    private static readonly string[] OrSeparators = [" or ", ","];
    private static readonly string[] AndSeparators = [" and ", ","];

    private static SpecialisationStatement Specialisation(Match found, ImmutableArray<StatementProblem>.Builder problems)
    {
        var markers = Split(found.Groups["markers"].Value);
        Refuse(
            found.Groups["markers"],
            word => word is "disjoint" or "overlapping" or "total" or "partial",
            "disjoint, overlapping, total or partial",
            problems
        );
        return new SpecialisationStatement(
            [
                .. found
                    .Groups["subs"]
                    .Value.Split(AndSeparators, StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries),
            ],
            found.Groups["super"].Value.Trim(),
            found.Groups["name"].Value.Trim(),
            markers.Contains("disjoint") ? true
                : markers.Contains("overlapping") ? false
                : null,
            markers.Contains("total") ? true
                : markers.Contains("partial") ? false
                : null
        );
    }

    private RelationshipStatement Relationship(string text, ImmutableArray<StatementProblem>.Builder problems)
    {
        var (bare, markers) = TakeMarkers(text);
        var clauses = Clauses(bare);
        var halves = new List<(EndText Subject, string Object, Count Count)>();
        ImmutableArray<AttributeText> noting = [];
        var embodied = "";
        foreach (var (start, clause) in clauses)
        {
            if (clause.StartsWith("noting ", StringComparison.OrdinalIgnoreCase))
            {
                noting = Attributes(clause["noting ".Length..], start, problems);
            }
            else if (clause.StartsWith("as ", StringComparison.OrdinalIgnoreCase))
            {
                embodied = clause["as ".Length..].Trim();
            }
            else if (halves.Count < 2 && AmountText.Find(clause) is { } amount)
            {
                halves.Add(Half(clause, amount, start, problems));
            }
            else
            {
                problems.Add(
                    new StatementProblem(
                        start,
                        clause.Length,
                        "Here a second half is wanted: “Item comes in on exactly 1 Visit”."
                    )
                );
            }
        }

        var first = halves[0];
        (EndText Subject, string Object, Count Count) second =
            halves.Count > 1 ? halves[1] : (new EndText(first.Object, "", "", Count.Unsaid), first.Subject.Entity, Count.Unsaid);
        if (halves.Count > 1 && !SameName(second.Object, first.Subject.Entity))
        {
            problems.Add(
                new StatementProblem(
                    0,
                    text.Length,
                    $"The second half leads back to {first.Subject.Entity}; it is understood so."
                )
            );
        }

        return new RelationshipStatement(
            "",
            [
                first.Subject with
                {
                    Count = second.Count,
                },
                new EndText(first.Object, second.Subject.Role, second.Subject.Verb, first.Count),
            ],
            noting,
            embodied,
            markers
        );
    }

    // "Fixer as mentor mentors 0 or more Fixer": who, in which role, the verb, how many, of whom.
    private (EndText Subject, string Object, Count Count) Half(
        string clause,
        (int Start, int Length, Count Count) amount,
        int offset,
        ImmutableArray<StatementProblem>.Builder problems
    )
    {
        var front = clause[..amount.Start].Trim();
        var lead = IsKnownAt(front) ? 0 : LeadPattern().Match(front).Length;
        front = front[lead..];
        var target = clause[(amount.Start + amount.Length)..].Trim();
        if (target.IndexOf('(', StringComparison.Ordinal) is var open and > 0)
        {
            var strange = target[open..];
            problems.Add(
                new StatementProblem(
                    offset + clause.LastIndexOf(strange, StringComparison.Ordinal),
                    strange.Length,
                    $"“{strange.Trim('(', ')')}” is not understood: here stands identifying, derived, or as what it is a part."
                )
            );
            target = target[..open].Trim();
        }

        var subject = KnownAt(front) ?? NewName(front);
        var rest = front[Math.Min(front.Length, subject.Length)..].Trim();
        var role = "";
        if (rest.StartsWith("as ", StringComparison.OrdinalIgnoreCase))
        {
            // A role of several words ends at a comma.
            var words = rest["as ".Length..].Trim().Split(rest.Contains(',', StringComparison.Ordinal) ? ',' : ' ', 2);
            (role, rest) = (words[0].Trim(), words.Length > 1 ? words[1] : "");
        }

        var verb = rest.Trim();
        return (new EndText(subject, role, verb == SentenceWriter.NoVerb ? "" : verb, Count.Unsaid), target, amount.Count);
    }

    // The words that begin a text and name something in it, in whatever inflection; the longest such.
    private string? KnownAt(string text)
    {
        var words = WordPattern().Matches(text);
        return Enumerable
            .Range(1, Math.Min(words.Count, 8))
            .Reverse()
            .Select(count => text[..(words[count - 1].Index + words[count - 1].Length)])
            .FirstOrDefault(front => known.Any(name => IsNameOf(name, front)));
    }

    private static bool IsNameOf(string name, string words) =>
        name.Equals(words, StringComparison.OrdinalIgnoreCase)
        || (SameName(name, words) && WordSplitter.Split(name).Count == WordSplitter.Split(words).Count);

    // A name that is not known yet: its words with capitals, or all before the first that can only be a verb, or the first word.
    private static string NewName(string text)
    {
        var words = text.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        var capitals = words.TakeWhile(word => char.IsUpper(word[0])).Count();
        var verb = Array.FindIndex(words, 1, words.Length - 1, word => IsAuxiliary(word) || word == "as" || IsVerb(word));
        return string.Join(' ', words.Take(Math.Max(1, Math.Max(capitals, verb))));
    }

    private static RelationshipStatement Joining(string text, int joins, ImmutableArray<StatementProblem>.Builder problems)
    {
        var (bare, markers) = TakeMarkers(text);
        var clauses = Clauses(bare);
        var name = bare[..joins].Trim();
        var ends = ImmutableArray.CreateBuilder<EndText>();
        foreach (
            var piece in clauses[0]
                .Clause[(joins + " joins ".Length - clauses[0].Start)..]
                .Split(AndSeparators, StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)
        )
        {
            if (AmountText.Find(piece) is { Start: 0 } amount)
            {
                var whom = piece[amount.Length..].Trim();
                var role = whom.IndexOf(" as ", StringComparison.OrdinalIgnoreCase);
                ends.Add(
                    new EndText(
                        role < 0 ? whom : whom[..role].Trim(),
                        role < 0 ? "" : whom[(role + 4)..].Trim(),
                        "",
                        amount.Count
                    )
                );
            }
            else
            {
                ends.Add(new EndText(piece, "", "", Count.Unsaid));
                problems.Add(
                    new StatementProblem(
                        text.IndexOf(piece, StringComparison.Ordinal),
                        piece.Length,
                        "Say how many: “exactly 1”, “many”, “some”."
                    )
                );
            }
        }

        var rest = clauses.Skip(1).Select(clause => clause.Clause).ToList();
        var noting = rest.FirstOrDefault(clause => clause.StartsWith("noting ", StringComparison.OrdinalIgnoreCase));
        var embodied = rest.FirstOrDefault(clause => clause.StartsWith("as ", StringComparison.OrdinalIgnoreCase));
        return new RelationshipStatement(
            name.Equals("Something", StringComparison.Ordinal) ? "" : name,
            ends.ToImmutable(),
            noting is null ? [] : Attributes(noting["noting ".Length..], 0, problems),
            embodied?["as ".Length..].Trim() ?? "",
            markers
        );
    }

    private static OperationStatement Operation(Match found, ImmutableArray<StatementProblem>.Builder problems)
    {
        Refuse(
            found.Groups["markers"],
            word => word is "class scope" or "abstract" or "public" or "private" or "protected" or "package",
            "class scope, abstract, public, private, protected or package",
            problems
        );
        return new OperationStatement(
            found.Groups["owner"].Value.Trim(),
            found.Groups["name"].Value.Trim(),
            [
                .. Commas
                    .Split(found.Groups["given"].Value)
                    .Select(piece => piece.Text.Split(" of type ", 2, StringSplitOptions.TrimEntries))
                    .Select(pair => new Parameter(pair[0], pair.Length > 1 ? pair[1] : "")),
            ],
            found.Groups["giving"].Value.Trim(),
            [.. Split(found.Groups["markers"].Value)]
        );
    }

    // Words in parentheses that mean nothing there.
    private static void Refuse(
        Group inside,
        Func<string, bool> means,
        string wanted,
        ImmutableArray<StatementProblem>.Builder problems
    )
    {
        foreach (var (start, word) in Commas.Split(inside.Value).Where(piece => !means(piece.Text.ToLowerInvariant())))
        {
            problems.Add(
                new StatementProblem(inside.Index + start, word.Length, $"“{word}” is not understood: here stands {wanted}.")
            );
        }
    }

    private static EntityStatement Entity(string text, int colon, ImmutableArray<StatementProblem>.Builder problems)
    {
        var head = colon < 0 ? text : text[..colon];
        EntityKind? kind = null;
        var (isAbstract, stereotype) = (false, "");
        if (KindPattern().Match(head) is { Success: true } said)
        {
            foreach (Capture capture in said.Groups["kind"].Captures)
            {
                switch (capture.Value.Trim())
                {
                    case "weak":
                        kind = EntityKind.Weak;
                        break;
                    case "associative":
                        kind = EntityKind.Associative;
                        break;
                    case "an interface":
                        kind = EntityKind.Interface;
                        break;
                    case "an enumeration":
                        kind = EntityKind.Enumeration;
                        break;
                    case "abstract":
                        isAbstract = true;
                        break;
                    default:
                        stereotype = capture.Value.Trim().Trim('«', '»');
                        break;
                }
            }

            head = head[..said.Index];
        }

        var name = head.Trim();
        if (name.Length == 0)
        {
            problems.Add(
                new StatementProblem(0, Math.Max(1, text.Length), "Say first what this is: “Item: item no (key), fault”.")
            );
        }

        return new EntityStatement(
            name,
            kind,
            isAbstract,
            stereotype,
            colon < 0 ? [] : Attributes(text[(colon + 1)..], colon + 1, problems)
        );
    }

    private static ImmutableArray<AttributeText> Attributes(
        string text,
        int offset,
        ImmutableArray<StatementProblem>.Builder problems
    )
    {
        var attributes = ImmutableArray.CreateBuilder<AttributeText>();
        foreach (var (start, piece) in Commas.Split(text))
        {
            var (rest, markers, parts) = (piece, ImmutableArray<string>.Empty, ImmutableArray<PartText>.Empty);
            while (PartText.OpenOfLast(rest) is var open and > 0)
            {
                var inside = Split(rest[(open + 1)..^1]);
                if (inside.Count > 0 && inside.All(IsMarker))
                {
                    markers = [.. inside];
                }
                else
                {
                    parts = PartText.Read(rest[(open + 1)..^1]);
                }

                rest = rest[..open].Trim();
            }

            var byDefault = Cut(ref rest, " by default ");
            var type = Cut(ref rest, " of type ");
            if (rest.Length == 0)
            {
                problems.Add(new StatementProblem(offset + start, Math.Max(1, piece.Length), "An attribute has a name."));
                continue;
            }

            attributes.Add(new AttributeText(rest, parts, type, byDefault, markers));
        }

        return attributes.ToImmutable();
    }

    private static bool IsMarker(string word) =>
        AttributeMarkers.Contains(word, StringComparer.OrdinalIgnoreCase)
        || NumberedPattern().IsMatch(word)
        || ValueCount.TryRead(word, out _);

    private static string Cut(ref string text, string at)
    {
        var found = text.IndexOf(at, StringComparison.OrdinalIgnoreCase);
        if (found < 0)
        {
            return "";
        }

        var after = text[(found + at.Length)..].Trim();
        text = text[..found].Trim();
        return after;
    }

    private static (string Bare, ImmutableArray<string> Markers) TakeMarkers(string text)
    {
        var open = text.LastIndexOf('(');
        return
            open > 0
            && text.EndsWith(')')
            && Split(text[(open + 1)..^1]) is { Count: > 0 } markers
            && markers.All(word => RelationMarkerPattern().IsMatch(word))
            ? (text[..open].TrimEnd(), [.. markers])
            : (text, []);
    }

    private static List<(int Start, string Clause)> Clauses(string text)
    {
        var clauses = new List<(int, string)>();
        var start = 0;
        foreach (var piece in text.Split(';'))
        {
            if (piece.Trim().Length > 0)
            {
                clauses.Add((start + piece.Length - piece.TrimStart().Length, piece.Trim()));
            }

            start += piece.Length + 1;
        }

        return clauses;
    }

    private static List<string> Split(string text) =>
        [.. text.Split(',', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)];

    private static bool SameName(string a, string b) => Name.Of(a).Key == Name.Of(b).Key;

    [GeneratedRegex(
        @"^(?<subs>.+?) (?:are kinds of|is a kind of|is an? kind of) (?<super>.+?)(?: by (?<name>[^()]+?))?(?: \((?<markers>[^()]*)\))?$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex KindsPattern();

    [GeneratedRegex(@"^(?<category>.+?) is one of (?<supers>.+?)(?<total> \(total\))?$", RegexOptions.IgnoreCase)]
    private static partial Regex OneOfPattern();

    [GeneratedRegex(@"^(?<from>[^:;()]+?) (?<verb>depends on|realises) (?<to>[^:;()]+)$", RegexOptions.IgnoreCase)]
    private static partial Regex DirectedPattern();

    [GeneratedRegex(
        @"^(?<owner>.+?) can (?<name>(?!be )[^():;,]+?)(?: given (?<given>.+?))?(?: giving (?<giving>[^()]+?))?"
            + @"(?: \((?<markers>[^()]*)\))?$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex OperationPattern();

    [GeneratedRegex(
        @" is (?:(?<kind>weak|associative|an interface|an enumeration|abstract|«[^»]*»)(?:, |$))+\s*$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex KindPattern();

    [GeneratedRegex(@"^\s*(?:an?|each|every|any) (?=\s*\p{L})", RegexOptions.IgnoreCase)]
    private static partial Regex LeadPattern();

    [GeneratedRegex(@"\S+")]
    private static partial Regex WordPattern();

    [GeneratedRegex(
        @"\b(?<word>an?|one|two|three|four|five|six|several|few|all|no|\d+)\s+\p{L}[\p{L} ]*$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex NumberPattern();

    [GeneratedRegex(@"^.+? is (?<word>\p{L}+)(?:, \p{L}+)*\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex UnknownKindPattern();

    [GeneratedRegex(@"^(?:alternate|foreign) key(?: \d+)?$", RegexOptions.IgnoreCase)]
    private static partial Regex NumberedPattern();

    [GeneratedRegex(
        @"^(?:identifying|derived|(?:aggregation|composition) in .+|qualified by .+ at .+|navigable to .+)$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex RelationMarkerPattern();
}
