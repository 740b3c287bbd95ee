using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Preparing;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Preparing;

/// <summary>The words say that an attribute has several values where the model answer draws one.</summary>
internal sealed class OtherManners : ConceptPreflightKind
{
    public override string Name => "other-manner";

    public override int Order => 2;

    public override string Title => "Words against the model answer";

    public override IEnumerable<PreflightItem> Find(ConceptPreflight one)
    {
        return from entity in one.Model.Entities
            from attribute in entity.Attributes
            where attribute is { Multivalued: false, ForeignKey: null } && attribute.Values == Count.Unsaid
            where !IsCount(attribute.Name)
            where one.IsOpen($"attribute:{attribute.Id}", attribute.Id)
            let words = Language.Name.Of(attribute.Name).Without(Language.Name.Of(entity.Name)).Words
            from said in one.Spoken.Of(entity.Id)
            let amounts = QuantityReader.Read(said.Sentence)
            from end in said.Sentence.Find(words)
            let amount = amounts.LastOrDefault(pair => pair.Value.End == end - words.Length)
            where amount.Value.Says is { Counts: true, Max: > 1 }
            select Item(
                attribute.Id,
                $"“{one.PlaceOf(said.Block, said.Sentence, amount.Key, end).Quote}” says that "
                    + $"{Phrasing.One(entity.Name)} may have several; "
                    + $"the model answer draws one {Phrasing.InText(attribute.Name)}."
            ) with
            {
                Places = [one.PlaceOf(said.Block, said.Sentence, amount.Key, end)],
                Elements = [ConceptId.Of(attribute.Id).Element],
            };
    }

    // So many seats are one number.
    private static bool IsCount(string name) => WordSplitter.Split(name) is [.., var last] && Inflection.IsPlural(last);
}
