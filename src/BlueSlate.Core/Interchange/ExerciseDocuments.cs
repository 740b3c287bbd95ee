using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Marking;
using BlueSlate.Core.Notations;

namespace BlueSlate.Core.Interchange;

/// <summary>What is asked: the question document (docs/formats/README.md). The scenario is a document of its own.</summary>
public sealed record QuestionDocument
{
    /// <summary>The exercise's title.</summary>
    public required string Title { get; init; }

    /// <summary>The parts, one at least, in their order.</summary>
    public required ImmutableArray<PartDocument> Parts { get; init; }

    /// <summary>
    /// Where the files of a part lie: in the exercise's folder where there is one part, else in <c>part-1</c>, <c>part-2</c> of it.
    /// </summary>
    public string FolderOf(string folder, int part) => Parts.Length == 1 ? folder : $"{folder}/part-{part + 1}";

    /// <summary>The time that parts allow together, in minutes; null where one of them has no limit.</summary>
    public static int? MinutesOf(IReadOnlyList<PartDocument> parts) =>
        parts.Any(part => part.Minutes is null) ? null : parts.Sum(part => part.Minutes);
}

/// <summary>One part of an exercise.</summary>
public sealed record PartDocument
{
    private const int LongestTitle = 120;

    /// <summary>What is to be done in it, in a few words; may be empty where it is the only one.</summary>
    public string Title { get; init; } = "";

    /// <summary>What the class has learned of the way of writing or drawing that is wanted, and how formal it is to be.</summary>
    public WorkOptions Learned { get; init; } = Notation.Of(NotationNames.CrowsFoot).Usual;

    /// <summary>The marks in all.</summary>
    public Rational Marks { get; init; } = 40;

    /// <summary>The time allowed, in minutes, or null for no limit.</summary>
    public int? Minutes { get; init; }

    /// <summary>The aids that students have while they draw.</summary>
    public AidsDocument Aids { get; init; } = new();

    /// <summary>Whether students see the model answer with their marks.</summary>
    public bool ShowModelAnswer { get; init; } = true;

    /// <summary>When students are told their marks.</summary>
    public Told Told { get; init; }

    /// <summary>What is on the slate when students begin.</summary>
    public BeginDocument Begin { get; init; } = new();

    /// <summary>What makes no sense in it, each with a code and the property that says so.</summary>
    public IEnumerable<(string Code, string Said, string Property)> Problems()
    {
        if (Marks <= Rational.Zero || Marks > 1000 || Minutes is < 1 or > 1440)
        {
            yield return ("part", "A part has more than 0 and at most 1000 marks, and a time of 1 to 1440 minutes or none.", "");
        }

        if (Title.Trim().Length > LongestTitle)
        {
            yield return ("part-title", $"A part's title has at most {LongestTitle} characters.", "title");
        }

        if (Aids.Help is < 0 or > AidsDocument.MostHelp)
        {
            yield return ("help", $"Students are helped 0 to {AidsDocument.MostHelp} times.", "aids.help");
        }

        foreach (var said in Begin.Problems(Learned))
        {
            yield return ("begin", said, "begin");
        }

        foreach (var problem in Learned.Problems())
        {
            yield return problem with
            {
                Property = $"learned.{problem.Property}",
            };
        }
    }
}

/// <summary>With what a part is begun.</summary>
public enum BeginsWith
{
    /// <summary>An empty slate.</summary>
    Nothing,

    /// <summary>The student's own drawing of an earlier part: its differences cost nothing again.</summary>
    OwnDrawing,

    /// <summary>The model answer of an earlier part, which is closed first.</summary>
    ModelAnswer,

    /// <summary>A drawing that the exercise gives.</summary>
    GivenDrawing,
}

/// <summary>What is on the slate when students begin a part.</summary>
public sealed record BeginDocument
{
    /// <summary>What it is.</summary>
    public BeginsWith With { get; init; }

    /// <summary>The earlier part, counted from 1, where it is of one.</summary>
    public int? Part { get; init; }

    /// <summary>The drawing that is given, as text.</summary>
    public string? Drawing { get; init; }

    /// <summary>Whether it begins with an earlier part.</summary>
    public bool FollowsOn => With is BeginsWith.OwnDrawing or BeginsWith.ModelAnswer;

