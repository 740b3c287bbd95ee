import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api, must, type Schemas } from '../../api/client';
import { PageHead } from '../session/PageHead';
import { PageTitle } from '../../ui/PageTitle';
import { FailedPage, Loading } from '../../ui/states';

/** The kinds of findings by what they are about, each leading to its page. */
export default function FindingsPage() {
  const kinds = useQuery({
    queryKey: ['findings'],
    queryFn: () => must(api.GET('/api/findings')),
    staleTime: Infinity,
  });
  if (kinds.isPending) return <Loading what="the kinds of findings" />;
  if (kinds.isError) return <FailedPage error={kinds.error} retry={() => void kinds.refetch()} />;
  return (
    <>
      <PageHead />
      <main className="page-body wide">
        <PageTitle title="Kinds of findings" />
        <h1>Kinds of findings</h1>
        <p className="mt-2 text-quiet-ink">Each has a page with a drawn example, as wanted and as it goes wrong.</p>
        <div className="kind-areas">
          {byArea(kinds.data).map(([area, ofArea]) => (
            <section key={area} aria-label={area}>
              <h2>{area}</h2>
              <ul>
                {ofArea.map((kind) => (
                  <li key={kind.code}>
                    <Link className="word-button" to={`/findings/${kind.code}`}>
                      {kind.title}
                    </Link>
                  </li>
                ))}
              </ul>
            </section>
          ))}
        </div>
      </main>
    </>
  );
}

const byArea = (kinds: readonly Schemas['FindingKindReply'][]) =>
  [...Map.groupBy(kinds, (kind) => kind.area)].sort(([a], [b]) => a.localeCompare(b));
