using System.Security.Cryptography;
using System.Text;
using BlueSlate.Data;
using BlueSlate.Server.Hosting;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Accounts;

/// <summary>Makes the account of the first instructor of an empty installation, by a link that works once.</summary>
public sealed class FirstInstructor(BlueSlateContext database, UserManager<Account> accounts)
{
    private const string SettingKey = "first-instructor";

    /// <summary>Writes the token's hash and prints the link; refuses when there are accounts already.</summary>
    public static async Task<int> PrintLinkAsync(string address)
    {
        await using var database = BlueSlateContextFactory.On(ServerSettings.AppConnection(ServerSettings.FromEnvironment()));
        if (await database.Users.AnyAsync())
        {
            return 0;
        }

        var token = Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(24));
        await database.Settings.Where(setting => setting.Key == SettingKey).ExecuteDeleteAsync();
        database.Settings.Add(new Setting { Key = SettingKey, Value = HashOf(token) });
        await database.SaveChangesAsync();
        Console.WriteLine($"Make the first instructor's account here (works once): {address}/first-instructor?token={token}");
        return 0;
    }

    /// <summary>The new account, or why there is none.</summary>
    public async Task<(Account? Account, string Problem)> CreateAsync(
        FirstInstructorRequest request,
        CancellationToken cancellation
    )
    {
        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        var hash = HashOf(request.Token);
        var used = await database
            .Settings.Where(setting => setting.Key == SettingKey && setting.Value == hash)
            .ExecuteDeleteAsync(cancellation);
        if (used == 0)
        {
            return (null, "This link is not valid, or it was used before.");
        }

        var account = new Account
        {
            Id = Guid.CreateVersion7(),
            DisplayName = request.Name.Trim(),
            UserName = request.Email.Trim(),
            Email = request.Email.Trim(),
        };
        var result = await accounts.CreateAsync(account, request.Password);
        if (!result.Succeeded)
        {
            return (null, string.Join(" ", result.Errors.Select(error => error.Description)));
        }

        var cohort = new Cohort { Id = Guid.CreateVersion7(), Name = request.Cohort.Trim() };
        cohort.Members.Add(new Membership { AccountId = account.Id, Role = CohortRole.Instructor });
        database.Cohorts.Add(cohort);
        await database.SaveChangesAsync(cancellation);
        await transaction.CommitAsync(cancellation);
        return (account, "");
    }

    private static string HashOf(string token) => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(token)));
}
