using System.Collections.Frozen;

namespace BlueSlate.Core.Language;

/// <summary>Common abbreviations in names of data, spelled out. A word that is none is given back as it is.</summary>
internal static class Abbreviations
{
    private static readonly FrozenDictionary<string, string[]> Known = new Dictionary<string, string[]>
    {
        ["no"] = ["number"],
        ["nr"] = ["number"],
        ["num"] = ["number"],
        ["#"] = ["number"],
        ["nbr"] = ["number"],
        ["qty"] = ["quantity"],
        ["amt"] = ["amount"],
        ["addr"] = ["address"],
        ["dob"] = ["birth", "date"],
        ["tel"] = ["phone"],
        ["telephone"] = ["phone"],
        ["telefone"] = ["phone"],
        ["telefon"] = ["phone"],
        ["nummer"] = ["number"],
        ["datum"] = ["date"],
        ["mobile"] = ["phone"],
        ["desc"] = ["description"],
        ["descr"] = ["description"],
        ["ident"] = ["id"],
        ["identifier"] = ["id"],
        ["reference"] = ["ref"],
        ["max"] = ["maximum"],
        ["pub"] = ["publication"],
        ["wt"] = ["weight"],
        ["arr"] = ["arrival"],
        ["dep"] = ["departure"],
        ["lbl"] = ["label"],
        ["regd"] = ["registered"],
        ["bday"] = ["birthday"],
        ["doj"] = ["join", "date"],
        ["cnt"] = ["count"],
        ["hr"] = ["hour"],
        ["ppl"] = ["person"],
        ["firstname"] = ["first", "name"],
        ["lastname"] = ["last", "name"],
        ["surname"] = ["last", "name"],
        ["forename"] = ["first", "name"],
        ["dept"] = ["department"],
        ["org"] = ["organisation"],
        ["pct"] = ["percent"],
        ["lat"] = ["latitude"],
        ["lon"] = ["longitude"],
        ["lng"] = ["longitude"],
        ["temp"] = ["temperature"],
        ["yr"] = ["year"],
        ["mins"] = ["minute"],
        ["hrs"] = ["hour"],
        ["fname"] = ["first", "name"],
        ["lname"] = ["last", "name"],
        ["pwd"] = ["password"],
        ["img"] = ["image"],
        ["loc"] = ["location"],
        ["vis"] = ["visit"],
        ["mail"] = ["email"],
    }.ToFrozenDictionary(StringComparer.Ordinal);

    public static string[] SpellOut(string word) => Known.TryGetValue(word, out var words) ? words : [word];
}
