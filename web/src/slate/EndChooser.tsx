import { useState } from 'react';
import type { EndMark, Line } from './document';
import { changeEnd, changeLine, type Least, type Most } from './edits';
import { endSymbols } from './endSymbols';
import { EndMarks } from './Figures';
import { endPlace } from './endPlace';
import { deeds, keyOf, nameOf } from './keyMap';
import { tipsFor } from './notations';
import { useOwnKeys } from './useOwnKeys';
import type { Slate } from './useSlate';
import { toScreen } from './view';

const leasts: readonly { value: Least; marks: EndMark[]; short: string; says: string; key: string }[] = [
  { value: '0', marks: ['ring'], short: '0', says: 'at least none', key: '0' },
  { value: '1', marks: ['bar'], short: '1', says: 'at least one', key: '1' },
  { value: 'unsaid', marks: [], short: '–', says: 'least unsaid', key: '-' },
];
const mosts: readonly { value: Most; marks: EndMark[]; short: string; says: string; key: string }[] = [
  { value: '1', marks: ['bar'], short: '1', says: 'at most one', key: 'i' },
  { value: 'many', marks: ['foot'], short: 'm', says: 'many', key: 'm' },
  { value: 'unsaid', marks: [], short: '–', says: 'most unsaid', key: '.' },
];

/** Around the end itself: the least and the most that it shows, its texts, and, one step further, what other notations draw. */
export function EndChooser({ slate, words }: { slate: Slate; words: boolean }) {
  const [own] = useOwnKeys();
  const keyFor = (key: string) =>
    nameOf(
      keyOf(
        own,
        deeds.find((one) => one.place === 'end' && one.key === key)!,
      ),
    );
  const { line: id, side } = slate.selection.end!;
  const line = slate.drawing.lines.get(id)!;
  const way = slate.notation.endWay;
  const now = way.read(line, side);
  const marked = slate.notation.name === 'crows-foot';
  const place = endPlace(slate.scene.routes.get(id)!, side, line[side].qualifier);
  const angle = Math.atan2(place.direction.y, place.direction.x);
  const vertical = Math.abs(place.direction.y) > Math.abs(place.direction.x);
  const lies = vertical ? 'beside' : place.direction.x > 0 ? 'above rightward' : 'above leftward';
  const anchor = toScreen(slate.view, {
    x: place.point.x + place.direction.x * 30,
    y: place.point.y + place.direction.y * 30,
  });
  const set = (change: Partial<Line>) => {
    slate.change(changeLine(slate.drawing, line, change));
    slate.surface.current?.focus();
  };
  const pickLeast = (least: Least) =>
    set(
      way.write(
        line,
        side,
        least,
        least === '1' && (now?.most ?? 'unsaid') === 'unsaid' ? '1' : (now?.most ?? 'unsaid'),
      ),
    );
  const pickMost = (most: Most) => set(way.write(line, side, now?.least ?? 'unsaid', most));

  return (
    <>
      <div className={`end-chooser ${lies}`} data-overlay style={{ left: anchor.x, top: anchor.y }}>
        <Group title="least" at="before">
          {leasts.map((choice) => (
            <Choice
              key={choice.value}
              chosen={now?.least === choice.value}
              says={choice.says}
              keyName={keyFor(choice.key)}
              text={words || !marked ? choice.short : ''}
              angle={angle}
              marks={marked ? choice.marks : null}
              onPick={() => pickLeast(choice.value)}
            />
          ))}
        </Group>
        <Group title="most" at="after">
          {mosts.map((choice) => (
            <Choice
              key={choice.value}
              chosen={now?.most === choice.value}
              says={choice.says}
              keyName={keyFor(choice.key)}
              text={words || !marked ? choice.short : ''}
              angle={angle}
              marks={marked ? choice.marks : null}
              onPick={() => pickMost(choice.value)}
            />
          ))}
        </Group>
      </div>
      <EndMore slate={slate} lies={lies} anchor={anchor} angle={angle} keyFor={keyFor} />
    </>
  );
}

interface EndMoreProps {
  slate: Slate;
  lies: string;
  anchor: { x: number; y: number };
  angle: number;
  keyFor: (key: string) => string;
}

