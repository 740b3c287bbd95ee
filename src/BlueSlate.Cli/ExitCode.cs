namespace BlueSlate.Cli;

/// <summary>What the process ends with; documented in docs/command-line.md.</summary>
internal static class ExitCode
{
    public const int Done = 0;

    /// <summary>Some files could not be read; all others were done.</summary>
    public const int SomeUnread = 1;

    /// <summary>The command line or the exercise is wrong; nothing was done.</summary>
    public const int Usage = 2;

    /// <summary>Stopped from outside; what had been written is whole.</summary>
    public const int Stopped = 3;
}
