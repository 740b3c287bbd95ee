namespace BlueSlate.Core.Language;

/// <summary>Takes lists apart at their commas; those within brackets separate nothing.</summary>
internal static class Commas
{
    /// <summary>The pieces that say something, each with where it starts.</summary>
    public static IEnumerable<(int Start, string Text)> Split(string text)
    {
        var (depth, start) = (0, 0);
        for (var i = 0; i <= text.Length; i++)
        {
            if (i == text.Length || (text[i] == ',' && depth <= 0))
            {
                var piece = text[start..i];
                if (piece.Trim().Length > 0)
                {
                    yield return (start + piece.Length - piece.TrimStart().Length, piece.Trim());
                }

                start = i + 1;
            }
            else
            {
                depth +=
                    text[i] is '(' or '<' ? 1
                    : text[i] is ')' or '>' ? -1
                    : 0;
            }
        }
    }
}
