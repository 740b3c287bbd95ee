namespace BlueSlate.Core.Subjects.Concepts.Matching;

/// <summary>
/// What each difference that a correspondence leaves costs. An entity of the model answer that is missing costs 1, so that
/// all costs read as parts of it. What a strange name costs is said by <see cref="Trust"/>.
/// </summary>
internal static class Costs
{
    public const double EntityMissing = 1;
    public const double EntityExtra = 0.5;
    public const double AttributeMissing = 0.5;
    public const double AttributeExtra = 0.25;

    /// <summary>A number or a name of its own has everything: that both have one says little.</summary>
    public const double EverydayName = 0.25;
    public const double FormDiffers = 0.15;
    public const double KeyDiffers = 0.2;
    public const double RelationshipMissing = 1;
    public const double RelationshipExtra = 0.5;
    public const double MinimumDiffers = 0.1;
    public const double MaximumDiffers = 0.15;
    public const double VerbDiffers = 0.25;

    /// <summary>
    /// At each end of a relationship of an entity with itself: more than all its values together, so that the verbs decide
    /// which end is which.
    /// </summary>
    public const double DirectionDiffers = 0.3;

    /// <summary>Who teaches is drawn as who is taught: more than the most at both ends.</summary>
    public const double DoersExchanged = 0.4;
    public const double KindDiffers = 0.1;
    public const double LinkKindDiffers = 0.3;
    public const double SubtypeMissing = 0.8;
    public const double SubtypeReversed = 0.4;
    public const double SubtypeExtra = 0.4;
}
