using System.Collections.Immutable;
using System.Globalization;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Language.Statements;

/// <summary>
/// Makes concepts say what was typed: a statement in place of the concept that it came from, or a new one. Names find their
/// entity in any inflection; names that are not there yet become new entities.
/// </summary>
/// <param name="model">What the drawing says.</param>
/// <param name="newId">Makes an id that is not used in the drawing.</param>
public sealed class StatementApplier(ConceptModel model, Func<string> newId)
{
    /// <summary>What is said now.</summary>
    public ConceptModel Model { get; private set; } = model;

    /// <summary>
    /// Puts a statement in the place of a concept, or adds it when there is none. Gives a sentence on what it speaks of that is not there.
    /// </summary>
    public string? Put(Statement statement, string? conceptId)
    {
        switch (statement)
        {
            case EntityStatement entity:
                PutEntity(entity, conceptId);
                break;
            case OperationStatement operation:
                PutOperation(operation, conceptId);
                break;
            case RelationshipStatement relationship:
                PutRelationship(relationship, conceptId);
                break;
            case DirectedStatement directed:
                PutDirected(directed, conceptId);
                break;
            case SpecialisationStatement specialisation:
                PutSpecialisation(specialisation, conceptId);
                break;
            case UnionStatement union:
                PutUnion(union, conceptId);
                break;
            case ExclusionStatement exclusion:
                return PutExclusion(exclusion, conceptId);
        }

        return null;
    }

    /// <summary>Takes a concept away, and what cannot be without it.</summary>
    public void Remove(string conceptId)
    {
        var gone = Model
            .Relationships.Where(relationship =>
                relationship.Id == conceptId || relationship.Roles.Any(role => role.EntityId == conceptId)
            )
            .Select(relationship => relationship.Id)
            .ToHashSet(StringComparer.Ordinal);
        Model = Model with
        {
            Entities =
            [
                .. Model
                    .Entities.Where(entity => entity.Id != conceptId)
                    .Select(entity =>
                        entity with
                        {
                            Operations = entity.Operations.RemoveAll(operation => operation.Id == conceptId),
                        }
                    ),
            ],
            Relationships =
            [
                .. Model
                    .Relationships.Where(relationship => !gone.Contains(relationship.Id))
                    .Select(relationship =>
                        relationship.EntityId == conceptId ? relationship with { EntityId = null } : relationship
                    ),
            ],
            Specialisations =
            [
                .. Model
                    .Specialisations.Where(set => set.Id != conceptId && set.SupertypeId != conceptId)
                    .Select(set => set with { Subtypes = set.Subtypes.RemoveAll(link => link.EntityId == conceptId) })
                    .Where(set => !set.Subtypes.IsEmpty),
            ],
            Unions = [.. Model.Unions.Where(union => union.Id != conceptId && union.CategoryId != conceptId)],
            Exclusions =
            [
                .. Model.Exclusions.Where(exclusion =>
                    exclusion.Id != conceptId && !exclusion.RelationshipIds.Any(gone.Contains)
                ),
            ],
        };
    }

    private void PutEntity(EntityStatement said, string? conceptId)
    {
        var before = Model.Entities.FirstOrDefault(entity => entity.Id == conceptId) ?? Find(said.Name);
        var entity = before ?? new EntityType(newId(), said.Name, EntityKind.Strong, [], []);
        var isEnumeration = said.Kind == EntityKind.Enumeration;
        var attributes = isEnumeration ? [] : Attributes(said.Attributes, entity.Attributes);
        var kind = said.Kind
            ?? (
                entity.Kind is EntityKind.Associative && said.Kind is null && before is not null && IsEmbodied(entity.Id)
                    ? EntityKind.Associative
                    : EntityKind.Strong
            );
        var next = entity with
        {
            Name = said.Name,
            Kind = kind,
            Abstract = said.Abstract,
            Stereotype = said.Stereotype,
            Attributes = attributes,
            Literals = isEnumeration ? Literals(said.Attributes, entity.Literals) : [],
            Identifiers = Identifiers(said.Attributes, attributes, entity),
        };
        Model = Model with
        {
            Entities = before is null
                ? Model.Entities.Add(next)
                : [.. Model.Entities.Select(other => other.Id == next.Id ? next : other)],
        };
    }

    private bool IsEmbodied(string id) => Model.Relationships.Any(relationship => relationship.EntityId == id);

