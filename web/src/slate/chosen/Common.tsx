import { Toolbar } from 'radix-ui';
import type { Line } from '../../drawing/document';
import { turnPointer } from '../../drawing/edits';
import { useDeedKeys } from '../keys/useDeedKeys';
import { nameAt } from '../spoken';
import type { Slate } from '../useSlate';
import { Deed } from './Choices';

/** What can be done with whatever is chosen. */
export function Common({
  slate,
  onTakeAway = slate.removeSelected,
  undo = true,
}: {
  slate: Slate;
  onTakeAway?: () => void;
  undo?: boolean;
}) {
  return (
    <>
      <Deed says="take away" keyName="⌫" onPress={onTakeAway} />
      {undo && <Deed says="undo" disabled={!slate.session_.canUndo} onPress={() => slate.session.undo()} />}
    </>
  );
}

/** Opens and closes what is one step further. */
export function Further({ open, onOpen, says }: { open: boolean; onOpen: (open: boolean) => void; says: string }) {
  return (
    <Toolbar.Button className="deed quiet" aria-expanded={open} onClick={() => onOpen(!open)}>
      {says}
    </Toolbar.Button>
  );
}

/** Which way the text of a line is read. */
export function PointerDeed({ slate, line }: { slate: Slate; line: Line }) {
  const keyFor = useDeedKeys();
  return (
    <Deed
      says={line.pointer ? `read to ${nameAt(slate.drawing, line.id, line.pointer)}` : 'reading pointer'}
      keyName={keyFor('pointer')}
      pressed={line.pointer !== undefined}
      onPress={() => slate.change(turnPointer(slate.drawing, line))}
    />
  );
}
