import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api, must } from '../../api/client';
import { counted } from '../../notations/counts';

/** What only the instructor can say of the names in the answers stands before everything that is decided one by one. */
export function QuestionsFirst({ part, wanted }: { part: string; wanted: boolean }) {
  const asked = useQuery({
    queryKey: ['class-questions', part],
    queryFn: () => must(api.GET('/api/marking/parts/{id}/questions', { params: { path: { id: part } } })),
    enabled: wanted,
    staleTime: Infinity,
  });
  const questions = asked.data?.questions.length ?? 0;
  if (questions === 0) return null;
  return (
    <p className="questions-first">
      <Link className="word-button main" to={`/parts/${part}/questions`}>
        {counted(questions, 'question', 'questions')} of the class
      </Link>{' '}
      first: a reply to one judges many answers anew.
    </p>
  );
}
