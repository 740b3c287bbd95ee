import { Toolbar } from 'radix-ui';
import type { Line } from '../../drawing/document';
import { changeLine, turnPointer } from '../../drawing/edits';
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

/** What may be marked at a line by a letter, in a notation that has such letters. */
export function LetterDeeds({ slate, line }: { slate: Slate; line: Line }) {
  return slate.notation.letters?.map(({ text, says }) => (
    <Deed
      key={text}
      says={`${text}: ${says}`}
      pressed={line.text === text}
      onPress={() => slate.change(changeLine(slate.drawing, line, { text: line.text === text ? '' : text }))}
    />
  ));
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
