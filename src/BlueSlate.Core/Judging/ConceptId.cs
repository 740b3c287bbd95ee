namespace BlueSlate.Core.Judging;

/// <summary>
/// Names something that a document says: by the element that says it and, where one element says several things, by a facet.
/// Documents, facts and results hold it as it is written; nothing else makes or takes apart what is written.
/// </summary>
/// <param name="Element">The shape, line, end or row of the document.</param>
/// <param name="Facet">Which of the things that the element says; null where it says one.</param>
public readonly record struct ConceptId(string Element, string? Facet = null)
{
    private const char Mark = '~';

    /// <summary>As it is written.</summary>
    public override string ToString() => Facet is null ? Element : $"{Element}{Mark}{Facet}";

    /// <summary>As it is written where an element's own id is wanted: with a dot between element and facet.</summary>
    public string AsElement() => ToString().Replace(Mark, '.');

    /// <summary>Of what is written.</summary>
    public static ConceptId Of(string written) =>
        written.IndexOf(Mark, StringComparison.Ordinal) is var at and >= 0
            ? new ConceptId(written[..at], written[(at + 1)..])
            : new ConceptId(written);

    /// <summary>The thing at this place among several that an element says, from 0: the first has the element's own id.</summary>
    public static string At(string element, int place) => new ConceptId(element, place == 0 ? null : $"{place + 1}").ToString();
}
