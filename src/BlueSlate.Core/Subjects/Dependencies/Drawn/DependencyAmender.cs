using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Language.Statements;
using BlueSlate.Core.Notations;

namespace BlueSlate.Core.Subjects.Dependencies.Drawn;

/// <summary>Changes a dependency diagram so that it says other sentences, and touches nothing more than that wants.</summary>
internal static class DependencyAmender
{
    /// <summary>The drawing after its sentences were edited; new shapes have no place.</summary>
    public static Retyped Amend(Drawing drawing, IReadOnlyList<string> lines)
    {
        var reading = DependencyReader.Read(drawing);
        var before = DependencySentences.Statements(reading).ToList();
        var match = LineMatch.Of([.. before.Select(said => said.Sentence.Text)], lines);
        var problems = match.ToldOf(lines).ToList();
        var gone = match.Removed.ToHashSet();
        var come = new List<(int Line, DependencyStatement Statement)>();
        var titles = drawing
            .Sheets.Skip(1)
            .Select((sheet, i) => Name.Of(StageReader.TitleOf(sheet, i + 1)).Key)
            .ToHashSet(StringComparer.Ordinal);
        foreach (var (line, old) in match.Changed)
        {
            var (statement, problem) = DependencyStatement.Parse(lines[line], title => titles.Contains(Name.Of(title).Key));
            if (problem is not null)
            {
                problems.Add(new LineProblem(line, problem));
            }
            else if (statement is not null)
            {
                come.Add((line, statement));
                gone.UnionWith(old is { } replaced ? [replaced] : []);
            }
        }

        List<DependencyStatement> said =
        [
            .. before.Where((_, i) => !gone.Contains(i)).Select(said => said.Statement),
            .. come.Select(one => one.Statement),
        ];
        var stated = said.OfType<DependencyStatement.OfTable>().Select(table => Name.Of(table.Stage).Key).ToHashSet();
        problems.AddRange(
            from one in come
            let stage = (one.Statement as DependencyStatement.OfDenormalised)?.Stage
            where stage is not null && !stated.Contains(Name.Of(stage).Key)
            select new LineProblem(
                one.Line,
                new StatementProblem(0, lines[one.Line].Length, $"Say first which tables {stage} has.")
            )
        );
        var diagram = new Changes(drawing, reading).To(Said.Of(said));
        var listed = ListingAmender.To(diagram, said);
        var staged = StageAmender.To(listed, said, reading.Stages);
        return new Retyped(staged, [.. problems.OrderBy(problem => problem.Line)], []);
    }

    private sealed record SaidArrow(ImmutableArray<string> From, string To, bool IsMultivalued, DependencyLetter Letter)
    {
        public string Key => KeyOf(From, To, IsMultivalued);

        public static string KeyOf(IEnumerable<string> from, string to, bool isMultivalued) =>
            $"{string.Join('\n', from.Order(StringComparer.Ordinal))}\n{(isMultivalued ? "↠" : "→")}\n{to}";
    }

    /// <summary>What sentences say together, by the keys of names.</summary>
    private sealed record Said(
        IReadOnlyDictionary<string, string> Names,
        IReadOnlySet<string> Key,
        IReadOnlySet<string> Calculated,
        IReadOnlyList<SaidArrow> Arrows
    )
    {
        public static Said Of(IReadOnlyList<DependencyStatement> statements)
        {
            var names = new Dictionary<string, string>(StringComparer.Ordinal);
            var key = new HashSet<string>(StringComparer.Ordinal);
            var calculated = new HashSet<string>(StringComparer.Ordinal);
            var arrows = new List<SaidArrow>();
            string KeyOf(string name)
            {
                var of = Name.Of(name).Key;
                names.TryAdd(of, name);
                return of;
            }

            foreach (var statement in statements)
            {
                switch (statement)
                {
                    case DependencyStatement.OfAttributes listed:
                        listed.Names.ToList().ForEach(name => KeyOf(name));
                        break;
                    case DependencyStatement.OfKey one:
                        key.UnionWith(one.Names.Select(KeyOf));
                        break;
                    case DependencyStatement.OfCalculated one:
                        calculated.UnionWith(one.Names.Select(KeyOf));
                        break;
                    case DependencyStatement.OfDeterminant says:
                        ImmutableArray<string> from = [.. says.From.Select(KeyOf)];
                        arrows.AddRange(says.To.Select(to => new SaidArrow(from, KeyOf(to), says.IsMultivalued, says.Letter)));
                        break;
                }
            }

            return new Said(names, key, calculated, arrows);
        }
    }

