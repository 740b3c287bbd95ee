import { useMutation, useQuery } from '@tanstack/react-query';
import { useEffect, useLayoutEffect, useMemo, useState } from 'react';
import { api, must, type Schemas } from '../../api/client';
import { CountBands, CountTags } from '../../differences/CountLayer';
import { placeCounts } from '../../differences/bands';
import { readDrawing } from '../../drawing/format';
import { elementsOf } from '../../drawing/selection';
import { closedSession } from '../../slate/drawings';
import { SlateFrame } from '../../slate/SlateFrame';
import { useSlate } from '../../slate/useSlate';
import { saveFile } from '../../ui/saveFile';
import { Failed, Loading, messageOf } from '../../ui/states';
import { Views } from '../../ui/Views';
import { csvOf } from './classCsv';
import { countsOf, type ElementCount } from './classCounts';
import { ClassLines } from './ClassLines';
import { Number, type Pick } from './Number';
import { Spread } from './Spread';
import { TimeTaken } from './TimeTaken';
import { useGoToAnswers } from './useGoToAnswers';

type Picture = Schemas['ClassPictureReply'];

/** What a class drew, on the model answer itself: at each of its parts how many do not have it so. */
export function ClassPicture({ part }: { part: string }) {
  const picture = useQuery({
    queryKey: ['class', part],
    queryFn: () => must(api.GET('/api/marking/parts/{id}/class', { params: { path: { id: part } } })),
  });
  if (picture.isPending) return <Loading what="the picture of the class" />;
  if (picture.isError) return <Failed error={picture.error} retry={() => void picture.refetch()} />;
  return <Shown picture={picture.data} />;
}

const views = [
  ['symbols', 'at the symbols'],
  ['lines', 'by mark lines'],
] as const;

const formats = ['svg', 'png', 'pdf'] as const;
const none: readonly Schemas['OtherClass'][] = [];

/** What fewer than so many drew is not shown to a room: it could be told who they are. */
const fewestShown = 3;
/** A room reads from afar. */
const roomZoom = 2;

function Shown({ picture }: { picture: Picture }) {
  const [view, setView] = useState<'symbols' | 'lines'>('symbols');
  const [room, setRoom] = useState(false);
  const [chosen, setChosen] = useState<string | null>(null);
  const least = room ? fewestShown : 1;
  const counts = useMemo(() => countsOf(picture, least), [picture, least]);
  const others = useQuery({
    queryKey: ['class-others', picture.part.id],
    queryFn: () => must(api.GET('/api/marking/parts/{id}/class/others', { params: { path: { id: picture.part.id } } })),
    enabled: view === 'lines',
  });
  const save = useMutation({
    mutationFn: async (format: Schemas['PictureFormat']) =>
      saveFile(
        `${picture.part.exercise} - class.${format}`,
        (await must(
          api.POST('/api/marking/parts/{id}/class/picture', {
            params: { path: { id: picture.part.id } },
            body: { format, scale: 2, least },
            parseAs: 'blob',
          }),
        )) as unknown as Blob,
      ),
  });
  const goTo = useGoToAnswers(picture.works);
  useEffect(() => {
    if (!room) return;
    const leave = (event: KeyboardEvent) => event.key === 'Escape' && setRoom(false);
    window.addEventListener('keydown', leave);
    return () => window.removeEventListener('keydown', leave);
  }, [room]);
  return (
    <div className={`desk-columns class-picture${room ? ' room' : ''}`}>
      <div className="desk-middle">
        {view === 'symbols' ? (
          <OnModel
            key={room ? 'room' : 'desk'}
            picture={picture}
            counts={counts}
            largest={room ? roomZoom : 1}
            chosen={chosen}
            onChoose={setChosen}
          />
        ) : (
          <ClassLines picture={picture} others={others.data?.classes ?? none} onPick={room ? null : goTo} />
        )}
      </div>
      <section className="desk-side" aria-label="What the numbers say">
        <Views label="How the class is shown" value={view} choices={views} onChoose={setView} />
        <p className="class-size">
          <strong>{picture.works.length}</strong> {picture.works.length === 1 ? 'answer' : 'answers'}
          {picture.blind > 0 && <>; {picture.blind} more are left out until you have marked them blind</>}
          {picture.byVariant.length > 0 && (
            <>; {picture.byVariant.length} of them drew another accepted answer and have no number at the symbols</>
          )}
        </p>
        {view === 'symbols' && counts.size > 0 && (
          <p className="class-size">A number at a symbol says how many do not have it so.</p>
        )}
        <Spread works={picture.works} maximum={picture.part.marks} least={least} onPick={room ? null : goTo} />
        <TimeTaken works={picture.works} onPick={room ? null : goTo} />
        {view === 'symbols' &&
          (chosen && counts.get(chosen) ? (
            <AtSymbol count={counts.get(chosen)!} picture={picture} onPick={room ? null : goTo} />
          ) : (
            <Besides picture={picture} least={least} onPick={room ? null : goTo} />
          ))}
        <p className="class-deeds">
          <button className="word-button" onClick={() => setRoom(!room)}>
            {room ? 'back to the desk' : 'show it to the room'}
          </button>
          {!room && (
            <button
              className="word-button"
              onClick={() =>
                saveFile(
                  `${picture.part.exercise} - class.csv`,
                  new Blob([csvOf(picture)], { type: 'text/csv;charset=utf-8' }),
                )
              }
            >
              save as a table (CSV)
            </button>
          )}
        </p>
        <p className="class-deeds">
          save as a picture:{' '}
          {formats.map((format) => (
            <button key={format} className="word-button" disabled={save.isPending} onClick={() => save.mutate(format)}>
              {format.toUpperCase()}
            </button>
          ))}
        </p>
        {save.isError && <p className="refusal">{messageOf(save.error)}</p>}
        {room && <p className="text-quiet-ink">No names, no codes, and nothing that fewer than {fewestShown} drew.</p>}
      </section>
    </div>
  );
}

