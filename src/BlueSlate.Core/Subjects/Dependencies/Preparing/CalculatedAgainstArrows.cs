using BlueSlate.Core.Preparing;

namespace BlueSlate.Core.Subjects.Dependencies.Preparing;

/// <summary>An attribute that is shown as calculated, and no arrow says from what, or something is said to depend on it.</summary>
internal sealed class CalculatedAgainstArrows : DependencyPreflightKind
{
    public override string Name => "calculated-amiss";

    public override int Order => 7;

    public override string Title => "Calculated attributes against the arrows";

    public override IEnumerable<PreflightItem> Find(DependencyPreflight one)
    {
        var reading = one.Reading;
        foreach (var i in reading.Calculated)
        {
            var attribute = reading.Attributes[i];
            var on = reading.Dependencies.FirstOrDefault(arrow => arrow.From.Contains(i) && !arrow.Dependency.IsTrivial);
            var said =
                attribute.IsInKey ? $"{attribute.Text} is shown as calculated, and is part of the key."
                : reading.Dependencies.All(arrow => arrow.To != i)
                    ? $"{attribute.Text} is shown as calculated, and no arrow says from what."
                : on is not null
                    ? $"{attribute.Text} is shown as calculated, and {reading.Attributes[on.To].Text} is determined by it."
                : null;
            if (said is not null)
            {
                yield return Item(attribute.Id, Language.Phrasing.Capital(said)) with
                {
                    Elements = [attribute.Id],
                };
            }
        }
    }
}
