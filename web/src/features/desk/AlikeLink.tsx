import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api, must } from '../../api/client';
import { counted } from '../../notations/counts';

/** The way to answers that resemble each other, where there are any. */
export function AlikeLink({ part, name }: { part: string; name: string | null }) {
  const found = useQuery({
    queryKey: ['resemblances', part],
    queryFn: () => must(api.GET('/api/marking/parts/{id}/resemblances', { params: { path: { id: part } } })),
  });
  const pairs = found.data?.pairs.length ?? 0;
  if (pairs === 0) return null;
  return (
    <Link className="word-button" to={`/parts/${part}/alike`}>
      {counted(pairs, 'pair resembles', 'pairs resemble')} each other{name !== null && `: ${name}`}
    </Link>
  );
}
