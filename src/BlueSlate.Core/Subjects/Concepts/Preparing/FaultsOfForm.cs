using BlueSlate.Core.Notations;
using BlueSlate.Core.Preparing;
using BlueSlate.Core.Subjects.Concepts.Soundness;

namespace BlueSlate.Core.Subjects.Concepts.Preparing;

/// <summary>The model answer itself is unfinished or wrong in its form.</summary>
internal sealed class FaultsOfForm : ConceptPreflightKind
{
    public override string Name => "form";

    public override int Order => 5;

    public override string Title => "The form of the model answer";

    public override IEnumerable<PreflightItem> Find(ConceptPreflight one) =>
        FormRule
            .Check(Notation.Read(one.Drawing, one.Options), one.Options)
            .Select(remark =>
                Item($"{remark.Code}:{string.Join(',', remark.Elements)}", remark.Text) with
                {
                    Elements = remark.Elements,
                }
            );
}
