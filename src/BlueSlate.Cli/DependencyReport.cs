using System.Collections.Immutable;
using System.Text.Json.Nodes;
using BlueSlate.Core.Subjects.Dependencies;

namespace BlueSlate.Cli;

/// <summary>What follows from given dependencies, as one JSON object.</summary>
internal static class DependencyReport
{
    public static JsonObject Of(DependencyInput input, bool explain)
    {
        var (given, relations) = input;
        var cover = MinimalCover.Of(given.Functional);
        var whole = given.Multivalued.IsEmpty ? cover : Projection.On(given.All, given);
        var keys = whole is { } known ? CandidateKeys.Of(given.All, known) : null;
        var split = Decomposition.BySplitting(given);
        var lostBySplit = split is { } parts ? Preservation.Lost(parts, given) : [];
        var form = NormalForms.Of(given.All, given);
        var report = new JsonObject
        {
            ["keys"] = keys is null ? null : Sets(keys.Keys, given),
            ["prime"] = keys is null ? null : Names(keys.Prime, given),
            ["cover"] = Dependencies(cover, given),
            ["form"] = NameOf(form),
            ["synthesis"] = Sets(Decomposition.Synthesis(given), given),
            ["bcnf"] = split is { } found ? Sets(found, given) : null,
            ["bcnfLost"] = Dependencies(lostBySplit, given),
            ["lost"] = Dependencies(lostBySplit, given),
        };
        if (keys is not { Complete: true })
        {
            report["limit"] = keys is null
                ? $"With multivalued dependencies keys are looked for among at most {Projection.WidestSearch} attributes."
                : $"There are more than {CandidateKeys.Limit} keys; these are the first.";
        }

        ImmutableArray<AttributeSet> sets = [.. relations.Select(relation => relation.Attributes)];
        var chase = sets.IsEmpty ? null : Chase.Of(sets, given);
        var lost = Preservation.Lost(sets, given);
        if (chase is not null)
        {
            report["lossless"] = chase.Lossless;
            report["preserved"] = lost.IsEmpty;
            report["lost"] = Dependencies(lost, given);
            report["forms"] = new JsonArray([.. sets.Select(set => JsonValue.Create(NameOf(NormalForms.Of(set, given))))]);
        }

        if (explain)
        {
            report["proofs"] = Proofs(given, keys, form);
            if (chase is not null)
            {
                AddProofs(report["proofs"]!.AsObject(), sets, chase, lost, given);
            }
        }

        return report;
    }

    /// <summary>What the rows of a table do not contradict.</summary>
    public static JsonObject Of(CsvTable table, bool nullsEqual)
    {
        var found = RowDependencies.Of(table.Rows, table.Columns.Length, nullsEqual);
        var names = new DependencySet([.. table.Columns], [], []);
        var report = new JsonObject
        {
            ["dependencies"] = Dependencies(found.Dependencies, names),
            ["unique"] = Sets(found.Unique, names),
        };
        if (!found.Complete)
        {
            report["limit"] = $"More than {RowDependencies.Limit} sets of columns: larger determinants were not looked for.";
        }

        return report;
    }

    private static JsonObject Proofs(DependencySet given, KeyList? keys, FormVerdict? form) =>
        new()
        {
            ["keys"] = new JsonArray([.. (keys?.Keys ?? []).Select(key => (JsonNode)KeyProof(key, given))]),
            ["form"] = form?.Against is { } against
                ? new JsonObject
                {
                    ["against"] = One(against, given),
                    ["multivalued"] = form.Multivalued,
                    ["determines"] = Names(given.Implied.ClosureOf(against.From), given),
                }
                : null,
        };

    private static void AddProofs(
        JsonObject proofs,
        ImmutableArray<AttributeSet> sets,
        ChaseResult chase,
        ImmutableArray<Dependency> lost,
        DependencySet given
    )
    {
        proofs["tableau"] = new JsonArray([.. chase.Tableau.Select(row => (JsonNode)Row(row, given))]);
        proofs["lost"] = new JsonArray([
            .. lost.Select(dependency =>
                (JsonNode)
                    new JsonObject
                    {
                        ["dependency"] = One(dependency, given),
                        ["reached"] = Names(Preservation.Reached(dependency.From, sets, given), given),
                    }
            ),
        ]);
    }

    // The closure of a key, step by step, and of the key without each of its attributes.
    private static JsonObject KeyProof(AttributeSet key, DependencySet given) =>
        new()
        {
            ["key"] = Names(key, given),
            ["closure"] = Steps(key, given),
            ["minimal"] = new JsonArray([
                .. key.Select(attribute =>
                    (JsonNode)
                        new JsonObject
                        {
                            ["without"] = given.Attributes[attribute],
                            ["reached"] = Names(given.Implied.ClosureOf(key - AttributeSet.Of(attribute)), given),
                        }
                ),
            ]),
        };

    private static JsonArray Steps(AttributeSet set, DependencySet given)
    {
        var steps = new JsonArray();
        given.Implied.Follow(set, (by, added) =>
            steps.Add((JsonNode)new JsonObject { ["by"] = One(by, given), ["adds"] = Names(added, given) })
        );
        return steps;
    }

    private static JsonObject Row(ImmutableArray<int> row, DependencySet given) =>
        new(row.Select((cell, i) => KeyValuePair.Create(given.Attributes[i], (JsonNode?)JsonValue.Create(cell))));

    private static string NameOf(FormVerdict? verdict) =>
        verdict?.Form switch
        {
            NormalForm.First => "1NF",
            NormalForm.Second => "2NF",
            NormalForm.Third => "3NF",
            NormalForm.BoyceCodd => "BCNF",
            NormalForm.Fourth => "4NF",
            _ => "undecided",
        };

    private static JsonArray Names(AttributeSet set, DependencySet given) =>
        new([.. given.NamesOf(set).Select(name => JsonValue.Create(name))]);

    private static JsonArray Sets(IEnumerable<AttributeSet> sets, DependencySet given) =>
        new([.. sets.Select(set => (JsonNode)Names(set, given))]);

    private static JsonObject One(Dependency dependency, DependencySet given) =>
        new() { ["from"] = Names(dependency.From, given), ["to"] = Names(dependency.To, given) };

    private static JsonArray Dependencies(IEnumerable<Dependency> dependencies, DependencySet given) =>
        new([.. dependencies.Select(dependency => (JsonNode)One(dependency, given))]);
}
