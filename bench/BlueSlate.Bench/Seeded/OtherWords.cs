using System.Collections.Immutable;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Bench.Seeded;

/// <summary>
/// Names in other spellings and other words, written by hand; the same for a whole answer, as one person writes.
/// </summary>
internal sealed class OtherWords(Random random)
{
    private static readonly Dictionary<string, string[]> Variants = new(StringComparer.OrdinalIgnoreCase)
    {
        ["no"] = ["number", "nr", "num"],
        ["number"] = ["no", "nr"],
        ["name"] = ["full name", "name"],
        ["email"] = ["e-mail", "mail address"],
        ["phones"] = ["phone numbers", "telephones"],
        ["description"] = ["descr", "short description"],
        ["date"] = ["day", "date"],
        ["code"] = ["id", "code"],
        ["kind"] = ["sort", "type"],
        ["title"] = ["heading", "title"],
        ["price"] = ["cost", "price"],
        ["seats"] = ["number of seats", "seat count"],
        ["colour"] = ["color"],
        ["minutes"] = ["mins", "duration in minutes"],
        ["quantity"] = ["qty", "amount"],
    };

    // What else people call the things of the demo; the lexicon takes none of these for the same.
    private static readonly Dictionary<string, string> Otherwise = new(StringComparer.OrdinalIgnoreCase)
    {
        ["Visitor"] = "Drop-in guest",
        ["Fixer"] = "Bench hand",
        ["Workbench"] = "Mending table",
        ["Track"] = "Piece",
        ["Telescope"] = "Big scope",
        ["Target"] = "Sky object",
        ["Studio"] = "Sound room",
        ["Steward"] = "Minder",
        ["Show"] = "Broadcast series",
        ["Session"] = "Viewing",
        ["Repair"] = "Try",
        ["Presenter"] = "Voice",
        ["Part"] = "Spare",
        ["Observer"] = "Stargazer",
        ["Item"] = "Broken thing",
        ["Instrument"] = "Gear",
        ["Guide"] = "Tour leader",
        ["Exposure"] = "Shot",
        ["Evening"] = "Open night",
        ["Episode"] = "Instalment",
        ["Dome"] = "Cupola",
    };

    private const int OneIn = 4;

    private readonly int style = random.Next(4);
    private readonly Dictionary<string, string> said = new(StringComparer.Ordinal);
    private readonly Dictionary<string, string> called = new(StringComparer.Ordinal);

    public ConceptModel Rename(ConceptModel model) =>
        model with
        {
            Entities =
            [
                .. model.Entities.Select(entity =>
                    entity with
                    {
                        Name = Styled(Called(entity.Name)),
                        Attributes = Rename(entity.Attributes),
                    }
                ),
            ],
            Relationships =
            [
                .. model.Relationships.Select(relationship => relationship with { Attributes = Rename(relationship.Attributes) }),
            ],
        };

    private ImmutableArray<ConceptAttribute> Rename(ImmutableArray<ConceptAttribute> attributes) =>
        [
            .. attributes.Select(attribute =>
                attribute with
                {
                    Name = Styled(Varied(attribute.Name)),
                    Parts = [.. attribute.Parts.Select(part => part with { Name = Styled(part.Name) })],
                }
            ),
        ];

    private string Called(string name) => called.TryGetValue(name, out var known) ? known : called[name] = Call(name);

    private string Call(string name) =>
        random.Next(OneIn) > 0 ? name
        : Otherwise.TryGetValue(name, out var other) ? other
        : name.Length > 5 ? WithoutVowels(name)
        : name;

    private static string WithoutVowels(string name) =>
        string.Join(
            ' ',
            name.Split(' ').Select(word => word[0] + string.Concat(word.Skip(1).Where(letter => !"aeiou".Contains(letter))))
        );

    // Who calls a thing so once calls it so everywhere.
    private string Varied(string name) => said.TryGetValue(name, out var known) ? known : said[name] = Vary(name);

    private string Vary(string name) =>
        string.Join(
            ' ',
            name.Split(' ')
                .Select(word =>
                    random.Next(2) == 0 && Variants.TryGetValue(word, out var others) ? others[random.Next(others.Length)] : word
                )
        );

    private string Styled(string name)
    {
        var words = name.Split(' ', '-');
        return style switch
        {
            0 => string.Join('_', words).ToUpperInvariant(),
            1 => string.Concat(words.Select(word => char.ToUpperInvariant(word[0]) + word[1..])),
            2 => string.Join(' ', words.Select(word => char.ToUpperInvariant(word[0]) + word[1..])),
            _ => char.ToUpperInvariant(name[0]) + name[1..],
        };
    }
}
