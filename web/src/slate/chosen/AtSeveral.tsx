import { turnAlong } from '../../drawing/edits';
import { onLines } from '../keys/onLines';
import type { Slate } from '../useSlate';
import { Deed } from './Choices';
import { Common } from './Common';
import { TiedForms } from './TiedForms';
import { useDeedKeys } from '../keys/useDeedKeys';

/** What can be done with several elements at once. */
export function AtSeveral({ slate }: { slate: Slate }) {
  const keyFor = useDeedKeys();
  const { ids, held } = slate.selection;
  const lines = [...ids].filter((id) => slate.drawing.lines.has(id));
  return (
    <>
      <span className="asked">{ids.size} chosen</span>
      {lines.length > 0 && (
        <Deed
          says={lines.length === 1 ? 'cup on the line' : 'cups on the lines'}
          keyName={keyFor('cup')}
          onPress={() => onLines(slate, (line) => turnAlong(slate.drawing, line, 'cup'))}
        />
      )}
      {lines.length === 0 && <TiedForms slate={slate} shapes={[...ids]} />}
      <Deed
        says={held ? 'another: press it' : 'and another'}
        keyName={keyFor('gather')}
        pressed={held !== undefined}
        onPress={slate.gather}
      />
      <Common slate={slate} />
    </>
  );
}
