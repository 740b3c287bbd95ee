using System.Collections.Frozen;
using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Language;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Preparing;
using BlueSlate.Core.Subjects.Concepts.Model;
using BlueSlate.Core.Subjects.Concepts.Wording;

namespace BlueSlate.Core.Subjects.Concepts.Preparing;

/// <summary>Looks over an exercise whose model answer draws concepts.</summary>
internal sealed class ConceptPreflight
{
    private static readonly ImmutableArray<ConceptPreflightKind> Kinds = PreflightKind.Of<ConceptPreflightKind>();

    private readonly FrozenSet<string> tied;
    private readonly FrozenSet<string> facts;
    private SpokenWords? spoken;
    private PrintedNames? printed;

    private ConceptPreflight(PreflightCase one)
    {
        Case = one;
        Drawing = (Drawing)one.Model;
        Options = (NotationOptions)one.Options;
        Reading = ComparableForm.Of(Notation.Read(Drawing, Options));
        tied = Drawing.Ties.Where(tie => PlaceOf(tie) is not null).Select(tie => tie.Element).ToFrozenSet(StringComparer.Ordinal);
        facts = one.Facts.Select(fact => fact.Id).ToFrozenSet(StringComparer.Ordinal);
        Names = new ThingNames(Model, OtherNames());
        Links = new Links(Model);
        Numbers = CountWording.Of(Model, Names, one.Prose);
        Sentences = [.. one.Prose.Sentences()];
    }

    /// <summary>The exercise.</summary>
    public PreflightCase Case { get; }

    /// <summary>The model answer as it is drawn.</summary>
    public Drawing Drawing { get; }

    /// <summary>What the class has learned of its notation.</summary>
    public NotationOptions Options { get; }

    /// <summary>What the model answer says.</summary>
    public Reading Reading { get; }

    /// <inheritdoc cref="Reading" />
    public ConceptModel Model => Reading.Model;

    /// <summary>By which words the scenario names its things.</summary>
    public ThingNames Names { get; }

    /// <summary>How its things are related.</summary>
    public Links Links { get; }

    /// <summary>What the scenario says of the numbers at each end.</summary>
    public ILookup<string, CountEvidence> Numbers { get; }

    /// <summary>Where the scenario speaks of what.</summary>
    public SpokenWords Spoken => spoken ??= new SpokenWords(this);

    /// <summary>What is named in its tables, forms and listings.</summary>
    public PrintedNames Printed => printed ??= new PrintedNames(Case.Prose);

    /// <summary>The scenario's sentences, each with its block.</summary>
    public ImmutableArray<(int Block, ScenarioSentence Sentence)> Sentences { get; }

    /// <summary>An exercise, read.</summary>
    public static ConceptPreflight Read(PreflightCase one) => new(one);

    /// <summary>Everything that may be amiss.</summary>
    public static IEnumerable<PreflightItem> Of(PreflightCase one)
    {
        var preflight = new ConceptPreflight(one);
        return Kinds.SelectMany(kind => kind.Find(preflight));
    }

    /// <summary>What the rows of the scenario speak against.</summary>
    public static IEnumerable<PreflightItem> AgainstRows(PreflightCase one)
    {
        if (one.Prose.Tables.IsEmpty)
        {
            return [];
        }

        var preflight = new ConceptPreflight(one);
        return Kinds.Where(kind => kind.IsOfRows).SelectMany(kind => kind.Find(preflight));
    }

    /// <summary>A least number in words as the notation draws it: more than one, where it has no numbers, is one at the least.</summary>
    public Bound LeastAsDrawn(Bound said) => said.Value > 1 && !Options.WritesNumbers ? said with { Value = 1 } : said;

    /// <summary>The same of a greatest number: more than one is many.</summary>
    public Bound MostAsDrawn(Bound said) => said.Value > 1 && !Options.WritesNumbers ? said with { Value = Quantity.Many } : said;

    /// <summary>Whether words of the scenario are tied to what states a concept.</summary>
    public bool IsTied(string conceptId) => Reading.ElementsOf(conceptId).Any(tied.Contains);

    /// <summary>
    /// Whether a fact is open: the model answer states it, nothing else is accepted, and no words are tied to what states it.
    /// </summary>
    public bool IsOpen(string factId, string conceptId) =>
        facts.Contains(factId) && !Case.IsTolerated(factId) && !IsTied(conceptId);

    /// <summary>The words that a tie leads to: where they stood, or where they stand once; null where that is nowhere.</summary>
    public ScenarioPlace? PlaceOf(Tie tie)
    {
        if (tie.Block >= Case.Prose.Blocks.Length)
        {
            return null;
        }

        var text = Case.Prose.Blocks[tie.Block];
        var start =
            string.CompareOrdinal(text, tie.Start, tie.Quote, 0, tie.Quote.Length) == 0 ? tie.Start
            : text.IndexOf(tie.Quote, StringComparison.Ordinal) is >= 0 and var only
            && text.IndexOf(tie.Quote, only + 1, StringComparison.Ordinal) < 0
                ? only
            : -1;
        return start < 0 ? null : new ScenarioPlace(tie.Block, start, tie.Quote);
    }

    /// <summary>Words of a sentence as a place.</summary>
    public ScenarioPlace PlaceOf(int block, ScenarioSentence sentence, int start, int end)
    {
        var from = sentence.Starts[start];
        return new ScenarioPlace(
            block,
            from,
            Case.Prose.Blocks[block][from..(sentence.Starts[end - 1] + sentence.Written[end - 1].Length)]
        );
    }

    private IEnumerable<(string Thing, string Name)> OtherNames() =>
        Model
            .Entities.SelectMany(entity =>
                (Case.Tolerances.At($"entity:{entity.Id}")?.Accepted ?? []).Select(name => (entity.Id, name))
            )
            .Concat(
                Drawing
                    .Ties.Where(tie => Model.Entities.Any(entity => entity.Id == tie.Element))
                    .Select(tie => (tie.Element, tie.Quote))
            )
            .Where(other => Name.Of(other.Item2).Words.Length is > 0 and <= 3);
}

/// <summary>A kind of thing that may be amiss with an exercise about concepts.</summary>
internal abstract class ConceptPreflightKind : PreflightKind
{
    /// <summary>Whether rows of the scenario speak against what is drawn.</summary>
    public virtual bool IsOfRows => false;

    /// <summary>What is amiss.</summary>
    public abstract IEnumerable<PreflightItem> Find(ConceptPreflight one);
}
