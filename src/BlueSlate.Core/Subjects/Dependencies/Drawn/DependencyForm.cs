using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Subjects.Dependencies.Drawn;

/// <summary>
/// Says of all attributes as one table which keys it has by its arrows, in which form it is, and what keeps it from the next.
/// </summary>
internal static class DependencyForm
{
    private const int MostKeys = 4;

    /// <summary>The keys, then the form; nothing where there are no arrows.</summary>
    public static IEnumerable<FormRemark> Of(DependencyReading reading)
    {
        var all = reading.Set.All;
        if (reading.Dependencies.IsEmpty)
        {
            yield break;
        }

        if (Projection.On(all, reading.Set) is not { } cover)
        {
            yield return new FormRemark("candidate-keys", "Which keys there are is too much to work out for so many arrows.", []);
            yield break;
        }

        yield return Keys(CandidateKeys.Of(all, cover), reading);
        // Where there are stages, they say it of their tables.
        if (reading.Stages.IsEmpty && NormalForms.Of(all, reading.Set) is { } verdict)
        {
            yield return Form(verdict, reading);
        }
    }

    private static FormRemark Keys(KeyList keys, DependencyReading reading)
    {
        var said = keys.Keys.Take(MostKeys).Select(reading.Say).ToList();
        var more = keys.Keys.Length - said.Count;
        var count = $"{keys.Keys.Length}{(keys.Complete ? "" : " or more")}";
        var text =
            said.Count == 1 ? $"By the arrows, the candidate key is {said[0]}."
            : more == 0 ? $"By the arrows, the candidate keys are these: {string.Join("; ", said)}."
            : $"By the arrows, there are {count} candidate keys, such as {string.Join("; ", said)}.";
        return new FormRemark("candidate-keys", text, [.. keys.Prime.SelectMany(i => reading.Attributes[i].Elements)])
        {
            Because = ProofSentences.OfKey(keys.Keys[0], reading.Set.All, reading),
        };
    }

    private static FormRemark Form(FormVerdict verdict, DependencyReading reading)
    {
        if (verdict.Against is not { } against)
        {
            return new FormRemark(
                "normal-form",
                $"As one table it is in {FormNames.Of(verdict.Form)}: every determinant holds a key.",
                []
            );
        }

        var (from, to) = (reading.Say(against.From), reading.Say(against.To));
        var (verb, isNo) = against.From.Count == 1 ? ("determines", "is") : ("determine", "are");
        var because = verdict.Form switch
        {
            NormalForm.First => $"{from}, only a part of a candidate key, {verb} {to}",
            NormalForm.Second => $"{from}, which {isNo} no key, {verb} {to}",
            NormalForm.Third => $"{from}, which {isNo} no key, {verb} {to}, a part of one",
            _ => $"{from}, which {isNo} no key, multi{verb} {to}",
        };
        return new FormRemark(
            "normal-form",
            $"As one table it is in {FormNames.Of(verdict.Form)} and no higher: {because}.",
            [.. (against.From | against.To).SelectMany(i => reading.Attributes[i].Elements)]
        )
        {
            Because =
                verdict.Form == NormalForm.BoyceCodd
                    ? []
                    : ProofSentences.OfNoKey(against.From, against.To, reading.Set.All, reading),
        };
    }
}
