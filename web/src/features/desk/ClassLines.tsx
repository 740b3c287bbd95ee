import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { counted } from '../../notations/counts';
import { show, valueOf } from '../../ui/marks';
import { Number, type Pick } from './Number';

interface ClassLinesProps {
  picture: Schemas['ClassPictureReply'];
  /** Other classes that were marked by lines of the same titles. */
  others: readonly Schemas['OtherClass'][];
  onPick: Pick;
}

/** How the lines of the scheme did in the class, and which kinds of findings there were. */
export function ClassLines({ picture, others, onPick }: ClassLinesProps) {
  const tells = picture.lines.some((line) => line.tells !== null && line.tells !== undefined);
  return (
    <div className="class-lines">
      <table className="desk-rows">
        <caption>The lines of the scheme</caption>
        <thead>
          <tr>
            <th>line</th>
            <th className="text-right!">marks</th>
            <th>share earned</th>
            {others.map((other) => (
              <th key={other.partId} className="text-right!">
                <Link className="word-button" to={`/exercises/${other.exerciseId}/answers?view=class`}>
                  {other.cohort}
                </Link>
                <br />
                {monthOf(other.publishedAt)}, {counted(other.answers, 'answer', 'answers')}
              </th>
            ))}
            <th className="text-right!">not in full</th>
            {tells && <th className="text-right!">tells strong from weak</th>}
          </tr>
        </thead>
        <tbody>
          {picture.lines.map((line) => {
            const percent = Math.round(valueOf(line.share) * 100);
            return (
              <tr key={line.id}>
                <td>{line.title}</td>
                <td className="text-right!">{show(line.marks)}</td>
                <td>
                  <span className="share" aria-hidden>
                    <span style={{ width: `${percent}%` }} />
                  </span>{' '}
                  {percent} %
                </td>
                {others.map((other) => (
                  <td key={other.partId} className="text-right!">
                    <Beside share={other.lines.find(({ title }) => title === line.title)?.share} here={percent} />
                  </td>
                ))}
                <td className="text-right!">
                  {line.lost.length === 0 ? (
                    '0'
                  ) : (
                    <Number works={line.lost} what={`not all of “${line.title}”`} onPick={onPick} />
                  )}
                </td>
                {tells && <td className="text-right!">{tellsWord(line.tells)}</td>}
              </tr>
            );
          })}
        </tbody>
      </table>
      {!tells && (
        <p className="text-quiet-ink">
          How well a line tells strong answers from weak ones is said from 30 answers on.
        </p>
      )}
      {picture.kinds.length > 0 && (
        <table className="desk-rows">
          <caption>Kinds of findings</caption>
          <thead>
            <tr>
              <th>kind</th>
              <th className="text-right!">answers</th>
            </tr>
          </thead>
          <tbody>
            {picture.kinds.map((kind) => (
              <tr key={kind.code}>
                <td>{kind.title}</td>
                <td className="text-right!">
                  <Number works={kind.works} what={kind.title} onPick={onPick} />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}

/** What another class earned of the same line, with how much this one is above or below it. */
function Beside({ share, here }: { share: string | undefined; here: number }) {
  if (share === undefined) return <span className="text-quiet-ink">not asked</span>;
  const there = Math.round(valueOf(share) * 100);
  const apart = here - there;
  return (
    <>
      {there} %{' '}
      {apart !== 0 && (
        <span className="text-quiet-ink">
          {apart > 0 ? '+' : '−'}
          {Math.abs(apart)} here
        </span>
      )}
    </>
  );
}

const monthOf = (at: string) =>
  new Intl.DateTimeFormat('en-GB', { month: 'long', year: 'numeric' }).format(new Date(at));

/** A correlation in words beside its figure: what an examiner would do about it. */
function tellsWord(tells: number | null | undefined): string {
  if (tells === null || tells === undefined) return 'all alike';
  const figure = tells.toFixed(2).replace('-', '−');
  return tells < 0 ? `${figure}, the other way round` : tells < 0.2 ? `${figure}, hardly` : figure;
}
