using System.Buffers.Binary;
using System.Text.Json;

namespace BlueSlate.Drafting.Worker;

/// <summary>Messages between a server and its drafting processes: JSON, with its length in four bytes before it.</summary>
public static class Frames
{
    private const int Longest = 256 << 20;

    /// <summary>Writes one message.</summary>
    public static async Task WriteAsync<T>(Stream stream, T message, CancellationToken cancellation)
    {
        var bytes = JsonSerializer.SerializeToUtf8Bytes(message);
        var head = new byte[4];
        BinaryPrimitives.WriteInt32LittleEndian(head, bytes.Length);
        await stream.WriteAsync(head, cancellation);
        await stream.WriteAsync(bytes, cancellation);
        await stream.FlushAsync(cancellation);
    }

    /// <summary>The next message, or null where there is none any more.</summary>
    public static async Task<T?> ReadAsync<T>(Stream stream, CancellationToken cancellation)
        where T : class
    {
        var head = new byte[4];
        if (await stream.ReadAtLeastAsync(head, head.Length, throwOnEndOfStream: false, cancellation) < head.Length)
        {
            return null;
        }

        var length = BinaryPrimitives.ReadInt32LittleEndian(head);
        if (length is < 0 or > Longest)
        {
            return null;
        }

        var bytes = new byte[length];
        return await stream.ReadAtLeastAsync(bytes, length, throwOnEndOfStream: false, cancellation) < length
            ? null
            : JsonSerializer.Deserialize<T>(bytes);
    }
}
