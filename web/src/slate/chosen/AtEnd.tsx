import { useState } from 'react';
import type { EndMark, Line } from '../../drawing/document';
import { changeEnd, changeLine } from '../../drawing/edits';
import { endPlace } from '../../geometry/endPlace';
import { endSymbols } from '../../notations/endSymbols';
import { tipsFor } from '../../notations/notations';
import { selectEnd } from '../../drawing/selection';
import { useSize } from '../../ui/useSize';
import type { Slate } from '../useSlate';
import { Choices, Deed, type Choice } from './Choices';
import type { ChosenProps } from './ChosenRow';
import { DiamondDeed } from './DiamondDeed';
import { Common, Further, LetterDeeds, PointerDeed } from './Common';
import { StrokeChoices } from './drawnWays';
import { meaningOf } from '../../notations/meanings';
import { MarksSample } from './samples';
import { endWays } from '../../notations/endWays';
import { leasts, mosts, withLeast, type Amount, type Amounts } from '../keys/amounts';
import { useDeedKeys } from '../keys/useDeedKeys';

/** How high a slate is, in pixels, that has no room for more than what is wanted most. */
const lowSlate = 360;

/** The least and the most that a line's end shows, its texts, the line's stroke, and, one step further, what other notations draw. */
export function AtEnd({ slate, words }: ChosenProps) {
  const keyFor = useDeedKeys();
  const [further, setFurther] = useState(false);
  const { line: id, side } = slate.selection.end!;
  const line = slate.drawing.lines.get(id)!;
  const way = slate.notation.endWay;
  const shown = way.read(line, side);
  const now = shown ?? unsaid;
  const marked = way === endWays.marks;
  const { direction } = endPlace(slate.scene.routes.get(id)!, side, line[side].qualifier);
  // On a low slate what is wanted most stands alone, so that the drawing stays in sight.
  const low = (useSize(slate.surface)?.height ?? Infinity) < lowSlate;
  const all = !low || further;
  const set = (change: Partial<Line>) => slate.change(changeLine(slate.drawing, line, change));
  const say = ({ least, most }: Amounts) => set(way.write(line, side, least, most));
  const choicesOf = <T extends string>(all: readonly Amount<T>[]): Choice<T>[] =>
    all.map(({ value, marks, short, says, deed }) => ({
      value,
      says,
      keyName: keyFor(deed),
      word: words || !marked ? short : undefined,
      sample: marked ? <MarksSample marks={marks} direction={direction} /> : undefined,
    }));
  return (
    <>
      <DiamondDeed slate={slate} line={line} />
      {way.saysLeast && (
        <Choices
          title="least"
          titled
          value={shown?.least ?? null}
          choices={choicesOf(leasts)}
          onChoose={(least) => say(withLeast(now, least))}
        />
      )}
      <Choices
        title={way.mostTitle ?? 'most'}
        titled
        value={shown?.most ?? null}
        choices={choicesOf(mosts)}
        onChoose={(most) => say({ ...now, most })}
      />
      {all && meaningOf(slate.notation.name, 'line', 'stroke') && (
        <StrokeChoices
          notation={slate.notation.name}
          thing="line"
          words={words}
          strokes={slate.notation.strokes}
          value={line.stroke}
          onChoose={(stroke) => set({ stroke })}
        />
      )}
      {all && <OwnTips slate={slate} direction={direction} />}
      {slate.notation.letters ? <LetterDeeds slate={slate} line={line} /> : <Texts slate={slate} all={all} />}
      <Deed
        says="other end"
        keyName={keyFor('other-end')}
        onPress={() => slate.setSelection(selectEnd(id, side === 'from' ? 'to' : 'from'))}
      />
      <Further open={further} onOpen={setFurther} says={low ? 'more' : 'other symbols'} />
      {further && <Strange slate={slate} />}
      <Common slate={slate} undo={all} />
    </>
  );
}

