using System.IO.Compression;
using BlueSlate.Core.Language;
using Shouldly;

namespace BlueSlate.Core.Tests.Language;

/// <summary>The shipped lexicon as it is looked things up in.</summary>
public sealed class LexiconTests
{
    [Fact]
    public void Every_word_that_is_shipped_is_found_by_itself()
    {
        var words = Lines('w').Select(line => line[2..line.IndexOf('\t')]).ToList();

        words.Count.ShouldBeGreaterThan(80_000);
        words
            .Where((_, at) => at % 97 == 0 || at == words.Count - 1)
            .ShouldAllBe(word => Lexicon.English.Find(word)!.Word == word);
    }

    [Theory]
    [InlineData("")]
    [InlineData("zzzzz")]
    [InlineData("0")]
    [InlineData("telescopé")]
    [InlineData("telescop")]
    [InlineData("telescopee")]
    [InlineData("~")]
    public void What_is_not_shipped_is_not_found(string word) => Lexicon.English.Find(word).ShouldBeNull();

    [Fact]
    public void Irregular_forms_lead_to_their_basic_forms()
    {
        Lexicon.English.IrregularNoun("mice").ShouldBe("mouse");
        Lexicon.English.IrregularVerb("written").ShouldBe("write");
        Lexicon.English.IrregularNoun("telescopes").ShouldBeNull();
    }

    [Fact]
    public void Nearer_kinds_are_closer()
    {
        var (telescope, binoculars, idea) = (
            Lexicon.English.Find("telescope")!,
            Lexicon.English.Find("binoculars")!,
            Lexicon.English.Find("idea")!
        );

        Lexicon.English.Closeness(telescope, telescope).ShouldBe(1);
        Lexicon.English.Closeness(telescope, binoculars).ShouldBeGreaterThan(Lexicon.English.Closeness(telescope, idea));
        Lexicon.English.Closeness(telescope, binoculars).ShouldBe(Lexicon.English.Closeness(binoculars, telescope));
    }

    private static List<string> Lines(char kind)
    {
        using var packed = new GZipStream(
            typeof(Lexicon).Assembly.GetManifestResourceStream("lexicon/words.gz")!,
            CompressionMode.Decompress
        );
        using var reader = new StreamReader(packed);
        return [.. reader.ReadToEnd().Split('\n').Where(line => line.StartsWith(kind))];
    }
}
