/** An exact number as the server writes it, `5/2`, as a floating-point number. */
export function valueOf(rational: string): number {
  const [numerator = '0', denominator = '1'] = rational.split('/');
  return Number(numerator) / Number(denominator);
}

const fractions: Readonly<Record<string, string>> = {
  '1/2': '½',
  '1/3': '⅓',
  '2/3': '⅔',
  '1/4': '¼',
  '3/4': '¾',
  '1/5': '⅕',
  '2/5': '⅖',
  '3/5': '⅗',
  '4/5': '⅘',
  '1/6': '⅙',
  '5/6': '⅚',
  '1/8': '⅛',
  '3/8': '⅜',
  '5/8': '⅝',
  '7/8': '⅞',
};

type Fraction = readonly [numerator: number, denominator: number];

const divisorOf = (a: number, b: number): number => (b === 0 ? a : divisorOf(b, a % b));

function lowest([numerator, denominator]: Fraction): Fraction {
  const divisor = divisorOf(Math.abs(numerator), denominator) || 1;
  return [numerator / divisor, denominator / divisor];
}

/** In lowest terms, of `5/2`, `2.5` or `3`. */
function fractionOf(rational: string): Fraction {
  const [numerator = '0', denominator = '1'] = rational.split('/');
  const decimals = numerator.split('.')[1]?.length ?? 0;
  return lowest([Math.round(Number(numerator) * 10 ** decimals), Number(denominator) * 10 ** decimals]);
}

/** What is left of the first when the second is taken away, exactly. */
export function less(a: string, b: string): string {
  const [[p, q], [r, s]] = [fractionOf(a), fractionOf(b)];
  return lowest([p * s - r * q, q * s]).join('/');
}

/** An exact number for people: `2½`, `⅓`, `3`, `1 5⁄12`. */
export function show(rational: string): string {
  const [numerator, denominator] = fractionOf(rational);
  const whole = Math.floor(Math.abs(numerator) / denominator);
  const rest = Math.abs(numerator) % denominator;
  const sign = numerator < 0 ? '−' : '';
  if (rest === 0) return sign + String(whole);
  const fraction = fractions[`${rest}/${denominator}`];
  const before = whole === 0 ? '' : String(whole);
  return sign + (fraction ? before + fraction : `${before && `${before} `}${rest}⁄${denominator}`);
}

/** A number that is a mean, to two places: `0.37`. */
export function about(rational: string): string {
  const value = valueOf(rational);
  return (value < 0 ? '−' : '') + String(Math.round(Math.abs(value) * 100) / 100);
}

/** An amount with its word: `½ mark`, `1 mark`, `2 marks`. */
export function marksOf(amount: string): string {
  return `${show(amount)} ${valueOf(amount) <= 1 ? 'mark' : 'marks'}`;
}

const glyphs = new Map(Object.entries(fractions).map(([text, glyph]) => [glyph, text]));

/** An amount as a person types it, `2`, `0.75`, `3/4`, `1½`, exactly; null for what is none. */
export function typedAmount(text: string): string | null {
  const [, whole = '', rest = ''] = /^(\d{0,4})(\D.*)?$/.exec(text.trim().replace(',', '.')) ?? [];
  const glyph = glyphs.get(rest.trim());
  if (glyph) return lowest(plus(fractionOf(whole || '0'), fractionOf(glyph))).join('/');
  const typed = whole + rest;
  if (!/^\d{1,4}(\.\d{1,3})?$|^\d{1,4}\/[1-9]\d{0,3}$/.test(typed)) return null;
  return fractionOf(typed).join('/');
}

const plus = ([p, q]: Fraction, [r, s]: Fraction): Fraction => [p * s + r * q, q * s];

/** What part of an amount another one is, exactly; null where that is not more than nothing and less than all of it. */
export function partOf(all: string, some: string): string | null {
  const [[p, q], [r, s]] = [fractionOf(some), fractionOf(all)];
  return p > 0 && p * s < r * q ? lowest([p * s, q * r]).join('/') : null;
}