/** What is written at an end. */
function Texts({ slate, all }: { slate: Slate; all: boolean }) {
  const keyFor = useDeedKeys();
  const { line: id, side } = slate.selection.end!;
  const line = slate.drawing.lines.get(id)!;
  return (
    <>
      {slate.notation.verbAt === 'end' ? (
        <Deed
          says={line[side].label === '' ? 'write a verb' : 'verb'}
          keyName="↵"
          onPress={() => slate.setEditing({ of: 'label', line: id, side })}
        />
      ) : (
        <Deed
          says={line.text === '' ? 'name the line' : 'name of the line'}
          keyName="↵"
          onPress={() => slate.setEditing({ of: 'line', line: id })}
        />
      )}
      {slate.notation.name === 'uml' && line.text !== '' && <PointerDeed slate={slate} line={line} />}
      {all && (
        <Deed says="role" keyName={keyFor('role')} onPress={() => slate.setEditing({ of: 'role', line: id, side })} />
      )}
      {all && slate.notation.name === 'uml' && (
        <Deed
          says="qualifier"
          keyName={keyFor('qualifier')}
          onPress={() => slate.setEditing({ of: 'qualifier', line: id, side })}
        />
      )}
    </>
  );
}

/** The notation's own end symbols that are no least or most. */
function OwnTips({ slate, direction }: { slate: Slate; direction: { x: number; y: number } }) {
  const { line: id, side } = slate.selection.end!;
  const line = slate.drawing.lines.get(id)!;
  const { own } = tipsFor(slate.notation.name);
  if (own.length === 0 || slate.notation.name === 'crows-foot') return null;
  return (
    <Choices
      title="Symbols at this end"
      value={line[side].marks[0] ?? 'none'}
      choices={[
        { value: 'none', says: 'no symbol', sample: <MarksSample marks={[]} direction={direction} /> },
        ...own.map((mark) => ({
          value: mark,
          says: endSymbols.get(mark)!.says,
          sample: <MarksSample marks={[mark]} direction={direction} />,
        })),
      ]}
      onChoose={(mark) => slate.change(changeEnd(slate.drawing, line, side, { marks: mark === 'none' ? [] : [mark] }))}
    />
  );
}

/** What other notations draw and write at an end: a wrong symbol must be drawable. */
function Strange({ slate }: { slate: Slate }) {
  const keyFor = useDeedKeys();
  const { line: id, side } = slate.selection.end!;
  const line = slate.drawing.lines.get(id)!;
  const end = line[side];
  const { others } = tipsFor(slate.notation.name);
  // A strange maximum keeps the minimum behind it, where marks say both.
  const behind =
    slate.notation.name === 'crows-foot' ? end.marks.filter((mark) => mark === 'ring' || mark === 'bar').slice(-1) : [];
  const set = (marks: EndMark[]) => slate.change(changeEnd(slate.drawing, line, side, { marks }));
  return (
    <>
      <Choices
        title="Symbols of other notations"
        value={others.includes(end.marks[0] ?? '') ? end.marks[0]! : 'none'}
        choices={[
          { value: 'none', says: 'none of these', sample: <MarksSample marks={[]} direction={rightward} /> },
          ...others.map((mark) => ({
            value: mark,
            says: endSymbols.get(mark)!.says,
            sample: <MarksSample marks={[mark]} direction={rightward} />,
          })),
        ]}
        onChoose={(mark) => set(mark === 'none' ? behind : [mark, ...behind])}
      />
      <Deed says="turn the order" disabled={end.marks.length < 2} onPress={() => set([...end.marks].reverse())} />
      <Deed
        says="write a number"
        keyName={keyFor('count')}
        onPress={() => slate.setEditing({ of: 'count', line: id, side })}
      />
      {slate.notation.verbAt === 'end' ? (
        <Deed says="write in the middle" onPress={() => slate.setEditing({ of: 'line', line: id })} />
      ) : (
        <Deed says="write a verb at this end" onPress={() => slate.setEditing({ of: 'label', line: id, side })} />
      )}
    </>
  );
}

const unsaid: Amounts = { least: 'unsaid', most: 'unsaid' };
const rightward = { x: 1, y: 0 };
