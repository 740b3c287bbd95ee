using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Marking;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Bench.Accuracy;

/// <summary>
/// A case's scheme and accepted values as the core's: every grant is a line, and every fact is named by its element.
/// </summary>
internal sealed class CaseScheme(CaseFile file, CaseSketch sketch, Reading model)
{
    private readonly ILookup<string, string> elements = sketch.ElementsAt;

    public MarkingScheme Scheme() =>
        new(
            [.. file.Scheme.SelectMany(line => line.Grants.Select((grant, i) => Line($"{line.Id}/{i}", grant)))],
            Rational.Zero,
            Rational.Zero,
            new Rational(1, 1000)
        );

    private MarkLine Line(string id, CaseGrant grant) =>
        new(
            id,
            id,
            Exact(grant.Marks),
            grant.Off is null ? LineRule.Share : LineRule.Deduct,
            [.. grant.Facts.SelectMany(Facts).Distinct(StringComparer.Ordinal)]
        )
        {
            Off = Exact(grant.Off ?? 1),
        };

    private static Rational Exact(decimal value) => new((int)(value * 1000), 1000);

    public List<Tolerance> Tolerances()
    {
        var tolerances = new Dictionary<string, Tolerance>(StringComparer.Ordinal);
        foreach (var accept in file.Accept)
        {
            if (accept.At.EndsWith(" end", StringComparison.Ordinal))
            {
                var pairs = accept.Values.Select(value => value.Split("..")).Where(pair => pair.Length == 2).ToList();
                foreach (var end in elements[accept.At])
                {
                    Accept(FactKinds.Minimum.IdOf(end), pairs.Select(pair => pair[0]));
                    Accept(FactKinds.Maximum.IdOf(end), pairs.Select(pair => pair[1]));
                }
            }
            else if (accept.At.Contains('.') && accept.Values.All(value => value.All(char.IsLetter)))
            {
                foreach (var attribute in elements[accept.At])
                {
                    Accept(FactKinds.Type.IdOf(attribute), accept.Values);
                }
            }
            else if (file.Model.Entities.FirstOrDefault(entity => entity.Name == accept.At) is { } entity)
            {
                var sets = accept.Values.Where(value =>
                    value
                        .Split('+')
                        .All(name => entity.Attributes.Any(attribute => Name.Of(attribute.Name).Key == Name.Of(name).Key))
                );
                var own = accept.Values.Any(value => value.StartsWith("surrogate key", StringComparison.Ordinal))
                    ? new[] { "own number" }
                    : [];
                Accept(FactKinds.Key.IdOf(elements[accept.At].First()), [.. sets, .. own]);
            }
        }

        return [.. tolerances.Values];

        void Accept(string fact, IEnumerable<string> values) =>
            tolerances[fact] = new Tolerance(
                fact,
                [.. values, .. tolerances.TryGetValue(fact, out var known) ? known.Accepted : []],
                false,
                false
            );
    }

    /// <summary>What ways of drawing the same are worth in this case, where it says so.</summary>
    public Dictionary<string, Standing> Standings()
    {
        var partsAreAccepted = file.Accept.Any(accept =>
            accept.At.Contains('.') && accept.Values.Any(value => value.Contains("simple attributes", StringComparison.Ordinal))
        );
        return partsAreAccepted
            ? new Dictionary<string, Standing>(StringComparer.Ordinal) { ["composite-by-parts"] = Standing.Same }
            : [];
    }