    /// <summary>Does to a drawing what makes it say something else.</summary>
    private sealed class Changes(Drawing drawing, DependencyReading reading)
    {
        private readonly FreshIds ids = new(drawing);
        private readonly Dictionary<string, string> elements = reading.LaidOut.ToDictionary(
            attribute => attribute.Name.Key,
            attribute => attribute.Id,
            StringComparer.Ordinal
        );
        private readonly List<Shape> shapes = [];
        private readonly List<Line> lines = [];
        private readonly Dictionary<string, string> texts = new(StringComparer.Ordinal);

        public Drawing To(Said said)
        {
            var gone = reading
                .LaidOut.Where(attribute => !said.Names.ContainsKey(attribute.Name.Key))
                .SelectMany(attribute => attribute.Elements)
                .ToHashSet(StringComparer.Ordinal);
            foreach (var (key, name) in said.Names.Where(pair => !elements.ContainsKey(pair.Key)))
            {
                elements[key] = ids.Next();
                shapes.Add(new Shape(elements[key], Form.Rectangle, Outline.Single, name, [], null));
            }

            var wanted = said.Arrows.GroupBy(arrow => arrow.Key).ToDictionary(same => same.Key, same => same.Last().Letter);
            var drawn = new HashSet<string>(StringComparer.Ordinal);
            foreach (var arrow in reading.Dependencies)
            {
                var key = SaidArrow.KeyOf(
                    arrow.From.Select(i => reading.Attributes[i].Name.Key),
                    reading.Attributes[arrow.To].Name.Key,
                    arrow.IsMultivalued
                );
                drawn.Add(key);
                ImmutableArray<string> same = [ConceptId.Of(arrow.Id).Element, .. arrow.Again];
                if (!wanted.TryGetValue(key, out var letter))
                {
                    gone.UnionWith(same);
                }
                else if (letter != arrow.Letter)
                {
                    foreach (var line in same)
                    {
                        texts[line] = letter.Mark();
                    }
                }
            }

            foreach (var arrow in said.Arrows.Where(arrow => drawn.Add(arrow.Key)))
            {
                Draw(arrow);
            }

            return Without(gone, said);
        }

        private void Draw(SaidArrow arrow)
        {
            var source = arrow.From.Length == 1 ? elements[arrow.From[0]] : GatherOf(arrow.From);
            ImmutableArray<string> heads = arrow.IsMultivalued ? [EndMark.Arrow, EndMark.Arrow] : [EndMark.Arrow];
            Add(source, elements[arrow.To], heads, arrow.Letter.Mark());
        }

        // What gathers the same attributes already is used again.
        private string GatherOf(ImmutableArray<string> from)
        {
            var key = string.Join('\n', from.Order(StringComparer.Ordinal));
            if (Gathers().FirstOrDefault(gather => gather.Key == key).Id is { } known)
            {
                return known;
            }

            var id = ids.Next();
            shapes.Add(new Shape(id, Form.Junction, Outline.Single, "", [], null));
            foreach (var name in from)
            {
                Add(elements[name], id, []);
            }

            return id;
        }

        private IEnumerable<(string Id, string Key)> Gathers()
        {
            var named = elements.ToDictionary(pair => pair.Value, pair => pair.Key, StringComparer.Ordinal);
            foreach (var attribute in reading.Attributes)
            {
                foreach (var element in attribute.Elements)
                {
                    named.TryAdd(element, attribute.Name.Key);
                }
            }

            foreach (var gather in drawing.Shapes.Concat(shapes).Where(DependencyReader.IsGather))
            {
                var led = drawing
                    .Lines.Concat(lines)
                    .Where(line => line.To.On.Id == gather.Id || line.From.On.Id == gather.Id)
                    .Select(line => line.To.On.Id == gather.Id ? line.From : line.To)
                    .Where(far => far.Marks.IsEmpty && far.On.Id is { } id && named.ContainsKey(id))
                    .Select(far => named[far.On.Id!])
                    .Distinct(StringComparer.Ordinal)
                    .Order(StringComparer.Ordinal);
                yield return (gather.Id, string.Join('\n', led));
            }
        }

        private void Add(string from, string to, ImmutableArray<string> heads, string text = "") =>
            lines.Add(new Line(ids.Next(), Stroke.Solid, text, new LineEnd(At(from), []), new LineEnd(At(to), heads), []));

        private Attachment At(string element) =>
            drawing.Shapes.Any(shape => shape.TextLines.Any(row => row.Id == element))
                ? new Attachment(AttachmentKind.Row, element)
                : Attachment.ToShape(element);

