using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Concepts;
using BlueSlate.Core.Subjects.Concepts.Checking;
using BlueSlate.Core.Subjects.Concepts.Matching;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Tests;

/// <summary>What an assessment of concepts holds besides what every subject's does.</summary>
internal static class OfConcepts
{
    extension(Comparison comparison)
    {
        public Correspondence Correspondence => ((ConceptComparison)comparison).Correspondence;

        public Reading Model => ((ConceptComparison)comparison).Model;
    }

    extension(Assessment assessment)
    {
        public Reading Reading => ((ConceptJudgement)assessment.Judgement).Drawn;

        public Drawing ModelDrawing => (Drawing)assessment.ModelAnswer;
    }
}
