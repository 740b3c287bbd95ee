using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Matching;

/// <summary>
/// Types that are things of the drawings: where <c>Booking</c> is drawn as <c>Reservation</c>, an operation that returns the one
/// returns the other.
/// </summary>
internal sealed class DrawnTypes
{
    private readonly Dictionary<string, string> answerNameOf = new(StringComparer.Ordinal);

    /// <summary>Takes the types of two drawings by which entity stands for which, by id.</summary>
    public DrawnTypes(ConceptModel model, ConceptModel answer, IEnumerable<(string Model, string Answer)> entities)
    {
        var drawn = answer.Entities.ToDictionary(entity => entity.Id, entity => Name.Of(entity.Name).Key, StringComparer.Ordinal);
        var wanted = model.Entities.ToDictionary(entity => entity.Id, entity => Name.Of(entity.Name).Key, StringComparer.Ordinal);
        foreach (var (one, other) in entities)
        {
            answerNameOf.TryAdd(wanted[one], drawn[other]);
        }
    }

    /// <summary>Whether a type written in the answer is the one wanted: of the same family, or the thing that stands for it.</summary>
    public bool Same(string wanted, string drawn) =>
        TypeFamily.Same(wanted, drawn)
        || (answerNameOf.TryGetValue(Name.Of(wanted).Key, out var other) && other == Name.Of(drawn).Key);
}
