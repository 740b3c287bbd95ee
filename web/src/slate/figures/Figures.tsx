import { Fragment, memo } from 'react';
import { parseEndId, type EndMark, type Line, type Side } from '../../drawing/document';
import { alongSymbols, placeMarks, reachOf, standAt, standPath, type Stand } from '../../notations/endSymbols';
import type { EndText } from '../../geometry/endTexts';
import { endPlace, qualifierBox } from '../../geometry/endPlace';
import { textWidth } from '../../geometry/measure';
import { alongRoute, type Route } from '../../geometry/route';

/** Parts of a figure that carry a difference mark are drawn in the examiner's ochre. */
export type Tint = 'chalk' | 'ochre';

interface LineFigureProps {
  line: Line;
  route: Route;
  texts: readonly EndText[];
  selected: boolean;
  selectedEnd: Side | null;
  lit: boolean;
  tint: Tint;
}

/** A line with the marks and texts of its ends. Selection lays a wide quiet band beneath it. */
export const LineFigure = memo(function LineFigure({
  line,
  route,
  texts,
  selected,
  selectedEnd,
  lit,
  tint,
}: LineFigureProps) {
  const path = pathOf(route);
  return (
    <g className={`figure ${tint}${lit ? ' lit' : ''}`} data-element={line.id}>
      {(selected || lit) && <path className="line-band" d={path} />}
      <path className="hit" d={path} />
      <path className={`line ${line.stroke}`} d={path} strokeDasharray={line.stroke === 'dashed' ? '7 5' : undefined} />
      {line.stroke === 'double' && <path className="line-core" d={path} />}
      {line.along?.map(({ symbol, facing }) => (
        <AlongFigure key={symbol} symbol={symbol} facing={facing} route={route} />
      ))}
      <LineText line={line} route={route} text={texts.find((text) => text.of === 'line')} />
      <EndFigure line={line} side="from" route={route} texts={texts} selected={selectedEnd === 'from'} />
      <EndFigure line={line} side="to" route={route} texts={texts} selected={selectedEnd === 'to'} />
    </g>
  );
});

/** A symbol on a line, turned to one of its ends. */
function AlongFigure({ symbol, facing, route }: { symbol: string; facing: Side; route: Route }) {
  const middle = alongRoute(route.points, 0.5);
  const turn = facing === 'to' ? 1 : -1;
  const stand = { point: middle.point, direction: { x: middle.direction.x * turn, y: middle.direction.y * turn } };
  return alongSymbols.get(symbol)?.paths?.map((d) => <path key={d} className="along" d={standPath(d, 0, stand)} />);
}

/** A line's own text, with the small pointer that says which way it is read. */
function LineText({ line, route, text }: { line: Line; route: Route; text: EndText | undefined }) {
  if (!text) return null;
  const { direction } = alongRoute(route.points, 0.5);
  const way = line.pointer === undefined ? 0 : line.pointer === 'to' ? 1 : -1;
  const at = { x: text.x + textWidth(text.text, 14) + 11, y: text.y - 5 };
  return (
    <>
      <text className="line-text" x={text.x} y={text.y} data-text="line">
        {text.text}
      </text>
      {way !== 0 && (
        <path
          className="end-filled"
          d={standPath('M-5 -4L5 0L-5 4Z', 0, { point: at, direction: { x: direction.x * way, y: direction.y * way } })}
        />
      )}
    </>
  );
}

interface EndFigureProps {
  line: Line;
  side: Side;
  route: Route;
  texts: readonly EndText[];
  selected: boolean;
}

function EndFigure({ line, side, route, texts, selected }: EndFigureProps) {
  const end = line[side];
  const place = endPlace(route, side, end.qualifier);
  return (
    <g data-element={`${line.id}/${side}`}>
      {selected && (
        <circle
          className="end-focus"
          cx={place.point.x + place.direction.x * 13}
          cy={place.point.y + place.direction.y * 13}
          r={17}
        />
      )}
      {end.qualifier && (
        <>
          <rect className="edge" {...qualifierBox(end.qualifier, endPlace(route, side))} />
          <text
            className="role-text"
            x={qualifierBox(end.qualifier, endPlace(route, side)).x + 6}
            y={qualifierBox(end.qualifier, endPlace(route, side)).y + 14}
          >
            {end.qualifier}
          </text>
        </>
      )}
      {line.stroke === 'dashed' && end.marks.length > 0 && <path className="end-stem" d={stemPath(end.marks, place)} />}
      <EndMarks marks={end.marks} place={place} />
      <circle
        className="end-hit"
        cx={place.point.x + place.direction.x * 14}
        cy={place.point.y + place.direction.y * 14}
        r={14}
      />
      {texts
        .filter((text) => text.side === side && text.of !== 'line')
        .map((text) => (
          <text
            key={text.of}
            className={text.of === 'label' ? 'line-text' : 'role-text'}
            x={text.x}
            y={text.y}
            textAnchor={text.anchor}
            data-text={text.of}
          >
            {text.text}
          </text>
        ))}
    </g>
  );
}

/** The line beneath the marks of an end: whole there, however the rest of it is dashed. */
function stemPath(marks: readonly EndMark[], place: Stand): string {
  const to = standAt(place, reachOf(marks), 0);
  return `M${place.point.x} ${place.point.y}L${to.x} ${to.y}`;
}

/** The marks of an end, turned as the end lies. */
export function EndMarks({ marks, place }: { marks: readonly EndMark[]; place: Stand }) {
  return placeMarks(marks).map(({ symbol, at }, i) => (
    <Fragment key={i}>
      {symbol.hollow?.map((d) => (
        <path key={d} className="end-hollow" d={standPath(d, at, place)} />
      ))}
      {symbol.paths?.map((d) => (
        <path key={d} className="end-stroke" d={standPath(d, at, place)} />
      ))}
      {symbol.filled?.map((d) => (
        <path key={d} className="end-filled" d={standPath(d, at, place)} />
      ))}
      {symbol.circles?.map(({ x, r }) => {
        const centre = standAt(place, at + x, 0);
        return <circle key={x} className="end-hollow" cx={centre.x} cy={centre.y} r={r} />;
      })}
    </Fragment>
  ));
}

export const pathOf = (route: Route) =>
  route.points.map((point, i) => `${i === 0 ? 'M' : 'L'}${point.x} ${point.y}`).join('');

/** The id of the shape or line to which an element belongs: an end belongs to its line. */
export const ownerOf = (element: string) => parseEndId(element)?.line ?? element;
