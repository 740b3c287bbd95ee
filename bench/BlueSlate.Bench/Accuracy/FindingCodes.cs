using BlueSlate.Core.Judging;

namespace BlueSlate.Bench.Accuracy;

/// <summary>Where a finding stands in the words of the cases.</summary>
internal enum At
{
    Model,
    Answer,
    Relationship,
}

/// <summary>
/// The cases' code for each of our kinds of findings, and where it stands there. What the cases have no code for has none here.
/// </summary>
internal static class FindingCodes
{
    private static readonly Dictionary<string, (string Code, At At)> Table = new(StringComparer.Ordinal)
    {
        ["abstract-missing"] = ("abstract-missing", At.Model),
        ["alternate-key-missing"] = ("key-missing", At.Model),
        ["attribute-as-entity"] = ("attribute-as-entity", At.Model),
        ["attribute-extra"] = ("attribute-extra", At.Answer),
        ["attribute-misplaced"] = ("attribute-misplaced", At.Model),
        ["attribute-missing"] = ("attribute-missing", At.Model),
        ["attributes-exchanged"] = ("attribute-misplaced", At.Model),
        ["attribute-repeated-in-subtypes"] = ("attribute-should-be-in-supertype", At.Model),
        ["cardinality-max"] = ("cardinality-max", At.Model),
        ["cardinality-min"] = ("cardinality-min", At.Model),
        ["class-scope-not-shown"] = ("operation-signature", At.Model),
        ["ends-swapped"] = ("cardinality-swapped", At.Relationship),
        ["entity-as-attribute"] = ("entity-as-attribute", At.Model),
        ["entity-duplicate"] = ("entity-duplicate", At.Answer),
        ["entity-extra"] = ("entity-extra", At.Answer),
        ["entity-missing"] = ("entity-missing", At.Model),
        ["foreign-key-in-conceptual"] = ("foreign-key-in-conceptual", At.Answer),
        ["foreign-key-missing"] = ("foreign-key-missing", At.Model),
        ["foreign-key-wrong-side"] = ("foreign-key-wrong-side", At.Model),
        ["foreign-key-mismatch"] = ("foreign-key-missing", At.Model),
        ["foreign-key-without-line"] = ("relationship-missing", At.Model),
        ["identifying-not-shown"] = ("symbol", At.Model),
        ["identifying-without-need"] = ("relationship-kind", At.Model),
        ["key-missing"] = ("key-missing", At.Model),
        ["key-not-minimal"] = ("key-not-minimal", At.Model),
        ["key-wrong"] = ("key-wrong", At.Model),
        ["many-to-many-unresolved"] = ("many-to-many-unresolved", At.Model),
        ["naming-standard"] = ("naming", At.Answer),
        ["partial-key-not-shown"] = ("symbol", At.Model),
        ["operation-misplaced"] = ("operation-missing", At.Model),
        ["operation-missing"] = ("operation-missing", At.Model),
        ["operation-signature"] = ("operation-signature", At.Model),
        ["relationship-degree"] = ("relationship-missing", At.Model),
        ["relationship-extra"] = ("relationship-extra", At.Answer),
        ["relationship-kind"] = ("relationship-kind", At.Model),
        ["relationship-missing"] = ("relationship-missing", At.Model),
        ["relationship-redundant"] = ("relationship-redundant", At.Answer),
        ["relationship-wrong-entity"] = ("relationship-wrong-entity", At.Model),
        ["specialisation-disjointness"] = ("specialisation-disjointness", At.Model),
        ["specialisation-level"] = ("specialisation-missing", At.Model),
        ["specialisation-missing"] = ("specialisation-missing", At.Model),
        ["specialisation-reversed"] = ("specialisation-reversed", At.Model),
        ["specialisation-totality"] = ("specialisation-totality", At.Model),
        ["specialisation-wrong-supertype"] = ("specialisation-missing", At.Model),
        ["stereotype-not-shown"] = ("symbol", At.Model),
        ["type"] = ("type", At.Model),
        ["visibility"] = ("visibility", At.Model),
        ["whole-part-reversed"] = ("whole-part-reversed", At.Model),
    };

    /// <summary>Findings that are rules of a scheme or kinds that the cases do not label.</summary>
    private static readonly HashSet<string> Unlabelled = new(StringComparer.Ordinal)
    {
        "form-rule-broken",
        "drawing-shows-little",
        "relationship-unnamed",
        "role-missing",
        "operation-extra",
        "part-missing",
        "foreign-key-optionality",
        "history-kept",
        "key-by-own-number",
        "specialisation-several",
    };

    /// <summary>A root in the cases' words, one for each place; none for what the cases do not label.</summary>
    public static IEnumerable<CaseFinding> Of(
        Finding finding,
        CaseModel wanted,
        IReadOnlyDictionary<string, string> model,
        IReadOnlyDictionary<string, string> answer
    )
    {
        if (
            Unlabelled.Contains(finding.Code)
            || (finding.Claims.IsEmpty && finding.Code is "foreign-key-mismatch" or "foreign-key-without-line")
        )
        {
            return [];
        }

        var (code, at) = CodeOf(finding, wanted, model);
        var (paths, elements) = at == At.Answer ? (answer, finding.AnswerElements) : (model, finding.ModelElements);
        var places = elements
            .Where(paths.ContainsKey)
            .Select(id => at == At.Relationship ? paths[id].Split(" / ")[0] : paths[id])
            .Distinct(StringComparer.Ordinal)
            .ToList();
        return (
            places.Count == 0 ? [""]
            : code is "foreign-key-in-conceptual" or "attribute-extra" or "attribute-misplaced" ? places
            // What is folded into another thing is several things missing at once.
            : finding.Code == "restated-in-part" && code == "entity-missing"
                ? places.Where(place => wanted.Entities.Any(entity => entity.Name == place))
            : places.Take(1)
        ).Select(place => new CaseFinding(code, place));
    }

    private static (string Code, At At) CodeOf(Finding finding, CaseModel wanted, IReadOnlyDictionary<string, string> model) =>
        finding.Code switch
        {
            _ when finding.Code.StartsWith("notation-", StringComparison.Ordinal) => ("symbol", At.Answer),
            "entity-kind-not-shown" => (
                wanted.Entities.Any(entity =>
                    entity.Kind == "weak" && finding.ModelElements.Any(id => model.GetValueOrDefault(id) == entity.Name)
                )
                    ? "weak-not-shown"
                    : "symbol",
                At.Model
            ),
            "attribute-form-not-shown" => (finding.Claims[0].Split(':')[0] + "-not-shown", At.Model),
            "restated-in-part" => finding.Claims[0].Split(':')[0] switch
            {
                "entity" => ("entity-missing", At.Model),
                "subtype" => ("specialisation-missing", At.Model),
                "disjoint" => ("specialisation-disjointness", At.Model),
                "relationship" => ("relationship-missing", At.Model),
                _ => ("attribute-missing", At.Model),
            },
            "end-unsaid" => (finding.Claims[0].Split(':')[0] == "min" ? "cardinality-min" : "cardinality-max", At.Model),
            _ => Table.GetValueOrDefault(finding.Code, (finding.Code, At.Model)),
        };
}
