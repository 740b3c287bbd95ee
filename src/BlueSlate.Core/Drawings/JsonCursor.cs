using System.Globalization;
using System.Text;
using System.Text.Json;

namespace BlueSlate.Core.Drawings;

/// <summary>What is thrown, within the reader only, when a value cannot be read.</summary>
internal sealed class DrawingFormatException(DrawingProblem problem) : Exception(problem.Message)
{
    public DrawingProblem Problem { get; } = problem;
}

/// <summary>
/// A forward reader of JSON that always knows the path and line at which it stands. Every refusal names both.
/// </summary>
internal ref struct JsonCursor(ReadOnlySpan<byte> utf8)
{
    private readonly ReadOnlySpan<byte> source = utf8;
    private readonly List<object> path = [];

    // The limit is checked here, with its own message; the reader's own only has to be larger.
    private Utf8JsonReader reader = new(utf8, new JsonReaderOptions { MaxDepth = DrawingLimits.Depth * 2 });

    public readonly int Offset => (int)reader.TokenStartIndex;

    public void Start() => Advance();

    public void End()
    {
        while (reader.Read()) { }
    }

    public Properties Object()
    {
        Expect(JsonTokenType.StartObject, "an object");
        path.Add("");
        return new Properties();
    }

    public bool NextProperty(ref Properties properties)
    {
        Advance();
        if (reader.TokenType == JsonTokenType.EndObject)
        {
            path.RemoveAt(path.Count - 1);
            return false;
        }

        var name = reader.GetString()!;
        path[^1] = name;
        if (!properties.Add(name))
        {
            throw Refuse("duplicate-property", $"\"{name}\" stands twice in one object.");
        }

        if (properties.Count > DrawingLimits.Properties)
        {
            throw Refuse("too-many", $"There may be at most {DrawingLimits.Properties} properties in one object.");
        }

        Advance();
        return true;
    }

    public Items Array(int limit, string what)
    {
        Expect(JsonTokenType.StartArray, "a list");
        path.Add(-1);
        return new Items(limit, what);
    }

    public bool NextItem(ref Items items)
    {
        Advance();
        if (reader.TokenType == JsonTokenType.EndArray)
        {
            path.RemoveAt(path.Count - 1);
            return false;
        }

        path[^1] = items.Next();
        return items.Within ? true : throw Refuse("too-many", $"There may be at most {items.Limit} {items.What} here.");
    }

    public readonly string Text(int limit)
    {
        Expect(JsonTokenType.String, "a text");
        var text = reader.GetString()!;
        if (text.Length > limit)
        {
            throw Refuse("too-long", $"This text has {text.Length} characters; at most {limit} are read.");
        }

        return text.All(c => !char.IsControl(c) || c == '\n')
            ? text
            : throw Refuse("control-character", "A text has no control characters but line ends.");
    }

    public readonly T Word<T>(Words<T> words)
        where T : struct, Enum
    {
        Expect(JsonTokenType.String, "a word");
        return words.TryRead(reader.GetString()!, out var value)
            ? value
            : throw Refuse("unknown-word", $"One of {string.Join(", ", words.All)} is wanted.");
    }

    public readonly string Symbol(SymbolTable symbols)
    {
        Expect(JsonTokenType.String, "a word");
        return symbols.TryRead(reader.GetString()!, out var name)
            ? name
            : throw Refuse("unknown-word", $"One of {string.Join(", ", symbols.All.Select(symbol => symbol.Name))} is wanted.");
    }

    public readonly bool Boolean() =>
        reader.TokenType switch
        {
            JsonTokenType.True => true,
            JsonTokenType.False => false,
            _ => throw Refuse("wrong-type", "true or false is wanted."),
        };

    public readonly int Integer(int least, int most)
    {
        Expect(JsonTokenType.Number, "a whole number");
        return reader.TryGetInt32(out var value) && value >= least && value <= most
            ? value
            : throw Refuse(
                "out-of-range",
                string.Create(CultureInfo.InvariantCulture, $"A whole number from {least} to {most} is wanted.")
            );
    }

    public int[] Integers(int least, int most)
    {
        var numbers = new List<int>(most);
        var items = Array(most, "numbers");
        while (NextItem(ref items))
        {
            numbers.Add(Integer(-DrawingLimits.Coordinate, DrawingLimits.Coordinate));
        }

        return numbers.Count >= least ? [.. numbers] : throw Refuse("too-few", $"{least} numbers are wanted.");
    }

    public void Skip()
    {
        var depth = reader.CurrentDepth;
        if (reader.TokenType is not (JsonTokenType.StartObject or JsonTokenType.StartArray))
        {
            return;
        }

        do
        {
            Advance();
            if (reader.CurrentDepth >= DrawingLimits.Depth)
            {
                throw Refuse("too-deep", $"Values are nested more than {DrawingLimits.Depth} deep.");
            }
        } while (reader.CurrentDepth > depth || reader.TokenType is not (JsonTokenType.EndObject or JsonTokenType.EndArray));
    }

    public readonly T Required<T>(T? value, string property)
        where T : class => value ?? throw Refuse(Path() + "." + property, "missing", $"\"{property}\" is wanted here.");

    public readonly T Required<T>(T? value, string property)
        where T : struct => value ?? throw Refuse(Path() + "." + property, "missing", $"\"{property}\" is wanted here.");

    public readonly DrawingFormatException Refuse(string key, string message) => new(Problem(key, message));

    public readonly DrawingFormatException Refuse(string at, string key, string message) => RefuseAt(at, Offset, key, message);

    public readonly DrawingFormatException RefuseAt(string at, int offset, string key, string message) =>
        new(new DrawingProblem(key, at, LineOf(offset), message));

    public readonly DrawingProblem Problem(string key, string message) => new(key, Path(), LineOf(Offset), message);

    public readonly DrawingProblem NotJson(JsonException error)
    {
        var line = (int)(error.LineNumber ?? 0) + 1;
        return new DrawingProblem("not-json", Path(), line, "This is not JSON from here on, or it ends too early.");
    }

    public readonly string Path()
    {
        var text = new StringBuilder("$");
        foreach (var step in path)
        {
            _ = step switch
            {
                string name when name.Length > 0 => text.Append('.').Append(Shorten(name)),
                int index when index >= 0 => text.Append('[').Append(index).Append(']'),
                _ => text,
            };
        }

        return text.ToString();
    }

    private static string Shorten(string name) => name.Length <= DrawingLimits.Id ? name : name[..DrawingLimits.Id] + "…";

    private void Advance()
    {
        if (!reader.Read())
        {
            throw Refuse("not-json", "The document ends too early.");
        }
    }

    private readonly void Expect(JsonTokenType type, string what)
    {
        if (reader.TokenType != type)
        {
            throw Refuse("wrong-type", $"Here {what} is wanted.");
        }
    }

    private readonly int LineOf(int offset) => 1 + source[..Math.Min(offset, source.Length)].Count((byte)'\n');
}

/// <summary>The properties met so far in one object.</summary>
internal struct Properties
{
    private List<string>? met;

    public string Name { get; private set; }

    public readonly int Count => met?.Count ?? 0;

    public bool Add(string name)
    {
        Name = name;
        met ??= new List<string>(8);
        if (met.Contains(name))
        {
            return false;
        }

        met.Add(name);
        return true;
    }
}

/// <summary>The items met so far in one list.</summary>
internal struct Items(int limit, string what)
{
    private int met;

    public readonly int Limit => limit;

    public readonly string What => what;

    public readonly bool Within => met <= limit;

    public int Next() => met++;
}
