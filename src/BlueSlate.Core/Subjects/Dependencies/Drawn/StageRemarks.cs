using System.Collections.Immutable;
using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Subjects.Dependencies.Drawn;

/// <summary>What is said of a stage by the arrows of its own drawing.</summary>
/// <param name="Code">What kind of thing it is.</param>
/// <param name="At">The table, or the first of the stage.</param>
/// <param name="Text">One sentence.</param>
/// <param name="Elements">What it is about.</param>
/// <param name="IsAmiss">Whether the stage does not keep what it promises.</param>
internal sealed record StageRemark(string Code, string At, string Text, ImmutableArray<string> Elements, bool IsAmiss = true)
{
    /// <summary>Why it is so, in sentences; none where it can be seen.</summary>
    public ImmutableArray<string> Because { get; init; } = [];
}

/// <summary>
/// Says of each stage, by the arrows that are drawn, whether everything is still there and can be joined again, how far its tables are
/// normalised and why no further, and whether their keys are keys.
/// </summary>
internal static class StageRemarks
{
    /// <summary>The remarks, stage by stage.</summary>
    public static IEnumerable<StageRemark> Of(DependencyReading reading) =>
        reading.Set.All.IsEmpty
            ? []
            : reading.Stages.Where(stage => !stage.IsUnnormalised).SelectMany((stage, i) => Of(stage, i == 0, reading));

    /// <summary>The same as remarks on the form of a drawing.</summary>
    public static IEnumerable<FormRemark> AsForm(DependencyReading reading) =>
        Of(reading).Select(remark => new FormRemark(remark.Code, remark.Text, remark.Elements) { Because = remark.Because });

    private static IEnumerable<StageRemark> Of(Stage drawn, bool isFirst, DependencyReading reading)
    {
        var (stage, numbers) = Surrogates.TakenBack(
            drawn.Without(reading.Calculated),
            i => i < reading.Laid,
            table => Surrogates.KeyAmong(table.All & reading.Stored.All, table.Alternate, reading.Stored.Implied)
        );
        var amiss = Kept(stage, reading)
            .Concat(isFirst ? Cells(stage) : [])
            .Concat(numbers.Where(number => !number.HasAlternate).Select(number => Number(stage, number, reading)))
            .Concat(stage.Tables.SelectMany(table => Keys(stage, table, reading)))
            .Concat(Noted(drawn, reading))
            .ToList();
        foreach (var remark in amiss)
        {
            yield return remark;
        }

        if (FormOf(stage, reading, amiss.Count == 0) is { } form)
        {
            yield return form;
        }
    }

    private static IEnumerable<StageRemark> Cells(Stage stage) =>
        stage
            .Tables.SelectMany(table => table.Columns)
            .Where(column => column.Whole.Length > 0)
            .Take(1)
            .Select(column => new StageRemark(
                "stage-cell",
                stage.Tables[0].Id,
                $"{stage.Title}: {column.Whole} holds several values in one cell.",
                [column.Id]
            ));

    // A note that speaks of no table, gives no reason, or has nothing to account for.
    private static IEnumerable<StageRemark> Noted(Stage stage, DependencyReading reading)
    {
        foreach (var one in stage.Unplaced)
        {
            var called = one.Table.Length > 0 ? one.Table : DependencyStatement.Nameless;
            yield return new StageRemark(
                "denormalised-what",
                one.Note,
                $"{stage.Title}: no one table is called {called}, of which a note says that it is denormalised.",
                [one.Note]
            );
        }

        foreach (var table in stage.Tables.Where(table => table.Denormalised is not null))
        {
            var note = table.Denormalised!.Note;
            if (!table.Denormalised.IsAccountedFor)
            {
                yield return new StageRemark(
                    "denormalised-why",
                    note,
                    $"{stage.Title}: the note does not say why {table.Said} is denormalised.",
                    [note]
                );
            }
            else if (Against(table.All & reading.Stored.All, NormalForm.BoyceCodd, reading.Stored) is null)
            {
                yield return new StageRemark(
                    "denormalised-not",
                    note,
                    $"{stage.Title}: by the arrows, nothing of {table.Said} could be apart, though a note calls it denormalised.",
                    [note, table.Id]
                );
            }
        }
    }

    private static StageRemark Number(Stage stage, Surrogate number, DependencyReading reading) =>
        new(
            "table-number",
            number.Table.Id,
            $"{stage.Title}: nothing keeps {reading.Say(number.Natural)} of {number.Table.Said} unique beside {number.Column.Text}.",
            [number.Column.Id]
        );

