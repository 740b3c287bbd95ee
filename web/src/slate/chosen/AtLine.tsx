import { useState } from 'react';
import { changeLine } from '../../drawing/edits';
import { selectEnd } from '../../drawing/selection';
import { nameAt } from '../spoken';
import { Choices, Deed } from './Choices';
import type { ChosenProps } from './ChosenRow';
import { Common, Further, LetterDeeds, PointerDeed } from './Common';
import { DiamondDeed } from './DiamondDeed';
import { StrokeChoices } from './drawnWays';
import { CupSample } from './samples';
import { useDeedKeys } from '../keys/useDeedKeys';

/** What can be done with one line. */
export function AtLine({ slate, words }: ChosenProps) {
  const [further, setFurther] = useState(false);
  const keyFor = useDeedKeys();
  const [id] = slate.selection.ids;
  const line = slate.drawing.lines.get(id!);
  if (!line) return null;
  const notation = slate.notation.name;
  const cup = line.along?.find(({ symbol }) => symbol === 'cup');
  const cups = notation === 'chen' || further || cup !== undefined;
  return (
    <>
      {(['from', 'to'] as const).map((side) => (
        <Deed
          key={side}
          says={`end at ${nameAt(slate.drawing, line.id, side)}`}
          onPress={() => slate.setSelection(selectEnd(line.id, side))}
        />
      ))}
      <LetterDeeds slate={slate} line={line} />
      <DiamondDeed slate={slate} line={line} />
      <Deed
        says="write"
        keyName={keyFor('line-text')}
        onPress={() => slate.setEditing({ of: 'line', line: line.id })}
      />
      <StrokeChoices
        notation={notation}
        thing="line"
        words={words}
        strokes={slate.notation.strokes}
        value={line.stroke}
        onChoose={(stroke) => slate.change(changeLine(slate.drawing, line, { stroke }))}
      />
      {cups && (
        <Choices
          title="cup"
          value={cup?.facing ?? 'none'}
          choices={[
            { value: 'none', says: 'no cup', sample: <CupSample facing={null} /> },
            ...(['from', 'to'] as const).map((facing) => ({
              value: facing,
              says: `a cup, open to ${nameAt(slate.drawing, line.id, facing)}`,
              sample: <CupSample facing={facing} />,
            })),
          ]}
          onChoose={(facing) =>
            slate.change(
              changeLine(slate.drawing, line, {
                along: [
                  ...(line.along ?? []).filter(({ symbol }) => symbol !== 'cup'),
                  ...(facing === 'none' ? [] : [{ symbol: 'cup', facing }]),
                ],
              }),
            )
          }
        />
      )}
      {(further || line.pointer !== undefined) && <PointerDeed slate={slate} line={line} />}
      <Further open={further} onOpen={setFurther} says={further ? 'less' : 'more'} />
      <Common slate={slate} />
    </>
  );
}
