using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Preparing;
using BlueSlate.Core.Subjects.Dependencies.Checking;
using BlueSlate.Core.Subjects.Dependencies.Drawn;
using BlueSlate.Core.Subjects.Dependencies.Preparing;

namespace BlueSlate.Core.Subjects.Dependencies;

/// <summary>Dependency diagrams: which attributes determine which, and by which a row is identified.</summary>
internal sealed class DependencySubject : Subject
{
    public override string Name => DependencyOptions.Dependencies;

    public override string Title => "functional dependencies";

    public override IReadOnlyDictionary<string, Type> OptionTypes { get; } =
        new Dictionary<string, Type>(StringComparer.Ordinal) { [new DependencyOptions().Notation] = typeof(DependencyOptions) };

    public override IReadOnlyList<FactKind> FactKinds => DependencyFactKind.All;

    public override IReadOnlyList<FindingKind> FindingKinds => DependencyFindingKind.OfDependencies;

    public override IDocument? Parse(string text) => DrawingReader.Read(text).Drawing;

    public override string Write(IDocument document) => DrawingWriter.WriteText((Drawing)document);

    public override IDocument WithPrefix(IDocument document, string prefix) => Renaming.WithPrefix((Drawing)document, prefix);

    public override IDocument Into(IDocument document, WorkOptions from, WorkOptions to) => document;

    public override ImmutableArray<Sentence> Sentences(IDocument document, WorkOptions options) =>
        DependencySentences.Write(DependencyReader.Read((Drawing)document));

    public override ImmutableArray<FormRemark> Form(IDocument document, WorkOptions options)
    {
        var reading = DependencyReader.Read((Drawing)document);
        return [.. DependencyForm.Of(reading), .. StageRemarks.AsForm(reading)];
    }

    public override IReadOnlySet<string> DeedsOfAuthors { get; } =
        new HashSet<string>(StringComparer.Ordinal) { StageDeeds.Propose };

    public override Done? Do(IDocument document, string deed, IReadOnlyList<string> on) =>
        deed switch
        {
            StageDeeds.NextStage => StageDeeds.Next((Drawing)document, on.FirstOrDefault("")),
            StageDeeds.Propose => StageDeeds.ProposeStages((Drawing)document),
            StageDeeds.OwnTable => StageDeeds.GiveOwnTable((Drawing)document, on),
            TableDeeds.Denormalise => TableDeeds.DenormaliseTables((Drawing)document, on),
            TableDeeds.Merge => TableDeeds.MergeTables((Drawing)document, on),
            TableDeeds.Number => TableDeeds.GiveNumber((Drawing)document, on),
            _ => null,
        };

    public override Retyped Retype(IDocument document, IReadOnlyList<string> lines, WorkOptions options) =>
        DependencyAmender.Amend((Drawing)document, lines);

    public override ImmutableArray<RestatementChoice> OtherWays(WorkOptions options) => [];

    public override IEnumerable<PreflightItem> Preflight(PreflightCase one) => DependencyPreflight.Of(one);

    public override IEnumerable<PreflightItem> AgainstRows(PreflightCase one) => DependencyPreflight.AgainstRows(one);

    public override ImmutableArray<WorkedStep> Steps(PreflightCase one) => DependencySteps.Of(one);

    public override ScenarioCover Cover(PreflightCase one) => ScenarioCover.None;

    public override IEnumerable<string> Topics(IDocument document, WorkOptions options)
    {
        var reading = DependencyReader.Read((Drawing)document);
        if (!reading.Dependencies.IsEmpty)
        {
            yield return "functional dependencies";
        }

        if (reading.Dependencies.Any(arrow => arrow.From.Count > 1))
        {
            yield return "composite determinant";
        }

        if (reading.Dependencies.Any(arrow => arrow.IsMultivalued))
        {
            yield return "multivalued dependency";
        }

        if (!reading.Stages.IsEmpty)
        {
            yield return "normal forms";
        }
    }

    public override ModelAnswer Prepare(IDocument document, WorkOptions options, ExerciseTerms terms, Tolerances tolerances) =>
        new DependencyModelAnswer((Drawing)document, terms, tolerances);
}
