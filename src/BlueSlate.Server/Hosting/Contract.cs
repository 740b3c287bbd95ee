using BlueSlate.Core.Marking;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;

namespace BlueSlate.Server.Hosting;

/// <summary>How the HTTP contract spells the core's values.</summary>
public static class Contract
{
    /// <summary>True in the build's step that writes the contract: there is no database then, and nothing to serve.</summary>
    public static bool IsBeingWritten { get; } =
        System.Reflection.Assembly.GetEntryAssembly()?.GetName().Name == "GetDocument.Insider";

    /// <summary>Sets up the OpenAPI document from which the front end's types are made.</summary>
    public static void Configure(OpenApiOptions options)
    {
        options.AddSchemaTransformer(
            (schema, context, _) =>
            {
                var type = Nullable.GetUnderlyingType(context.JsonTypeInfo.Type) ?? context.JsonTypeInfo.Type;
                if (type == typeof(Rational))
                {
                    schema.Type = JsonSchemaType.String;
                    schema.Properties?.Clear();
                    schema.Required?.Clear();
                    schema.Description = "An exact number: 3 or 5/2.";
                }

                return Task.CompletedTask;
            }
        );
        options.AddDocumentTransformer(
            (document, _, _) =>
            {
                document.Servers = [];
                document.Info = new OpenApiInfo { Title = "Blue Slate", Version = "1" };
                return Task.CompletedTask;
            }
        );
    }
}
