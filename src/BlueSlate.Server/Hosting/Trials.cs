using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Hosting;

/// <summary>Keeps what reaches students away from copies on which only another marking is tried.</summary>
public static class Trials
{
    /// <summary>Refuses where the exercise of the route's <c>id</c> is such a copy.</summary>
    public static RouteHandlerBuilder NotForTrials(this RouteHandlerBuilder endpoint) =>
        endpoint.AddEndpointFilter(
            async (context, next) =>
            {
                var http = context.HttpContext;
                return
                    http.GetRouteValue("id") is string text
                    && Guid.TryParse(text, out var id)
                    && await http
                        .RequestServices.GetRequiredService<Access>()
                        .StaffExercises()
                        .AnyAsync(exercise => exercise.Id == id && exercise.TrialOfId != null, http.RequestAborted)
                    ? Problems.Conflict(
                        "trial",
                        "This is a copy on which another marking is tried: no student sees it, so nothing goes out from it."
                    )
                    : await next(context);
            }
        );
}
