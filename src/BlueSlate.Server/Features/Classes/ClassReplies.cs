using BlueSlate.Core.Judging;
using BlueSlate.Core.Marking;
using BlueSlate.Server.Features.Marking;

namespace BlueSlate.Server.Features.Classes;

/// <summary>The part that a class has worked on.</summary>
/// <param name="Id">The part.</param>
/// <param name="ExerciseId">Of which exercise.</param>
/// <param name="Exercise">The exercise's title.</param>
/// <param name="Part">The part's title.</param>
/// <param name="Marks">What it is worth.</param>
/// <param name="Model">The model answer.</param>
public sealed record ClassPart(Guid Id, Guid ExerciseId, string Exercise, string Part, Rational Marks, string Model);

/// <summary>One answer to the part, where the replies speak of it by its place, and how long it took with all its parts.</summary>
public sealed record ClassWork(Guid Id, string Code, AnswerState State, bool Doubtful, bool Late, Rational Total, int? Minutes);

/// <summary>Where a difference is found.</summary>
/// <param name="Work">The answer, by its place.</param>
/// <param name="Finding">The finding there.</param>
/// <param name="Decision">What was decided on it; null for nothing.</param>
public sealed record DifferencePlace(int Work, string Finding, Decision? Decision);

/// <summary>What was decided on a difference for all.</summary>
public sealed record ClassDecision(Decision Decision, Rational? Part, string Comment);

/// <summary>A difference that some answers of the class share.</summary>
/// <param name="Key">What their notes have in common.</param>
/// <param name="Code">The kind of finding.</param>
/// <param name="Tag">The word that it carries.</param>
/// <param name="Headline">The difference in one sentence.</param>
/// <param name="Loss">What it costs them together.</param>
/// <param name="Marked">Whether any line of the scheme uses it.</param>
/// <param name="ForAll">What was decided for all of them.</param>
/// <param name="Places">Where it is found.</param>
public sealed record DifferenceReply(
    string Key,
    string Code,
    Tag Tag,
    string Headline,
    Rational Loss,
    bool Marked,
    ClassDecision? ForAll,
    DifferencePlace[] Places
);

/// <summary>The differences of a class in a part: what costs it most first.</summary>
/// <param name="Part">The part.</param>
/// <param name="Works">The answers that are checked, by their codes.</param>
/// <param name="Waiting">How many more are being checked, or could not be.</param>
/// <param name="Blind">How many are left out, since the caller has to mark them blind first.</param>
/// <param name="Differences">The differences.</param>
/// <param name="MayRelease">Whether the caller teaches the class, and does not only mark.</param>
public sealed record DifferencesReply(
    ClassPart Part,
    ClassWork[] Works,
    int Waiting,
    int Blind,
    DifferenceReply[] Differences,
    bool MayRelease
);

/// <summary>Which answers become gone through.</summary>
public sealed record GoneThroughRequest(Guid[] Works);

/// <summary>How many did.</summary>
public sealed record GoneThroughReply(int Works);

/// <summary>What some answers have in place of what is wanted.</summary>
public sealed record DrawnAsReply(string Drawn, int[] Works);

/// <summary>A fact of the model answer in the answers of the class. Whoever is not named has it.</summary>
/// <param name="Id">The fact.</param>
/// <param name="Concept">The element of the model answer that says it.</param>
/// <param name="Kind">What it is about.</param>
/// <param name="Title">A few words for people.</param>
/// <param name="Value">What is wanted.</param>
/// <param name="Otherwise">Who has something else.</param>
/// <param name="Absent">Who has nothing.</param>
public sealed record FactCountReply(
    string Id,
    string Concept,
    string Kind,
    string Title,
    string Value,
    DrawnAsReply[] Otherwise,
    int[] Absent
);

/// <summary>Where something was drawn besides.</summary>
public sealed record ExtraPlace(int Work, string Element);

/// <summary>Something that was drawn besides.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Name">Its name.</param>
/// <param name="Near">The things of the model answer beside which it stands.</param>
/// <param name="Places">Where.</param>
public sealed record ExtraCountReply(string Kind, string Name, string[] Near, ExtraPlace[] Places);

/// <summary>A line of the scheme in the answers of the class.</summary>
/// <param name="Id">The line.</param>
/// <param name="Title">Its title.</param>
/// <param name="Marks">What it is worth.</param>
/// <param name="Share">The mean share of it that was earned, from 0 to 1.</param>
/// <param name="Tells">How well it tells strong answers from weak ones, from −1 to 1; null where that cannot be said.</param>
/// <param name="Lost">Who did not earn all of it.</param>
public sealed record LineCountReply(string Id, string Title, Rational Marks, Rational Share, double? Tells, int[] Lost);

/// <summary>How many have a finding of one kind.</summary>
public sealed record KindCountReply(string Code, string Title, int[] Works);

/// <summary>What a class drew, seen from the model answer.</summary>
/// <param name="Part">The part.</param>
/// <param name="Works">The answers that are checked, by their codes.</param>
/// <param name="Blind">How many are left out, since the caller has to mark them blind first.</param>
/// <param name="ByVariant">Those that were held against another accepted answer.</param>
/// <param name="Facts">The facts.</param>
/// <param name="Extras">What was drawn besides.</param>
/// <param name="Lines">The lines of the scheme.</param>
/// <param name="Kinds">The kinds of findings.</param>
public sealed record ClassPictureReply(
    ClassPart Part,
    ClassWork[] Works,
    int Blind,
    int[] ByVariant,
    FactCountReply[] Facts,
    ExtraCountReply[] Extras,
    LineCountReply[] Lines,
    KindCountReply[] Kinds
);
