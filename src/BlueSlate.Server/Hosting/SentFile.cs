namespace BlueSlate.Server.Hosting;

/// <summary>A file that comes as the body of a request.</summary>
internal static class SentFile
{
    /// <summary>All of it, from its beginning; null when it has more bytes than these, and then no more of it is read.</summary>
    public static async Task<MemoryStream?> ReadAsync(Stream body, int most, CancellationToken cancellation)
    {
        var copy = new MemoryStream();
        var buffer = new byte[64 * 1024];
        for (int read; (read = await body.ReadAsync(buffer, cancellation)) > 0; )
        {
            copy.Write(buffer, 0, read);
            if (copy.Length > most)
            {
                return null;
            }
        }

        copy.Position = 0;
        return copy;
    }
}
