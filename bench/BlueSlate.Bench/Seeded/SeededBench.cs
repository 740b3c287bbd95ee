using System.Globalization;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Bench.Seeded;

/// <summary>
/// Puts one to six faults of known kinds into model answers of the demo, in other words and another order, and counts what is
/// found at its place; and draws them without a fault, renamed and restated, and counts how often nothing is found.
/// </summary>
internal static class SeededBench
{
    private const int Answers = 2000;
    private const int Clean = 500;
    private const int Most = 6;

    public static int Run(string demo)
    {
        var models = DemoModel.ReadAll(demo);
        var byCode = new SortedDictionary<string, (int Wanted, int Found, int False)>(StringComparer.Ordinal);
        var (raised, notFull) = (0, 0);
        for (var seed = 0; seed < Answers; seed++)
        {
            var random = new Random(seed);
            var model = models[seed % models.Count];
            var (concepts, seeds) = Seeded(model, random);
            var assessment = model.Assessor.Assess(model.Draw(Shuffled(new OtherWords(random).Rename(concepts), random)), []);
            var roots = assessment
                .Findings.Where(finding =>
                    finding.ConsequenceOf is null && finding.Code is not ("naming-standard" or "operation-extra")
                )
                .ToList();
            foreach (var one in seeds)
            {
                var found = roots.Find(finding =>
                    finding.Code == one.Code
                    && (
                        finding.ModelElements.Contains(ConceptId.Of(one.Place).Element)
                        || finding.AnswerElements.Contains(one.Place)
                    )
                );
                Count(one.Code, 1, found is null ? 0 : 1, 0);
                if (found is not null)
                {
                    roots.Remove(found);
                }
                else if (seed < 400)
                {
                    Console.WriteLine(
                        $"missed       {model.Name} {seed}: {one.Code} at {one.Place}; {string.Join(", ", roots.Select(root => root.Code))}"
                    );
                }
            }

            foreach (var more in roots)
            {
                Count(more.Code, 0, 0, 1);
                if (seed < 400)
                {
                    var put = string.Join(", ", seeds.Select(one => $"{one.Code} at {one.Place}"));
                    Console.WriteLine($"false alarm  {model.Name} {seed}: {more.Code}: {more.Headline} Put in: {put}");
                }
            }

            raised +=
                assessment.Sheet.Exact > assessment.Sheet.Maximum
                || (
                    seeds.Count > 0
                    && assessment.Sheet.Exact == assessment.Sheet.Maximum
                    && assessment.Notes.Any(note => note.Marked)
                )
                    ? 1
                    : 0;
        }

        var clean = 0;
        for (var seed = 0; seed < Clean; seed++)
        {
            var random = new Random(Answers + seed);
            var model = models[seed % models.Count];
            var findings = model
                .Assessor.Assess(
                    model.Draw(Shuffled(Restated(new OtherWords(random).Rename(model.Concepts), model.Options, random), random)),
                    []
                )
                .Findings;
            clean += findings.IsEmpty ? 1 : 0;
            if (!findings.IsEmpty && seed < 100)
            {
                Console.WriteLine(
                    $"not clean    {model.Name} {seed}: "
                        + $"{string.Join("; ", findings.Select(finding => $"{finding.Code}: {finding.Headline}"))}"
                );
            }
        }

        foreach (var model in models)
        {
            notFull +=
                model.Assessor.Assess(model.Drawing, []).Sheet is var sheet
                && sheet.Total == sheet.Maximum
                && model.Assessor.Assess(Drawing.Empty, []).Sheet.Total == 0
                    ? 0
                    : 1;
        }

        foreach (var (code, (wanted, found, alarms)) in byCode)
        {
            Console.WriteLine($"{code, -36}{wanted, 8}{found, 8}{alarms, 8}");
        }

        int all = byCode.Values.Sum(counts => counts.Wanted),
            hit = byCode.Values.Sum(counts => counts.Found),
            falls = byCode.Values.Sum(counts => counts.False);
        Console.WriteLine(
            $"answers {Answers} faults {all} raised {raised} model answers without full marks or blanks with some {notFull}"
        );
        Console.WriteLine(
            string.Create(
                CultureInfo.InvariantCulture,
                $"seeded: recall {(double)hit / all:0.000} precision {(double)hit / (hit + falls):0.000} clean "
                    + $"{(double)clean / Clean:0.000}"
            )
        );
        return 0;

        void Count(string code, int wanted, int found, int alarm)
        {
            var known = byCode.GetValueOrDefault(code);
            byCode[code] = (known.Wanted + wanted, known.Found + found, known.False + alarm);
        }
    }

    /// <summary>An answer with one to six faults, in another order and, where that is wanted, in other words.</summary>
    public static Drawing Answer(DemoModel model, Random random, bool inOtherWords)
    {
        var (concepts, _) = Seeded(model, random);
        return model.Draw(Shuffled(inOtherWords ? new OtherWords(random).Rename(concepts) : concepts, random));
    }

    // Seeds that find no place, or would change nothing, are tried anew.
    private static (ConceptModel Model, List<Seed> Seeds) Seeded(DemoModel model, Random random)
    {
        var (concepts, seeds, faults) = (model.Concepts, new List<Seed>(), new Faults(random, model.Options, model.Tolerated));
        var wanted = random.Next(1, Most + 1);
        for (var attempt = 0; attempt < 60 && seeds.Count < wanted; attempt++)
        {
            if (faults.Put(concepts) is (var changed, var seed))
            {
                concepts = changed;
                seeds.Add(seed);
            }
        }

        return (concepts, seeds);
    }

    private static ConceptModel Shuffled(ConceptModel model, Random random)
    {
        var (entities, relationships) = (model.Entities.ToArray(), model.Relationships.ToArray());
        random.Shuffle(entities);
        random.Shuffle(relationships);
        return model with { Entities = [.. entities], Relationships = [.. relationships] };
    }

    // Where nothing hangs on it, a many-to-many relationship becomes an entity between the two.
    private static ConceptModel Restated(ConceptModel model, NotationOptions options, Random random)
    {
        var many = model
            .Relationships.Where(relationship =>
                relationship.IsManyToMany
                && relationship.EntityId is null
                && !relationship.IsRecursive
                && options.Level == Level.Conceptual
                && !model.Exclusions.Any(exclusion => exclusion.RelationshipIds.Contains(relationship.Id))
            )
            .ToList();
        if (many.Count == 0 || random.Next(2) == 0)
        {
            return model;
        }

        var gone = many[random.Next(many.Count)];
        var between = new EntityType(
            "between",
            gone.Name.Length > 0 ? char.ToUpperInvariant(gone.Name[0]) + gone.Name[1..] + " entry" : "Link",
            options.Notation == NotationNames.Uml ? EntityKind.Strong : EntityKind.Associative,
            gone.Attributes,
            []
        );
        var lines = gone.Roles.Select(
            (role, i) =>
            {
                var many = gone.Roles[1 - i].CoOccurrence;
                return new RelationshipType(
                    $"between{i}",
                    i == 0 ? "has" : "is in",
                    [
                        new RelationshipRole($"between{i}/from", role.EntityId, "", "", new Count(1, 1), many),
                        new RelationshipRole($"between{i}/to", between.Id, "", "", many, new Count(1, 1)),
                    ],
                    options.Notation == NotationNames.Uml ? null : true,
                    $"between{i}/to"
                );
            }
        );
        return model with
        {
            Entities = model.Entities.Add(between),
            Relationships = [.. model.Relationships.Remove(gone), .. lines],
        };
    }
}
