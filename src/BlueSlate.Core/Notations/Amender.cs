using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Language;
using BlueSlate.Core.Language.Statements;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Notations;

/// <summary>
/// Changes a drawing so that it says something else, and touches nothing more than that wants. What was said and what is to be
/// said are both drawn afresh; what differs between the two is done to the drawing (a three-way merge), so that places, wording
/// and faults drawn elsewhere stay as they are.
/// </summary>
public static class Amender
{
    /// <summary>
    /// The drawing after its statements were edited: line by line in the order of <see cref="SentenceWriter"/>, with what of
    /// each line could not be taken. New shapes have no place.
    /// </summary>
    public static Amendment Amend(Drawing drawing, IReadOnlyList<string> lines, NotationOptions options)
    {
        var reading = Notation.Read(drawing, options);
        var before = SentenceWriter.Write(reading);
        var applier = new StatementApplier(reading.Model, new FreshIds(drawing).Next);
        var problems = ImmutableArray.CreateBuilder<LineProblem>();
        var said = before.Select(sentence => sentence.Text).ToHashSet(StringComparer.Ordinal);
        var parser = Knowing(
            [.. reading.Model.Entities.Select(entity => entity.Name)],
            [.. lines.Where(line => !said.Contains(line))]
        );
        var pairs = LineMatch.Of(
            [.. before.Select(sentence => sentence.Text)],
            lines,
            at => SubjectOf(before[at].ConceptId, reading.Model),
            at => SubjectOf(parser.Parse(lines[at]).Statement)
        );
        problems.AddRange(pairs.ToldOf(lines));
        foreach (var gone in pairs.Removed)
        {
            applier.Remove(before[gone].ConceptId);
        }

        foreach (var (line, old) in pairs.Changed)
        {
            var (typed, found) = parser.Parse(lines[line]);
            problems.AddRange(found.Select(problem => new LineProblem(line, problem)));
            if (typed is not null)
            {
                var statement = AsDrawn(typed, Notation.Of(options.Notation));
                var strange = applier.Put(
                    statement,
                    old is { } at && SameSort(statement, before[at].ConceptId, reading.Model) ? before[at].ConceptId : null
                );
                if (strange is not null)
                {
                    problems.Add(new LineProblem(line, new StatementProblem(0, lines[line].Length, strange)));
                }

                if (old is { } replaced && !SameSort(statement, before[replaced].ConceptId, reading.Model))
                {
                    applier.Remove(before[replaced].ConceptId);
                }
            }
        }

        var after = applier.Model;
        var inOrder = problems.OrderBy(problem => problem.Line).ToImmutableArray();
        return new Amendment(Merge(drawing, reading.Model, after, options, out var unsaid), inOrder, unsaid);
    }

    // What a line is about: a thing, or an operation of one.
    private static string? SubjectOf(Statement? statement) =>
        statement switch
        {
            EntityStatement thing => Name.Of(thing.Name).Key,
            OperationStatement operation => $"{Name.Of(operation.Owner).Key} can {Name.Of(operation.Name).Key}",
            _ => null,
        };

    private static string? SubjectOf(string concept, ConceptModel model) =>
        model.Entities.FirstOrDefault(entity => entity.Id == concept) is { } thing ? Name.Of(thing.Name).Key
        : model
            .Entities.SelectMany(entity => entity.Operations.Select(operation => (entity, operation)))
            .FirstOrDefault(one => one.operation.Id == concept)
            is { operation: { } operation } owned
            ? $"{Name.Of(owned.entity.Name).Key} can {Name.Of(operation.Name).Key}"
        : null;

    // What one line says there is, another may speak of, whichever stands first.
    private static StatementParser Knowing(IReadOnlyList<string> names, IReadOnlyList<string> lines)
    {
        var alone = new StatementParser(names);
        return new StatementParser([
            .. names,
            .. lines.Select(line => alone.Parse(line).Statement).OfType<EntityStatement>().Select(thing => thing.Name),
        ]);
    }

