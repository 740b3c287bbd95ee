using BlueSlate.Core.Drawings;
using BlueSlate.Core.Language;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Notations.Chen;
using BlueSlate.Core.Notations.CrowsFoot;
using BlueSlate.Core.Notations.Uml;
using CsCheck;
using Shouldly;

namespace BlueSlate.Core.Tests.Notations;

/// <summary>Where things stand says nothing: whatever is drawn, in whatever notation, means the same wherever it is put.</summary>
public sealed class PlacesTests
{
    [Theory]
    [InlineData(NotationNames.Chen)]
    [InlineData(NotationNames.CrowsFoot)]
    [InlineData(NotationNames.Uml)]
    public void Wherever_it_is_put_a_drawing_says_the_same(string notation)
    {
        NotationOptions options = notation switch
        {
            NotationNames.Chen => new ChenOptions(),
            NotationNames.Uml => new UmlOptions(),
            _ => new CrowsFootOptions(),
        };
        RandomDrawings
            .Any.Select(Gen.Int[0, 100_000])
            .Sample((drawing, seed) => Said(Shuffle.Places(drawing, seed), options).ShouldBe(Said(drawing, options)), iter: 1000);
    }

    private static string Said(Drawing drawing, NotationOptions options)
    {
        var reading = Notation.Read(drawing, options);
        return string.Join('\n', SentenceWriter.Write(reading).Select(sentence => $"{sentence.Text} {sentence.StillOpen}"))
            + string.Join('\n', reading.Remarks.Select(remark => $"{remark.Kind} {remark.ElementId}"));
    }
}
