using System.CommandLine;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations;

namespace BlueSlate.Cli;

/// <summary>In which notation a drawing is read or written: any that any subject has.</summary>
internal static class NotationOption
{
    /// <summary>The option itself.</summary>
    public static Option<string> Create()
    {
        var notation = new Option<string>("--notation")
        {
            Description = "The notation it is drawn in; crow's foot when none is given.",
            DefaultValueFactory = _ => NotationNames.CrowsFoot,
        };
        notation.AcceptOnlyFromAmong([.. Subject.All.SelectMany(subject => subject.OptionTypes.Keys)]);
        return notation;
    }

    /// <summary>What is usual in a notation, at a level where it has levels.</summary>
    public static WorkOptions Of(string notation, Level level)
    {
        var type = Subject
            .All.Select(subject => subject.OptionTypes.GetValueOrDefault(notation))
            .First(found => found is not null)!;
        return typeof(NotationOptions).IsAssignableFrom(type)
            ? Notation.Of(notation).Usual with
            {
                Level = level,
            }
            : (WorkOptions)Activator.CreateInstance(type)!;
    }
}
