using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Notations.Chen;
using BlueSlate.Core.Notations.CrowsFoot;
using BlueSlate.Core.Notations.Uml;
using BlueSlate.Core.Tests.Markups;
using Shouldly;

namespace BlueSlate.Core.Tests.Checking.Findings;

/// <summary>Holds one kind of finding to a model answer and an answer in which its places are marked.</summary>
public abstract class FindingTest
{
    private protected static ChenOptions Chen { get; } = new ChenOptions();

    private protected static UmlOptions Uml { get; } = new UmlOptions();

    private protected static UmlOptions Formal { get; } = new UmlOptions { Formal = true };

    private protected static Finding Only(string code, string model, string answer, Level level = Level.Conceptual) =>
        Only(code, model, answer, new CrowsFootOptions { Level = level });

    /// <summary>The one root finding of an answer: its code, and every marked place among the elements that it shows.</summary>
    private protected static Finding Only(string code, string model, string answer, NotationOptions options)
    {
        var (wanted, drawn) = (Markup.Parse(model, options.Notation), Markup.Parse(answer, options.Notation));
        var findings = Exercise.Of(wanted.Drawing, options).Assess(drawn.Drawing, []).Findings;
        var roots = findings.Where(finding => finding.ConsequenceOf is null).ToList();
        roots.Select(finding => finding.Code).ShouldBe([code]);
        wanted.Marked.ShouldBeSubsetOf(roots[0].ModelElements);
        drawn.Marked.ShouldBeSubsetOf(roots[0].AnswerElements);
        (wanted.Marked.Count + drawn.Marked.Count).ShouldBeGreaterThan(0, "no place is marked");
        return roots[0];
    }

    /// <summary>Nothing is alleged of this answer.</summary>
    private protected static void Nothing(string model, string answer, Level level = Level.Conceptual) =>
        Codes(model, answer, level).ShouldBeEmpty();

    private protected static IEnumerable<string> Codes(string model, string answer, Level level = Level.Conceptual) =>
        Codes(model, answer, new CrowsFootOptions { Level = level });

    /// <summary>The codes of the root findings of an answer, in order.</summary>
    private protected static IEnumerable<string> Codes(string model, string answer, NotationOptions options) =>
        Exercise
            .Of(Markup.Parse(model, options.Notation).Drawing, options)
            .Assess(Markup.Parse(answer, options.Notation).Drawing, [])
            .Findings.Where(finding => finding.ConsequenceOf is null)
            .Select(finding => finding.Code);

    private protected static void Says(Finding finding, string headline, string there, string wanted, string why)
    {
        finding.Headline.ShouldBe(headline);
        finding.There.ShouldBe(there);
        finding.Wanted.ShouldBe(wanted);
        finding.Why.ShouldBe(why);
    }
}
