using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Matching;

/// <summary>A binary relationship between the entities at two indexes.</summary>
internal sealed class Link(RelationshipType relationship, int from, int to, ExerciseWords words)
{
    public RelationshipType Relationship { get; } = relationship;

    /// <summary>Its place among the links of its side.</summary>
    public int Index { get; internal set; }

    /// <summary>All words at it: what its verbs are made of.</summary>
    public string Said =>
        string.Join(
            '\n',
            Relationship.Roles[0].Verb,
            Relationship.Roles[1].Verb,
            Relationship.Name,
            Relationship.Roles[0].Role,
            Relationship.Roles[1].Role
        );

    public int From { get; } = from;

    public int To { get; } = to;

    /// <summary>Whether it is between these two, whichever way.</summary>
    public bool Joins(int one, int other) => (From == one && To == other) || (From == other && To == one);

    /// <summary>The same between two others.</summary>
    public Link Between(int one, int other) => new(Relationship, one, other, words);

    public Name[] Verbs { get; } =
    [
        .. new[]
        {
            relationship.Roles[0].Verb,
            relationship.Roles[1].Verb,
            relationship.Name,
            relationship.Roles[0].Role,
            relationship.Roles[1].Role,
        }
            .Select(text => VerbForm.Of(text) is { Words.IsEmpty: false } verb ? verb : words.Read(text))
            .Where(name => !name.Words.IsEmpty),
    ];

    /// <summary>
    /// Which role is that of the one who does what the verb says: the teacher who teaches, or the other of a trainee. Null where
    /// no name of a role tells, or the verb is turned: who learns from somebody.
    /// </summary>
    public int? Doer { get; } = from == to ? DoerOf(relationship) : null;

    private static int? DoerOf(RelationshipType relationship)
    {
        var verbs = relationship
            .Roles.Select(role => role.Verb)
            .Append(relationship.Name)
            .Where(text => text.Length > 0)
            .ToList();
        if (verbs.Exists(text => WordSplitter.Split(text) is [.., "by" or "from" or "under" or "of"]))
        {
            return null;
        }

        var done = verbs.SelectMany(text => VerbForm.Of(text).Lexical).OfType<LexicalWord>().Where(word => word.IsVerb).ToList();
        for (var i = 0; i < relationship.Roles.Length; i++)
        {
            if (WordSplitter.Split(relationship.Roles[i].Role) is not [.., var somebody])
            {
                continue;
            }

            if (somebody.EndsWith("ee", StringComparison.Ordinal) || Inflection.IsParticiple(somebody))
            {
                return 1 - i;
            }

            var isDoer = somebody.EndsWith("er", StringComparison.Ordinal) || somebody.EndsWith("or", StringComparison.Ordinal);
            if (
                isDoer
                && Name.Of(somebody).Lexical[^1] is { } doer
                && done.Exists(verb => verb.Word == doer.Word || verb.IsDerivedFrom(doer))
            )
            {
                return i;
            }
        }

        return null;
    }

    public string Signature { get; } =
        string.Join(
            '|',
            relationship
                .Roles.Select(role => $"{role.Verb}{role.Role}{role.CoOccurrence}")
                .Append(relationship.Name)
                .Order(StringComparer.Ordinal)
        );
}
