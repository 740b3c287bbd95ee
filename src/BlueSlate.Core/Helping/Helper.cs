using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Marking;

namespace BlueSlate.Core.Helping;

/// <summary>
/// Helps somebody who draws for practice, step by step: how many differences there are, where one is, what it is, why it matters. It
/// speaks of the drawing and the scenario only, never of what the model answer has instead.
/// </summary>
/// <param name="assessment">The drawing as it stands, held against the model answer.</param>
/// <param name="placesOf">The words of the scenario from which an element of the model answer follows.</param>
public sealed class Helper(Assessment assessment, Func<string, ImmutableArray<ScenarioPlace>> placesOf)
{
    // What costs most first: whoever asks seldom is to hear of that.
    private readonly ImmutableArray<Finding> differences =
    [
        .. assessment
            .Notes.Where(note => note.Loss > Rational.Zero)
            .OrderByDescending(note => note.Loss)
            .Select(note => note.Finding),
    ];

    /// <summary>Whether a difference of which help spoke is still there.</summary>
    public bool IsOpen(string finding) => differences.Any(one => one.Id == finding);

    /// <summary>How many differences there are, by their sort.</summary>
    public Hint HowMany()
    {
        var sorts = differences
            .GroupBy(finding => finding.Tag)
            .OrderBy(sort => sort.Key)
            .Select(sort => Counted(sort.Key, sort.Count()))
            .ToList();
        var said = differences.Length switch
        {
            0 => "Nothing differs that would cost a mark.",
            1 => $"One difference is left: {sorts[0]}.",
            var count => $"{count} differences are left: {Phrasing.List(sorts)}.",
        };
        return new Hint(HelpStep.HowMany, null, said, [], []);
    }

    /// <summary>Where a difference is of which help has not spoken yet; null when there is none.</summary>
    public Hint? Where(IReadOnlySet<string> spokenOf) =>
        differences.FirstOrDefault(finding => !spokenOf.Contains(finding.Id)) is { } next ? At(next) : null;

    /// <summary>The step after the one at which help about a difference stands; null when it is gone, or all has been said.</summary>
    public Hint? Further(string finding, HelpStep reached) =>
        differences.FirstOrDefault(one => one.Id == finding) is not { } same ? null
        : reached is HelpStep.Where ? What(same)
        : reached is HelpStep.What ? Why(same)
        : null;

    private Hint At(Finding finding)
    {
        var missing = finding.Tag is Tag.Missing;
        var places = missing ? PlacesOf(finding) : [];
        var said = finding.AnswerElements.IsEmpty
            ? places.IsEmpty
                ? "Something that is wanted is nowhere in your drawing."
                : "Read these words again: something that they say is not in your drawing."
            : missing
                ? "Something is missing here."
                : "Look at this again.";
        return new Hint(HelpStep.Where, finding.Id, said, finding.AnswerElements, finding.AnswerElements.IsEmpty ? places : []);
    }

    private static Hint What(Finding finding) =>
        new(HelpStep.What, finding.Id, $"{KindOf(finding).Title}.", finding.AnswerElements, []);

    private Hint Why(Finding finding) =>
        new(HelpStep.Why, finding.Id, KindOf(finding).Help, finding.AnswerElements, PlacesOf(finding));

    private ImmutableArray<ScenarioPlace> PlacesOf(Finding finding) =>
        [.. finding.ModelElements.SelectMany(element => placesOf(element)).Distinct()];

    private static FindingKind KindOf(Finding finding) => FindingKind.All.First(kind => kind.Code == finding.Code);

    private static string Counted(Tag tag, int count) =>
        tag switch
        {
            Tag.Missing => $"{count} missing",
            Tag.Extra => $"{count} too many",
            Tag.Differs => $"{count} drawn otherwise",
            Tag.Moved => $"{count} at another place",
            _ => $"{count} of notation",
        };
}
