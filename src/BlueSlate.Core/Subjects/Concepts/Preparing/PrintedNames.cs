using System.Collections.Immutable;
using System.Text.RegularExpressions;
using BlueSlate.Core.Language;
using BlueSlate.Core.Language.Scenarios;

namespace BlueSlate.Core.Subjects.Concepts.Preparing;

/// <summary>
/// The names that stand in a scenario outside its sentences: heads of columns, labels of fields, words of listings. They tell what
/// there is, and nothing of how many.
/// </summary>
internal sealed partial class PrintedNames
{
    /// <summary>From here on, a name that is printed is taken for one that is drawn.</summary>
    public const double Alike = 0.8;

    private readonly ImmutableArray<(Name Name, ScenarioPlace Place)> all;

    public PrintedNames(ScenarioProse prose) =>
        all = [
            .. prose
                .Tables.SelectMany(table => table.Head)
                .Concat(prose.Forms.SelectMany(form => form.Fields).Select(field => field.Label))
                .Select(cell => (Name.Of(cell.Text), cell.Place))
                .Concat(prose.Listings.SelectMany(Identifiers))
                .Where(printed => !printed.Item1.Words.IsEmpty),
        ];

    /// <summary>Where the name of something is printed; null where that is nowhere.</summary>
    /// <param name="name">The name.</param>
    /// <param name="owner">The name of what it belongs to, which a printed name may have in front; empty for none.</param>
    public ScenarioPlace? PlaceOf(string name, string owner = "")
    {
        var (wanted, thing) = (Name.Of(name), Name.Of(owner));
        if (wanted.Words.IsEmpty)
        {
            return null;
        }

        var (place, value) = all.Select(printed => (printed.Place, Value: Likeness(printed.Name, wanted, thing)))
            .DefaultIfEmpty((null!, 0))
            .MaxBy(found => found.Item2);
        return value >= Alike ? place : null;
    }

    /// <summary>How alike what is printed and the name of something are, from 0 to 1.</summary>
    public static double Likeness(Name printed, Name name, Name thing) =>
        printed.Words.IsEmpty ? 0
        : printed.Key == name.Key ? 1
        : printed.Without(thing).Key == name.Without(thing).Key
            ? printed.Without(thing).Key != printed.Key ? 1
                : 0.9
        : NameSimilarity.IsWithoutHead(printed, name) ? 0.9
        : NameSimilarity.Of(printed, name).Value;

    private static IEnumerable<(Name Name, ScenarioPlace Place)> Identifiers(CodeListing listing) =>
        Identifier()
            .Matches(listing.Text.Text)
            .Select(found => (Name.Of(found.Value), new ScenarioPlace(listing.Text.Block, found.Index, found.Value)));

    [GeneratedRegex(@"[\p{L}_][\p{L}\p{N}_]*", RegexOptions.CultureInvariant)]
    private static partial Regex Identifier();
}