    /// <summary>What makes no sense in it by itself.</summary>
    internal IEnumerable<string> Problems(WorkOptions learned)
    {
        if (FollowsOn && Part is not > 0)
        {
            yield return "Say with which part's drawing this one begins.";
        }

        if (With == BeginsWith.GivenDrawing && (Drawing is null || Subject.Of(learned).Parse(Drawing) is null))
        {
            yield return "The drawing with which this part begins cannot be read.";
        }
    }
}

/// <summary>When students are told their marks.</summary>
public enum Told
{
    /// <summary>Once a person releases them.</summary>
    WhenReleased,

    /// <summary>As soon as what they handed in is checked: for practice.</summary>
    WhenHandedIn,
}

/// <summary>The aids of a part, each on its own.</summary>
public sealed record AidsDocument
{
    /// <summary>How often help can be allowed.</summary>
    public const int MostHelp = 50;

    /// <summary>The sentences say what the drawing says; otherwise they say what is drawn.</summary>
    public bool Sentences { get; init; }

    /// <summary>The symbols of an end are shown with their words.</summary>
    public bool Words { get; init; }

    /// <summary>The drawing can be tidied up by itself.</summary>
    public bool TidyUp { get; init; } = true;

    /// <summary>The drawing can be seen in another notation.</summary>
    public bool Redraw { get; init; }

    /// <summary>What boxes share is proposed for lifting.</summary>
    public bool Lifting { get; init; }

    /// <summary>What is wrong with the form of the drawing, whatever the scenario asks, is told while one draws.</summary>
    public bool Form { get; init; }

    /// <summary>What the rows of the scenario's tables speak against is told while one draws, and with the notes.</summary>
    public bool Rows { get; init; }

    /// <summary>
    /// How often one may ask for help while one draws, a step each: how many differences there are, where one is, what it is, and why.
    /// </summary>
    public int Help { get; init; }
}

/// <summary>What an answer is held against besides the model drawing (docs/formats/README.md).</summary>
public sealed record AssessmentDocument
{
    /// <summary>What is accepted at single facts.</summary>
    public ImmutableArray<ToleranceDocument> Tolerances { get; init; } = [];

    /// <summary>The marking scheme; null until one has been derived.</summary>
    public SchemeDocument? Scheme { get; init; }

    /// <summary>What other ways of drawing the same are worth, by code, where that is not the usual.</summary>
    public ImmutableSortedDictionary<string, Standing> Restatements { get; init; } =
        ImmutableSortedDictionary<string, Standing>.Empty;

    /// <summary>Groups of words that mean the same in this exercise.</summary>
    public ImmutableArray<ImmutableArray<string>> SameWords { get; init; } = [];

    /// <summary>Groups of words of which no two mean the same in this exercise.</summary>
    public ImmutableArray<ImmutableArray<string>> WordsApart { get; init; } = [];

    /// <summary>Other model answers that are as right.</summary>
    public ImmutableArray<VariantDocument> Variants { get; init; } = [];

    /// <summary>What of the preflight its author has looked at and meant so, by the items' keys.</summary>
    public ImmutableArray<string> MeantSo { get; init; } = [];

    /// <summary>The same with one more value accepted at a fact.</summary>
    public AssessmentDocument Accepting(string fact, string value)
    {
        var said = Tolerances.FirstOrDefault(tolerance => tolerance.Fact == fact) ?? new ToleranceDocument { Fact = fact };
        var accepted = said.Accepted.IsDefault ? [] : said.Accepted;
        return accepted.Contains(value)
            ? this
            : this with
            {
                Tolerances =
                [
                    .. Tolerances.Where(tolerance => tolerance.Fact != fact),
                    said with
                    {
                        Accepted = accepted.Add(value),
                    },
                ],
            };
    }

    /// <summary>The exercise's own words and ways of drawing as values of the core.</summary>
    public ExerciseTerms ToTerms(WorkOptions options) =>
        new(Restatements ?? ImmutableSortedDictionary<string, Standing>.Empty, ToWords())
        {
            Variants = Variants.IsDefault
                ? []
                :
                [
                    .. Variants.Select(variant =>
                        Subject.Of(options).Parse(variant.Drawing)
                        ?? throw new InvalidOperationException($"The further model answer “{variant.Title}” cannot be read.")
                    ),
                ],
        };