/** The texts of an end, the notation's own end symbols, and those of the others. */
function EndMore({ slate, lies, anchor, angle, keyFor }: EndMoreProps) {
  const [others, setOthers] = useState(false);
  const { line: id, side } = slate.selection.end!;
  const line = slate.drawing.lines.get(id)!;
  const end = line[side];
  const tips = tipsFor(slate.notation.name);
  const set = (marks: EndMark[]) => {
    slate.change(changeEnd(slate.drawing, line, side, { marks }));
    slate.surface.current?.focus();
  };
  // A strange maximum keeps the minimum behind it, where marks say both.
  const behind =
    slate.notation.name === 'crows-foot' ? end.marks.filter((m) => m === 'ring' || m === 'bar').slice(-1) : [];
  const choice = (mark: EndMark) => (
    <Choice
      key={mark}
      chosen={end.marks[0] === mark}
      says={endSymbols.get(mark)!.says}
      keyName=""
      text=""
      angle={slate.notation.name === 'crows-foot' ? 0 : angle}
      marks={[mark]}
      onPick={() => set(end.marks[0] === mark ? [] : [mark, ...behind])}
    />
  );
  return (
    <div className={`end-more ${lies}`} data-overlay style={{ left: anchor.x, top: anchor.y }}>
      {tips.own.length > 0 && slate.notation.name !== 'crows-foot' && (
        <div className="own-tips" role="radiogroup" aria-label="Symbols at this end">
          {tips.own.map(choice)}
        </div>
      )}
      {slate.notation.verbAt === 'end' && (
        <button onClick={() => slate.setEditing({ of: 'label', line: id, side })}>
          {end.label === '' ? 'write a verb' : 'verb'} <kbd>↵</kbd>
        </button>
      )}
      {slate.notation.verbAt === 'line' && (
        <button onClick={() => slate.setEditing({ of: 'line', line: id })}>
          {line.text === '' ? 'name the line' : 'name of the line'} <kbd>↵</kbd>
        </button>
      )}
      <button onClick={() => slate.setEditing({ of: 'role', line: id, side })}>
        role <kbd>{keyFor('g')}</kbd>
      </button>
      {slate.notation.name === 'uml' && (
        <button onClick={() => slate.setEditing({ of: 'qualifier', line: id, side })}>
          qualifier <kbd>{keyFor('q')}</kbd>
        </button>
      )}
      <button aria-expanded={others} onClick={() => setOthers(!others)}>
        other symbols
      </button>
      {others && (
        <div className="strange-marks" role="group" aria-label="Symbols of other notations">
          {tips.others.map(choice)}
          <button disabled={end.marks.length < 2} onClick={() => set([...end.marks].reverse())}>
            turn the order
          </button>
          <button onClick={() => slate.setEditing({ of: 'count', line: id, side })}>
            write a number <kbd>{keyFor('b')}</kbd>
          </button>
          {slate.notation.verbAt === 'end' ? (
            <button onClick={() => slate.setEditing({ of: 'line', line: id })}>write in the middle</button>
          ) : (
            <button onClick={() => slate.setEditing({ of: 'label', line: id, side })}>write a verb at this end</button>
          )}
        </div>
      )}
    </div>
  );
}

function Group({ title, at, children }: { title: string; at: 'before' | 'after'; children: React.ReactNode }) {
  return (
    <div className={`end-group ${at}`} role="radiogroup" aria-label={title}>
      <span className="end-title">{title}</span>
      <div className="end-choices">{children}</div>
    </div>
  );
}

interface ChoiceProps {
  chosen: boolean;
  says: string;
  keyName: string;
  text: string;
  angle: number;
  marks: EndMark[] | null;
  onPick: () => void;
}

function Choice({ chosen, says, keyName, text, angle, marks, onPick }: ChoiceProps) {
  const direction = { x: Math.cos(angle), y: Math.sin(angle) };
  return (
    <button
      className="end-choice"
      role="radio"
      aria-checked={chosen}
      aria-label={says}
      title={keyName ? `${says} (${keyName})` : says}
      onClick={onPick}
    >
      {marks && (
        <svg width="26" height="26" viewBox="-13 -13 26 26" aria-hidden="true">
          <path
            className="line"
            d={`M${-direction.x * 12} ${-direction.y * 12}L${direction.x * 12} ${direction.y * 12}`}
          />
          <EndMarks marks={marks} place={{ point: { x: -direction.x * 8, y: -direction.y * 8 }, direction }} />
        </svg>
      )}
      {text !== '' && <span>{text}</span>}
    </button>
  );
}
