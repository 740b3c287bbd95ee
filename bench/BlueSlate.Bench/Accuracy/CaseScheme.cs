using BlueSlate.Core.Checking;
using BlueSlate.Core.Concepts;
using BlueSlate.Core.Language;
using BlueSlate.Core.Marking;

namespace BlueSlate.Bench.Accuracy;

/// <summary>A case's scheme and accepted values as the core's: every grant is a line, and every fact is named by its element.</summary>
internal sealed class CaseScheme(CaseFile file, CaseSketch sketch, Reading model)
{
    private readonly ILookup<string, string> elements = sketch.ElementsAt;

    public MarkingScheme Scheme() => new(
        [.. file.Scheme.SelectMany(line => line.Grants.Select((grant, i) => Line($"{line.Id}/{i}", grant)))],
        Rational.Zero,
        Rational.Zero,
        new Rational(1, 1000));

    private MarkLine Line(string id, CaseGrant grant) =>
        new(id, id, Exact(grant.Marks), grant.Off is null ? LineRule.Share : LineRule.Deduct, [.. grant.Facts.SelectMany(Facts).Distinct(StringComparer.Ordinal)])
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
                    Accept(Fact.IdOf(Aspect.Min, end), pairs.Select(pair => pair[0]));
                    Accept(Fact.IdOf(Aspect.Max, end), pairs.Select(pair => pair[1]));
                }
            }
            else if (file.Model.Entities.FirstOrDefault(entity => entity.Name == accept.At) is { } entity)
            {
                var sets = accept.Values.Where(value => value.Split('+').All(name => entity.Attributes.Any(attribute => Name.Of(attribute.Name).Key == Name.Of(name).Key)));
                var own = accept.Values.Any(value => value.StartsWith("surrogate key", StringComparison.Ordinal)) ? new[] { "own number" } : [];
                Accept(Fact.IdOf(Aspect.Key, elements[accept.At].First()), [.. sets, .. own]);
            }
        }

        return [.. tolerances.Values];

        void Accept(string fact, IEnumerable<string> values) =>
            tolerances[fact] = new Tolerance(fact, [.. values, .. tolerances.TryGetValue(fact, out var known) ? known.Accepted : []], false, false);
    }

    private IEnumerable<string> Facts(string text)
    {
        var (kind, path) = text.Split(" @ ", 2) is [var first, var second] ? (first, second) : throw new InvalidDataException($"“{text}” is no fact.");
        return kind switch
        {
            "entity" => Of(Aspect.Entity, path),
            "weak" or "associative" or "interface" or "enumeration" => Of(Aspect.Kind, path),
            "abstract" => Of(Aspect.Abstract, path),
            "stereotype" => Of(Aspect.Stereotype, path),
            "key" => Of(Aspect.Key, path),
            "partial-key" => Of(Aspect.PartialKey, path),
            "alternate-key" => Of(Aspect.AlternateKey, path),
            "attribute" when elements[path].Any(IsForeign) => Of(Aspect.ForeignKey, path),
            "attribute" when path.Split('.').Length > 2 => Of(Aspect.Part, path),
            "attribute" => Of(Aspect.Attribute, path),
            "multivalued" => Of(Aspect.Multivalued, path),
            "derived" => Of(Aspect.Derived, path),
            "composite" => sketch.PathOf.Where(pair => pair.Value.StartsWith(path + ".", StringComparison.Ordinal)).Select(pair => Fact.IdOf(Aspect.Part, pair.Key)),
            "optional" => Of(Aspect.Optional, path),
            "type" => Of(Aspect.Type, path),
            "visibility" => Of(Aspect.Visibility, path),
            "foreign-key" => Of(Aspect.ForeignKey, path),
            "relationship" => Of(Aspect.Relationship, path),
            "relationship-kind" => Of(file.Notation == "uml" ? Aspect.LinkKind : Aspect.Identifying, path),
            "relationship-name" => Of(Aspect.Named, path),
            "role" => Of(Aspect.RoleName, path),
            "min" => Of(Aspect.Min, path),
            "max" => Of(Aspect.Max, path),
            "subtype" => Subtype(path),
            "disjoint" => Set(path).Select(set => Fact.IdOf(Aspect.Disjoint, set)),
            "total" => Set(path).Select(set => Fact.IdOf(Aspect.Total, set)),
            "operation" => Of(Aspect.Operation, path),
            "signature" => Of(Aspect.Signature, path),
            "static" => Of(Aspect.Scope, path),
            "union" => Of(Aspect.Union, $"union {path}"),
            "exclusion" => Of(Aspect.Exclusion, $"exclusion of {path}"),
            "absent" => Absent(path),
            "form" => [Fact.IdOf(path == "own-notation" ? Aspect.OwnNotation : Form(path), Fact.WholeDrawing)],
            _ => throw new InvalidDataException($"“{kind}” is no kind of fact."),
        };
    }

    private static Aspect Form(string rule) => rule switch
    {
        "named-relationships" => Aspect.NamedRelationships,
        "ends-complete" => Aspect.EndsComplete,
        "identifying-solid" => Aspect.IdentifyingSolid,
        "typed-attributes" => Aspect.TypedAttributes,
        "model-visibility" => Aspect.ModelVisibility,
        _ => throw new InvalidDataException($"“{rule}” is no rule of form."),
    };

    private IEnumerable<string> Absent(string path)
    {
        var (what, rest) = path.Split(' ', 2) is [var first, var second] ? (first, second) : (path, "");
        switch (what)
        {
            case "foreign":
                yield return Fact.IdOf(Aspect.NoForeignKeys, Fact.WholeDrawing);
                break;
            case "relationship":
                yield return $"{Fact.IdOf(Aspect.NoRelationship, string.Join('+', rest.Split(", ").Select(name => elements[name].First())))}";
                break;
            case "attribute":
                var dot = rest.IndexOf('.', StringComparison.Ordinal);
                yield return Fact.IdOf(Aspect.NoAttribute, $"{elements[rest[..dot]].First()}+{rest[(dot + 1)..]}");
                break;
            default:
                throw new InvalidDataException($"“absent @ {path}” cannot be read.");
        }
    }

    // An association class is drawn by a line and a box; the relationship goes by the line, or by the diamond.
    private IEnumerable<string> Of(Aspect aspect, string path)
    {
        var found = elements[path].Where(id => aspect is not (Aspect.Relationship or Aspect.LinkKind or Aspect.Named) || model.Model.Relationships.Any(relationship => relationship.Id == id)).ToList();
        return found.Count > 0 ? found.Select(id => Fact.IdOf(aspect, id)) : throw new InvalidDataException($"{file.Id}: nothing stands at “{path}”.");
    }

    private bool IsForeign(string element) =>
        model.Model.Entities.SelectMany(entity => entity.Attributes).Any(attribute => attribute.Id == element && attribute.ForeignKey is not null);

    private IEnumerable<string> Set(string path)
    {
        var super = elements[path["specialisation of ".Length..]].First();
        return model.Model.Specialisations.Where(set => set.SupertypeId == super).Select(set => set.Id);
    }

    private IEnumerable<string> Subtype(string path)
    {
        var (sub, super) = path.Split(" of ", 2) is [var first, var second] ? (elements[first].First(), elements[second].First()) : throw new InvalidDataException($"“{path}” is no subtype.");
        return model.Model.Specialisations.Where(set => set.SupertypeId == super).SelectMany(set => set.Subtypes).Where(link => link.EntityId == sub).Select(link => Fact.IdOf(Aspect.Subtype, link.Id));
    }
}
