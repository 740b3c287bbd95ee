import { Sheet } from './Sheet';

interface TwoTextsProps {
  title: string;
  mine: string;
  theirs: string;
  onKeep: () => void;
  onTake: () => void;
}

/** Two people wrote one text: both side by side, what differs marked, and one is chosen. The other is kept at the server. */
export function TwoTexts({ title, mine, theirs, onKeep, onTake }: TwoTextsProps) {
  const [here, there] = [mine.split('\n'), theirs.split('\n')];
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
      <p>
        Choose one to go on with. The other one is kept and not lost; lines that only one of the two has are marked.
      </p>
      <div className="two-texts">
        <Text title="Here" lines={here} others={new Set(there)} />
        <Text title="The other one" lines={there} others={new Set(here)} />
      </div>
    </Sheet>
  );
}

function Text({ title, lines, others }: { title: string; lines: readonly string[]; others: ReadonlySet<string> }) {
  return (
    <section aria-label={title} tabIndex={0}>
      <h2>{title}</h2>
      {lines.map((line, at) =>
        others.has(line) ? (
          <p key={at}>{line || '\u00a0'}</p>
        ) : (
          <p key={at}>
            <mark>{line || '\u00a0'}</mark>
          </p>
        ),
      )}
    </section>
  );
}
