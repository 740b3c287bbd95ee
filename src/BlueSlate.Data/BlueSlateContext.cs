using Microsoft.AspNetCore.DataProtection.EntityFrameworkCore;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Identity.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Storage.ValueConversion;

namespace BlueSlate.Data;

/// <summary>The database. Documents are canonical text; what is searched or joined on is a column.</summary>
public sealed class BlueSlateContext(DbContextOptions<BlueSlateContext> options)
    : IdentityDbContext<Account, IdentityRole<Guid>, Guid>(options),
        IDataProtectionKeyContext
{
    public DbSet<Cohort> Cohorts => Set<Cohort>();

    public DbSet<Membership> Memberships => Set<Membership>();

    public DbSet<Exercise> Exercises => Set<Exercise>();

    public DbSet<ExerciseDocument> ExerciseDocuments => Set<ExerciseDocument>();

    public DbSet<QuestionRevision> QuestionRevisions => Set<QuestionRevision>();

    public DbSet<AssessmentRevision> AssessmentRevisions => Set<AssessmentRevision>();

    public DbSet<Answer> Answers => Set<Answer>();

    public DbSet<Checkpoint> Checkpoints => Set<Checkpoint>();

    public DbSet<CheckRequest> CheckRequests => Set<CheckRequest>();

    public DbSet<CheckResult> CheckResults => Set<CheckResult>();

    public DbSet<FindingRuling> Rulings => Set<FindingRuling>();

    public DbSet<ClassRuling> ClassRulings => Set<ClassRuling>();

    public DbSet<StandsFor> StandsFor => Set<StandsFor>();

    public DbSet<ReleasedSheet> ReleasedSheets => Set<ReleasedSheet>();

    public DbSet<MarkRevision> MarkRevisions => Set<MarkRevision>();

    public DbSet<NoteQuery> NoteQueries => Set<NoteQuery>();

    public DbSet<SampleAnswer> SampleAnswers => Set<SampleAnswer>();

    public DbSet<BlindMarking> BlindMarkings => Set<BlindMarking>();

    public DbSet<SetAside> SetAside => Set<SetAside>();

    public DbSet<AuditEvent> AuditEvents => Set<AuditEvent>();

    public DbSet<Setting> Settings => Set<Setting>();

    public DbSet<EndedSession> EndedSessions => Set<EndedSession>();

    public DbSet<DataProtectionKey> DataProtectionKeys => Set<DataProtectionKey>();

    private sealed class MomentConverter()
        : ValueConverter<DateTimeOffset, DateTimeOffset>(moment => moment.ToUniversalTime(), moment => moment);

    protected override void OnModelCreating(ModelBuilder builder)
    {
        base.OnModelCreating(builder);
        builder.Entity<EndedSession>(session =>
        {
            session.HasKey(row => row.SessionId);
            session.HasIndex(row => row.At);
        });
        builder.Entity<Membership>(membership =>
        {
            membership.HasKey(row => new { row.CohortId, row.AccountId });
            membership.HasIndex(row => row.AccountId);
            membership.HasOne(row => row.Cohort).WithMany(cohort => cohort.Members).HasForeignKey(row => row.CohortId);
            membership.HasOne(row => row.Account).WithMany().HasForeignKey(row => row.AccountId);
        });
        builder.Entity<Exercise>(exercise =>
        {
            exercise.HasOne(row => row.Cohort).WithMany().HasForeignKey(row => row.CohortId);
            exercise.HasMany(row => row.Documents).WithOne().HasForeignKey(document => document.ExerciseId);
            exercise.HasMany(row => row.Questions).WithOne().HasForeignKey(revision => revision.ExerciseId);
            exercise.HasMany(row => row.Rulings).WithOne().HasForeignKey(ruling => ruling.ExerciseId);
            exercise.HasMany(row => row.Assessments).WithOne().HasForeignKey(revision => revision.ExerciseId);
        });
        builder.Entity<ExerciseDocument>().HasKey(document => new { document.ExerciseId, document.Kind });
        builder.Entity<QuestionRevision>().HasIndex(revision => new { revision.ExerciseId, revision.Number }).IsUnique();
        builder.Entity<AssessmentRevision>().HasIndex(revision => new { revision.ExerciseId, revision.Number }).IsUnique();
        ConfigureAnswers(builder);
        builder.Entity<SetAside>(aside =>
        {
            aside.HasOne<Exercise>().WithMany().HasForeignKey(row => row.ExerciseId);
            aside.HasOne<Account>().WithMany().HasForeignKey(row => row.ById).OnDelete(DeleteBehavior.SetNull);
        });
        builder.Entity<AuditEvent>(audit =>
        {
            audit.HasOne<Account>().WithMany().HasForeignKey(row => row.ActorId).OnDelete(DeleteBehavior.SetNull);
            audit.HasOne<Cohort>().WithMany().HasForeignKey(row => row.CohortId);
            audit.HasIndex(row => new { row.CohortId, row.At });
            audit.HasIndex(row => new { row.ActorId, row.At });
        });
        builder.Entity<Setting>().HasKey(setting => setting.Key);
    }

    private static void ConfigureAnswers(ModelBuilder builder)
    {
        builder.Entity<Answer>(answer =>
        {
            answer.HasIndex(row => new { row.ExerciseId, row.AccountId }).IsUnique();
            answer.HasIndex(row => new { row.ExerciseId, row.CandidateCode }).IsUnique();
            answer.HasOne(row => row.Exercise).WithMany(exercise => exercise.Answers).HasForeignKey(row => row.ExerciseId);
            answer.HasOne(row => row.Question).WithMany().HasForeignKey(row => row.QuestionRevisionId);
            answer.HasOne<Account>().WithMany().HasForeignKey(row => row.AccountId);
            answer.HasMany(row => row.Results).WithOne().HasForeignKey(result => result.AnswerId);
            answer.HasMany(row => row.Rulings).WithOne().HasForeignKey(ruling => ruling.AnswerId);
            answer.HasMany(row => row.Stands).WithOne().HasForeignKey(stands => stands.AnswerId);
            answer.HasOne(row => row.Released).WithOne().HasForeignKey<ReleasedSheet>(sheet => sheet.AnswerId);
        });
        builder.Entity<Checkpoint>(checkpoint =>
        {
            checkpoint.HasOne<Answer>().WithMany().HasForeignKey(row => row.AnswerId);
            checkpoint.HasIndex(row => new { row.AnswerId, row.At });
        });
        builder.Entity<CheckRequest>(request =>
        {
            request.HasOne(row => row.Answer).WithMany().HasForeignKey(row => row.AnswerId);
            request.HasIndex(row => new { row.AnswerId, row.AssessmentRevisionId }).IsUnique();
            request.HasIndex(row => row.DoneAt);
        });
        builder
            .Entity<CheckResult>()
            .HasIndex(result => new
            {
                result.AnswerId,
                result.QuestionRevisionId,
                result.AssessmentRevisionId,
                result.CoreVersion,
            })
            .IsUnique();
        builder.Entity<FindingRuling>().HasKey(ruling => new { ruling.AnswerId, ruling.FindingId });
        builder.Entity<ClassRuling>().HasKey(ruling => new { ruling.ExerciseId, ruling.AlikeKey });
        builder.Entity<StandsFor>().HasKey(stands => new { stands.AnswerId, stands.ModelElement });
        builder.Entity<ReleasedSheet>().HasKey(sheet => sheet.AnswerId);
        ConfigureAfterwards(builder);
    }

    // What follows a marking: changed marks, questions about notes, a second marking of a sample. All of it goes with its
    // answer.
    private static void ConfigureAfterwards(ModelBuilder builder)
    {
        builder.Entity<MarkRevision>(revision =>
        {
            revision.HasOne<Answer>().WithMany().HasForeignKey(row => row.AnswerId);
            revision.HasOne<Account>().WithMany().HasForeignKey(row => row.ById).OnDelete(DeleteBehavior.SetNull);
            revision.HasIndex(row => new { row.AnswerId, row.At });
        });
        builder.Entity<NoteQuery>(query =>
        {
            query.HasOne<Answer>().WithMany().HasForeignKey(row => row.AnswerId);
            query.HasOne<Account>().WithMany().HasForeignKey(row => row.RepliedById).OnDelete(DeleteBehavior.SetNull);
            query.HasIndex(row => new { row.AnswerId, row.FindingId }).IsUnique().HasFilter("replied_at IS NULL");
        });
        builder.Entity<SampleAnswer>(sample =>
        {
            sample.HasKey(row => row.AnswerId);
            sample.HasOne<Answer>().WithOne().HasForeignKey<SampleAnswer>(row => row.AnswerId);
            sample.HasOne<Exercise>().WithMany().HasForeignKey(row => row.ExerciseId);
        });
        builder.Entity<BlindMarking>(marking =>
        {
            marking.HasKey(row => new { row.AnswerId, row.ById });
            marking.HasOne<SampleAnswer>().WithMany().HasForeignKey(row => row.AnswerId);
            marking.HasOne<Account>().WithMany().HasForeignKey(row => row.ById);
        });
    }

    protected override void ConfigureConventions(ModelConfigurationBuilder configurationBuilder)
    {
        configurationBuilder.Properties<DocumentKind>().HaveConversion<string>();
        configurationBuilder.Properties<CohortRole>().HaveConversion<string>();
        configurationBuilder.Properties<CheckpointReason>().HaveConversion<string>();
        configurationBuilder.Properties<AuditKind>().HaveConversion<string>();
        // The database keeps moments, not where on earth they were written down.
        configurationBuilder.Properties<DateTimeOffset>().HaveConversion<MomentConverter>();
    }
}
