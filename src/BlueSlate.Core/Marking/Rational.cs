using System.Collections.Frozen;
using System.Globalization;
using System.Numerics;

namespace BlueSlate.Core.Marking;

/// <summary>An exact rational number, always in lowest terms with a positive denominator.</summary>
public readonly struct Rational : IEquatable<Rational>, IComparable<Rational>
{
    private readonly BigInteger denominatorLessOne;

    /// <summary>The quotient of two whole numbers; throws when the second is zero.</summary>
    public Rational(BigInteger numerator, BigInteger denominator)
    {
        if (denominator.IsZero)
        {
            throw new DivideByZeroException();
        }

        var divisor = BigInteger.GreatestCommonDivisor(numerator, denominator) * denominator.Sign;
        Numerator = numerator / divisor;
        denominatorLessOne = (denominator / divisor) - 1;
    }

    // Nothing has to be reduced.
    private Rational(BigInteger whole) => Numerator = whole;

    private bool IsWhole => denominatorLessOne.IsZero;

    /// <summary>The numerator.</summary>
    public BigInteger Numerator { get; }

    /// <summary>The denominator, at least 1.</summary>
    public BigInteger Denominator => denominatorLessOne + 1;

    /// <summary>0.</summary>
    public static Rational Zero => default;

    /// <summary>1.</summary>
    public static Rational One { get; } = new(1, 1);

    /// <summary>½.</summary>
    public static Rational Half { get; } = new(1, 2);

    /// <summary>True for 0.</summary>
    public bool IsZero => Numerator.IsZero;

    /// <summary>A whole number.</summary>
    public static implicit operator Rational(int value) => new(value);

    /// <summary>Sum.</summary>
    public static Rational operator +(Rational a, Rational b) =>
        a.IsWhole && b.IsWhole
            ? new(a.Numerator + b.Numerator)
            : new((a.Numerator * b.Denominator) + (b.Numerator * a.Denominator), a.Denominator * b.Denominator);

    /// <summary>Difference.</summary>
    public static Rational operator -(Rational a, Rational b) =>
        a.IsWhole && b.IsWhole
            ? new(a.Numerator - b.Numerator)
            : new((a.Numerator * b.Denominator) - (b.Numerator * a.Denominator), a.Denominator * b.Denominator);

    /// <summary>Product.</summary>
    public static Rational operator *(Rational a, Rational b) =>
        a.IsWhole && b.IsWhole ? new(a.Numerator * b.Numerator) : new(a.Numerator * b.Numerator, a.Denominator * b.Denominator);

    /// <summary>Quotient.</summary>
    public static Rational operator /(Rational a, Rational b) => new(a.Numerator * b.Denominator, a.Denominator * b.Numerator);

    /// <summary>Equality.</summary>
    public static bool operator ==(Rational a, Rational b) => a.Equals(b);

    /// <summary>Inequality.</summary>
    public static bool operator !=(Rational a, Rational b) => !a.Equals(b);

    /// <summary>Order.</summary>
    public static bool operator <(Rational a, Rational b) => a.CompareTo(b) < 0;

    /// <summary>Order.</summary>
    public static bool operator >(Rational a, Rational b) => a.CompareTo(b) > 0;

    /// <summary>Order.</summary>
    public static bool operator <=(Rational a, Rational b) => a.CompareTo(b) <= 0;

    /// <summary>Order.</summary>
    public static bool operator >=(Rational a, Rational b) => a.CompareTo(b) >= 0;

    /// <summary>The smaller of two.</summary>
    public static Rational Min(Rational a, Rational b) => a <= b ? a : b;

    /// <summary>The larger of two.</summary>
    public static Rational Max(Rational a, Rational b) => a >= b ? a : b;

    /// <summary>The nearest multiple of a step; halfway goes up.</summary>
    public Rational RoundTo(Rational step)
    {
        var units = (this / step) + Half;
        return new Rational(Floor(units), 1) * step;
    }

    /// <summary>The largest multiple of a step that is not larger.</summary>
    public Rational FloorTo(Rational step) => new Rational(Floor(this / step), 1) * step;

    /// <summary>Reads <c>3</c>, <c>-1/2</c> or <c>2.5</c>; false for anything else.</summary>
    public static bool TryParse(string text, out Rational value)
    {
        value = default;
        var parts = text.Split('/');
        if (
            parts.Length == 2
            && TryWhole(parts[0], out var numerator)
            && TryWhole(parts[1], out var denominator)
            && denominator > 0
        )
        {
            value = new Rational(numerator, denominator);
            return true;
        }

        if (
            parts.Length != 1
            || text.Length > 20
            || !decimal.TryParse(
                text,
                NumberStyles.AllowDecimalPoint | NumberStyles.AllowLeadingSign,
                CultureInfo.InvariantCulture,
                out var number
            )
        )
        {
            return false;
        }

        var scale = BigInteger.Pow(10, number.Scale);
        value = new Rational(new BigInteger(number * (decimal)scale), scale);
        return true;
    }

    /// <inheritdoc />
    public int CompareTo(Rational other) =>
        denominatorLessOne == other.denominatorLessOne
            ? Numerator.CompareTo(other.Numerator)
            : (Numerator * other.Denominator).CompareTo(other.Numerator * Denominator);

    /// <inheritdoc />
    public bool Equals(Rational other) => Numerator == other.Numerator && denominatorLessOne == other.denominatorLessOne;

    /// <inheritdoc />
    public override bool Equals(object? obj) => obj is Rational other && Equals(other);

    /// <inheritdoc />
    public override int GetHashCode() => HashCode.Combine(Numerator, denominatorLessOne);

    /// <summary>As the formats write it: <c>3</c> or <c>5/2</c>.</summary>
    public override string ToString() =>
        Denominator.IsOne
            ? Numerator.ToString(CultureInfo.InvariantCulture)
            : string.Create(CultureInfo.InvariantCulture, $"{Numerator}/{Denominator}");

    /// <summary>As people read it, exactly: <c>3</c>, <c>2½</c>, <c>1⅓</c>, <c>5⁄12</c>, <c>1 5⁄12</c>.</summary>
    public string ToDisplay()
    {
        var whole = Floor(this);
        var rest = this - new Rational(whole, 1);
        var before = whole.IsZero ? "" : whole.ToString(CultureInfo.InvariantCulture);
        return rest.IsZero ? whole.ToString(CultureInfo.InvariantCulture)
            : Fractions.TryGetValue(rest.ToString(), out var fraction) ? before + fraction
            : (whole.IsZero ? "" : before + " ") + rest.ToString().Replace('/', '\u2044');
    }

    private static readonly FrozenDictionary<string, string> Fractions = new Dictionary<string, string>(StringComparer.Ordinal)
    {
        ["1/2"] = "½",
        ["1/3"] = "⅓",
        ["2/3"] = "⅔",
        ["1/4"] = "¼",
        ["3/4"] = "¾",
        ["1/5"] = "⅕",
        ["2/5"] = "⅖",
        ["3/5"] = "⅗",
        ["4/5"] = "⅘",
        ["1/6"] = "⅙",
        ["5/6"] = "⅚",
        ["1/8"] = "⅛",
        ["3/8"] = "⅜",
        ["5/8"] = "⅝",
        ["7/8"] = "⅞",
    }.ToFrozenDictionary(StringComparer.Ordinal);

    /// <summary>The nearest floating-point number.</summary>
    public static explicit operator double(Rational value) => (double)value.Numerator / (double)value.Denominator;

    private static bool TryWhole(string text, out BigInteger value)
    {
        value = default;
        return text.Length <= 20
            && BigInteger.TryParse(text, NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out value);
    }

    private static BigInteger Floor(Rational value)
    {
        var quotient = BigInteger.DivRem(value.Numerator, value.Denominator, out var remainder);
        return remainder.Sign < 0 ? quotient - 1 : quotient;
    }
}
