using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Preparing;
using BlueSlate.Core.Subjects.Concepts.Checking;
using BlueSlate.Core.Subjects.Concepts.Matching;
using BlueSlate.Core.Subjects.Concepts.Preparing;
using BlueSlate.Core.Subjects.Concepts.Restatements;
using BlueSlate.Core.Subjects.Concepts.Soundness;

namespace BlueSlate.Core.Subjects.Concepts;

/// <summary>Conceptual and class models: entities, what they have, how they relate; drawn in any of the notations for them.</summary>
internal sealed class ConceptSubject : Subject
{
    public override string Name => NotationOptions.Concepts;

    public override string Title => "conceptual and class models";

    public override IReadOnlyDictionary<string, Type> OptionTypes { get; } =
        Notation.All.ToDictionary(notation => notation.Name, notation => notation.Usual.GetType(), StringComparer.Ordinal);

    public override IReadOnlyList<FactKind> FactKinds => ConceptFactKind.All;

    public override IReadOnlyList<FindingKind> FindingKinds => ConceptFindingKind.OfConcepts;

    public override IDocument? Parse(string text) => DrawingReader.Read(text).Drawing;

    public override string Write(IDocument document) => DrawingWriter.WriteText((Drawing)document);

    public override IDocument WithPrefix(IDocument document, string prefix) => Renaming.WithPrefix((Drawing)document, prefix);

    public override IDocument Into(IDocument document, WorkOptions from, WorkOptions to)
    {
        var (drawing, drawn, wanted) = ((Drawing)document, (NotationOptions)from, (NotationOptions)to);
        return drawn.Notation == wanted.Notation
            ? drawing
            : Notation.Of(wanted.Notation).Write(Notation.Read(drawing, drawn).Model, wanted).Drawing;
    }

    public override ImmutableArray<Sentence> Sentences(IDocument document, WorkOptions options) =>
        SentenceWriter.Write(Notation.Read((Drawing)document, (NotationOptions)options));

    public override ImmutableArray<FormRemark> Form(IDocument document, WorkOptions options) =>
        FormRule.Check(Notation.Read((Drawing)document, (NotationOptions)options), (NotationOptions)options);

    public override Retyped Retype(IDocument document, IReadOnlyList<string> lines, WorkOptions options)
    {
        var amended = Amender.Amend((Drawing)document, lines, (NotationOptions)options);
        return new Retyped(amended.Drawing, amended.Problems, amended.Unsaid);
    }

    public override ImmutableArray<RestatementChoice> OtherWays(WorkOptions options)
    {
        var notation = (NotationOptions)options;
        var worth = StandingsAt(notation);
        return
        [
            .. Restatement
                .All.Where(restatement => restatement.OnlyIn is null || restatement.OnlyIn == notation.Notation)
                .Select(restatement => new RestatementChoice(
                    restatement.Code,
                    restatement.Title,
                    worth.GetValueOrDefault(restatement.Code, restatement.Usual)
                )),
        ];
    }

    public override IEnumerable<PreflightItem> Preflight(PreflightCase one) => ConceptPreflight.Of(one);

    public override IEnumerable<PreflightItem> AgainstRows(PreflightCase one) => ConceptPreflight.AgainstRows(one);

    public override ImmutableArray<WorkedStep> Steps(PreflightCase one) => ConceptSteps.Of(ConceptPreflight.Read(one));

    public override ScenarioCover Cover(PreflightCase one) => ConceptCover.Of(ConceptPreflight.Read(one));

    public override IEnumerable<string> Topics(IDocument document, WorkOptions options) =>
        ConceptTopics.Of(Notation.Read((Drawing)document, (NotationOptions)options).Model);

    public override ModelAnswer Prepare(IDocument document, WorkOptions options, ExerciseTerms terms, Tolerances tolerances)
    {
        var notation = (NotationOptions)options;
        var worth = StandingsAt(notation);
        foreach (var (code, standing) in terms.Standings)
        {
            worth[code] = standing;
        }

        return new ConceptModelAnswer((Drawing)document, notation, terms, tolerances, worth);
    }

    // What restatements are worth at a level and in a notation, where that is not the usual.
    private static Dictionary<string, Standing> StandingsAt(NotationOptions options)
    {
        var standings = new Dictionary<string, Standing>(StringComparer.Ordinal);

        // At logical level a many-to-many relationship is to be resolved, so it does not stand for a linking entity.
        if (options.Level == Level.Logical)
        {
            standings[LinkingEntityByManyToMany.StableCode] = Standing.Different;
        }

        // Where composites are shown as such, their parts alone say less.
        if (Notation.Of(options.Notation).ShowsComposites)
        {
            standings[CompositeByParts.StableCode] = Standing.InPart;
        }

        return standings;
    }
}