    private static Statement AsDrawn(Statement typed, Notation notation) =>
        typed is RelationshipStatement relationship
            ? relationship with
            {
                Ends = [.. relationship.Ends.Select(end => end with { Count = notation.AsDrawn(end.Count) })],
            }
            : typed;

    /// <summary>The drawing changed by what differs between two sets of concepts.</summary>
    public static Drawing Merge(
        Drawing drawing,
        ConceptModel before,
        ConceptModel after,
        NotationOptions options,
        out ImmutableArray<string> unsaid
    )
    {
        var notation = Notation.Of(options.Notation);
        var (old, next) = (notation.Write(before, options), notation.Write(after, options));
        unsaid = [.. next.Unsaid.Except(old.Unsaid, StringComparer.Ordinal)];
        var merge = new DrawingMerge(drawing, WithoutNotes(old.Drawing), WithoutNotes(next.Drawing));
        return merge.Result();
    }

    /// <summary>
    /// The members of these entity types side by side, the same by name and type in one row; see <see cref="Lifting.Members"/>.
    /// </summary>
    public static ImmutableArray<LiftingRow> Members(ConceptModel model, IReadOnlyList<string> shapes) =>
        Lifting.Members(model, shapes, Alike);

    /// <summary>The drawing with a supertype over these shapes; see <see cref="Lifting.Lift"/>.</summary>
    public static Drawing Lift(
        Drawing drawing,
        IReadOnlyList<string> shapes,
        string name,
        IReadOnlyList<IReadOnlyList<string>> members,
        NotationOptions options
    )
    {
        var before = Notation.Read(drawing, options).Model;
        return Merge(drawing, before, Lifting.Lift(before, shapes, name, members, new FreshIds(drawing).Next), options, out _);
    }

    /// <summary>The drawing without a supertype; see <see cref="Lifting.PushDown"/>.</summary>
    public static Drawing PushDown(Drawing drawing, string supertype, NotationOptions options)
    {
        var before = Notation.Read(drawing, options).Model;
        return Merge(drawing, before, Lifting.PushDown(before, supertype, new FreshIds(drawing).Next), options, out _);
    }

    private static bool Alike(ConceptAttribute first, ConceptAttribute second) =>
        Name.Of(first.Name).Key == Name.Of(second.Name).Key
        && (first.Type.Length == 0 || second.Type.Length == 0 || TypeFamily.Same(first.Type, second.Type));

    private static bool SameSort(Statement statement, string conceptId, ConceptModel model) =>
        statement switch
        {
            EntityStatement => model.Entities.Any(entity => entity.Id == conceptId),
            OperationStatement => model.Entities.Any(entity => entity.Operations.Any(operation => operation.Id == conceptId)),
            RelationshipStatement or DirectedStatement => model.Relationships.Any(relationship => relationship.Id == conceptId),
            ExclusionStatement => model.Exclusions.Any(exclusion => exclusion.Id == conceptId),
            SpecialisationStatement => model.Specialisations.Any(set => set.Id == conceptId),
            _ => model.Unions.Any(union => union.Id == conceptId),
        };

    // What a notation cannot say stands in notes only where a whole drawing is made anew.
    private static Drawing WithoutNotes(Drawing drawing)
    {
        var notes = drawing
            .Shapes.Where(shape => shape.Form == Form.Note)
            .Select(shape => shape.Id)
            .ToHashSet(StringComparer.Ordinal);
        return drawing with
        {
            Sheets =
            [
                .. drawing.Sheets.Select(sheet =>
                    sheet with
                    {
                        Shapes = sheet.Shapes.RemoveAll(shape => notes.Contains(shape.Id)),
                        Lines = sheet.Lines.RemoveAll(line =>
                            notes.Contains(line.From.On.Id ?? "") || notes.Contains(line.To.On.Id ?? "")
                        ),
                    }
                ),
            ],
        };
    }
}

/// <summary>
/// A drawing after its statements were edited, what of them could not be taken, and what the notation cannot say.
/// </summary>
public sealed record Amendment(Drawing Drawing, ImmutableArray<LineProblem> Problems, ImmutableArray<string> Unsaid);
