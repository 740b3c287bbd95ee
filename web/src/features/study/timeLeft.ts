const minute = 60_000;

/** What is said about the time left, in milliseconds, once it is short; null while there is enough. Changes four times at the most. */
export function warningAt(remaining: number): string | null {
  if (remaining <= 0) return 'Time is over. What you have drawn is being handed in.';
  if (remaining <= minute) return 'One minute left. At the end what you have drawn is handed in.';
  if (remaining <= 5 * minute) return 'Five minutes left. At the end what you have drawn is handed in.';
  return null;
}
