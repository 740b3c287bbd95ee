import { useState } from 'react';
import { changeShape } from '../../drawing/edits';
import { Deed } from './Choices';
import type { ChosenProps } from './ChosenRow';
import { Common, Further } from './Common';
import { TiedForms } from './TiedForms';
import { OutlineChoices, UnderlineChoices } from './drawnWays';
import { meaningOf } from '../../notations/meanings';
import { useDeedKeys } from '../keys/useDeedKeys';

/** What can be done with one shape. */
export function AtShape({ slate, words }: ChosenProps) {
  const [further, setFurther] = useState(false);
  const keyFor = useDeedKeys();
  const [id] = slate.selection.ids;
  const shape = slate.drawing.shapes.get(id!);
  if (!shape) return null;
  const notation = slate.notation.name;
  const set = (change: Parameters<typeof changeShape>[2]) => slate.change(changeShape(slate.drawing, shape, change));
  const way = { notation, thing: shape.form, words };
  const first = {
    outline: meaningOf(notation, shape.form, 'outline') !== null,
    underline: meaningOf(notation, shape.form, 'underline') !== null,
    italics: meaningOf(notation, shape.form, 'italics') !== null,
  };
  return (
    <>
      <Deed says="write" keyName="↵" onPress={() => slate.setEditing({ of: 'shape', id: shape.id })} />
      {(first.outline || further) && (
        <OutlineChoices {...way} value={shape.outline} onChoose={(outline) => set({ outline })} />
      )}
      {(first.underline || further) && (
        <UnderlineChoices {...way} value={shape.underline ?? 'none'} onChoose={(underline) => set({ underline })} />
      )}
      {(first.italics || further) && (
        <Deed
          says={(words && meaningOf(notation, shape.form, 'italics')?.yes) || 'italics'}
          keyName={keyFor('italic-shape')}
          pressed={shape.italic ?? false}
          onPress={() => set({ italic: !shape.italic })}
        />
      )}
      {(further || slate.notation.boxWay === 'stem') && <TiedForms slate={slate} shapes={[shape.id]} all={further} />}
      <Deed says="line" keyName={keyFor('line')} onPress={() => slate.setLinkFrom(shape.id)} />
      {!slate.notation.severalFromOne && <Deed says="line to itself" onPress={() => slate.link(shape.id, shape.id)} />}
      <Deed says="and another" keyName={keyFor('gather')} onPress={slate.gather} />
      {!(first.outline && first.underline && first.italics) && (
        <Further open={further} onOpen={setFurther} says={further ? 'less' : 'more'} />
      )}
      <Common slate={slate} />
    </>
  );
}
