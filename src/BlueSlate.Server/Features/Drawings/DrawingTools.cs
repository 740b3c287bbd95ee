using BlueSlate.Core.Crossing;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Subjects.Concepts.Model;
using BlueSlate.Drafting.Painting;
using BlueSlate.Drafting.Worker;
using BlueSlate.Server.Features.Drafting;
using BlueSlate.Server.Features.Exercises;
using BlueSlate.Server.Hosting;
using Microsoft.AspNetCore.Mvc;

namespace BlueSlate.Server.Features.Drawings;

/// <summary>Finds the part for which something is drawn, or says why there is none.</summary>
public delegate Task<(PartDocument? Part, IResult? Refusal)> PartOf(Guid id, Access access, CancellationToken cancellation);

/// <summary>
/// What the core does for whoever draws: amend by sentences, redraw in another notation, lift and push down. Each takes a
/// drawing and gives a drawing; nothing is stored. The same endpoints stand under answers and under exercises.
/// </summary>
public static class DrawingTools
{
    private const int MostLines = 600;
    private const int LongestLine = 1000;

    /// <summary>Maps the tools below an id; whoever may draw there may use them, as far as the part's aids allow.</summary>
    /// <param name="group">The routes of answers, or of exercises.</param>
    /// <param name="prefix">What stands before the id.</param>
    /// <param name="partOf">Finds the part.</param>
    /// <param name="allowed">Which aids this person has in a part.</param>
    /// <param name="guard">Who may call.</param>
    /// <param name="forAuthors">Whether those who may call set what is drawn, and may have it done for them.</param>
    public static void MapDrawingTools(
        this RouteGroupBuilder group,
        string prefix,
        PartOf partOf,
        Func<PartDocument, AidsDocument> allowed,
        Func<RouteHandlerBuilder, RouteHandlerBuilder> guard,
        bool forAuthors = false
    )
    {
        guard(
                group.MapPost(
                    $"{prefix}/{{id:guid}}/amend",
                    (Guid id, AmendRequest request, Access access, DraftingPool pool, CancellationToken cancellation) =>
                        With<WorkOptions>(
                            id,
                            access,
                            request.Drawing,
                            aids => aids.Sentences,
                            (drawing, options) => Amend(drawing, request.Lines, options, Places(access, pool, cancellation)),
                            cancellation
                        )
                )
            )
            .Produces<AmendReply>();
        guard(
                group.MapPost(
                    $"{prefix}/{{id:guid}}/redraw",
                    (Guid id, RedrawRequest request, Access access, DraftingPool pool, CancellationToken cancellation) =>
                        With<NotationOptions>(
                            id,
                            access,
                            request.Drawing,
                            aids => aids.Redraw,
                            (drawing, options) => Redraw(drawing, request.Notation, options, Places(access, pool, cancellation)),
                            cancellation
                        )
                )
            )
            .Produces<RedrawReply>();
        guard(
                group.MapPost(
                    $"{prefix}/{{id:guid}}/members",
                    (Guid id, MembersRequest request, Access access, CancellationToken cancellation) =>
                        With<NotationOptions>(
                            id,
                            access,
                            request.Drawing,
                            aids => aids.Lifting,
                            (drawing, options) => Task.FromResult(Members(drawing, request.Shapes, options)),
                            cancellation
                        )
                )
            )
            .Produces<MembersReply>();
        guard(
                group.MapPost(
                    $"{prefix}/{{id:guid}}/lift",
                    (Guid id, LiftRequest request, Access access, DraftingPool pool, CancellationToken cancellation) =>
                        With<NotationOptions>(
                            id,
                            access,
                            request.Drawing,
                            aids => aids.Lifting,
                            (drawing, options) => Lift(drawing, request, options, Places(access, pool, cancellation)),
                            cancellation
                        )
                )
            )
            .Produces<RedrawReply>();
        guard(
                group.MapPost(
                    $"{prefix}/{{id:guid}}/push-down",
                    (Guid id, PushDownRequest request, Access access, DraftingPool pool, CancellationToken cancellation) =>
                        With<NotationOptions>(
                            id,
                            access,
                            request.Drawing,
                            aids => aids.Lifting,
                            (drawing, options) => PushDown(drawing, request.Shape, options, Places(access, pool, cancellation)),
                            cancellation
                        )
                )
            )
            .Produces<RedrawReply>();

        guard(
                group.MapPost(
                    $"{prefix}/{{id:guid}}/do",
                    (Guid id, DeedRequest request, Access access, DraftingPool pool, CancellationToken cancellation) =>
                        With<WorkOptions>(
                            id,
                            access,
                            request.Drawing,
                            _ => true,
                            (drawing, options) => Do(drawing, request, options, forAuthors, Places(access, pool, cancellation)),
                            cancellation
                        )
                )
            )
            .Produces<RedrawReply>();
        guard(
                group.MapPost(
                    $"{prefix}/{{id:guid}}/picture",
                    (Guid id, PictureRequest request, Access access, DraftingPool pool, CancellationToken cancellation) =>
                        With<WorkOptions>(
                            id,
                            access,
                            request.Drawing,
                            _ => true,
                            (drawing, options) => Paint(drawing, request, options, access, pool, cancellation),
                            cancellation
                        )
                )
            )
            .Produces(StatusCodes.Status200OK, contentType: "application/octet-stream");
        guard(
                group.MapPost(
                    $"{prefix}/{{id:guid}}/open",
                    async (Guid id, HttpRequest request, Access access, DraftingPool pool, CancellationToken cancellation) =>
                        (await partOf(id, access, cancellation)).Refusal
                        ?? await Open(request.Body, Places(access, pool, cancellation), cancellation)
                )
            )
            .WithMetadata(new RequestSizeLimitAttribute(PictureInside.MostBytes))
            .Produces<OpenedReply>();

        async Task<IResult> With<TOptions>(
            Guid id,
            Access access,
            string text,
            Func<AidsDocument, bool> aid,
            Func<Drawing, TOptions, Task<IResult>> tool,
            CancellationToken cancellation
        )
            where TOptions : WorkOptions
        {
            var (part, refusal) = await partOf(id, access, cancellation);
            if (part is null)
            {
                return refusal!;
            }

            if (!aid(allowed(part)))
            {
                return Problems.NotAllowed("This aid is off in this exercise.");
            }

            if (part.Learned is not TOptions learned)
            {
                return Problems.NotAllowed("What is wanted in this part is not drawn in a notation that can do this.");
            }

            var (drawing, unreadable) = DrawingInput.Read(text);
            return drawing is null ? unreadable! : await tool(drawing, learned);
        }
    }

