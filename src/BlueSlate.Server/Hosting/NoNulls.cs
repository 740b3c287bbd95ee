using System.Collections;
using System.Collections.Concurrent;
using System.Reflection;

namespace BlueSlate.Server.Hosting;

/// <summary>
/// Refuses requests that hold nothing where a list holds something: what a serializer lets pass no feature has to ask about.
/// </summary>
public static class NoNulls
{
    private static readonly ConcurrentDictionary<Type, PropertyInfo[]> Lists = new();

    /// <summary>The filter of all endpoints.</summary>
    public static async ValueTask<object?> FilterAsync(EndpointFilterInvocationContext context, EndpointFilterDelegate next)
    {
        foreach (var argument in context.Arguments)
        {
            if (argument is not null && IsRequest(argument.GetType()) && PlaceOf(argument, 0) is { } place)
            {
                return Problems.Unreadable("null", "Nothing stands here where something is wanted.", place);
            }
        }

        return await next(context);
    }

    private static bool IsRequest(Type type) =>
        type.Assembly == typeof(NoNulls).Assembly || type.Assembly == typeof(Core.Assessor).Assembly;

    private static string? PlaceOf(object value, int depth)
    {
        if (depth > 8)
        {
            return null;
        }

        foreach (var property in Lists.GetOrAdd(value.GetType(), Find))
        {
            var name = char.ToLowerInvariant(property.Name[0]) + property.Name[1..];
            var held = property.GetValue(value);
            if (held is IEnumerable list && !IsDefault(list))
            {
                var at = 0;
                foreach (var item in list)
                {
                    if (item is null || (item is not string && Inner(item, depth) is not null))
                    {
                        return $"{name}[{at}]{(item is null ? "" : "." + Inner(item, depth))}";
                    }

                    at++;
                }
            }
            else if (held is not null && Inner(held, depth) is { } inner)
            {
                return $"{name}.{inner}";
            }
        }

        return null;
    }

    private static string? Inner(object item, int depth) =>
        item is IEnumerable list and not string
            ? list.Cast<object?>().Any(one => one is null)
                ? "[null]"
                : null
            : IsRequest(item.GetType()) && !item.GetType().IsEnum
                ? PlaceOf(item, depth + 1)
                : null;

    // An immutable array that was never given.
    private static bool IsDefault(IEnumerable list) =>
        list.GetType() is { IsValueType: true } type
        && type.GetProperty("IsDefault") is { } property
        && (bool)property.GetValue(list)!;

    private static PropertyInfo[] Find(Type type) =>
        [
            .. type.GetProperties(BindingFlags.Public | BindingFlags.Instance)
                .Where(property =>
                    property.GetIndexParameters().Length == 0
                    && property.PropertyType != typeof(string)
                    && (typeof(IEnumerable).IsAssignableFrom(property.PropertyType) || IsRequest(property.PropertyType))
                ),
        ];
}
