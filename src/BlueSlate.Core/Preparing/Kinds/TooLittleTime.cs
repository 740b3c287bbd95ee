using System.Globalization;

namespace BlueSlate.Core.Preparing.Kinds;

/// <summary>
/// The time allowed is shorter than drawing the model answer takes: by how long earlier students needed, or, where nobody has
/// worked on it, by what somebody needs who knows it and only draws.
/// </summary>
internal sealed class TooLittleTime : GeneralPreflightKind
{
    // Somebody who has drawn before and copies a model answer needs this long for each thing that it states.
    private const double Drawing = 4;

    public override string Name => "time";

    public override int Order => 63;

    public override string Title => "Marks and time";

    public override IEnumerable<PreflightItem> Find(PreflightCase one)
    {
        var stated = one.Facts.Count(fact => !fact.Kind.IsOnRequest);
        var needed = (int)Math.Ceiling(stated * (one.SecondsPerFact ?? Drawing) / 60);
        if (one.Minutes is { } minutes && minutes < needed)
        {
            var by = one.SecondsPerFact is null
                ? "only to draw the model answer takes somebody who knows it about"
                : "by the times of earlier students it takes about";
            yield return Item(
                "allowed",
                string.Create(CultureInfo.InvariantCulture, $"{minutes} minutes are allowed; {by} {needed}.")
            );
        }
    }
}
