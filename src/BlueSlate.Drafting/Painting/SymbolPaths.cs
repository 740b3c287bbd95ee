using System.Globalization;
using System.Text.RegularExpressions;

namespace BlueSlate.Drafting.Painting;

/// <summary>Puts the paths of symbols where they stand: forms into their boxes, marks turned as their lines lie.</summary>
internal static partial class SymbolPaths
{
    /// <summary>A form's path in a box.</summary>
    public static List<PathPiece> InBox(string path, double x, double y, double width, double height) =>
        [
            .. Commands()
                .Matches(path)
                .Select(command => new PathPiece(
                    command.Groups[1].Value[0],
                    [
                        .. Numbers()
                            .Matches(command.Groups[2].Value)
                            .Select((number, i) => i % 2 == 0 ? Along(number, x, width) : Along(number, y, height)),
                    ]
                )),
        ];

    // From a start, a part of a whole, and pixels.
    private static double Along(Match number, double start, double whole)
    {
        var part = double.Parse(number.Groups[1].Value, CultureInfo.InvariantCulture);
        var pixels = number.Groups[2].Success ? double.Parse(number.Groups[2].Value, CultureInfo.InvariantCulture) : 0;
        return start + (part * whole) + pixels;
    }

    /// <summary>A mark's path, its own axis leading from a point in a direction, begun so far along.</summary>
    public static List<PathPiece> Turned(string path, double along, Stand stand)
    {
        var (x, y) = (0.0, 0.0);
        var pieces = new List<PathPiece>();
        foreach (Match command in Commands().Matches(path))
        {
            var numbers = Numbers()
                .Matches(command.Groups[2].Value)
                .Select(number => double.Parse(number.Groups[1].Value, CultureInfo.InvariantCulture))
                .ToList();
            var letter = command.Groups[1].Value[0];
            numbers = letter switch
            {
                'H' => [numbers[0], y],
                'V' => [x, numbers[0]],
                _ => numbers,
            };
            var points = new List<double>();
            for (var i = 0; i + 1 < numbers.Count; i += 2)
            {
                (x, y) = (numbers[i], numbers[i + 1]);
                var at = stand.At(along + x, y);
                points.AddRange([at.X, at.Y]);
            }

            pieces.Add(new PathPiece(letter is 'H' or 'V' ? 'L' : letter, [.. points]));
        }

        return pieces;
    }

    [GeneratedRegex("([MLHVCZ])([^MLHVCZ]*)")]
    private static partial Regex Commands();

    [GeneratedRegex(@"(-?\d*\.?\d+)(?:~(-?\d*\.?\d+))?")]
    private static partial Regex Numbers();
}

/// <summary>Where marks begin, and which way they lead.</summary>
internal readonly record struct Stand(double X, double Y, double DirectionX, double DirectionY)
{
    /// <summary>A point so far along and so far across.</summary>
    public (double X, double Y) At(double along, double across) =>
        (X + (DirectionX * along) - (DirectionY * across), Y + (DirectionY * along) + (DirectionX * across));
}
