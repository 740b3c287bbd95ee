using System.Buffers.Binary;
using System.IO.Hashing;
using System.Text;

namespace BlueSlate.Drafting.Painting;

/// <summary>One uncompressed international text chunk of a PNG (RFC 2083; ISO/IEC 15948, 11.3.3.4).</summary>
internal static class PngText
{
    /// <summary>With what a PNG begins.</summary>
    public static ReadOnlySpan<byte> Signature => [0x89, (byte)'P', (byte)'N', (byte)'G', 0x0D, 0x0A, 0x1A, 0x0A];

    /// <summary>The picture with a text behind its header.</summary>
    public static byte[] Add(byte[] png, string keyword, string text)
    {
        // Keyword, no compression, no language, no translated keyword, each ended by a zero.
        byte[] data = [.. Encoding.Latin1.GetBytes(keyword), 0, 0, 0, 0, 0, .. Encoding.UTF8.GetBytes(text)];
        byte[] typed = [.. "iTXt"u8, .. data];
        var chunk = new byte[typed.Length + 8];
        BinaryPrimitives.WriteInt32BigEndian(chunk, data.Length);
        typed.CopyTo(chunk, 4);
        BinaryPrimitives.WriteUInt32BigEndian(chunk.AsSpan(typed.Length + 4), Crc32.HashToUInt32(typed));
        var header = Signature.Length + 8 + BinaryPrimitives.ReadInt32BigEndian(png.AsSpan(Signature.Length)) + 4;
        return [.. png.AsSpan(0, header), .. chunk, .. png.AsSpan(header)];
    }

    /// <summary>The text that was put in under a keyword, or null.</summary>
    public static string? Find(byte[] png, string keyword)
    {
        byte[] start = [.. Encoding.Latin1.GetBytes(keyword), 0, 0, 0, 0, 0];
        for (var at = Signature.Length; at + 12 <= png.Length; )
        {
            var length = BinaryPrimitives.ReadInt32BigEndian(png.AsSpan(at));
            if (length < 0 || length > png.Length - at - 12)
            {
                return null;
            }

            var data = png.AsSpan(at + 8, length);
            if (png.AsSpan(at + 4, 4).SequenceEqual("iTXt"u8) && data.StartsWith(start))
            {
                return Encoding.UTF8.GetString(data[start.Length..]);
            }

            at += length + 12;
        }

        return null;
    }
}
