using BlueSlate.Core.Concepts;
using BlueSlate.Core.Notations;

namespace BlueSlate.Core.Checking;

/// <summary>Where on the model answer a fact is drawn, so that it can be edited at its symbol.</summary>
public static class FactSymbol
{
    /// <summary>The element of the drawing that says the fact.</summary>
    public static string Of(Fact fact, Reading model, NotationOptions options)
    {
        if (fact.Aspect is not (Aspect.Min or Aspect.Max))
        {
            return fact.ConceptId;
        }

        var relationship = model.Model.Relationships.FirstOrDefault(one => one.Roles.Any(role => role.Id == fact.ConceptId));
        return relationship is null ? fact.ConceptId
            : Notation.Of(options.Notation).WhereCountStands(relationship, relationship.Roles.First(role => role.Id == fact.ConceptId), fact.Aspect == Aspect.Min, options);
    }
}