    /// <summary>Gives places to shapes that have none, and then answers with the drawing.</summary>
    private delegate Task<IResult> Placing(Drawing drawing, bool all, Func<string, bool, IResult> answer);

    private static Placing Places(Access access, DraftingPool pool, CancellationToken cancellation) =>
        async (drawing, all, answer) =>
        {
            var (text, simpler, refusal) = await pool.PlaceAsync(access.AccountId, drawing, all, cancellation);
            return text is null ? refusal! : answer(text, simpler);
        };

    private static async Task<IResult> Amend(Drawing drawing, string[] lines, WorkOptions options, Placing place)
    {
        if (lines.Length > MostLines || lines.Any(line => line is null || line.Length > LongestLine))
        {
            return Problems.Unreadable(
                "too-many",
                $"At most {MostLines} statements of {LongestLine} characters are taken.",
                "lines"
            );
        }

        var subject = Subject.Of(options);
        if (subject.Retype(drawing, lines, options) is not { Document: Drawing typed } said)
        {
            return Problems.NotAllowed("What is wanted in this part cannot be typed.");
        }

        var reread = DrawingReader.Read(DrawingWriter.Write(typed));
        return reread.Drawing is null
            ? Problems.Unreadable("drawing-" + reread.Problems[0].Key, reread.Problems[0].Message, "lines")
            : await place(typed, false, (text, simpler) =>
                TypedResults.Ok(
                    new AmendReply(
                        text,
                        simpler,
                        [
                            .. said.Problems.Select(problem => new LineProblemReply(
                                problem.Line,
                                problem.Problem.Start,
                                problem.Problem.Length,
                                problem.Problem.Message
                            )),
                        ],
                        [.. said.Unsaid],
                        [.. subject.Sentences(typed, options).Select(sentence => sentence.Text)]
                    )
                )
            );
    }

    private static async Task<IResult> Do(
        Drawing drawing,
        DeedRequest request,
        WorkOptions options,
        bool forAuthors,
        Placing place
    )
    {
        if (!forAuthors && Subject.Of(options).DeedsOfAuthors.Contains(request.Deed))
        {
            return Problems.NotAllowed("This is for whoever sets the exercise.");
        }

        if (request.On.Length > DrawingLimits.Shapes || Array.Exists(request.On, id => id is null))
        {
            return Problems.Unreadable("on", $"At most {DrawingLimits.Shapes} elements are taken.", "on");
        }

        return Subject.Of(options).Do(drawing, request.Deed, request.On) switch
        {
            { Document: Drawing done } => await place(done, false, (text, simpler) =>
                TypedResults.Ok(new RedrawReply(text, simpler, []))
            ),
            { } refused => Problems.Unreadable("cannot-do", refused.Problem, "on"),
            null => Problems.Unreadable("deed", "This is not done to what is drawn here.", "deed"),
        };
    }

