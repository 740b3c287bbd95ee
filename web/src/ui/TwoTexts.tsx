import { Sheet } from './Sheet';
import { textDiff, type DiffLine } from './textDiff';

interface TwoTextsProps {
  title: string;
  mine: string;
  theirs: string;
  onKeep: () => void;
  onTake: () => void;
}

/** Two people wrote one text: both side by side, what differs marked, and one is chosen. The other is kept at the server. */
export function TwoTexts({ title, mine, theirs, onKeep, onTake }: TwoTextsProps) {
  return (
    <Sheet
      open
      wide
      title={title}
      actions={
        <>
          <button className="press-button" onClick={onKeep}>
            Keep what is here
          </button>
          <button className="press-button" onClick={onTake}>
            Take the other one
          </button>
        </>
      }
    >
      <p>Choose one to go on with. The other one is kept and not lost; what only one of the two has is marked.</p>
      <Differing mine={{ title: 'Here', text: mine }} theirs={{ title: 'The other one', text: theirs }} />
    </Sheet>
  );
}

interface Titled {
  readonly title: string;
  readonly text: string;
}

/** Two texts side by side, with what only one of them has marked. */
export function Differing({ mine, theirs }: { mine: Titled; theirs: Titled }) {
  const lines = textDiff(mine.text, theirs.text);
  return (
    <div className="two-texts">
      <Text title={mine.title} lines={lines.mine} />
      <Text title={theirs.title} lines={lines.theirs} />
    </div>
  );
}

function Text({ title, lines }: { title: string; lines: readonly DiffLine[] }) {
  return (
    <section aria-label={title} tabIndex={0}>
      <h2>{title}</h2>
      {lines.map((line, at) => (
        <p key={at}>
          {line.map(({ text, own }, piece) =>
            own ? <mark key={piece}>{text || '\u00a0'}</mark> : <span key={piece}>{text || '\u00a0'}</span>,
          )}
        </p>
      ))}
    </section>
  );
}
