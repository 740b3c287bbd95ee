import { changeRow } from '../../drawing/edits';
import { isStrip } from '../../notations/forms';
import { rowsOf, type Row } from '../../drawing/document';
import { removeRow } from '../../drawing/rows';
import { select } from '../../drawing/selection';
import { Choices, Deed } from './Choices';
import type { ChosenProps } from './ChosenRow';
import { Common } from './Common';
import { UnderlineChoices } from './drawnWays';
import { meaningOf } from '../../notations/meanings';
import { useDeedKeys } from '../keys/useDeedKeys';

const marks = [
  { value: 'none', says: 'no mark', word: '–' },
  { value: 'PK', says: 'PK', word: 'PK' },
  { value: 'FK', says: 'FK', word: 'FK' },
  { value: 'PK FK', says: 'PK FK', word: 'PK FK' },
  { value: 'AK1', says: 'AK1', word: 'AK1' },
  { value: 'PPK', says: 'PPK', word: 'PPK' },
] as const;

const tableMarks = [
  { mark: 'FK', says: 'foreign key', deed: 'mark-foreign' },
  { mark: 'AK1', says: 'alternate key', deed: 'mark-alternate' },
] as const;

/** The marks of a line with one more, or without it where it is there. */
function toggled(marks: string, mark: string): string {
  const all = marks.split(' ').filter((one) => one.length > 0);
  return (all.includes(mark) ? all.filter((one) => one !== mark) : [...all, mark]).join(' ');
}

/** What can be done with one row of a box. */
export function AtRow({ slate, words }: ChosenProps) {
  const keyFor = useDeedKeys();
  const [id] = slate.selection.ids;
  const shape = slate.drawing.shapes.get(id!);
  const row = shape && rowsOf(shape).find((one) => one.id === slate.selection.row);
  if (!shape || !row) return null;
  const notation = slate.notation.name;
  const set = (change: Partial<Row>) => slate.change(changeRow(slate.drawing, shape, row.id, change));
  return (
    <>
      <Deed says="write" keyName="↵" onPress={() => slate.setEditing({ of: 'shape', id: shape.id })} />
      {isStrip(shape.form) && <Deed says="line" keyName={keyFor('line')} onPress={() => slate.setLinkFrom(row.id)} />}
      {slate.notation.boxWay === 'rows' && (
        <>
          <Choices
            title="mark"
            value={marks.find((one) => one.value === (row.mark || 'none'))?.value ?? null}
            choices={marks}
            onChoose={(mark) => set({ mark: mark === 'none' ? '' : mark })}
          />
          <Deed
            says={words ? 'optional' : 'ring'}
            keyName={keyFor('ring')}
            pressed={row.ring}
            onPress={() => set({ ring: !row.ring })}
          />
        </>
      )}
      {slate.notation.stages &&
        tableMarks.map(({ mark, says, deed }) => (
          <Deed
            key={mark}
            says={words ? says : mark}
            keyName={keyFor(deed)}
            pressed={row.mark.split(' ').includes(mark)}
            onPress={() => set({ mark: toggled(row.mark, mark) })}
          />
        ))}
      <UnderlineChoices
        notation={notation}
        thing="row"
        words={words}
        value={row.underline}
        onChoose={(underline) => set({ underline })}
      />
      {slate.notation.boxWay === 'compartments' && (
        <Deed
          says={(words && meaningOf(notation, 'row', 'italics')?.yes) || 'italics'}
          keyName={keyFor('italic')}
          pressed={row.italic ?? false}
          onPress={() => set({ italic: !row.italic })}
        />
      )}
      <Common
        slate={slate}
        onTakeAway={() => {
          slate.change(removeRow(slate.drawing, shape, row.id));
          slate.setSelection(select(shape.id));
        }}
      />
    </>
  );
}
