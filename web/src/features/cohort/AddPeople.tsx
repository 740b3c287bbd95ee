import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, must, type Schemas } from '../../api/client';
import { saveFile } from '../../ui/saveFile';
import { Sheet } from '../../ui/Sheet';
import { messageOf } from '../../ui/states';

interface AddPeopleProps {
  cohort: string;
  open: boolean;
  onClose: () => void;
  onAdded: (people: readonly Schemas['AddedPerson'][]) => void;
}

/** Brings people into a cohort, one a line. */
export function AddPeople({ cohort, open, onClose, onAdded }: AddPeopleProps) {
  const [people, setPeople] = useState('');
  const [role, setRole] = useState<Schemas['CohortRole']>('student');
  const queries = useQueryClient();
  const add = useMutation({
    mutationFn: () =>
      must(api.POST('/api/cohorts/{id}/people', { params: { path: { id: cohort } }, body: { people, role } })),
    onSuccess: async (added) => {
      await queries.invalidateQueries({ queryKey: ['cohort', cohort] });
      setPeople('');
      onClose();
      onAdded(added.people);
    },
  });
  return (
    <Sheet
      open={open}
      onClose={onClose}
      title="Add people"
      actions={
        <button className="press-button" disabled={people.trim() === '' || add.isPending} onClick={() => add.mutate()}>
          {add.isPending ? 'adding …' : 'Add them'}
        </button>
      }
    >
      <label className="field">
        <span>One a line: a name, a comma, an e-mail address</span>
        <textarea
          rows={7}
          value={people}
          placeholder={'Ada Finch, ada.finch@example.invalid'}
          onChange={(event) => setPeople(event.target.value)}
        />
      </label>
      <label className="field mt-4 max-w-[220px]">
        <span>They are</span>
        <select value={role} onChange={(event) => setRole(event.target.value as Schemas['CohortRole'])}>
          <option value="student">students</option>
          <option value="assistant">assistants</option>
          <option value="instructor">instructors</option>
        </select>
      </label>
      {add.isError && (
        <p className="refusal mt-3" role="alert">
          {messageOf(add.error)}
        </p>
      )}
    </Sheet>
  );
}

/** The links of whoever was added: shown once, to be handed on. */
export function Links({ people, onClose }: { people: readonly Schemas['AddedPerson'][]; onClose: () => void }) {
  const fresh = people.filter((person) => person.link);
  const text = fresh.map((person) => `${person.name}\t${person.email}\t${person.link}`).join('\n');
  return (
    <Sheet
      open={people.length > 0}
      onClose={onClose}
      closeWord="done"
      title={fresh.length === 1 ? 'The way in for one person' : `The ways in for ${fresh.length} people`}
      actions={
        fresh.length > 0 && (
          <button className="press-button" onClick={() => saveFile('links.txt', text)}>
            Save the links
          </button>
        )
      }
    >
      <p className="mb-3">
        {fresh.length === 0
          ? 'Everybody had an account already, and is in the cohort now.'
          : 'Hand each person their link: it works once, for 14 days, and is not shown again.'}
      </p>
      <ul className="max-h-[40vh] overflow-auto" tabIndex={0} aria-label="Links">
        {fresh.map((person) => (
          <li key={person.id} className="py-1">
            <strong>{person.name}</strong>
            <br />
            <span className="text-[12.5px] break-all">{person.link}</span>
          </li>
        ))}
      </ul>
    </Sheet>
  );
}
