using BlueSlate.Core.Checking;
using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Marking;
using BlueSlate.Core.Notations.CrowsFoot;

namespace BlueSlate.Core.Tests;

/// <summary>Makes assessors for tests, with the scheme derived from the model answer.</summary>
internal static class Exercise
{
    public static Assessor Of(Drawing model, Level level = Level.Conceptual, params Tolerance[] tolerances)
    {
        var options = new CrowsFootOptions(level);
        var facts = FactList.Of(CrowsFootReader.Read(model, options), options);
        return new Assessor(model, options, tolerances, SchemeDeriver.Derive(facts, 40));
    }

    public static Reading Read(Drawing drawing, Level level = Level.Conceptual) => CrowsFootReader.Read(drawing, new CrowsFootOptions(level));
}
