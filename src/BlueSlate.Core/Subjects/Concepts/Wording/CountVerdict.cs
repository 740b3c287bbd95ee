namespace BlueSlate.Core.Subjects.Concepts.Wording;

/// <summary>What words say of a number that a model answer draws.</summary>
internal enum Deciding
{
    /// <summary>They decide it, and as it is drawn.</summary>
    Decided,

    /// <summary>They leave it open.</summary>
    Open,

    /// <summary>They decide it, but otherwise than it is drawn.</summary>
    Otherwise,

    /// <summary>Some say this and some that.</summary>
    Contradicted,
}

/// <summary>Holds what a scenario says of a number against what is drawn.</summary>
/// <param name="Says">What it says.</param>
/// <param name="For">What speaks for the number that is drawn.</param>
/// <param name="Against">What speaks for another.</param>
internal sealed record CountVerdict(Deciding Says, IReadOnlyList<CountEvidence> For, IReadOnlyList<CountEvidence> Against)
{
    /// <summary>Of one bound: what is only commonly understood speaks for a number, and never against one.</summary>
    public static CountVerdict Of(IEnumerable<CountEvidence> all, int? drawn, Func<CountEvidence, Bound> bound)
    {
        // Where nothing limits it, it is many.
        var said = all.Where(evidence => bound(evidence).How != Decides.No).ToList();
        var agreeing = said.FindAll(evidence => bound(evidence).Value == drawn);
        var against = said.FindAll(evidence =>
            bound(evidence) is { How: Decides.Surely, Value: var value } && value != drawn && !evidence.IsUnsure
        );
        return new CountVerdict(
            against.Count == 0 ? (agreeing.Count > 0 ? Deciding.Decided : Deciding.Open)
                : agreeing.Exists(evidence => bound(evidence).How == Decides.Surely && !evidence.IsUnsure) ? Deciding.Contradicted
                : Deciding.Otherwise,
            agreeing,
            against
        );
    }
}