    private static async Task<IResult> Redraw(Drawing drawing, string name, NotationOptions options, Placing place)
    {
        if (Notation.All.FirstOrDefault(notation => notation.Name == name) is not { } target)
        {
            return NoSuchNotation();
        }

        var redrawn = target.Write(
            Notation.Read(drawing, options).Model,
            name == options.Notation ? options : target.Usual with { Level = options.Level }
        );
        return await place(redrawn.Drawing, true, (text, simpler) =>
            TypedResults.Ok(new RedrawReply(text, simpler, [.. redrawn.Unsaid]))
        );
    }

    private static IResult Members(Drawing drawing, string[] shapes, NotationOptions options)
    {
        var model = Notation.Read(drawing, options).Model;
        var names = model.Entities.ToDictionary(entity => entity.Id, entity => entity.Name, StringComparer.Ordinal);
        var known = shapes.Where(names.ContainsKey).ToArray();
        return known.Length < 2
            ? Problems.Unreadable("shapes", "Choose two or more boxes.", "shapes")
            : TypedResults.Ok(
                new MembersReply([.. known.Select(id => new MemberOwner(id, names[id]))], [.. Amender.Members(model, known)])
            );
    }

    private static async Task<IResult> Lift(Drawing drawing, LiftRequest request, NotationOptions options, Placing place)
    {
        var model = Notation.Read(drawing, options).Model;
        var shapes = request
            .Shapes.Where(id => model.Entities.Any(entity => entity.Id == id))
            .Distinct(StringComparer.Ordinal)
            .ToArray();
        var own = model
            .Entities.Where(entity => shapes.Contains(entity.Id))
            .SelectMany(entity => entity.Attributes)
            .Select(attribute => attribute.Id)
            .ToHashSet(StringComparer.Ordinal);
        var name = request.Name.Trim();
        if (
            shapes.Length < 2
            || name.Length is 0 or > DrawingLimits.Text
            || request.Members.Any(group => group.Any(id => !own.Contains(id)))
        )
        {
            return Problems.Unreadable("lift", "Lifting wants two or more boxes, members of theirs, and a name.", "shapes");
        }

        return await place(Amender.Lift(drawing, shapes, name, request.Members, options), false, (text, simpler) =>
            TypedResults.Ok(new RedrawReply(text, simpler, []))
        );
    }

    private static async Task<IResult> PushDown(Drawing drawing, string shape, NotationOptions options, Placing place) =>
        Notation.Read(drawing, options).Model.Specialisations.Any(set => set.SupertypeId == shape)
            ? await place(Amender.PushDown(drawing, shape, options), false, (text, simpler) =>
                TypedResults.Ok(new RedrawReply(text, simpler, []))
            )
            : Problems.Unreadable("no-subtypes", "This box has no subtypes into which its members could go.", "shape");

    private static async Task<IResult> Paint(
        Drawing drawing,
        PictureRequest request,
        WorkOptions options,
        Access access,
        DraftingPool pool,
        CancellationToken cancellation
    )
    {
        if (PictureFile.Refusal(request.Scale) is { } unfit)
        {
            return unfit;
        }

        if (request.Only.Length > DrawingLimits.Shapes)
        {
            return Problems.Unreadable("only", $"A drawing has at most {DrawingLimits.Shapes} shapes.", "only");
        }

        if (request.Sheet.Length > 0 && drawing.Sheets.All(sheet => sheet.Id != request.Sheet))
        {
            return Problems.Unreadable("sheet", "There is no such sheet in this drawing.", "sheet");
        }

        var (text, only, sheet) = (request.Drawing, request.Only, request.Sheet);
        if (request.As.Length > 0)
        {
            var (crossed, refused) = await CrossedAsync(drawing, request, options, access, pool, cancellation);
            if (crossed is null)
            {
                return refused!;
            }

            (text, only, sheet) = (crossed, [], "");
        }

        var (reply, refusal) = await pool.DoAsync(
            access.AccountId,
            new DraftRequest(DraftKind.Paint, text)
            {
                Format = request.Format,
                Only = only,
                Scale = request.Scale,
                Sheet = sheet,
            },
            cancellation
        );
        return reply is null ? refusal! : PictureFile.Of(reply, request.Format, "drawing");
    }

