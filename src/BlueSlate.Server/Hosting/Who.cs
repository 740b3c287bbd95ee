namespace BlueSlate.Server.Hosting;

/// <summary>Who may call an endpoint at all; what they may see of it is decided by <see cref="Access"/>.</summary>
public enum Who
{
    Anyone,
    SignedIn,
    Student,
    Staff,
    Instructor,
}

/// <summary>Says at an endpoint who may call it.</summary>
public sealed record WhoMay(Who Who);

/// <summary>Declares who may call an endpoint. A test finds any endpoint that does not.</summary>
public static class WhoExtensions
{
    /// <summary>Everybody, signed in or not.</summary>
    public static T ForAnyone<T>(this T endpoint)
        where T : IEndpointConventionBuilder => endpoint.WithMetadata(new WhoMay(Who.Anyone));

    /// <summary>Whoever is signed in.</summary>
    public static RouteHandlerBuilder ForSignedIn(this RouteHandlerBuilder endpoint) =>
        endpoint.WithMetadata(new WhoMay(Who.SignedIn)).RequireAuthorization();

    /// <summary>Students.</summary>
    public static RouteHandlerBuilder ForStudents(this RouteHandlerBuilder endpoint) => endpoint.For(Who.Student);

    /// <summary>Instructors and assistants.</summary>
    public static RouteHandlerBuilder ForStaff(this RouteHandlerBuilder endpoint) => endpoint.For(Who.Staff);

    /// <summary>Instructors.</summary>
    public static RouteHandlerBuilder ForInstructors(this RouteHandlerBuilder endpoint) => endpoint.For(Who.Instructor);

    private static RouteHandlerBuilder For(this RouteHandlerBuilder endpoint, Who who) =>
        endpoint
            .WithMetadata(new WhoMay(who))
            .RequireAuthorization()
            .AddEndpointFilter(
                async (context, next) =>
                {
                    var access = context.HttpContext.RequestServices.GetRequiredService<Access>();
                    return await access.HasRoleAsync(who, context.HttpContext.RequestAborted)
                        ? await next(context)
                        : Problems.NotAllowed("Your account may not do this.");
                }
            );
}
