import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, must, type Schemas } from '../../api/client';
import { saveFile } from '../../ui/saveFile';
import { Sheet } from '../../ui/Sheet';
import { messageOf } from '../../ui/states';
import { AddPeople, Links } from './AddPeople';

type Person = Schemas['CohortPerson'];

/** Who is in a cohort, and what can be done for each: a new link, their data, erasing them. */
export function People({ cohort }: { cohort: Schemas['CohortPage'] }) {
  const [adding, setAdding] = useState(false);
  const [erasing, setErasing] = useState<Person | null>(null);
  const [links, setLinks] = useState<readonly Schemas['AddedPerson'][]>([]);
  const take = useMutation({
    mutationFn: async (person: Person) => {
      const path = { id: cohort.id, person: person.id };
      const file = await must(api.GET('/api/cohorts/{id}/people/{person}/export', { params: { path } }));
      saveFile(`${person.name}.json`, JSON.stringify(file, null, 2));
    },
  });
  const renew = useMutation({
    mutationFn: (person: Person) =>
      must(
        api.POST('/api/cohorts/{id}/people/{person}/link', {
          params: { path: { id: cohort.id, person: person.id } },
        }),
      ),
    onSuccess: (added) => setLinks([added]),
  });
  const error = take.error ?? renew.error;
  return (
    <>
      <button className="press-button mb-4" onClick={() => setAdding(true)}>
        Add people
      </button>
      {error && (
        <p className="refusal mb-3" role="alert">
          {messageOf(error)}
        </p>
      )}
      <table className="desk-rows">
        <thead>
          <tr>
            <th>name</th>
            <th>what they are</th>
            <th>handed in</th>
            <th>
              <span className="sr-only">what can be done</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {cohort.people.map((person) => (
            <tr key={person.id}>
              <td>
                <strong>{person.name}</strong>
                <br />
                <span className="text-quiet-ink text-[13px]">{person.email}</span>
              </td>
              <td>
                {person.role}
                {!person.hasSignedIn && ', has not come in yet'}
              </td>
              <td>
                {person.role === 'student' && (person.answers === 0 ? '–' : `${person.handedIn} of ${person.answers}`)}
              </td>
              <td>
                {person.role !== 'instructor' && (
                  <span className="flex flex-wrap gap-x-4 justify-end">
                    <button className="word-button" onClick={() => renew.mutate(person)}>
                      new link
                    </button>
                    <button className="word-button" onClick={() => take.mutate(person)}>
                      their data
                    </button>
                    <button className="word-button" onClick={() => setErasing(person)}>
                      erase
                    </button>
                  </span>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <AddPeople cohort={cohort.id} open={adding} onClose={() => setAdding(false)} onAdded={setLinks} />
      <Links people={links} onClose={() => setLinks([])} />
      {erasing && <Erase cohort={cohort.id} person={erasing} onClose={() => setErasing(null)} />}
    </>
  );
}

function Erase({ cohort, person, onClose }: { cohort: string; person: Person; onClose: () => void }) {
  const [typed, setTyped] = useState('');
  const queries = useQueryClient();
  const erase = useMutation({
    mutationFn: () =>
      must(api.DELETE('/api/cohorts/{id}/people/{person}', { params: { path: { id: cohort, person: person.id } } })),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: ['cohort', cohort] });
      onClose();
    },
  });
  return (
    <Sheet
      open
      onClose={onClose}
      title={`Erase ${person.name}?`}
      actions={
        <button
          className="press-button"
          disabled={typed.trim() !== person.name || erase.isPending}
          onClick={() => erase.mutate()}
        >
          Erase for good
        </button>
      }
    >
      <p className="mb-4">
        {person.answers === 1 ? 'One answer' : `${person.answers} answers`} with drawings, marks and notes, the place in
        this cohort, and the account if it belongs to no other. This cannot be undone; save their data first if anybody
        may still ask for it.
      </p>
      <label className="field">
        <span>Type the name to go on</span>
        <input value={typed} onChange={(event) => setTyped(event.target.value)} autoComplete="off" />
      </label>
      {erase.isError && (
        <p className="refusal mt-2" role="alert">
          {messageOf(erase.error)}
        </p>
      )}
    </Sheet>
  );
}
