import type { Schemas } from '../../api/client';
import { counted } from '../../notations/counts';
import { Number, type Pick } from './Number';

/** In so many parts a class is divided by how long it took. */
const quarters = 4;

/** How long the answers took, the quickest and the slowest quarter a way to those who did. */
export function TimeTaken({ works, onPick }: { works: readonly Schemas['ClassWork'][]; onPick: Pick }) {
  const timed = works
    .flatMap(({ minutes }, at) => (typeof minutes === 'number' ? [{ at, minutes }] : []))
    .sort((a, b) => a.minutes - b.minutes);
  if (timed.length < quarters) return null;
  const share = Math.floor(timed.length / quarters);
  const [quick, slow] = [timed.slice(0, share), timed.slice(-share)];
  const middle = timed[timed.length >> 1]!.minutes;
  const until = quick[share - 1]!.minutes;
  const from = slow[0]!.minutes;
  if (until === from) return <p className="class-size">Each took {long(middle)}.</p>;
  const worksOf = (some: typeof timed) => some.map(({ at }) => at);
  return (
    <p className="class-size">
      Half took {long(middle)} or less:{' '}
      <Number works={worksOf(quick)} what={`at most ${long(until)}`} onPick={onPick} /> took at most {long(until)},{' '}
      <Number works={worksOf(slow)} what={`at least ${long(from)}`} onPick={onPick} /> took at least {long(from)}.
    </p>
  );
}

/** A time as a person says it: in days where it is days. */
function long(minutes: number): string {
  const hours = Math.round(minutes / 60);
  return minutes < 120
    ? counted(minutes, 'minute', 'minutes')
    : hours < 48
      ? counted(hours, 'hour', 'hours')
      : counted(Math.round(hours / 24), 'day', 'days');
}