        private Drawing Without(HashSet<string> gone, Said said)
        {
            var kept = drawing
                .Sheets.Select(
                    (sheet, i) =>
                        sheet with
                        {
                            Shapes =
                            [
                                .. sheet
                                    .Shapes.Concat(i == 0 ? shapes : [])
                                    .Where(Stands)
                                    .Select(shape => WithKey(shape, gone, said)),
                            ],
                            Lines =
                            [
                                .. sheet
                                    .Lines.Concat(i == 0 ? lines : [])
                                    .Where(line => !gone.Contains(line.Id))
                                    .Select(line => texts.TryGetValue(line.Id, out var text) ? line with { Text = text } : line),
                            ],
                        }
                )
                .ToImmutableArray();
            return WithoutLoose(drawing with { Sheets = kept });
            bool Stands(Shape shape) => !gone.Contains(shape.Id);
        }

        // An underline is added or taken away only where the key is another one.
        private Shape WithKey(Shape shape, HashSet<string> gone, Said said) =>
            shape with
            {
                Underline = Underlined(shape.Id, shape.Underline, said),
                Outline = Outlined(shape, said),
                Compartments =
                [
                    .. shape.Compartments.Select(rows =>
                        rows.RemoveAll(row => gone.Contains(row.Id)).Select(row => WithKey(row, said)).ToImmutableArray()
                    ),
                ],
            };

        private TextLine WithKey(TextLine row, Said said) =>
            row with
            {
                Underline = Underlined(row.Id, row.Underline, said),
                Mark = Marked(row, said),
            };

        private Underline Underlined(string element, Underline now, Said said)
        {
            var drawn = DrawnAt(element);
            var key = KeyAt(element, drawn);
            return key is null || said.Key.Contains(key) == (drawn?.IsInKey ?? false) ? now
                : said.Key.Contains(key) ? Underline.Solid
                : Underline.None;
        }

        // A box is dashed, or is so no longer, only where something else is said to be calculated.
        private Outline Outlined(Shape shape, Said said)
        {
            var drawn = DrawnAt(shape.Id);
            var key = KeyAt(shape.Id, drawn);
            return key is null || said.Calculated.Contains(key) == (drawn?.IsCalculated ?? false) ? shape.Outline
                : said.Calculated.Contains(key) ? Outline.Dashed
                : Outline.Single;
        }

        private DrawnAttribute? DrawnAt(string element) =>
            reading.Attributes.FirstOrDefault(attribute => attribute.Elements.Contains(element));

        private string? KeyAt(string element, DrawnAttribute? drawn) =>
            drawn?.Name.Key ?? elements.FirstOrDefault(pair => pair.Value == element).Key;

        // A mark that says key goes with the key.
        private string Marked(TextLine row, Said said) =>
            DrawnAt(row.Id) is { IsInKey: true } drawn && !said.Key.Contains(drawn.Name.Key)
                ? string.Join(' ', row.Mark.Split(' ').Where(mark => mark is not ("PK" or "PPK")))
                : row.Mark;

        // Lines whose ends have gone go too, then what gathers for nothing, and what leads there.
        private static Drawing WithoutLoose(Drawing changed)
        {
            var gathers = changed
                .Shapes.Where(DependencyReader.IsGather)
                .Select(shape => shape.Id)
                .ToHashSet(StringComparer.Ordinal);
            var standing = changed
                .Shapes.SelectMany(shape => shape.TextLines.Select(row => row.Id).Prepend(shape.Id))
                .ToHashSet(StringComparer.Ordinal);
            bool Has(LineEnd end) =>
                end.On.Id is not { } id
                || end.On.Kind is not (AttachmentKind.Shape or AttachmentKind.Row)
                || standing.Contains(id);
            var lines = changed.Lines.Where(line => Has(line.From) && Has(line.To)).ToList();
            bool Serves(string gather) =>
                lines.Exists(line => line.From.On.Id == gather && !line.To.Marks.IsEmpty)
                || lines.Exists(line => line.To.On.Id == gather && !line.From.Marks.IsEmpty);
            standing.ExceptWith(gathers.Where(gather => !Serves(gather)));
            return changed with
            {
                Sheets =
                [
                    .. changed.Sheets.Select(sheet =>
                        sheet with
                        {
                            Shapes = sheet.Shapes.RemoveAll(shape => gathers.Contains(shape.Id) && !standing.Contains(shape.Id)),
                            Lines = sheet.Lines.RemoveAll(line => !Has(line.From) || !Has(line.To)),
                        }
                    ),
                ],
                Ties = changed.Ties.RemoveAll(tie => !changed.Has(tie.Element)),
            };
        }
    }
}