    // Attributes keep their ids by name, then, in order, those that were retyped in place.
    private ImmutableArray<ConceptAttribute> Attributes(
        ImmutableArray<AttributeText> said,
        ImmutableArray<ConceptAttribute> before
    )
    {
        var kept = Keep([.. said.Select(text => text.Name)], [.. before.Select(attribute => (attribute.Id, attribute.Name))]);
        return
        [
            .. said.Select(
                (text, i) =>
                {
                    var old = before.FirstOrDefault(attribute => attribute.Id == kept[i]);
                    return new ConceptAttribute(
                        kept[i] ?? newId(),
                        text.Name,
                        text.Markers.Contains("several"),
                        text.Markers.Contains("derived"),
                        text.Markers.Contains("optional"),
                        Parts(text.Parts, old?.Parts ?? []),
                        [
                            .. Numbers(text.Markers, "foreign key")
                                .Select(
                                    (group, n) => new ForeignKey(group, old?.ForeignKeys.ElementAtOrDefault(n)?.RelationshipId)
                                ),
                        ]
                    )
                    {
                        Type = text.Type,
                        Values = text.Markers.Select(ValueCount.Read).FirstOrDefault(count => count != Count.Unsaid),
                        Default = text.Default,
                        ClassScope = text.Markers.Contains("class scope"),
                        Visibility = text.Markers.Select(VisibilityWords.SignOf).FirstOrDefault(sign => sign is not null) ?? "",
                    };
                }
            ),
        ];
    }

    private ImmutableArray<Literal> Literals(ImmutableArray<AttributeText> said, ImmutableArray<Literal> before)
    {
        var kept = Keep([.. said.Select(text => text.Name)], [.. before.Select(literal => (literal.Id, literal.Name))]);
        return [.. said.Select((text, i) => new Literal(kept[i] ?? newId(), text.Name))];
    }

    private static ImmutableArray<Identifier> Identifiers(
        ImmutableArray<AttributeText> said,
        ImmutableArray<ConceptAttribute> attributes,
        EntityType before
    )
    {
        if (attributes.IsEmpty)
        {
            return [.. before.Identifiers.Where(identifier => identifier.AttributeIds.IsEmpty)];
        }

        var identifiers = ImmutableArray.CreateBuilder<Identifier>();
        ImmutableArray<string> Marked(Func<AttributeText, bool> marked) =>
            [.. said.Select((text, i) => (text, i)).Where(pair => marked(pair.text)).Select(pair => attributes[pair.i].Id)];
        var (full, partial) = (
            Marked(text => text.Markers.Contains("key")),
            Marked(text => text.Markers.Contains("partial key"))
        );
        var owners = before.Primary?.OwnerRelationshipIds ?? [];
        if (!partial.IsEmpty)
        {
            identifiers.Add(new Identifier(IdentifierKind.Primary, 0, true, [.. partial, .. full], owners));
        }
        else if (!full.IsEmpty || !owners.IsEmpty)
        {
            identifiers.Add(new Identifier(IdentifierKind.Primary, 0, full.IsEmpty, full, owners));
        }

        foreach (var number in said.SelectMany(text => Numbers(text.Markers, "alternate key")).Distinct().Order())
        {
            identifiers.Add(
                new Identifier(
                    IdentifierKind.Alternate,
                    number,
                    false,
                    Marked(text => Numbers(text.Markers, "alternate key").Contains(number)),
                    []
                )
            );
        }

        return identifiers.ToImmutable();
    }

    private void PutOperation(OperationStatement said, string? conceptId)
    {
        var owner = FindOrAdd(said.Owner);
        var operation = new Operation(conceptId ?? newId(), said.Name, said.Parameters, said.Returns)
        {
            Visibility = said.Markers.Select(VisibilityWords.SignOf).FirstOrDefault(sign => sign is not null) ?? "",
            ClassScope = said.Markers.Contains("class scope"),
            Abstract = said.Markers.Contains("abstract"),
        };
        Model = Model with
        {
            Entities =
            [
                .. Model.Entities.Select(entity =>
                {
                    var at = entity.Operations.ToList().FindIndex(other => other.Id == operation.Id);
                    return entity.Id == owner
                            ? entity with
                            {
                                Operations = at < 0 ? entity.Operations.Add(operation) : entity.Operations.SetItem(at, operation),
                            }
                        : at >= 0 ? entity with { Operations = entity.Operations.RemoveAt(at) }
                        : entity;
                }),
            ],
        };
    }