    /// <summary>The exercise's own words.</summary>
    public ExerciseWords ToWords() =>
        SameWords.IsDefaultOrEmpty && WordsApart.IsDefaultOrEmpty
            ? ExerciseWords.None
            : new ExerciseWords(SameWords.IsDefault ? [] : SameWords, WordsApart.IsDefault ? [] : WordsApart);

    /// <summary>The document with canonical drawings, without what their authors noted or tied to phrases.</summary>
    public AssessmentDocument Canonical() =>
        this with
        {
            Variants = Variants.IsDefault
                ? []
                :
                [
                    .. Variants.Select(variant =>
                        variant with
                        {
                            Drawing = DrawingReader.Read(variant.Drawing).Drawing is { } drawing
                                ? DrawingWriter.WriteText(drawing with { Ties = [], Comments = [] })
                                : variant.Drawing,
                        }
                    ),
                ],
        };

    private IEnumerable<string> VariantProblems()
    {
        if (!Variants.IsDefault && Variants.Length > MostVariants)
        {
            yield return $"An exercise has at most {MostVariants} further model answers.";
        }

        foreach (var variant in Variants.IsDefault ? [] : Variants)
        {
            if (variant.Title.Trim().Length is 0 or > LongestWord)
            {
                yield return $"A further model answer has a title of at most {LongestWord} characters.";
            }
            else if (DrawingReader.Read(variant.Drawing) is { Drawing: null } outcome)
            {
                yield return $"“{variant.Title}” cannot be read: {outcome.Problems[0].Message}";
            }
        }
    }

    private const int MostVariants = 10;

    /// <summary>
    /// What is wrong with the scheme, the words and the further model answers: a stable code, a sentence, and the property.
    /// </summary>
    public IEnumerable<(string Code, string Said, string Property)> Problems() =>
        (Scheme?.Problems() ?? [])
            .Select(said => ("scheme", said, "scheme"))
            .Concat(WordProblems().Select(said => ("words", said, "sameWords")))
            .Concat(VariantProblems().Select(said => ("variants", said, "variants")))
            .Concat(MeantSoProblems().Select(said => ("meant-so", said, "meantSo")));

    private IEnumerable<string> MeantSoProblems()
    {
        if (!MeantSo.IsDefault && (MeantSo.Length > MostMeantSo || MeantSo.Any(key => key.Length is 0 or > LongestKey)))
        {
            yield return $"At most {MostMeantSo} items are meant so, each named by at most {LongestKey} characters.";
        }
    }

    private IEnumerable<string> WordProblems()
    {
        foreach (var group in (SameWords.IsDefault ? [] : SameWords).Concat(WordsApart.IsDefault ? [] : WordsApart))
        {
            if (group.IsDefault || group.Length is < 2 or > MostInGroup || group.Any(word => word.Length is 0 or > LongestWord))
            {
                yield return $"A group of words holds 2 to {MostInGroup} words or short phrases of at most {LongestWord} characters.";
            }
        }

        if ((SameWords.IsDefault ? 0 : SameWords.Length) + (WordsApart.IsDefault ? 0 : WordsApart.Length) > MostGroups)
        {
            yield return $"An exercise lists at most {MostGroups} groups of words.";
        }
    }

    internal const int MostInGroup = 20;
    private const int MostGroups = 100;
    private const int LongestWord = 60;
    private const int MostMeantSo = 500;
    private const int LongestKey = 400;

    /// <summary>The tolerances as values of the core.</summary>
    public ImmutableArray<Tolerance> ToTolerances() =>
        [
            .. Tolerances.Select(tolerance => new Tolerance(
                tolerance.Fact,
                tolerance.Accepted.IsDefault ? [] : tolerance.Accepted,
                tolerance.Optional,
                tolerance.NotAssessed
            )),
        ];
}

/// <summary>Another model answer.</summary>
/// <param name="Title">What it does otherwise, in a few words.</param>
/// <param name="Drawing">Its drawing, as text.</param>
public sealed record VariantDocument(string Title, string Drawing);

