import { inflate } from '../geometry/boxes';
import type { PlacedCount } from './bands';

interface CountLayerProps {
  counts: readonly PlacedCount[];
  /** How strong the band of an element is, from 0 to 1. */
  strengthOf: (element: string) => number;
  chosen: string | null;
}

/** Bands behind the parts of a drawing, the stronger the more they are about. */
export function CountBands({ counts, strengthOf, chosen }: CountLayerProps) {
  return (
    <>
      {counts.map(({ element, band }) => {
        const style = { opacity: 0.3 + 0.7 * strengthOf(element) };
        const open = element === chosen ? ' open' : '';
        return band.kind === 'line' ? (
          <path
            key={element}
            className={`difference-band line${open}`}
            style={style}
            d={band.points.map((point, i) => `${i === 0 ? 'M' : 'L'}${point.x} ${point.y}`).join('')}
          />
        ) : (
          <rect
            key={element}
            className={`difference-band${open}`}
            style={style}
            {...inflate(band.box, band.within ? 0 : 5)}
          />
        );
      })}
    </>
  );
}

/** The numbers at the parts of a drawing, each to be pressed; and the bands of rows, which lie over their box. */
export function CountTags({
  counts,
  strengthOf,
  chosen,
  onChoose,
}: CountLayerProps & { onChoose: (element: string) => void }) {
  return (
    <>
      {counts
        .filter(({ band }) => band.kind === 'box' && band.within)
        .map(
          ({ element, band }) =>
            band.kind === 'box' && (
              <rect
                key={element}
                className="difference-band"
                style={{ opacity: 0.2 + 0.5 * strengthOf(element) }}
                {...band.box}
                pointerEvents="none"
              />
            ),
        )}
      {counts.map(({ element, text, box, inside }) => (
        <g
          key={element}
          className={`difference-tag${inside ? ' inside' : ''}${element === chosen ? ' open' : ''}`}
          data-overlay
          data-count={element}
          onPointerDown={() => onChoose(element)}
        >
          <rect {...box} />
          <text x={box.x + box.width - 6} y={box.y + 13.5} textAnchor="end">
            <tspan className="number">{text}</tspan>
          </text>
        </g>
      ))}
    </>
  );
}
