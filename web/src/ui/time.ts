const day = new Intl.DateTimeFormat('en-GB', { weekday: 'long', day: 'numeric', month: 'long' });
const clock = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });

/** A moment for people: "Tuesday 3 March, 14:05". */
export const moment = (iso: string): string =>
  `${day.format(new Date(iso)).replace(',', '')}, ${clock.format(new Date(iso))}`;

/** When something is due, seen from a moment in milliseconds: "due Tuesday 3 March, 14:05", or that it was. */
export const due = (iso: string, seenAt: number): string =>
  `${new Date(iso).getTime() < seenAt ? 'was due' : 'due'} ${moment(iso)}`;

/** A day for people, from "2026-03-03". */
export const onDay = (date: string): string => day.format(new Date(`${date}T12:00:00`)).replace(',', '');

/** A moment as a field for local times wants it, to the minute: "2026-03-03T14:05". */
export function localTime(iso: string): string {
  const at = new Date(iso);
  const two = (number: number) => String(number).padStart(2, '0');
  const date = `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`;
  return `${date}T${two(at.getHours())}:${two(at.getMinutes())}`;
}

/** Time left as minutes and seconds; hours only when there are any. */
export function left(milliseconds: number): string {
  const seconds = Math.max(0, Math.ceil(milliseconds / 1000));
  const minutes = Math.floor(seconds / 60);
  const rest = String(seconds % 60).padStart(2, '0');
  return minutes >= 60
    ? `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, '0')}:${rest}`
    : `${minutes}:${rest}`;
}
