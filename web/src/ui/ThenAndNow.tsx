import { Link } from 'react-router';
import { show } from './marks';

interface ThenAndNowProps {
  /** The answers: the work to open, its candidate code, what it earned and what it earns; null where that is not known. */
  answers: readonly { workId: string; code: string; then?: string | null; now?: string | null }[];
  wasMaximum: string;
  maximum: string;
}

/** What each answer earned by one marking, and earns by another. */
export function ThenAndNow({ answers, wasMaximum, maximum }: ThenAndNowProps) {
  const same = answers.filter(({ now, then }) => now === then).length;
  return (
    <>
      <p className="text-quiet-ink">
        {same === answers.length
          ? 'Each earns what it earned.'
          : `${same} of ${answers.length} ${same === 1 ? 'earns' : 'earn'} what they earned.`}
      </p>
      <table className="mark-table">
        <thead>
          <tr>
            <th>candidate</th>
            <th className="n">then, of {show(wasMaximum)}</th>
            <th className="n">now, of {show(maximum)}</th>
          </tr>
        </thead>
        <tbody>
          {answers.map((one) => (
            <tr key={one.workId}>
              <td>
                <Link className="word-button" to={`/marking/${one.workId}`}>
                  {one.code}
                </Link>
              </td>
              <td className="n">{one.then ? show(one.then) : '–'}</td>
              <td className="n">
                <strong>{one.now ? show(one.now) : '–'}</strong>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}
