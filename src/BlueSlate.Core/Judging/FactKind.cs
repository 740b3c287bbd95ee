namespace BlueSlate.Core.Judging;

/// <summary>
/// What of a model answer a fact is about, with what every subject's facts have: how they share marks, what else may be
/// accepted, where they go in a scheme. A subject's own kinds say the rest: which facts there are and when one holds.
/// </summary>
/// <param name="Name">Stable, lower case with hyphens; facts' ids begin with it.</param>
/// <param name="Order">Its place among the facts of one concept.</param>
public abstract record FactKind(string Name, int Order)
{
    /// <summary>How its facts share marks with others of a line.</summary>
    public virtual FactSort Sort => FactSort.Thing;

    /// <summary>Whether it says how a thing is drawn, and not that it is there.</summary>
    public virtual bool SaysHow => false;

    /// <summary>
    /// Whether it halves what a thing earns when it is missing, however little that is worth.
    /// </summary>
    public virtual bool HalvesAlways => false;

    /// <summary>
    /// Whether nobody asks for it but a scheme that names it: rules for the drawing as a whole, and what must not be there.
    /// </summary>
    public virtual bool IsOnRequest => false;

    /// <summary>The id of a fact of this kind.</summary>
    public string IdOf(string conceptId) => $"{Name}:{conceptId}";

    /// <summary>Where a fact goes in a scheme that is derived.</summary>
    public virtual SchemePlace PlaceOf(Fact fact) => SchemePlace.Nowhere;

    /// <summary>Whether what is drawn is among the values that are accepted besides.</summary>
    public virtual bool Accepts(Tolerance tolerance, Verdict verdict) => tolerance.Accepted.Contains(verdict.Drawn);

    /// <summary>A fact of this kind.</summary>
    protected Fact New(string conceptId, string place, string title, string value) =>
        new(IdOf(conceptId), this, conceptId, place, title, value);
}
