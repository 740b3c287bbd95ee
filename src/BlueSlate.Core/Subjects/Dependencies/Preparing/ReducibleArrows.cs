using BlueSlate.Core.Judging;
using BlueSlate.Core.Preparing;

namespace BlueSlate.Core.Subjects.Dependencies.Preparing;

/// <summary>An arrow of the model answer follows from its others, or starts from more than it needs.</summary>
internal sealed class ReducibleArrows : DependencyPreflightKind
{
    public override string Name => "dependency-reducible";

    public override int Order => 6;

    public override string Title => "Arrows that say too much";

    public override IEnumerable<PreflightItem> Find(DependencyPreflight one)
    {
        var functional = one.Reading.Dependencies.Where(arrow => !arrow.IsMultivalued).ToList();
        var closure = new Closure(functional.Select(arrow => arrow.Dependency));
        foreach (var arrow in functional)
        {
            var others = new Closure(functional.Where(other => other.Id != arrow.Id).Select(other => other.Dependency));
            var (from, to) = (one.Reading.Say(arrow.From), one.Reading.Attributes[arrow.To].Text);
            var spare = arrow.From.FirstOrDefault(i => closure.Of(arrow.From - AttributeSet.Of(i)).Contains(arrow.To), -1);
            var said =
                arrow.Dependency.IsTrivial ? $"That {from} {arrow.Verb} {to} is so in any table."
                : others.Implies(arrow.Dependency) ? $"That {from} {arrow.Verb} {to} follows from the other arrows."
                : spare >= 0 ? $"To determine {to}, {one.Reading.Attributes[spare].Text} is not needed beside the rest of {from}."
                : null;
            if (said is not null)
            {
                yield return Item(arrow.Id, said) with
                {
                    Elements = [ConceptId.Of(arrow.Id).Element],
                };
            }
        }
    }
}
