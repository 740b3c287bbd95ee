using System.Collections.Frozen;
using System.Collections.Immutable;
using BlueSlate.Core.Checking;
using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Language;
using BlueSlate.Core.Marking;
using BlueSlate.Core.Matching;
using BlueSlate.Core.Notations;

namespace BlueSlate.Core;

/// <summary>
/// The whole way of an answer through the core: drawing, reading, correspondence, comparison, findings, mark sheet. It is
/// prepared once for a model answer and may then be used for any number of answers, from several threads at once.
/// </summary>
public sealed class Assessor
{
    /// <summary>Changes whenever the same answer could be read, matched, checked or marked differently.</summary>
    public const string CoreVersion = "5";

    private static readonly FrozenSet<string> ManyToManyOnly = new[] { Restatements.LinkingEntityByManyToMany.StableCode }.ToFrozenSet(StringComparer.Ordinal);

    private readonly NotationOptions options;
    private readonly Reading model;
    private readonly MatchModel matchModel;
    private readonly FrozenDictionary<string, Tolerance> tolerances;
    private readonly MatchAllowance allowance;

    /// <summary>Prepares a part of an exercise for checking.</summary>
    public Assessor(Drawing modelAnswer, NotationOptions options, IEnumerable<Tolerance> tolerances, MarkingScheme scheme)
    {
        this.options = options;
        Scheme = scheme;
        model = NormalForm.Of(Notation.Read(modelAnswer, options));
        matchModel = new MatchModel(model.Model);
        var used = scheme.Lines.SelectMany(line => line.FactIds).ToFrozenSet(StringComparer.Ordinal);
        Facts = [.. FactList.Of(model, options).Where(fact => !fact.IsOnRequest || used.Contains(fact.Id)), .. FactList.Absences(model.Model, used)];
        this.tolerances = tolerances.ToFrozenDictionary(tolerance => tolerance.FactId, StringComparer.Ordinal);
        var otherNames = Facts
            .Where(fact => fact.Aspect is Aspect.Entity or Aspect.Attribute && this.tolerances.TryGetValue(fact.Id, out var tolerance) && tolerance.Accepted.Length > 0)
            .ToFrozenDictionary(fact => fact.ConceptId, fact => this.tolerances[fact.Id].Accepted, StringComparer.Ordinal);

        // At logical level a many-to-many relationship is to be resolved, so it does not stand for a linking entity.
        allowance = new MatchAllowance(otherNames, options.Level == Level.Logical ? ManyToManyOnly : FrozenSet<string>.Empty);
    }

    /// <summary>The facts of the model answer.</summary>
    public ImmutableArray<Fact> Facts { get; }

    /// <summary>The scheme by which it marks.</summary>
    public MarkingScheme Scheme { get; }

    /// <summary>What the model answer says.</summary>
    public Reading Model => model;

    /// <summary>Reads, matches, checks and marks one answer.</summary>
    public Assessment Assess(Drawing answer, ImmutableArray<Ruling> rulings) => Assess(answer, rulings, FindingKind.All);

    /// <summary>The same with some kinds of findings only.</summary>
    public Assessment Assess(Drawing answer, ImmutableArray<Ruling> rulings, IReadOnlyList<FindingKind> kinds)
    {
        var drawn = Notation.Read(answer, options);
        var reading = NormalForm.Of(drawn);
        var correspondence = Matcher.Match(matchModel, reading.Model, allowance);
        var comparison = Comparer.Compare(model, Facts, tolerances, reading, correspondence, options);
        var findings = FindingSelector.Select(comparison, kinds);
        var sheet = Marker.Mark(Scheme, comparison.Verdicts, comparison.Extras, rulings);
        return new Assessment(drawn, comparison, findings, sheet, NoteWriter.Write(sheet, findings, Scheme.ExtraCost));
    }

    /// <summary>The sentences of a reading.</summary>
    public static ImmutableArray<Sentence> Sentences(Reading reading) => SentenceWriter.Write(reading);
}

/// <summary>Everything that was found out about one answer.</summary>
public sealed record Assessment(Reading Reading, Comparison Comparison, ImmutableArray<Finding> Findings, MarkSheet Sheet, ImmutableArray<Note> Notes);
