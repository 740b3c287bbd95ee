/** An exact number as the server writes it, `5/2`, as a floating-point number. */
export function valueOf(rational: string): number {
  const [numerator = '0', denominator = '1'] = rational.split('/');
  return Number(numerator) / Number(denominator);
}

const fractions: Readonly<Record<string, string>> = { '0.25': '¼', '0.5': '½', '0.75': '¾' };

/** An exact number for people: `2½`, `¾`, `3`. */
export function show(rational: string): string {
  const value = valueOf(rational);
  const whole = Math.floor(Math.abs(value));
  const rest = Math.round((Math.abs(value) - whole) * 1000) / 1000;
  const sign = value < 0 ? '−' : '';
  if (rest === 0) return sign + String(whole);
  const fraction = fractions[String(rest)];
  if (fraction) return sign + (whole === 0 ? fraction : `${whole}${fraction}`);
  return sign + Math.abs(value).toFixed(2);
}

/** An amount with its word: `½ mark`, `1 mark`, `2 marks`. */
export function marksOf(amount: string): string {
  return `${show(amount)} ${valueOf(amount) <= 1 ? 'mark' : 'marks'}`;
}
