using System.Text.Json.Serialization;

namespace BlueSlate.Core.Judging;

/// <summary>What somebody hands in for one part, as written or drawn. What it means is its subject's to say.</summary>
public interface IDocument
{
    /// <summary>Whether there is nothing in it.</summary>
    bool IsBlank { get; }

    /// <summary>Whether an id names a part of it.</summary>
    bool Has(string element);

    /// <summary>What another document could have in common with it.</summary>
    Traits Traits { get; }
}

/// <summary>What a class has learned of the ways of writing or drawing its work. Every subject has its own.</summary>
public abstract record WorkOptions
{
    /// <summary>The name of the subject whose work it is.</summary>
    [JsonIgnore]
    public abstract string SubjectName { get; }

    /// <summary>The name of the way of writing or drawing: <c>chen</c>. In documents it says what the rest means.</summary>
    [JsonPropertyOrder(-1)]
    public abstract string Notation { get; }

    /// <summary>What makes no sense in them, each with a code and the property that says so.</summary>
    public virtual IEnumerable<(string Code, string Said, string Property)> Problems() => [];
}