/// <summary>A tolerance at a fact.</summary>
public sealed record ToleranceDocument
{
    /// <summary>The fact's id.</summary>
    public required string Fact { get; init; }

    /// <summary>Further accepted values.</summary>
    public ImmutableArray<string> Accepted { get; init; } = [];

    /// <summary>May be absent or present.</summary>
    public bool Optional { get; init; }

    /// <summary>Nothing is said of it and nothing marked.</summary>
    public bool NotAssessed { get; init; }
}

/// <summary>A marking scheme.</summary>
public sealed record SchemeDocument
{
    /// <summary>The lines.</summary>
    public ImmutableArray<MarkLineDocument> Lines { get; init; } = [];

    /// <summary>What each extra costs.</summary>
    public Rational ExtraCost { get; init; }

    /// <summary>What all extras together may cost.</summary>
    public Rational ExtraCap { get; init; }

    /// <summary>The step of rounding.</summary>
    public Rational Step { get; init; } = Rational.Half;

    /// <summary>The document of a scheme.</summary>
    public static SchemeDocument Of(MarkingScheme scheme) =>
        new()
        {
            Lines =
            [
                .. scheme.Lines.Select(line => new MarkLineDocument
                {
                    Id = line.Id,
                    Title = line.Title,
                    Marks = line.Marks,
                    Rule = line.Rule,
                    Off = line.Rule == LineRule.Deduct ? line.Off : null,
                    Facts = line.FactIds,
                }),
            ],
            ExtraCost = scheme.ExtraCost,
            ExtraCap = scheme.ExtraCap,
            Step = scheme.Step,
        };

    /// <summary>The scheme of the core.</summary>
    public MarkingScheme ToScheme() =>
        new(
            [
                .. Lines.Select(line => new MarkLine(
                    line.Id,
                    line.Title,
                    line.Marks,
                    line.Rule,
                    line.Facts.IsDefault ? [] : line.Facts
                )
                {
                    Off = line.Off ?? Rational.Half,
                }),
            ],
            ExtraCost,
            ExtraCap,
            Step
        );

    /// <summary>What is wrong with the scheme, in sentences; empty when nothing is.</summary>
    public IEnumerable<string> Problems()
    {
        if (Lines.IsDefaultOrEmpty)
        {
            yield return "The scheme has no lines.";
            yield break;
        }

        if (Lines.Select(line => line.Id).Distinct(StringComparer.Ordinal).Count() < Lines.Length)
        {
            yield return "Two lines of the scheme have the same id.";
        }

        foreach (var (line, at) in Lines.Select((line, at) => (line, at)).Where(one => one.line.Title.Trim().Length == 0))
        {
            yield return $"Line {at + 1} of the scheme has no title.";
        }

        foreach (var line in Lines.Where(line => line.Marks < Rational.Zero || line.Marks > 1000))
        {
            yield return $"The line “{line.Title}” is worth {line.Marks}; 0 to 1000 are possible.";
        }

        foreach (var line in Lines.Where(line => line.Off is { } off && off <= Rational.Zero))
        {
            yield return $"The line “{line.Title}” takes off {line.Off} for each fact; more than 0 is possible.";
        }

        if (ExtraCost < Rational.Zero || ExtraCap < Rational.Zero)
        {
            yield return "What extras cost, and their cap, are not below 0.";
        }

        if (Step <= Rational.Zero)
        {
            yield return "The step of rounding is above 0.";
        }
    }
}

/// <summary>A line of a marking scheme.</summary>
public sealed record MarkLineDocument
{
    /// <summary>Unique within the scheme.</summary>
    public required string Id { get; init; }

    /// <summary>What earns the marks.</summary>
    public required string Title { get; init; }

    /// <summary>What it is worth.</summary>
    public required Rational Marks { get; init; }

    /// <summary>All or nothing, by share, or so much off for each fact.</summary>
    public LineRule Rule { get; init; }

    /// <summary>
    /// What each fact that does not hold takes off, where the rule is to deduct; a half when nothing is said.
    /// </summary>
    public Rational? Off { get; init; }

    /// <summary>The facts that it is about.</summary>
    public ImmutableArray<string> Facts { get; init; } = [];
}
