using BlueSlate.Core.Concepts;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class NotationUnreadableMember : NotationFault
{
    public override string Code => "notation-unreadable-member";

    public override string Title => "Member that cannot be read";

    public override string Help => "An attribute is a name, a type after a colon, a multiplicity in brackets; an operation has its parameters in parentheses.";

    public override FindingExample Example => new(
        ExampleDrawings.Bench(["lamps: Integer"], ["isFree()"]).ToDrawing(),
        ExampleDrawings.Bench(["lamps: Integer [9..3]"], ["isFree()"]).ToDrawing())
    { Options = ExampleDrawings.Uml };

    private protected override RemarkKind Sort => RemarkKind.UnreadableMember;

    private protected override string Wants => "A line by the grammar of UML, such as “lamps: Integer [0..3]”.";

    private protected override string Headline(int places) => places == 1 ? "A line of a class cannot be read." : $"{places} lines of classes cannot be read.";
}
