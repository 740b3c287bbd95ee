using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;

namespace BlueSlate.Data;

/// <summary>Makes contexts: for the server, and for the tool that writes migrations.</summary>
public sealed class BlueSlateContextFactory : IDesignTimeDbContextFactory<BlueSlateContext>
{
    /// <summary>How every context of this project is set up.</summary>
    public static void Configure(DbContextOptionsBuilder builder, string connection) =>
        builder.UseNpgsql(connection).UseSnakeCaseNamingConvention();

    /// <summary>A context on a connection.</summary>
    public static BlueSlateContext On(string connection)
    {
        var builder = new DbContextOptionsBuilder<BlueSlateContext>();
        Configure(builder, connection);
        return new BlueSlateContext(builder.Options);
    }

    /// <inheritdoc />
    public BlueSlateContext CreateDbContext(string[] args) => On("Host=127.0.0.1;Database=design");
}
