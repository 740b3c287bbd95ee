import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useParams } from 'react-router';
import { api, must } from '../../api/client';
import { PageHead } from '../session/PageHead';
import { FailedPage, Loading } from '../../ui/states';
import { KeepUntil } from './KeepUntil';
import { People } from './People';
import { Record } from './Record';
import { PageTitle } from '../../ui/PageTitle';

type Section = 'people' | 'record';

/** A cohort as its instructor sees it: who is in it, how long what they drew is kept, and the record of what was done. */
export default function CohortPage() {
  const { id } = useParams() as { id: string };
  const [section, setSection] = useState<Section>('people');
  const cohort = useQuery({
    queryKey: ['cohort', id],
    queryFn: () => must(api.GET('/api/cohorts/{id}', { params: { path: { id } } })),
  });
  if (cohort.isPending) return <Loading what="the cohort" />;
  if (cohort.isError) return <FailedPage error={cohort.error} retry={() => void cohort.refetch()} />;
  const { name, people } = cohort.data;
  const students = people.filter((person) => person.role === 'student').length;
  return (
    <>
      <PageHead />
      <main className="page-body">
        <PageTitle title={name} />
        <h1>{name}</h1>
        <p className="mt-1 text-quiet-ink">
          {students} {students === 1 ? 'student' : 'students'}, {people.length - students} who teach or mark.
        </p>
        <KeepUntil cohort={cohort.data} />
        <div className="views mb-3" role="group" aria-label="Parts of the cohort">
          <button aria-pressed={section === 'people'} onClick={() => setSection('people')}>
            people
          </button>
          <button aria-pressed={section === 'record'} onClick={() => setSection('record')}>
            record
          </button>
        </div>
        {section === 'people' ? <People cohort={cohort.data} /> : <Record cohort={id} />}
      </main>
    </>
  );
}
