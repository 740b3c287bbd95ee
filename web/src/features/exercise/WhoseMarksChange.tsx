import { Sheet } from '../../ui/Sheet';
import { messageOf } from '../../ui/states';
import { ChangeList } from '../marking/ChangeList';
import type { Assessment } from './useAssessment';

/** Before what is accepted, or the scheme, changes under answers that are marked: whose marks change, and by how much. */
export function WhoseMarksChange({ proposed }: { proposed: NonNullable<Assessment['proposed']> }) {
  const { changes, error } = proposed;
  if (!error && (!changes || changes.changes.length === 0)) return null;
  return (
    <Sheet
      open
      onClose={proposed.leave}
      title="Whose marks change?"
      actions={
        <button className="press-button" disabled={!changes} onClick={proposed.take}>
          Change it and mark again
        </button>
      }
    >
      {error && (
        <p className="refusal" role="alert">
          {messageOf(error)}
        </p>
      )}
      {changes && (
        <>
          <p>
            <strong>{changes.changes.length}</strong> of {changes.changes.length + changes.unchanged} marks change.
            {changes.released > 0 && ` ${changes.released} are released and stay as they are.`}
          </p>
          <ChangeList changes={changes.changes} />
        </>
      )}
    </Sheet>
  );
}
