import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { ProblemError } from '../../api/client';
import { addressOf } from '../../api/place';
import { Failed, Loading, messageOf } from '../../ui/states';
import { freshGuard, useFreshSession } from './useSession';
import { PageTitle } from '../../ui/PageTitle';

interface DemoPerson {
  id: string;
  name: string;
  role: string;
  says: string;
}

// These two routes exist in a demo only, so they are no part of the contract from which the client is made.
async function fetchPeople(): Promise<DemoPerson[]> {
  const response = await fetch(addressOf('/api/demo/people'));
  if (!response.ok) throw new ProblemError({ code: 'no-demo', status: response.status, detail: 'This is not a demo.' });
  return (await response.json()) as DemoPerson[];
}

/** Becomes a person of the demo. Over a slate everything that is shown is kept, since it is the same person who comes back. */
export function useBecome(keep: boolean) {
  const fresh = useFreshSession();
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async (id: string) => {
      const response = await fetch(addressOf(`/api/demo/people/${id}/session`), {
        method: 'POST',
        headers: { 'X-Blue-Slate-Guard': await freshGuard() },
      });
      if (!response.ok)
        throw new ProblemError({
          code: 'demo',
          status: response.status,
          detail: 'Signing in did not work. Load the page again.',
        });
    },
    onSuccess: () => (keep ? queries.invalidateQueries({ queryKey: ['session'] }) : fresh()),
  });
}

/** The people of the demo course, each with one click. */
export function DemoPeople() {
  const people = useQuery({ queryKey: ['demo-people'], queryFn: fetchPeople });
  const become = useBecome(false);
  if (people.isPending) return <Loading what="the people of the demo" />;
  if (people.isError) return <Failed error={people.error} retry={() => void people.refetch()} />;
  const teaching = people.data.filter((person) => person.role !== 'student');
  const students = people.data.filter((person) => person.role === 'student');
  return (
    <>
      <PageTitle title="Who do you want to be?" />
      <h1>Who do you want to be?</h1>
      <p className="mt-1 text-quiet-ink">A demo with made-up people. Nothing here is real, and one click is enough.</p>
      {become.isError && (
        <p className="refusal mt-2" role="alert">
          {messageOf(become.error)}
        </p>
      )}
      <h2 className="mt-7">Those who teach</h2>
      <PeopleList people={teaching} pick={become.mutate} busy={become.isPending} />
      <h2 className="mt-7">Students</h2>
      <PeopleList people={students} pick={become.mutate} busy={become.isPending} two />
    </>
  );
}

function PeopleList({
  people,
  pick,
  busy,
  two = false,
}: {
  people: DemoPerson[];
  pick: (id: string) => void;
  busy: boolean;
  two?: boolean;
}) {
  return (
    <ul className={two ? 'mt-2 md:columns-2 gap-8' : 'mt-2'}>
      {people.map((person) => (
        <li key={person.id} className="py-[3px] break-inside-avoid">
          <button className="word-button font-bold" disabled={busy} onClick={() => pick(person.id)}>
            {person.name}
          </button>
          <span className="text-quiet-ink text-[13.5px]"> {person.says}</span>
        </li>
      ))}
    </ul>
  );
}
