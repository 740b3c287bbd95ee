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

    public DbSet<ExercisePart> ExerciseParts => Set<ExercisePart>();

    public DbSet<ExerciseDocument> ExerciseDocuments => Set<ExerciseDocument>();

    public DbSet<ExercisePartDocument> ExercisePartDocuments => Set<ExercisePartDocument>();

    public DbSet<QuestionRevision> QuestionRevisions => Set<QuestionRevision>();

    public DbSet<QuestionPart> QuestionParts => Set<QuestionPart>();

    public DbSet<AssessmentRevision> AssessmentRevisions => Set<AssessmentRevision>();

    public DbSet<Answer> Answers => Set<Answer>();

    public DbSet<Work> Works => Set<Work>();

    public DbSet<Checkpoint> Checkpoints => Set<Checkpoint>();

    public DbSet<CheckRequest> CheckRequests => Set<CheckRequest>();

    public DbSet<CheckResult> CheckResults => Set<CheckResult>();

    public DbSet<GivenHelp> GivenHelp => Set<GivenHelp>();

    public DbSet<FindingRuling> Rulings => Set<FindingRuling>();

    public DbSet<Extension> Extensions => Set<Extension>();

    public DbSet<MarkAdjustment> MarkAdjustments => Set<MarkAdjustment>();

    public DbSet<ClassRuling> ClassRulings => Set<ClassRuling>();

    public DbSet<StandsFor> StandsFor => Set<StandsFor>();

    public DbSet<ReleasedSheet> ReleasedSheets => Set<ReleasedSheet>();

    public DbSet<MarkRevision> MarkRevisions => Set<MarkRevision>();

    public DbSet<NoteQuery> NoteQueries => Set<NoteQuery>();

    public DbSet<SampleWork> SampleWorks => Set<SampleWork>();

    public DbSet<SeenWork> SeenWorks => Set<SeenWork>();

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
            exercise.HasOne<Exercise>().WithMany().HasForeignKey(row => row.TrialOfId).OnDelete(DeleteBehavior.Cascade);
            exercise.HasMany(row => row.Documents).WithOne().HasForeignKey(document => document.ExerciseId);
            exercise.HasMany(row => row.Questions).WithOne().HasForeignKey(revision => revision.ExerciseId);
        });
        builder.Entity<Extension>(extension =>
        {
            extension.HasKey(row => new { row.ExerciseId, row.AccountId });
            extension.HasOne<Exercise>().WithMany(exercise => exercise.Extensions).HasForeignKey(row => row.ExerciseId);
            extension.HasOne<Account>().WithMany().HasForeignKey(row => row.AccountId);
        });
        builder.Entity<ExercisePart>(part =>
        {
            part.HasIndex(row => new { row.ExerciseId, row.Position });
            part.HasOne(row => row.Exercise).WithMany(exercise => exercise.Parts).HasForeignKey(row => row.ExerciseId);
            part.HasMany(row => row.Documents).WithOne().HasForeignKey(document => document.PartId);
            part.HasMany(row => row.Rulings).WithOne().HasForeignKey(ruling => ruling.PartId);
            part.HasMany(row => row.Assessments).WithOne().HasForeignKey(revision => revision.PartId);
        });
        builder.Entity<ExerciseDocument>().HasKey(document => new { document.ExerciseId, document.Kind });
        builder.Entity<ExercisePartDocument>().HasKey(document => new { document.PartId, document.Kind });
        builder.Entity<QuestionRevision>().HasIndex(revision => new { revision.ExerciseId, revision.Number }).IsUnique();
        builder.Entity<QuestionPart>(part =>
        {
            part.HasKey(row => new { row.QuestionRevisionId, row.PartId });
            part.HasOne(row => row.Question).WithMany(question => question.Parts).HasForeignKey(row => row.QuestionRevisionId);
            part.HasOne<ExercisePart>().WithMany().HasForeignKey(row => row.PartId);
        });
        builder.Entity<AssessmentRevision>().HasIndex(revision => new { revision.PartId, revision.Number }).IsUnique();
        ConfigureAnswers(builder);
        builder.Entity<SetAside>(aside =>
        {
            aside.HasOne<Exercise>().WithMany().HasForeignKey(row => row.ExerciseId);
            aside.HasOne<ExercisePart>().WithMany().HasForeignKey(row => row.PartId).OnDelete(DeleteBehavior.Cascade);
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
            answer
                .HasIndex(row => new
                {
                    row.ExerciseId,
                    row.AccountId,
                    row.Attempt,
                })
                .IsUnique();
            answer.HasIndex(row => row.EndsAt).HasFilter("handed_in_at IS NULL");
            answer.Property(row => row.Attempt).HasDefaultValue(1);
            answer.HasIndex(row => new { row.ExerciseId, row.CandidateCode }).IsUnique();
            answer.HasOne(row => row.Exercise).WithMany(exercise => exercise.Answers).HasForeignKey(row => row.ExerciseId);
            answer.HasOne(row => row.Question).WithMany().HasForeignKey(row => row.QuestionRevisionId);
            answer.HasOne<Account>().WithMany().HasForeignKey(row => row.AccountId);
            answer.HasOne<Account>().WithMany().HasForeignKey(row => row.HandedInById).OnDelete(DeleteBehavior.SetNull);
            answer.HasOne<Account>().WithMany().HasForeignKey(row => row.MarkerId).OnDelete(DeleteBehavior.SetNull);
        });
        builder.Entity<Work>(work =>
        {
            work.HasIndex(row => new { row.AnswerId, row.PartId }).IsUnique();
            work.HasOne(row => row.Answer).WithMany(answer => answer.Works).HasForeignKey(row => row.AnswerId);
            work.HasOne(row => row.Part).WithMany().HasForeignKey(row => row.PartId);
            work.HasOne(row => row.Asked).WithMany().HasForeignKey(row => new { row.QuestionRevisionId, row.PartId });
            work.HasMany(row => row.Results).WithOne().HasForeignKey(result => result.WorkId);
            work.HasMany(row => row.Rulings).WithOne().HasForeignKey(ruling => ruling.WorkId);
            work.HasMany(row => row.Stands).WithOne().HasForeignKey(stands => stands.WorkId);
            work.HasOne(row => row.Released).WithOne().HasForeignKey<ReleasedSheet>(sheet => sheet.WorkId);
            work.HasOne<Account>().WithMany().HasForeignKey(row => row.GoneThroughById).OnDelete(DeleteBehavior.SetNull);
        });
        builder.Entity<Checkpoint>(checkpoint =>
        {
            checkpoint.HasOne<Work>().WithMany().HasForeignKey(row => row.WorkId);
            checkpoint.HasIndex(row => new { row.WorkId, row.At });
        });
        builder.Entity<CheckRequest>(request =>
        {
            request.HasOne(row => row.Work).WithMany().HasForeignKey(row => row.WorkId);
            request.HasIndex(row => new { row.WorkId, row.AssessmentRevisionId }).IsUnique();
            request.HasIndex(row => row.DoneAt);
        });
        builder
            .Entity<CheckResult>()
            .HasIndex(result => new
            {
                result.WorkId,
                result.QuestionRevisionId,
                result.AssessmentRevisionId,
                result.CoreVersion,
            })
            .IsUnique();
        builder.Entity<GivenHelp>(help =>
        {
            help.HasKey(row => new { row.WorkId, row.Number });
            help.HasOne<Work>().WithMany().HasForeignKey(row => row.WorkId);
        });
        builder.Entity<FindingRuling>().HasKey(ruling => new { ruling.WorkId, ruling.FindingId });
        builder.Entity<ClassRuling>().HasKey(ruling => new { ruling.PartId, ruling.AlikeKey });
        builder.Entity<MarkAdjustment>().HasKey(adjustment => new { adjustment.WorkId, adjustment.Id });
        builder.Entity<StandsFor>().HasKey(stands => new { stands.WorkId, stands.ModelElement });
        builder.Entity<ReleasedSheet>().HasKey(sheet => sheet.WorkId);
        ConfigureAfterwards(builder);
    }

    // What follows a marking: changed marks, questions about notes, a second marking of a sample. All of it goes with its
    // work.
    private static void ConfigureAfterwards(ModelBuilder builder)
    {
        builder.Entity<MarkRevision>(revision =>
        {
            revision.HasOne<Work>().WithMany().HasForeignKey(row => row.WorkId);
            revision.HasOne<Account>().WithMany().HasForeignKey(row => row.ById).OnDelete(DeleteBehavior.SetNull);
            revision.HasIndex(row => new { row.WorkId, row.At });
        });
        builder.Entity<NoteQuery>(query =>
        {
            query.HasOne<Work>().WithMany().HasForeignKey(row => row.WorkId);
            query.HasOne<Account>().WithMany().HasForeignKey(row => row.RepliedById).OnDelete(DeleteBehavior.SetNull);
            query.HasIndex(row => new { row.WorkId, row.FindingId }).IsUnique().HasFilter("replied_at IS NULL");
        });
        builder.Entity<SeenWork>(seen =>
        {
            seen.HasKey(row => new { row.WorkId, row.ById });
            seen.HasOne<Work>().WithMany().HasForeignKey(row => row.WorkId);
            seen.HasOne<Account>().WithMany().HasForeignKey(row => row.ById);
        });
        builder.Entity<SampleWork>(sample =>
        {
            sample.HasKey(row => row.WorkId);
            sample.HasOne<Work>().WithOne().HasForeignKey<SampleWork>(row => row.WorkId);
            sample.HasOne<ExercisePart>().WithMany().HasForeignKey(row => row.PartId);
        });
        builder.Entity<BlindMarking>(marking =>
        {
            marking.HasKey(row => new { row.WorkId, row.ById });
            marking.Property(row => row.Reasons).HasDefaultValue("{}");
            marking.HasOne<SampleWork>().WithMany().HasForeignKey(row => row.WorkId);
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
