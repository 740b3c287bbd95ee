import { useQuery } from '@tanstack/react-query';
import { api, must } from '../../api/client';
import { PageHead } from '../../ui/PageHead';
import { Failed, Loading } from '../../ui/states';
import { PageTitle } from '../../ui/PageTitle';

/** What each kind of finding means. */
export default function FindingsPage() {
  const kinds = useQuery({
    queryKey: ['findings'],
    queryFn: () => must(api.GET('/api/findings')),
    staleTime: Infinity,
  });
  if (kinds.isPending) return <Loading what="the kinds of findings" />;
  if (kinds.isError) return <Failed error={kinds.error} />;
  return (
    <>
      <PageHead />
      <main className="page-body">
        <PageTitle title="Kinds of findings" />
        <h1>Kinds of findings</h1>
        <dl className="mt-4">
          {kinds.data.map((kind) => (
            <div key={kind.code} id={kind.code} className="py-3 border-t border-hairline">
              <dt className="font-bold">{kind.title}</dt>
              <dd className="font-read text-[16px] leading-[1.55]">{kind.help}</dd>
            </div>
          ))}
        </dl>
      </main>
    </>
  );
}
