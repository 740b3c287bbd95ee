using System.Net.Mail;
using BlueSlate.Data;
using BlueSlate.Server.Features.Audit;
using BlueSlate.Server.Hosting;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Cohorts;

/// <summary>Brings people into a cohort. Whoever has no account gets a link that works once, to choose a password.</summary>
public sealed class Invitations(
    BlueSlateContext database,
    UserManager<Account> accounts,
    AuditTrail audit,
    IHttpContextAccessor accessor
)
{
    private const int Most = 500;
    private const int LongestName = 100;

    /// <summary>Adds everybody, or nobody: a line that cannot be read is said with its number.</summary>
    public async Task<IResult> AddAsync(Guid cohort, AddPeopleRequest request, CancellationToken cancellation)
    {
        var lines = request
            .People.Split('\n')
            .Select((line, at) => (Text: line.Trim(), Number: at + 1))
            .Where(line => line.Text.Length > 0)
            .ToList();
        if (lines.Count is 0 or > Most)
        {
            return Problems.Unreadable(
                "people",
                $"Write one person a line, at most {Most} at once: a name, a comma, an address.",
                "people"
            );
        }

        var people = new List<(string Name, string Email)>();
        foreach (var (text, number) in lines)
        {
            if (Parse(text) is not { } person)
            {
                return Problems.Unreadable(
                    "people",
                    $"Line {number} is not a name, a comma and an address: {text[..Math.Min(text.Length, 60)]}",
                    "people"
                );
            }

            people.Add(person);
        }

        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        var added = new List<AddedPerson>();
        foreach (var (name, email) in people.DistinctBy(person => person.Email, StringComparer.OrdinalIgnoreCase))
        {
            var account = await accounts.FindByEmailAsync(email);
            var isNew = account is null;
            if (account is null)
            {
                account = new Account
                {
                    Id = Guid.CreateVersion7(),
                    DisplayName = name,
                    UserName = email,
                    Email = email,
                };
                var made = await accounts.CreateAsync(account);
                if (!made.Succeeded)
                {
                    return Problems.Unreadable(
                        "people",
                        $"{email}: {string.Join(" ", made.Errors.Select(error => error.Description))}",
                        "people"
                    );
                }
            }

            if (
                !await database.Memberships.AnyAsync(
                    member => member.CohortId == cohort && member.AccountId == account.Id,
                    cancellation
                )
            )
            {
                database.Memberships.Add(
                    new Membership
                    {
                        CohortId = cohort,
                        AccountId = account.Id,
                        Role = request.Role,
                    }
                );
                added.Add(new AddedPerson(account.Id, account.DisplayName, email, isNew ? await LinkAsync(account) : null));
            }
        }

        audit.Add(AuditKind.Membership, cohort, $"{added.Count} added as {request.Role.ToString().ToLowerInvariant()}");
        await database.SaveChangesAsync(cancellation);
        await transaction.CommitAsync(cancellation);
        return TypedResults.Ok(new AddedPeople([.. added]));
    }

    /// <summary>
    /// A new link for somebody who lost the first one or forgot the password; links given before stop working.
    /// </summary>
    public async Task<IResult> RenewAsync(Membership member, CancellationToken cancellation)
    {
        var elsewhere = await database.Memberships.AnyAsync(
            other =>
                other.AccountId == member.AccountId && (other.CohortId != member.CohortId || other.Role == CohortRole.Instructor),
            cancellation
        );
        if (elsewhere)
        {
            return Problems.NotAllowed(
                "This person belongs to other cohorts or teaches; their password is not yours to set anew."
            );
        }

        var account = (await accounts.FindByIdAsync(member.AccountId.ToString()))!;
        await accounts.UpdateSecurityStampAsync(account);
        audit.Add(AuditKind.Membership, member.CohortId, "a new link for one person");
        await database.SaveChangesAsync(cancellation);
        return TypedResults.Ok(new AddedPerson(account.Id, account.DisplayName, account.Email!, await LinkAsync(account)));
    }

    private async Task<string> LinkAsync(Account account)
    {
        var request = accessor.HttpContext!.Request;
        var token = Uri.EscapeDataString(await accounts.GeneratePasswordResetTokenAsync(account));
        return $"{request.Scheme}://{request.Host}{request.PathBase}/welcome?person={account.Id}&token={token}";
    }

    private static (string Name, string Email)? Parse(string line)
    {
        var comma = line.LastIndexOf(',');
        if (comma <= 0)
        {
            return null;
        }

        var (name, email) = (line[..comma].Trim().Trim('"'), line[(comma + 1)..].Trim());
        return name.Length is > 0 and <= LongestName && MailAddress.TryCreate(email, out var address) && address.Address == email
            ? (name, email)
            : null;
    }
}
