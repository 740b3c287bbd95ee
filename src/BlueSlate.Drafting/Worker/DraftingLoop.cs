namespace BlueSlate.Drafting.Worker;

/// <summary>What a drafting process does until the one that started it is gone: take a request, do it, answer.</summary>
public static class DraftingLoop
{
    /// <summary>Runs on the streams of this process.</summary>
    public static async Task<int> RunAsync(Stream input, Stream output)
    {
        // The layout engine is made ready before it is needed.
        using (new LayoutEngine()) { }

        while (await Frames.ReadAsync<DraftRequest>(input, CancellationToken.None) is { } request)
        {
            foreach (var reply in DraftingTable.Do(request))
            {
                await Frames.WriteAsync(output, reply, CancellationToken.None);
            }
        }

        return 0;
    }
}
