/** A number with its word: 1 box, 2 boxes. */
export const counted = (number: number, one: string, many: string) => `${number} ${number === 1 ? one : many}`;