    // What is meant of a drawing as one goes on with it in another notation.
    private static async Task<(string? Text, IResult? Refusal)> CrossedAsync(
        Drawing drawing,
        PictureRequest request,
        WorkOptions options,
        Access access,
        DraftingPool pool,
        CancellationToken cancellation
    )
    {
        if (Subject.All.FirstOrDefault(subject => subject.OptionTypes.ContainsKey(request.As)) is not { } subject)
        {
            return (null, Problems.Unreadable("notation", $"There is no notation “{request.As}”.", "as"));
        }

        var wanted = (WorkOptions)Activator.CreateInstance(subject.OptionTypes[request.As])!;
        var piece = new Piece(request.Sheet, [.. request.Only]);
        if (Crossings.Of(drawing, options, wanted, piece) is not Drawing crossed)
        {
            return (null, Problems.Conflict("nothing-to-take", "There is nothing here that could be drawn in that way."));
        }

        var (text, _, refusal) = await pool.PlaceAsync(access.AccountId, crossed, false, cancellation);
        return (text, refusal);
    }

    private static async Task<IResult> Open(Stream body, Placing place, CancellationToken cancellation)
    {
        using var copy = await SentFile.ReadAsync(body, PictureInside.MostBytes, cancellation);
        if (copy is null)
        {
            return Problems.Unreadable("too-large", $"A picture has at most {PictureInside.MostBytes / 1024 / 1024} MB.", "file");
        }

        if (PictureInside.Find(copy.ToArray()) is not { } text)
        {
            return Problems.Unreadable("no-drawing", "This file carries no drawing. Pictures that were saved here do.", "file");
        }

        var (drawing, refusal) = DrawingInput.Read(text);
        return drawing is null
            ? refusal!
            : await place(drawing, false, (placed, simpler) => TypedResults.Ok(new OpenedReply(placed, simpler)));
    }

    private static IResult NoSuchNotation() =>
        Problems.Unreadable(
            "notation",
            $"A notation is one of {string.Join(", ", Notation.All.Select(notation => notation.Name))}.",
            "notation"
        );
}

/// <summary>The sentences of a drawing as they were edited, a statement a line.</summary>
public sealed record AmendRequest(string Drawing, string[] Lines);

/// <summary>
/// The drawing that says them, what of them could not be taken, what the notation cannot say, and what the drawing says now.
/// </summary>
public sealed record AmendReply(string Drawing, bool Simpler, LineProblemReply[] Problems, string[] Unsaid, string[] Lines);

/// <summary>What of a line cannot be taken; all counted from 0.</summary>
public sealed record LineProblemReply(int Line, int Start, int Length, string Message);

/// <summary>Asks for a drawing in another notation.</summary>
public sealed record RedrawRequest(string Drawing, string Notation);

/// <summary>A drawing, whether it is only set out in rows since it is so large, and what it cannot say.</summary>
public sealed record RedrawReply(string Drawing, bool Simpler, string[] Unsaid);

/// <summary>Asks what some boxes have in common.</summary>
public sealed record MembersRequest(string Drawing, string[] Shapes);

/// <summary>The boxes and their members, shared ones first.</summary>
public sealed record MembersReply(MemberOwner[] Owners, LiftingRow[] Rows);

/// <summary>A box.</summary>
public sealed record MemberOwner(string Id, string Name);

/// <summary>Lifts members, in groups that are one and the same, into a new supertype.</summary>
public sealed record LiftRequest(string Drawing, string[] Shapes, string Name, string[][] Members);

/// <summary>Asks for a picture: of the shapes named, or of all when none is.</summary>
/// <param name="Drawing">The drawing.</param>
/// <param name="Format">What is painted.</param>
/// <param name="Only">The shapes that are meant; all when empty.</param>
/// <param name="Scale">How many times as large as on the slate, in pixels.</param>
/// <param name="As">The notation in which one goes on with it; empty for how it is drawn.</param>
/// <param name="Sheet">
/// The sheet that is meant; empty for the first, or in another notation for the one that has come farthest.
/// </param>
public sealed record PictureRequest(
    string Drawing,
    PictureFormat Format,
    string[] Only,
    double Scale,
    string As = "",
    string Sheet = ""
);

/// <summary>The drawing that a picture carried.</summary>
public sealed record OpenedReply(string Drawing, bool Simpler);

/// <summary>
/// What is to be done to a drawing: <c>next-stage</c> on a sheet, <c>own-table</c> on lines of a table, <c>own-number</c> on a
/// table, <c>merge-tables</c> on several, <c>denormalise</c> on one or several, or, by authors, <c>propose-stages</c>.
/// </summary>
public sealed record DeedRequest(string Drawing, string Deed, string[] On);

/// <summary>Pushes a supertype's members down into its subtypes.</summary>
public sealed record PushDownRequest(string Drawing, string Shape);