interface OnModelProps {
  picture: Picture;
  counts: ReadonlyMap<string, ElementCount>;
  /** How far it may be enlarged. */
  largest: number;
  chosen: string | null;
  onChoose: (element: string | null) => void;
}

function OnModel({ picture, counts, largest, chosen, onChoose }: OnModelProps) {
  const session = useMemo(() => closedSession(readDrawing(picture.part.model)), [picture.part.model]);
  const slate = useSlate(session, false);
  const placed = useMemo(
    () =>
      placeCounts(
        slate.base,
        [...counts.values()].map(({ element, amiss }) => ({ element, text: String(amiss.length) })),
      ),
    [slate.base, counts],
  );
  const { showWith } = slate;
  useLayoutEffect(
    () =>
      showWith(
        placed.map(({ box }) => box),
        largest,
      ),
    [showWith, placed, largest],
  );
  const strengthOf = (element: string) => counts.get(element)!.amiss.length / Math.max(1, picture.works.length);
  const layer = { counts: placed, strengthOf, chosen };
  // A symbol is chosen by its number, or by going to it.
  const selected = elementsOf(slate.selection)[0] ?? null;
  const [before, setBefore] = useState(selected);
  if (before !== selected) {
    setBefore(selected);
    if (selected && counts.has(selected)) onChoose(selected);
  }
  return (
    <SlateFrame
      slate={slate}
      label="The model answer, with how many do not have it so"
      lit={useMemo(() => new Set(chosen ? [chosen] : []), [chosen])}
      behind={<CountBands {...layer} />}
      over={<CountTags {...layer} onChoose={onChoose} />}
    />
  );
}

/** What the answers have at one symbol. */
function AtSymbol({ count, picture, onPick }: { count: ElementCount; picture: Picture; onPick: Pick }) {
  return (
    <section aria-label="At this symbol" className="at-symbol" role="status">
      {count.facts.map((fact) => (
        <div key={fact.id}>
          <h2>{fact.title}</h2>
          <ul>
            <li>
              <strong>
                {picture.works.length -
                  picture.byVariant.length -
                  fact.absent.length -
                  fact.otherwise.reduce((sum, { works }) => sum + works.length, 0)}
              </strong>{' '}
              as wanted{fact.value && `: ${valueWord(fact.value)}`}
            </li>
            {fact.otherwise.map(({ drawn, works }) => (
              <li key={drawn}>
                <Number works={works} what={`${fact.title}: ${drawn || 'otherwise'}`} onPick={onPick} />{' '}
                {drawn === '' ? 'otherwise' : `as ${valueWord(drawn)}`}
              </li>
            ))}
            {fact.absent.length > 0 && (
              <li>
                <Number works={fact.absent} what={`${fact.title}: not drawn`} onPick={onPick} /> not drawn
              </li>
            )}
          </ul>
        </div>
      ))}
    </section>
  );
}

/** What is said at a line's end, in words. */
const valueWord = (value: string) => ({ '*': 'many', '?': 'not said' })[value] ?? value;

/** What was drawn that stands for nothing, by what it stands beside. */
function Besides({ picture, least, onPick }: { picture: Picture; least: number; onPick: Pick }) {
  const model = useMemo(() => readDrawing(picture.part.model), [picture.part.model]);
  const extras = picture.extras.filter(({ places }) => new Set(places.map(({ work }) => work)).size >= least);
  if (extras.length === 0) return null;
  return (
    <section aria-label="Drawn besides" className="at-symbol">
      <h2>Drawn besides</h2>
      <ul>
        {extras.slice(0, 40).map(({ kind, name, near, places }) => {
          const works = [...new Set(places.map(({ work }) => work))];
          const beside = near.flatMap((id) => model.shapes.get(id)?.text ?? []);
          return (
            <li key={`${kind} ${name} ${near.join(' ')}`}>
              <Number works={works} what={`${name || kind} besides`} onPick={onPick} />{' '}
              {name || `a ${kind.toLowerCase()}`}
              {beside.length > 0 && <span className="text-quiet-ink"> beside {beside.join(' and ')}</span>}
            </li>
          );
        })}
      </ul>
      {extras.length > 40 && <p className="text-quiet-ink">and {extras.length - 40} more, each drawn by fewer</p>}
    </section>
  );
}