    private IEnumerable<string> Facts(string text)
    {
        var (kind, path) = text.Split(" @ ", 2) is [var first, var second]
            ? (first, second)
            : throw new InvalidDataException($"“{text}” is no fact.");
        return kind switch
        {
            "entity" => Of(FactKinds.Entity, path),
            "weak" or "associative" or "interface" or "enumeration" => Of(FactKinds.EntityKind, path),
            "abstract" => Of(FactKinds.Abstract, path),
            "stereotype" => Of(FactKinds.Stereotype, path),
            "key" => Of(FactKinds.Key, path),
            "partial-key" => Of(FactKinds.PartialKey, path),
            "alternate-key" => Of(FactKinds.AlternateKey, path),
            "attribute" when elements[path].Any(IsForeign) => Of(FactKinds.ForeignKey, path),
            "attribute" when path.Split('.').Length > 2 => Of(FactKinds.Part, path),
            "attribute" => Of(FactKinds.Attribute, path),
            "multivalued" => Of(FactKinds.Multivalued, path),
            "derived" => Of(FactKinds.Derived, path),
            "composite" => sketch
                .PathOf.Where(pair => pair.Value.StartsWith(path + ".", StringComparison.Ordinal))
                .Select(pair => FactKinds.Part.IdOf(pair.Key)),
            "optional" => Of(FactKinds.Optional, path),
            "type" => Of(FactKinds.Type, path),
            "visibility" => Of(FactKinds.Visibility, path),
            "foreign-key" => Of(FactKinds.ForeignKey, path),
            "relationship" => Of(FactKinds.Relationship, path),
            "relationship-kind" => Of(file.Notation == "uml" ? FactKinds.LinkKind : FactKinds.Identifying, path),
            "relationship-name" => Of(FactKinds.Named, path),
            "role" => Of(FactKinds.RoleName, path),
            "min" => Of(FactKinds.Minimum, path),
            "max" => Of(FactKinds.Maximum, path),
            "subtype" => Subtype(path),
            "disjoint" => Set(path).Select(set => FactKinds.Disjoint.IdOf(set)),
            "total" => Set(path).Select(set => FactKinds.Total.IdOf(set)),
            "operation" => Of(FactKinds.Operation, path),
            "signature" => Of(FactKinds.Signature, path),
            "static" => Of(FactKinds.Scope, path),
            "union" => Of(FactKinds.Union, $"union {path}"),
            "exclusion" => Of(FactKinds.Exclusion, $"exclusion of {path}"),
            "absent" => Absent(path),
            "form" => [(path == "own-notation" ? FactKinds.OwnNotation : Form(path)).IdOf(Fact.WholeDrawing)],
            _ => throw new InvalidDataException($"“{kind}” is no kind of fact."),
        };
    }

    private static FactKind Form(string rule) =>
        rule switch
        {
            "named-relationships" => FactKinds.NamedRelationships,
            "ends-complete" => FactKinds.EndsComplete,
            "identifying-solid" => FactKinds.IdentifyingSolid,
            "typed-attributes" => FactKinds.TypedAttributes,
            "model-visibility" => FactKinds.ModelVisibility,
            _ => throw new InvalidDataException($"“{rule}” is no rule of form."),
        };

    private IEnumerable<string> Absent(string path)
    {
        var (what, rest) = path.Split(' ', 2) is [var first, var second] ? (first, second) : (path, "");
        switch (what)
        {
            case "foreign":
                yield return FactKinds.NoForeignKeys.IdOf(Fact.WholeDrawing);
                break;
            case "relationship":
                yield return FactKinds.NoRelationship.IdOf(
                    string.Join('+', rest.Split(", ").Select(name => elements[name].First()))
                );
                break;
            case "attribute":
                var dot = rest.IndexOf('.', StringComparison.Ordinal);
                yield return FactKinds.NoAttribute.IdOf($"{elements[rest[..dot]].First()}+{rest[(dot + 1)..]}");
                break;
            default:
                throw new InvalidDataException($"“absent @ {path}” cannot be read.");
        }
    }

    // An association class is drawn by a line and a box; the relationship goes by the line, or by the diamond.
    private IEnumerable<string> Of(FactKind kind, string path)
    {
        var found = elements[path]
            .Where(id =>
                kind is not (RelationshipFact or LinkKindFact or NamedFact)
                || model.Model.Relationships.Any(relationship => relationship.Id == id)
            )
            .ToList();
        return found.Count > 0
            ? found.Select(id => kind.IdOf(id))
            : throw new InvalidDataException($"{file.Id}: nothing stands at “{path}”.");
    }

    private bool IsForeign(string element) =>
        model
            .Model.Entities.SelectMany(entity => entity.Attributes)
            .Any(attribute => attribute.Id == element && attribute.ForeignKey is not null);

    private IEnumerable<string> Set(string path)
    {
        var super = elements[path["specialisation of ".Length..]].First();
        return model.Model.Specialisations.Where(set => set.SupertypeId == super).Select(set => set.Id);
    }

    private IEnumerable<string> Subtype(string path)
    {
        var (sub, super) = path.Split(" of ", 2) is [var first, var second]
            ? (elements[first].First(), elements[second].First())
            : throw new InvalidDataException($"“{path}” is no subtype.");
        return model
            .Model.Specialisations.Where(set => set.SupertypeId == super)
            .SelectMany(set => set.Subtypes)
            .Where(link => link.EntityId == sub)
            .Select(link => FactKinds.Subtype.IdOf(link.Id));
    }
}
