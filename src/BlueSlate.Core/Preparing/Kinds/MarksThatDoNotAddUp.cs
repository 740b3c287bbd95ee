namespace BlueSlate.Core.Preparing.Kinds;

/// <summary>The lines of the scheme are not worth together what the part is worth.</summary>
internal sealed class MarksThatDoNotAddUp : GeneralPreflightKind
{
    public override string Name => "marks";

    public override int Order => 60;

    public override string Title => "Marks and time";

    public override IEnumerable<PreflightItem> Find(PreflightCase one)
    {
        if (one is { Scheme: { } scheme, Marks: { } marks } && scheme.Maximum != marks)
        {
            yield return Item(
                "sum",
                $"The lines of the scheme are worth {scheme.Maximum} together, and the part is worth {marks}."
            );
        }
    }
}
