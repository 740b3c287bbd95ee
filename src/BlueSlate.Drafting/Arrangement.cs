using BlueSlate.Core.Drawings;

namespace BlueSlate.Drafting;

/// <summary>One of several layouts of a sheet: the places, and what straight lines cross there.</summary>
internal sealed record Arrangement(Sheet Sheet, Dictionary<string, Place> Places, int Crossings)
{
    // The slate of a common screen beside its scenario, in quarter units.
    private const double SlateWidth = 880 * 4;
    private const double SlateHeight = 600 * 4;

    // How long lines are on average that count as much as a drawing of twice the slate.
    private const double LongLine = 1500 * 4;

    // What a line of a tree that does not lead downward counts.
    private const double Upset = 0.15;

    // How much better another has to be than one that comes before it.
    private const double Clearly = 0.25;

    /// <summary>
    /// The one that is best to read: large on a slate, with short lines that cross little and trees that lead downward. Of those
    /// that are hardly worse than that, the first.
    /// </summary>
    /// <param name="arrangements">At least one.</param>
    /// <param name="crossing">What a crossing is worth in shrinking.</param>
    public static Arrangement Best(IEnumerable<Arrangement> arrangements, double crossing)
    {
        var costs = arrangements
            .Select(one => (One: one, Cost: one.Shrunk() + one.Length() + (crossing * one.Crossings) + (Upset * one.Upturned())))
            .ToList();
        var least = costs.Min(pair => pair.Cost);
        return costs.First(pair => pair.Cost <= least + Clearly).One;
    }

    // By what the whole is shrunk to be seen on a slate, at least one.
    private double Shrunk()
    {
        var width = Places.Values.Max(place => place.X + place.Width) - Places.Values.Min(place => place.X);
        var height = Places.Values.Max(place => place.Y + place.Height) - Places.Values.Min(place => place.Y);
        return new[] { 1, width / SlateWidth, height / SlateHeight }.Max();
    }

    private double Length() =>
        Sheet
            .Lines.Where(line => Places.ContainsKey(line.From.On.Id ?? "") && Places.ContainsKey(line.To.On.Id ?? ""))
            .Select(line => Between(Places[line.From.On.Id!], Places[line.To.On.Id!]))
            .DefaultIfEmpty()
            .Average() / LongLine;

    private int Upturned() =>
        Tree.Pairs(Sheet).Count(pair => Places[pair.Above].Y + Places[pair.Above].Height > Places[pair.Below].Y);

    private static double Between(Place one, Place other) =>
        Math.Abs(one.X - other.X + ((one.Width - other.Width) / 2.0))
        + Math.Abs(one.Y - other.Y + ((one.Height - other.Height) / 2.0));
}
