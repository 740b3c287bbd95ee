using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Notations.Uml;

/// <summary>Class diagrams of the Unified Modeling Language 2.5.1.</summary>
internal sealed class UmlNotation : Notation<UmlOptions>
{
    public override bool ShowsLinkKinds => true;

    public override string ThingWord => "class";

    public override bool ShowsIdentifying => false;

    public override bool ShowsKeys => false;

    public override bool ShowsMembers => true;

    public override string SignOf(AttributeForm form) =>
        form switch
        {
            AttributeForm.Several => "A multiplicity such as [*] after",
            AttributeForm.Derived => "A slash before",
            _ => "The multiplicity [0..1] after",
        };

    public override string Title => "UML";

    // A multiplicity says both, or is not there.
    public override Count AsDrawn(Count typed) =>
        typed == Count.Unsaid ? typed : new Count(typed.Min ?? 0, typed.Max ?? Count.Many);

    protected override Reading ReadDrawing(Drawing drawing, UmlOptions options)
    {
        var remarks = ImmutableArray.CreateBuilder<Remark>();
        var classes = new ClassReader(options, remarks).Read(drawing);
        var (relationships, specialisations, exclusions) = new LinkReader(drawing, classes, options, remarks).Read();
        var embodied = relationships
            .Select(relationship => relationship.EntityId)
            .OfType<string>()
            .ToHashSet(StringComparer.Ordinal);
        var entities = classes.Select(entity =>
            embodied.Contains(entity.Id) && entity.Kind == EntityKind.Strong
                ? entity with
                {
                    Kind = EntityKind.Associative,
                }
                : entity
        );
        var model = new ConceptModel([.. entities], relationships) { Specialisations = specialisations, Exclusions = exclusions };
        return new Reading(model, remarks.ToImmutable(), ImmutableDictionary<string, ImmutableArray<string>>.Empty);
    }

    protected override Redrawing Write(ConceptModel model, UmlOptions options) => new UmlWriter(model, options).Write();
}
