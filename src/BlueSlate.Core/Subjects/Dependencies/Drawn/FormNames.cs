using System.Text.RegularExpressions;

namespace BlueSlate.Core.Subjects.Dependencies.Drawn;

/// <summary>What normal forms are called, and which one is meant by a title.</summary>
internal static partial class FormNames
{
    /// <summary>In running text: <c>second normal form</c>.</summary>
    public static string Of(NormalForm form) =>
        form switch
        {
            NormalForm.First => "first normal form",
            NormalForm.Second => "second normal form",
            NormalForm.Third => "third normal form",
            NormalForm.BoyceCodd => "Boyce-Codd normal form",
            _ => "fourth normal form",
        };

    /// <summary>As a title: <c>2NF</c>.</summary>
    public static string Short(NormalForm form) =>
        form == NormalForm.BoyceCodd ? "BCNF" : $"{(form == NormalForm.Fourth ? 4 : (int)form + 1)}NF";

    /// <summary>The form that a title claims; null where it claims none.</summary>
    public static NormalForm? Claimed(string title)
    {
        var found = ClaimPattern().Match(title);
        return !found.Success ? null
            : found.Groups["bc"].Success ? NormalForm.BoyceCodd
            : found.Groups["one"].Success ? NormalForm.First
            : found.Groups["two"].Success ? NormalForm.Second
            : found.Groups["three"].Success ? NormalForm.Third
            : NormalForm.Fourth;
    }

    /// <summary>Whether a title says that what is under it is not normalised yet.</summary>
    public static bool IsUnnormalised(string title) => UnnormalisedPattern().IsMatch(title);

    [GeneratedRegex(
        @"\b(?:(?<bc>bcnf|boyce)|(?:(?<one>1|first|1st)|(?<two>2|second|2nd)|(?<three>3|third|3rd)|(?<four>4|fourth|4th))"
            + @"[\s-]*(?:nf\b|normal\s+form))",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex ClaimPattern();

    /// <summary>Whether a title says that what is under it was put together again.</summary>
    public static bool IsDenormalised(string title) => DenormalisedPattern().IsMatch(title);

    [GeneratedRegex(@"\bde-?normali[sz]ed\b", RegexOptions.IgnoreCase)]
    private static partial Regex DenormalisedPattern();

    [GeneratedRegex(@"\b(?:unf|[0o]nf|un-?normali[sz]ed|not normali[sz]ed)\b", RegexOptions.IgnoreCase)]
    private static partial Regex UnnormalisedPattern();
}
