import type { Schemas } from '../../api/client';
import { show, valueOf } from '../../ui/marks';
import type { Pick } from './Number';

const steps = 10;

interface SpreadProps {
  works: readonly Schemas['ClassWork'][];
  maximum: string;
  /** Groups of fewer are left out. */
  least: number;
  onPick: Pick;
}

/** How the totals of a class are spread, in tenths of what could be earned. */
export function Spread({ works, maximum, least, onPick }: SpreadProps) {
  const most = valueOf(maximum);
  const all: number[][] = Array.from({ length: steps }, () => []);
  works.forEach((work, at) => {
    const step = most === 0 ? 0 : Math.floor((valueOf(work.total) / most) * steps);
    all[Math.max(0, Math.min(steps - 1, step))]!.push(at);
  });
  const groups = all.map((group) => (group.length < least ? [] : group));
  const tallest = Math.max(1, ...groups.map((group) => group.length));
  const totals = works.map((work) => valueOf(work.total)).sort((a, b) => a - b);
  const middle = totals.length === 0 ? 0 : (totals[(totals.length - 1) >> 1]! + totals[totals.length >> 1]!) / 2;
  return (
    <section aria-label="How the marks are spread" className="spread">
      <ol>
        {groups.map((group, step) => {
          const says = `${show(String((most * step) / steps))} to ${show(String((most * (step + 1)) / steps))} marks`;
          return (
            <li key={step}>
              <span className="number">{group.length > 0 ? group.length : ''}</span>
              <button
                style={{ height: `${(group.length / tallest) * 64}px` }}
                disabled={group.length === 0 || !onPick}
                aria-label={`${group.length} with ${says}`}
                onClick={() => onPick?.(says, group)}
              />
            </li>
          );
        })}
      </ol>
      <p>
        <span>0</span>
        <span>the middle answer has {show(String(middle))}</span>
        <span>{show(maximum)}</span>
      </p>
    </section>
  );
}
