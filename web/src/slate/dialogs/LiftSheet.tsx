import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Schemas } from '../../api/client';
import type { DrawingTools } from '../../api/drawingTools';
import { Sheet } from '../../ui/Sheet';
import { Failed, Loading, messageOf } from '../../ui/states';
import { readDrawing, writeDrawing } from '../../drawing/format';
import { placementOf } from '../../geometry/scene';
import { stepsBetween } from '../../drawing/steps';
import type { Slate } from '../useSlate';

interface LiftSheetProps {
  slate: Slate;
  tools: DrawingTools;
  shapes: string[];
  onClose: () => void;
}

const rowKey = (row: Schemas['LiftingRow']) => row.cells.map((cell) => cell.attributeId).join(' ');

/** The members of chosen boxes side by side: the shared ones are proposed, and go into a supertype by one action. */
export function LiftSheet({ slate, tools, shapes, onClose }: LiftSheetProps) {
  const [drawn] = useState(() => writeDrawing(slate.drawing, placementOf(slate.full)));
  const members = useQuery({
    queryKey: ['members', drawn, shapes],
    queryFn: () => tools.members(drawn, shapes),
    gcTime: 0,
  });
  const [changed, setChanged] = useState<ReadonlyMap<string, boolean>>(new Map());
  const [name, setName] = useState('');
  const isChosen = (row: Schemas['LiftingRow']) => changed.get(rowKey(row)) ?? row.shared;
  const lift = useMutation({
    mutationFn: () =>
      tools.lift(
        drawn,
        shapes,
        name,
        (members.data?.rows ?? []).filter(isChosen).map((row) => row.cells.map((cell) => cell.attributeId)),
      ),
    onSuccess: (reply) => {
      slate.change({ label: 'lift', steps: stepsBetween(slate.drawing, readDrawing(reply.drawing)) });
      onClose();
    },
  });
  return (
    <Sheet
      open
      onClose={onClose}
      title="Lift what they share"
      actions={
        <button className="press-button" disabled={name.trim() === '' || lift.isPending} onClick={() => lift.mutate()}>
          {lift.isPending ? 'lifting …' : 'Lift'}
        </button>
      }
    >
      {members.isPending && <Loading what="their members" />}
      {members.isError && <Failed error={members.error} />}
      {members.data && (
        <>
          <label className="field mb-3">
            <span>What all of them are</span>
            <input value={name} maxLength={200} autoFocus onChange={(event) => setName(event.target.value)} />
          </label>
          <table className="lift-table">
            <thead>
              <tr>
                <th scope="col">lift</th>
                {members.data.owners.map((owner) => (
                  <th key={owner.id} scope="col">
                    {owner.name}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {members.data.rows.map((row) => (
                <tr key={rowKey(row)}>
                  <td>
                    <input
                      type="checkbox"
                      aria-label={`lift ${row.name}`}
                      checked={isChosen(row)}
                      onChange={(event) => setChanged(new Map(changed).set(rowKey(row), event.target.checked))}
                    />
                  </td>
                  {members.data.owners.map((owner) => (
                    <td key={owner.id}>
                      {row.cells.some((cell) => cell.entityId === owner.id)
                        ? row.name + (row.type ? `: ${row.type}` : '')
                        : ''}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
          {members.data.rows.length === 0 && <p>None of them has a member.</p>}
        </>
      )}
      {lift.isError && (
        <p className="refusal" role="alert">
          {messageOf(lift.error)}
        </p>
      )}
    </Sheet>
  );
}
