import { useInfiniteQuery } from '@tanstack/react-query';
import { api, must, type Schemas } from '../../api/client';
import { Failed, Loading } from '../../ui/states';
import { moment } from '../../ui/time';

const deeds: Readonly<Record<Schemas['AuditKind'], string>> = {
  'sign-in': 'signed in',
  publish: 'published',
  ruling: 'ruled',
  release: 'released',
  remark: 'changed released marks',
  'identity-view': 'looked at names',
  export: 'took out data',
  erasure: 'erased',
  retention: 'set how long it is kept',
  sitting: 'did in a student’s place',
  sharing: 'shared out',
  trial: 'tried another marking:',
  membership: 'changed who is in it',
};

/** What was done in a cohort and by whom, newest first. */
export function Record({ cohort }: { cohort: string }) {
  const record = useInfiniteQuery({
    queryKey: ['record', cohort],
    queryFn: ({ pageParam }) =>
      must(
        api.GET('/api/cohorts/{id}/record', {
          params: { path: { id: cohort }, query: pageParam ? { before: pageParam } : {} },
        }),
      ),
    initialPageParam: null as string | null,
    getNextPageParam: (page) => page.before ?? null,
  });
  if (record.isPending) return <Loading what="the record" />;
  if (record.isError) return <Failed error={record.error} retry={() => void record.refetch()} />;
  const lines = record.data.pages.flatMap((page) => page.lines);
  if (lines.length === 0) return <p className="text-quiet-ink">Nothing has been done yet.</p>;
  return (
    <>
      <table className="desk-rows">
        <thead>
          <tr>
            <th>when</th>
            <th>who</th>
            <th>did what</th>
          </tr>
        </thead>
        <tbody>
          {lines.map((line, at) => (
            <tr key={at}>
              <td className="whitespace-nowrap">{moment(line.at)}</td>
              <td>{line.who ?? (line.kind === 'erasure' ? 'the server' : 'somebody erased since')}</td>
              <td>
                {deeds[line.kind]}
                {line.exercise && <>, {line.exercise}</>}
                {line.detail && <span className="text-quiet-ink">: {line.detail}</span>}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {record.hasNextPage && (
        <button className="word-button mt-4" onClick={() => void record.fetchNextPage()}>
          earlier lines
        </button>
      )}
    </>
  );
}
