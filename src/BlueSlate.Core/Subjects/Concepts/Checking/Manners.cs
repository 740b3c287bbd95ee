using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Concepts.Matching;

namespace BlueSlate.Core.Subjects.Concepts.Checking;

/// <summary>Half right by another way of drawing.</summary>
internal sealed record DrawnAnotherWay(RestatedMatch By) : Manner;

/// <summary>A key that is drawn as one attribute that was invented, beside the whole key that is wanted.</summary>
internal sealed record KeyOfOwnNumber : Manner;

/// <summary>The manners that verdicts about concepts know.</summary>
internal static class Manners
{
    extension(Verdict verdict)
    {
        /// <summary>The other way of drawing by which it is half right, or null.</summary>
        public RestatedMatch? RestatedBy => (verdict.Manner as DrawnAnotherWay)?.By;

        /// <summary>Whether a key is drawn as one attribute that was invented, beside the whole key that is wanted.</summary>
        public bool ByOwnNumber => verdict.Manner is KeyOfOwnNumber;
    }
}
