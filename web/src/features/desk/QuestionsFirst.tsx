import { useQuery } from '@tanstack/react-query';
import { Link, useNavigate } from 'react-router';
import { api, must } from '../../api/client';
import { counted } from '../../notations/counts';
import { usePageKeys } from '../../ui/usePageKeys';

/** What only the instructor can say of the names in the answers stands before everything that is decided one by one. */
export function QuestionsFirst({ part, wanted }: { part: string; wanted: boolean }) {
  const asked = useQuery({
    queryKey: ['class-questions', part],
    queryFn: () => must(api.GET('/api/marking/parts/{id}/questions', { params: { path: { id: part } } })),
    enabled: wanted,
    staleTime: Infinity,
  });
  const questions = asked.data?.questions.length ?? 0;
  const navigate = useNavigate();
  usePageKeys({ q: () => questions > 0 && void navigate(`/parts/${part}/questions`) });
  if (questions === 0) return null;
  return (
    <p className="questions-first">
      <Link className="word-button main" to={`/parts/${part}/questions`}>
        {counted(questions, 'question', 'questions')} of the class <kbd aria-hidden>q</kbd>
      </Link>{' '}
      first: a reply to one judges many answers anew.
    </p>
  );
}
