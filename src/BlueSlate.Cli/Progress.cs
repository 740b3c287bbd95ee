namespace BlueSlate.Cli;

/// <summary>Shows how far the work is, on a terminal only; problems go to standard error in any case.</summary>
internal sealed class Progress(int total) : IDisposable
{
    private readonly bool terminal = !Console.IsErrorRedirected;
    private readonly Lock gate = new();
    private int done;

    public void Step()
    {
        lock (gate)
        {
            done++;
            if (terminal && (done % 10 == 0 || done == total))
            {
                Console.Error.Write($"\r{done} of {total} checked ");
            }
        }
    }

    public void Report(string problem)
    {
        lock (gate)
        {
            Console.Error.WriteLine((terminal ? "\r" : "") + "blueslate: " + problem);
        }
    }

    public void Finish(string summary) => Console.Out.WriteLine((terminal ? "\r" : "") + summary);

    public void Dispose()
    {
        if (terminal && done < total)
        {
            Console.Error.WriteLine();
        }
    }
}