    private static IEnumerable<StageRemark> Kept(Stage stage, DependencyReading reading)
    {
        var at = stage.Tables[0].Id;
        foreach (var column in stage.Tables.SelectMany(table => table.Columns).Where(column => column.IsRepeating).Take(1))
        {
            yield return new StageRemark("stage-repeats", at, $"{stage.Title}: {column.Text} repeats within a row.", [column.Id]);
        }

        var given = reading.Stored;
        var dropped = given.All - stage.All;
        if (!dropped.IsEmpty)
        {
            yield return new StageRemark(
                "stage-dropped",
                at,
                $"{stage.Title}: {reading.Say(dropped)} {(dropped.Count == 1 ? "is" : "are")} in no table.",
                [.. dropped.SelectMany(i => reading.Attributes[i].Elements)]
            );
        }
        else if (Chase.Of([.. stage.Parts.Select(part => part & given.All)], given).Lossless == false)
        {
            yield return new StageRemark(
                "stage-lossy",
                at,
                $"{stage.Title}: joined again, its tables give rows that were never there.",
                [.. stage.Tables.Select(table => table.Id)]
            );
        }

        var lost = Preservation.Lost(stage.Parts, given).Where(one => dropped.IsEmpty).ToList();
        if (lost.Count > 0 && stage.Claimed < NormalForm.BoyceCodd)
        {
            yield return new StageRemark(
                "stage-lost",
                at,
                $"{stage.Title}: no table holds that {reading.Say(lost[0].From)} {Does("determine", lost[0].From)} "
                    + $"{reading.Say(lost[0].To)}.",
                [.. (lost[0].From | lost[0].To).SelectMany(i => reading.Attributes[i].Elements)]
            );
        }
    }

    private static IEnumerable<StageRemark> Keys(Stage stage, StageTable table, DependencyReading reading)
    {
        var implied = reading.Set.Implied;
        var key = reading.Say(table.Key);
        if (table.Key.IsEmpty)
        {
            yield return new StageRemark("table-key", table.Id, $"{stage.Title}: {table.Said} has no key.", [table.Id]);
        }
        else if (!table.All.IsSubsetOf(implied.ClosureOf(table.Key)))
        {
            var left = reading.Say(table.All - implied.ClosureOf(table.Key));
            yield return new StageRemark(
                "table-key",
                table.Id,
                $"{stage.Title}: by the arrows, {key} {(table.Key.Count == 1 ? "does" : "do")} not determine {left} of {table.Said}.",
                [.. table.Key.Select(table.ElementOf)]
            );
        }
        else if (table.Key.Any(i => table.All.IsSubsetOf(implied.ClosureOf(table.Key - AttributeSet.Of(i)))))
        {
            var spare = table.Key.First(i => table.All.IsSubsetOf(implied.ClosureOf(table.Key - AttributeSet.Of(i))));
            yield return new StageRemark(
                "table-key",
                table.Id,
                $"{stage.Title}: the key of {table.Said} needs no {reading.Attributes[spare].Text}.",
                [table.ElementOf(spare)]
            )
            {
                Because =
                [
                    .. (Derivation.Of(table.Key - AttributeSet.Of(spare), AttributeSet.Of(spare), implied) ?? []).Select(step =>
                        ProofSentences.Step(step, reading)
                    ),
                ],
            };
        }
    }

    // The lowest table decides; what it claims and is not is amiss.
    private static StageRemark? FormOf(Stage stage, DependencyReading reading, bool isWhole)
    {
        var apart = stage.Tables.Where(table => table.Denormalised is not { IsAccountedFor: true }).ToList();
        if (apart.Count == 0)
        {
            return null;
        }

        var forms = apart.ConvertAll(table => (Table: table, Form: StageForms.Of([table.All], reading.Stored)));
        if (forms.Exists(one => one.Form is null))
        {
            return null;
        }

        var (lowest, form) = forms.MinBy(one => one.Form);
        var against =
            form is { } reached && reached < NormalForm.Fourth ? Against(lowest.All, reached + 1, reading.Stored) : null;
        var isAmiss = stage.Claimed > form;
        if (against is null)
        {
            return isWhole
                ? new StageRemark(
                    "stage-form",
                    stage.Tables[0].Id,
                    $"{stage.Title}: every table {But(stage)}is in {FormNames.Of(form!.Value)}, and nothing is lost.",
                    [],
                    false
                )
                : null;
        }

        var (from, to) = (reading.Say(against.From), reading.Say(against.To));
        var isOrAre = against.From.Count == 1 ? "is" : "are";
        var why = against.IsPartial ? $"only a part of a key of {lowest.Said}" : $"which {isOrAre} no key of {lowest.Said}";
        var verb = Does(against.IsMultivalued ? "multidetermine" : "determine", against.From);
        return new StageRemark(
            "stage-form",
            lowest.Id,
            $"{stage.Title} is in {FormNames.Of(form!.Value)} and no higher: {from}, {why}, {verb} {to}.",
            [.. (against.From | against.To).Select(lowest.ElementOf).Distinct(StringComparer.Ordinal)],
            isAmiss
        )
        {
            Because = against.IsMultivalued ? [] : ProofSentences.OfNoKey(against.From, against.To, lowest.All, reading),
        };
    }

    private static string But(Stage stage)
    {
        var together = stage
            .Tables.Where(table => table.Denormalised is { IsAccountedFor: true })
            .Select(table => table.Said)
            .ToList();
        return together.Count == 0 ? "" : $"but {Language.Phrasing.List([.. together])} ";
    }

    private static AgainstForm? Against(AttributeSet table, NormalForm form, DependencySet given) =>
        form == NormalForm.Fourth && given.Multivalued.IsEmpty ? null : StageForms.Against(table, form, given).FirstOrDefault();

    private static string Does(string verb, AttributeSet from) => from.Count == 1 ? verb + "s" : verb;
}
