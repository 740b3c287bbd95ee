using BlueSlate.Core.Judging;
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
            async (schema, context, cancellation) =>
            {
                var type = Nullable.GetUnderlyingType(context.JsonTypeInfo.Type) ?? context.JsonTypeInfo.Type;
                if (type == typeof(Rational))
                {
                    schema.Type = JsonSchemaType.String;
                    schema.Properties?.Clear();
                    schema.Required?.Clear();
                    schema.Description = "An exact number: 3 or 5/2.";
                }

                await DescribeLearnedAsync(schema, type, context, cancellation);
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

    // What a class has learned is one of as many things as there are notations, and says which by its name.
    private static async Task DescribeLearnedAsync(
        OpenApiSchema schema,
        Type type,
        OpenApiSchemaTransformerContext context,
        CancellationToken cancellation
    )
    {
        if (type == typeof(WorkOptions))
        {
            schema.Properties?.Clear();
            schema.Required?.Clear();
            schema.AnyOf = [];
            foreach (var known in Subject.All.SelectMany(subject => subject.OptionTypes.Values))
            {
                var one = await context.GetOrCreateSchemaAsync(known, cancellationToken: cancellation);
                context.Document!.AddComponent(known.Name, one);
                schema.AnyOf.Add(new OpenApiSchemaReference(known.Name, context.Document));
            }
        }
        else if (type.IsSubclassOf(typeof(WorkOptions)) && Activator.CreateInstance(type) is WorkOptions options)
        {
            schema.Properties!["notation"] = new OpenApiSchema { Type = JsonSchemaType.String, Enum = [options.Notation] };
            schema.Required = new HashSet<string>(schema.Required ?? new HashSet<string>()) { "notation" };
        }
    }
}
