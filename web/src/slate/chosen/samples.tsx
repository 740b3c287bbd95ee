import type { ReactNode } from 'react';
import type { EndMark, Outline, Stroke, Underline } from '../../drawing/document';
import { alongSymbols, standPath } from '../../notations/endSymbols';
import { EndMarks } from '../figures/Figures';
import type { Point } from '../../geometry/boxes';

/** Small drawn samples of what can be chosen. */
const Sample = ({ children }: { children: ReactNode }) => (
  <svg className="sample" width="26" height="26" viewBox="-13 -13 26 26" aria-hidden="true">
    {children}
  </svg>
);

const dashes = { dashed: '4 3' } as Readonly<Record<string, string>>;

export const StrokeSample = ({ stroke }: { stroke: Stroke }) => (
  <Sample>
    {(stroke === 'double' ? [-2, 2] : [0]).map((y) => (
      <path key={y} className={`line ${stroke}`} d={`M-12 ${y}H12`} strokeDasharray={dashes[stroke]} />
    ))}
  </Sample>
);

export const OutlineSample = ({ outline }: { outline: Outline }) => (
  <Sample>
    <path className="line" d="M-9 -7H9V7H-9Z" strokeDasharray={dashes[outline]} />
    {outline === 'double' && <path className="line" d="M-6 -4H6V4H-6Z" />}
  </Sample>
);

export const UnderlineSample = ({ underline }: { underline: Underline }) => (
  <Sample>
    <text x="0" y="4" textAnchor="middle">
      a b
    </text>
    {underline !== 'none' && <path className="line" d="M-10 9H10" strokeDasharray={dashes[underline]} />}
  </Sample>
);

/** Marks at the end of a line that leads away in a direction. */
export const MarksSample = ({ marks, direction }: { marks: readonly EndMark[]; direction: Point }) => (
  <Sample>
    <path className="line" d={`M${-direction.x * 12} ${-direction.y * 12}L${direction.x * 12} ${direction.y * 12}`} />
    <EndMarks marks={marks} place={{ point: { x: -direction.x * 8, y: -direction.y * 8 }, direction }} />
  </Sample>
);

/** A subset symbol on a line from left to right, open to one of its ends. */
export const CupSample = ({ facing }: { facing: 'from' | 'to' | null }) => (
  <Sample>
    <path className="line" d="M-12 0H12" />
    {facing !== null &&
      alongSymbols
        .get('cup')
        ?.paths?.map((d) => (
          <path
            key={d}
            className="line"
            d={standPath(d, 0, { point: { x: 0, y: 0 }, direction: { x: facing === 'to' ? 1 : -1, y: 0 } })}
          />
        ))}
  </Sample>
);