    private void PutRelationship(RelationshipStatement said, string? conceptId)
    {
        var before = Model.Relationships.FirstOrDefault(relationship => relationship.Id == conceptId);
        var id = before?.Id ?? newId();
        var ends = said.Ends.Select(end => FindOrAdd(end.Entity)).ToList();
        // A verb read one way only is the relationship's name where it has been one.
        var named =
            said.Ends.Length == 2
            && said.Ends[1].Verb.Length == 0
            && (before is null || before.Name.Length > 0 || before.Roles[0].Verb.Length == 0);
        var roles = said
            .Ends.Select(
                (end, i) =>
                {
                    var old = before?.Roles.Length == said.Ends.Length ? before.Roles[i] : null;
                    var other = said.Ends.Length == 2 ? said.Ends[1 - i].Count : Count.Unsaid;
                    return new RelationshipRole(
                        old?.Id ?? $"{id}/{(i == 0 ? "from" : i == 1 ? "to" : i.ToString(CultureInfo.InvariantCulture))}",
                        ends[i],
                        end.Role,
                        named ? "" : end.Verb,
                        end.Count,
                        said.Ends.Length == 2 ? other : old?.Participation ?? Count.Unsaid
                    )
                    {
                        Navigable =
                            said.Markers.Any(marker => Is(marker, "navigable to ", end.Entity)) ? true
                            : old?.Navigable == false ? false
                            : null,
                        Qualifier = said.Markers.Select(marker => QualifierOf(marker, end.Entity))
                            .FirstOrDefault(text => text is not null)
                            ?? "",
                    };
                }
            )
            .ToImmutableArray();
        var whole = said
            .Ends.Select((end, i) => (end, i))
            .FirstOrDefault(
                pair =>
                    said.Markers.Any(marker =>
                        Is(marker, "aggregation in ", pair.end.Entity) || Is(marker, "composition in ", pair.end.Entity)
                    ),
                (null!, -1)
            )
            .Item2;
        var next = new RelationshipType(
            id,
            said.Ends.Length == 2
                ? named
                    ? said.Ends[0].Verb
                    : ""
                : said.Name,
            roles,
            said.Markers.Contains("identifying") ? true
                : before?.Identifying is null ? null
                : false,
            before?.DependentRoleId
        )
        {
            Kind =
                whole < 0 ? RelationshipKind.Association
                : said.Markers.Any(marker => marker.StartsWith("composition", StringComparison.Ordinal))
                    ? RelationshipKind.Composition
                : RelationshipKind.Aggregation,
            WholeRoleId = whole < 0 ? null : roles[whole].Id,
            Attributes = Attributes(said.Noting, before?.Attributes ?? []),
            EntityId = said.Embodied.Length > 0 ? FindOrAdd(said.Embodied) : null,
            Derived = said.Markers.Contains("derived"),
        };
        Model = Model with { Relationships = Replace(Model.Relationships, next, relationship => relationship.Id) };
    }

    private static bool Is(string marker, string words, string entity) =>
        marker.StartsWith(words, StringComparison.OrdinalIgnoreCase)
        && Name.Of(marker[words.Length..]).Key == Name.Of(entity).Key;

    private static string? QualifierOf(string marker, string entity)
    {
        var at = marker.LastIndexOf(" at ", StringComparison.Ordinal);
        return
            marker.StartsWith("qualified by ", StringComparison.OrdinalIgnoreCase)
            && at > 0
            && Name.Of(marker[(at + 4)..]).Key == Name.Of(entity).Key
            ? marker["qualified by ".Length..at]
            : null;
    }

    private void PutDirected(DirectedStatement said, string? conceptId)
    {
        var id = conceptId ?? newId();
        var before = Model.Relationships.FirstOrDefault(relationship => relationship.Id == id);
        RelationshipRole Role(int i, string name) =>
            new(
                before?.Roles.Length == 2 ? before.Roles[i].Id : $"{id}/{(i == 0 ? "from" : "to")}",
                FindOrAdd(name),
                "",
                "",
                Count.Unsaid,
                Count.Unsaid
            );
        var next = new RelationshipType(id, before?.Name ?? "", [Role(0, said.From), Role(1, said.To)], null, null)
        {
            Kind = said.Kind,
        };
        Model = Model with { Relationships = Replace(Model.Relationships, next, relationship => relationship.Id) };
    }

    private void PutSpecialisation(SpecialisationStatement said, string? conceptId)
    {
        var before = Model.Specialisations.FirstOrDefault(set => set.Id == conceptId);
        var super = FindOrAdd(said.Supertype);
        var links = said
            .Subtypes.Select(name => FindOrAdd(name))
            .Select(entity =>
                before?.Subtypes.FirstOrDefault(link => link.EntityId == entity) ?? new SubtypeLink(newId(), entity)
            );
        var next = new Specialisation(before?.Id ?? newId(), super, [.. links], said.Disjoint, said.Total, said.Name);
        Model = Model with { Specialisations = Replace(Model.Specialisations, next, set => set.Id) };
    }

