using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Soundness;

internal sealed class DuplicateNames : FormRule
{
    public override string Code => "duplicate-name";

    public override IEnumerable<FormRemark> Remarks(Reading reading, NotationOptions options) =>
        Twice(reading.Model.Entities, entity => entity.Name)
            .Select(twice => Say($"Two boxes are called {twice[0].Name}.", [.. twice.Select(entity => entity.Id)]))
            .Concat(
                reading.Model.Entities.SelectMany(entity =>
                    Twice(entity.Attributes, attribute => attribute.Name)
                        .Select(twice =>
                            Say($"{NameOf(entity)} has {twice[0].Name} twice.", [.. twice.Select(attribute => attribute.Id)])
                        )
                )
            );

    private static IEnumerable<List<T>> Twice<T>(IEnumerable<T> things, Func<T, string> nameOf) =>
        things
            .Where(thing => nameOf(thing).Trim().Length > 0)
            .GroupBy(thing => Name.Of(nameOf(thing)).Key, StringComparer.Ordinal)
            .Select(group => group.ToList())
            .Where(group => group.Count > 1);
}
