using System.Collections.Immutable;
using System.Text.Json;
using BlueSlate.Core.Subjects.Dependencies;

namespace BlueSlate.Cli;

/// <summary>Relations that a file names, and what is given among their attributes.</summary>
internal sealed record DependencyInput(DependencySet Given, ImmutableArray<(string Name, AttributeSet Attributes)> Relations);

/// <summary>Reads attributes, dependencies and relations; what cannot be read is told with file, place and reason.</summary>
internal static class DependencyFile
{
    public static DependencyInput Load(string path)
    {
        using var document = Parse(path);
        var root = document.RootElement;
        Expect(root.ValueKind == JsonValueKind.Object, path, "$", "an object is wanted");
        foreach (var property in root.EnumerateObject())
        {
            Expect(
                property.Name is "attributes" or "dependencies" or "multivalued" or "relations",
                path,
                $"$.{property.Name}",
                "there is no such property"
            );
        }

        var attributes = Attributes(root, path);
        var numbers = attributes
            .Select((name, i) => (name, i))
            .ToDictionary(pair => pair.name, pair => pair.i, StringComparer.Ordinal);
        AttributeSet Set(JsonElement names, string at) =>
            AttributeSet.Of(
                Items(names, path, at)
                    .Select(
                        (name, i) =>
                            numbers.TryGetValue(Text(name, path, $"{at}[{i}]"), out var number)
                                ? number
                                : throw Unreadable(path, $"{at}[{i}]", $"{name.GetRawText()} is not among the attributes")
                    )
            );
        Dependency One(JsonElement dependency, string at) =>
            new(Set(Property(dependency, "from", path, at), $"{at}.from"), Set(Property(dependency, "to", path, at), $"{at}.to"));
        ImmutableArray<Dependency> All(string property, bool wanted) =>
            root.TryGetProperty(property, out var list)
                ? [.. Items(list, path, $"$.{property}").Select((one, i) => One(one, $"$.{property}[{i}]"))]
            : wanted ? throw Unreadable(path, $"$.{property}", "it is missing")
            : [];
        var given = new DependencySet(attributes, All("dependencies", true), All("multivalued", false));
        ImmutableArray<(string, AttributeSet)> relations = root.TryGetProperty("relations", out var parts)
            ?
            [
                .. Items(parts, path, "$.relations")
                    .Select(
                        (part, i) =>
                            (
                                Text(Property(part, "name", path, $"$.relations[{i}]"), path, $"$.relations[{i}].name"),
                                Set(Property(part, "attributes", path, $"$.relations[{i}]"), $"$.relations[{i}].attributes")
                            )
                    ),
            ]
            : [];
        foreach (var (index, (_, set)) in relations.Index())
        {
            Expect(!set.IsEmpty, path, $"$.relations[{index}].attributes", "a relation has an attribute");
        }

        return new DependencyInput(given, relations);
    }

    private static JsonDocument Parse(string path)
    {
        try
        {
            return JsonDocument.Parse(File.ReadAllBytes(path), new JsonDocumentOptions { MaxDepth = 16 });
        }
        catch (JsonException error)
        {
            throw new UnreadableException($"{path}: line {error.LineNumber + 1}: this is no JSON: {error.Message}");
        }
        catch (Exception error) when (error is IOException or UnauthorizedAccessException)
        {
            throw new UnreadableException($"{path}: {error.Message}");
        }
    }

    private static ImmutableArray<string> Attributes(JsonElement root, string path)
    {
        var list = Items(Property(root, "attributes", path, "$"), path, "$.attributes");
        Expect(
            list.Count is > 0 and <= AttributeSet.Most,
            path,
            "$.attributes",
            $"there are 1 to {AttributeSet.Most} attributes"
        );
        var names = new List<string>();
        foreach (var (i, item) in list.Index())
        {
            var name = Text(item, path, $"$.attributes[{i}]");
            Expect(name.Length > 0, path, $"$.attributes[{i}]", "an attribute has a name");
            Expect(!names.Contains(name), path, $"$.attributes[{i}]", $"“{name}” is there twice");
            names.Add(name);
        }

        return [.. names];
    }

    private static JsonElement Property(JsonElement element, string name, string path, string at)
    {
        Expect(element.ValueKind == JsonValueKind.Object, path, at, "an object is wanted");
        return element.TryGetProperty(name, out var value) ? value : throw Unreadable(path, $"{at}.{name}", "it is missing");
    }

    private static List<JsonElement> Items(JsonElement element, string path, string at)
    {
        Expect(element.ValueKind == JsonValueKind.Array, path, at, "a list is wanted");
        return [.. element.EnumerateArray()];
    }

    private static string Text(JsonElement element, string path, string at)
    {
        Expect(element.ValueKind == JsonValueKind.String, path, at, "a text is wanted");
        return element.GetString()!;
    }

    private static void Expect(bool holds, string path, string at, string reason)
    {
        if (!holds)
        {
            throw Unreadable(path, at, reason);
        }
    }

    private static UnreadableException Unreadable(string path, string at, string reason) => new($"{path}: {at}: {reason}.");
}
