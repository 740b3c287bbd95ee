using BlueSlate.Drafting.Painting;
using BlueSlate.Drafting.Worker;
using BlueSlate.Server.Hosting;

namespace BlueSlate.Server.Features.Drawings;

/// <summary>A picture as a file that is saved, never shown by the server itself.</summary>
internal static class PictureFile
{
    /// <summary>The answer to a scale that no picture has; null for others.</summary>
    public static IResult? Refusal(double scale) =>
        scale is < 0.25 or > 8 ? Problems.Unreadable("scale", "A picture's scale is from a quarter to eight.", "scale") : null;

    /// <summary>The file.</summary>
    public static IResult Of(DraftReply reply, PictureFormat format, string name) =>
        TypedResults.File(
            reply.Picture!,
            format switch
            {
                PictureFormat.Svg => "image/svg+xml",
                PictureFormat.Png => "image/png",
                _ => "application/pdf",
            },
            $"{name}.{format.ToString().ToLowerInvariant()}"
        );
}
