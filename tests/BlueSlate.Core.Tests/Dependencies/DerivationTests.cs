using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Dependencies;
using CsCheck;
using Shouldly;

namespace BlueSlate.Core.Tests.Dependencies;

/// <summary>Why something follows, step by step.</summary>
public sealed class DerivationTests
{
    private const int Attributes = 7;

    private static readonly Gen<int> Set = Gen.Int[0, (1 << Attributes) - 1];

    // As pairs of bits, so that what replays a derivation knows nothing of what made it.
    private static readonly Gen<(int From, int To)[]> Given = Gen.Select(Set, Set).Array[0, 9];

    [Fact]
    public void Each_step_is_given_and_begins_from_what_is_reached() =>
        Gen.Select(Given, Set, Set)
            .Sample(
                (given, from, to) =>
                {
                    var steps = Derivation.Of(SetOf(from), SetOf(to), DependencySetOf(given).Implied);
                    var reached = Reached(given, from);
                    if ((to & ~reached) != 0)
                    {
                        return steps is null;
                    }

                    var now = from;
                    foreach (var step in steps!.Value)
                    {
                        var (left, right) = (BitsOf(step.From), BitsOf(step.To));
                        var stated = given.Where(one => one.From == left).Aggregate(0, (all, one) => all | one.To);
                        if ((left & ~now) != 0 || (right & ~stated) != 0)
                        {
                            return false;
                        }

                        now |= right;
                    }

                    return (to & ~now) == 0;
                },
                iter: 2000
            );

    [Fact]
    public void No_step_can_be_left_out() =>
        Gen.Select(Given, Set, Set)
            .Sample(
                (given, from, to) =>
                {
                    if (Derivation.Of(SetOf(from), SetOf(to), DependencySetOf(given).Implied) is not { } steps)
                    {
                        return true;
                    }

                    var kept = steps.Select(step => (BitsOf(step.From), BitsOf(step.To))).ToArray();
                    return Enumerable
                        .Range(0, kept.Length)
                        .All(left => (to & ~Reached([.. kept.Where((_, i) => i != left)], from)) != 0);
                },
                iter: 2000
            );

    [Fact]
    public void The_key_is_proved_in_sentences()
    {
        var remark = Remarks([
                "Attributes: kiln, firing, shelf, potter, studio",
                "Kiln and firing determine potter and shelf",
                "Potter determines studio",
            ])
            .First(one => one.Code == "candidate-keys");

        remark.Because.ShouldBe([
            "Kiln and firing determine shelf and potter.",
            "Potter determines studio.",
            "So kiln and firing determine everything.",
            "Firing alone does not determine shelf, potter and studio.",
            "Kiln alone does not determine shelf, potter and studio.",
        ]);
    }

    [Fact]
    public void What_is_no_key_is_proved_in_sentences()
    {
        var remark = Remarks(["Attributes: kiln, potter, studio", "Kiln determines potter", "Potter determines studio"])
            .First(one => one.Code == "normal-form");

        remark.Text.ShouldBe(
            "As one table it is in second normal form and no higher: potter, which is no key, determines studio."
        );
        remark.Because.ShouldBe(["Potter determines studio.", "From potter no arrow leads on to kiln: it is no key."]);
    }

    private static IEnumerable<FormRemark> Remarks(string[] lines)
    {
        var options = new DependencyOptions();
        var subject = Subject.Of(options);
        return subject.Form(subject.Retype(Drawing.Empty, lines, options)!.Document, options);
    }

    private static int Reached((int From, int To)[] given, int from)
    {
        for (var before = -1; before != from; )
        {
            before = from;
            foreach (var (left, right) in given)
            {
                from |= (left & ~from) == 0 ? right : 0;
            }
        }

        return from;
    }

    private static DependencySet DependencySetOf((int From, int To)[] given) =>
        new(
            [.. Enumerable.Range(0, Attributes).Select(i => $"a{i}")],
            [.. given.Select(one => new Dependency(SetOf(one.From), SetOf(one.To)))],
            []
        );

    private static AttributeSet SetOf(int bits) =>
        AttributeSet.Of(Enumerable.Range(0, Attributes).Where(i => (bits & (1 << i)) != 0));

    private static int BitsOf(AttributeSet set) => set.Aggregate(0, (bits, i) => bits | (1 << i));
}