    private void PutUnion(UnionStatement said, string? conceptId)
    {
        var before = Model.Unions.FirstOrDefault(union => union.Id == conceptId);
        var supers = said
            .Supertypes.Select(FindOrAdd)
            .Select(entity =>
                before?.Supertypes.FirstOrDefault(link => link.EntityId == entity) ?? new SubtypeLink(newId(), entity)
            );
        var next = new UnionType(before?.Id ?? newId(), FindOrAdd(said.Category), [.. supers], said.Total);
        Model = Model with { Unions = Replace(Model.Unions, next, union => union.Id) };
    }

    private string? PutExclusion(ExclusionStatement said, string? conceptId)
    {
        var ties = said.Ties.Select(tie => (Said: tie, Found: FindTie(tie))).ToList();
        if (ties.FirstOrDefault(tie => tie.Found is null).Said is { } strange)
        {
            return $"No tie is said to be “{strange}”: say it first, with how many.";
        }

        var next = new ExclusiveConstraint(conceptId ?? newId(), [.. ties.Select(tie => tie.Found!.Id).Distinct()]);
        Model = Model with { Exclusions = Replace(Model.Exclusions, next, exclusion => exclusion.Id) };
        return null;
    }

    private RelationshipType? FindTie(string said)
    {
        string NameOf(string id) => Model.Entity(id).Name;
        var key = Name.Of(said).Key;
        return Model.Relationships.FirstOrDefault(tie => Name.Of(SentenceWriter.TieOf(tie, NameOf)).Key == key);
    }

    private EntityType? Find(string name)
    {
        var key = Name.Of(name).Key;
        return Model.Entities.FirstOrDefault(entity => string.Equals(entity.Name, name, StringComparison.OrdinalIgnoreCase))
            ?? Model.Entities.FirstOrDefault(entity => entity.Name.Length > 0 && Name.Of(entity.Name).Key == key);
    }

    private string FindOrAdd(string name)
    {
        if (Find(name) is { } found)
        {
            return found.Id;
        }

        var entity = new EntityType(newId(), Phrasing.Capital(name), EntityKind.Strong, [], []);
        Model = Model with { Entities = Model.Entities.Add(entity) };
        return entity.Id;
    }

    private static ImmutableArray<T> Replace<T>(ImmutableArray<T> all, T next, Func<T, string> idOf)
    {
        var at = all.ToList().FindIndex(other => idOf(other) == idOf(next));
        return at < 0 ? all.Add(next) : all.SetItem(at, next);
    }

    private static IEnumerable<int> Numbers(ImmutableArray<string> markers, string words) =>
        markers
            .Where(marker => marker.StartsWith(words, StringComparison.OrdinalIgnoreCase))
            .Select(marker =>
                int.TryParse(
                    marker.AsSpan(words.Length),
                    NumberStyles.AllowLeadingWhite,
                    CultureInfo.InvariantCulture,
                    out var number
                )
                    ? number
                    : 0
            )
            .Distinct();

    // For each typed name the id of the old thing that it stands for, or null.
    // Parts keep their ids as attributes do, at every depth.
    private ImmutableArray<AttributePart> Parts(ImmutableArray<PartText> said, ImmutableArray<AttributePart> before)
    {
        var kept = Keep([.. said.Select(part => part.Name)], [.. before.Select(part => (part.Id, part.Name))]);
        return
        [
            .. said.Select(
                (part, i) =>
                    new AttributePart(kept[i] ?? newId(), part.Name)
                    {
                        Parts = Parts(part.Parts, before.FirstOrDefault(old => old.Id == kept[i])?.Parts ?? []),
                    }
            ),
        ];
    }

    private static string?[] Keep(ImmutableArray<string> said, ImmutableArray<(string Id, string Name)> before)
    {
        var kept = new string?[said.Length];
        var taken = new HashSet<string>(StringComparer.Ordinal);
        for (var i = 0; i < said.Length; i++)
        {
            kept[i] = before.FirstOrDefault(old => old.Name == said[i] && !taken.Contains(old.Id)).Id;
            if (kept[i] is { } id)
            {
                taken.Add(id);
            }
        }

        for (var i = 0; i < said.Length && i < before.Length; i++)
        {
            if (kept[i] is null && taken.Add(before[i].Id))
            {
                kept[i] = before[i].Id;
            }
        }

        return kept;
    }
}
