using BlueSlate.Core.Preparing;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Preparing;

/// <summary>A stage of the model answer does not keep by its own arrows what it promises.</summary>
internal sealed class StageAgainstArrows : DependencyPreflightKind
{
    public override string Name => "stage-amiss";

    public override int Order => 4;

    public override string Title => "A stage against the arrows";

    public override IEnumerable<PreflightItem> Find(DependencyPreflight one) =>
        StageRemarks
            .Of(one.Reading)
            .Where(remark => remark.IsAmiss)
            .Select(remark => Item($"{remark.Code}-{remark.At}", remark.Text) with { Elements = remark.Elements });
}
