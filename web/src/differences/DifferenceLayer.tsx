import { inflate } from '../geometry/boxes';
import { besides, type Band, type Placed } from './bands';

interface LayerProps {
  placed: readonly Placed[];
  open: string | null;
}

interface BandsProps extends LayerProps {
  /** The scene's right edge, to which the leader of the open note runs. */
  edge: number;
}

/** The bands behind the figures, and the leader of the open note, which passes beneath whatever it meets. */
export function DifferenceBands({ placed, open, edge }: BandsProps) {
  const tag = placed.find(({ note }) => note.id === open)?.tags[0]?.box;
  return (
    <>
      {tag && <path className="leader" d={`M${tag.x + tag.width} ${tag.y + tag.height / 2}H${edge}`} />}
      {placed.map(({ note, bands }) => (
        <g key={note.id}>
          {bands.map((band) => (
            <BandFigure key={band.element} band={band} tag={note.tag} strong={open === note.id} />
          ))}
        </g>
      ))}
    </>
  );
}

function BandFigure({ band, tag, strong }: { band: Band; tag: string; strong: boolean }) {
  if (band.kind === 'line') {
    const path = band.points.map((point, i) => `${i === 0 ? 'M' : 'L'}${point.x} ${point.y}`).join('');
    if (tag === 'missing') return <path className="difference-dots" d={besides(band.points, 9)} />;
    if (tag === 'extra') return <path d={path} fill="none" stroke="url(#hatch)" strokeWidth={16} />;
    if (tag === 'notation' && !strong) return null;
    return <path className="difference-band open" d={path} />;
  }
  const { box } = band;
  if (tag === 'missing' && !band.within) return <rect className="difference-dots" {...inflate(box, 7)} />;
  if (tag === 'extra') return <rect className="difference-hatch" {...inflate(box, band.within ? 0 : 8)} />;
  return <rect className="difference-band" {...inflate(box, !band.within ? 5 : strong ? 2 : 0)} />;
}

interface TagsProps extends LayerProps {
  onOpen?: (note: string) => void;
  /** Whether tags carry the numbers of their notes. */
  numbered?: boolean;
}

/** Bands over rows, numbered tags, and pennants. */
export function DifferenceTags({ placed, open, onOpen, numbered = true }: TagsProps) {
  return (
    <>
      {placed.map(({ note, bands }) =>
        bands
          .filter((band) => band.kind === 'box' && band.within)
          .map(
            (band) =>
              band.kind === 'box' && (
                <rect
                  key={note.id + band.element}
                  className={note.tag === 'extra' ? 'difference-hatch' : 'difference-band'}
                  {...band.box}
                  pointerEvents="none"
                />
              ),
          ),
      )}
      {placed.map(({ note, number, bands, tags }) =>
        tags.map(({ box, element }, i) => (
          <g
            key={note.id + element}
            className={`difference-tag${open === note.id ? ' open' : ''}`}
            data-overlay
            data-note={note.id}
            onPointerDown={() => onOpen?.(note.id)}
          >
            {note.tag === 'notation' && i === 0 && <Pennant band={bands[0]} />}
            <rect {...box} />
            <text x={box.x + 7} y={box.y + 13.5}>
              {numbered && <tspan className="number">{number}</tspan>}
              {numbered && ' '}
              {note.tag}
            </text>
          </g>
        )),
      )}
    </>
  );
}

/** The pennant of a fault of notation flies from the symbol itself. */
function Pennant({ band }: { band: Band | undefined }) {
  if (!band) return null;
  const at = band.kind === 'box' ? { x: band.box.x + band.box.width / 2, y: band.box.y } : band.points[0]!;
  return <path className="pennant" d={`M${at.x} ${at.y - 13}l15 6l-15 6v6h-1.5v-18z`} />;
}
