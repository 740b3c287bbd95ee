import { Fragment, memo } from 'react';
import { parseEndId, rowsOf, type EndMark, type Line, type Shape, type Side } from './document';
import { placeMarks, standAt, standPath, type Stand } from './endSymbols';
import { centre, inflate, type Box } from './geometry';
import { markIndent, noteLines, type as typography } from './measure';
import type { EndText } from './endTexts';
import { endPlace } from './endPlace';
import { midpoint, type Route } from './routing';

/** Parts of a figure that carry a difference mark are drawn in the examiner's ochre. */
export type Tint = 'chalk' | 'ochre';

interface ShapeFigureProps {
  shape: Shape;
  box: Box;
  selected: boolean;
  focusRow: string | null;
  lit: boolean;
  tint: Tint;
  tintedRows?: ReadonlySet<string>;
}

/** A shape in its own strokes. Selection inverts it; it never gains an outline, which would be notation. */
export const ShapeFigure = memo(function ShapeFigure({
  shape,
  box,
  selected,
  focusRow,
  lit,
  tint,
  tintedRows,
}: ShapeFigureProps) {
  return (
    <g className={`figure ${tint}${selected ? ' selected' : ''}${lit ? ' lit' : ''}`} data-element={shape.id}>
      <Outline shape={shape} box={box} />
      {shape.pinned && <Pin box={box} />}
      <ShapeTexts shape={shape} box={box} focusRow={focusRow} tintedRows={tintedRows} />
      <rect className="edge-hit" data-edge={shape.id} {...box} />
    </g>
  );
});

/** A small peg outside the upper right corner: no part of any notation. */
const Pin = ({ box }: { box: Box }) => (
  <path className="pin" d={`M${box.x + box.width + 3} ${box.y - 3}h7v-7h-2v5h-5Z`}>
    <title>pinned</title>
  </path>
);

function Outline({ shape, box }: { shape: Shape; box: Box }) {
  const { x, y, width: w, height: h } = box;
  const [r, b] = [x + w, y + h];
  const middle = centre(box);
  const dash = shape.outline === 'dashed' ? '5 4' : undefined;
  const inner = shape.outline === 'double';
  switch (shape.form) {
    case 'oval':
    case 'circle':
    case 'junction':
      return (
        <>
          <ellipse className="edge" cx={middle.x} cy={middle.y} rx={w / 2} ry={h / 2} strokeDasharray={dash} />
          {inner && <ellipse className="edge inner" cx={middle.x} cy={middle.y} rx={w / 2 - 4} ry={h / 2 - 4} />}
        </>
      );
    case 'diamond':
    case 'diamond-in-rectangle':
      return (
        <>
          {shape.form === 'diamond-in-rectangle' && <rect className="edge" {...box} />}
          <path
            className="edge"
            d={`M${middle.x} ${y}L${r} ${middle.y}L${middle.x} ${b}L${x} ${middle.y}Z`}
            strokeDasharray={dash}
          />
          {inner && (
            <path
              className="edge inner"
              d={`M${middle.x} ${y + 5}L${r - 9} ${middle.y}L${middle.x} ${b - 5}L${x + 9} ${middle.y}Z`}
            />
          )}
        </>
      );
    case 'note':
      return (
        <>
          <path className="edge" d={`M${x} ${y}H${r - 12}L${r} ${y + 12}V${b}H${x}Z`} strokeDasharray={dash} />
          <path className="edge inner" d={`M${r - 12} ${y}V${y + 12}H${r}`} />
        </>
      );
    default: {
      const rounded = shape.form === 'rounded' ? 14 : 0;
      const ruled = rowsOf(shape).length > 0;
      return (
        <>
          <rect className="edge" {...box} rx={rounded} strokeDasharray={dash} />
          {inner && <rect className="edge inner" {...inflate(box, -4)} rx={Math.max(0, rounded - 4)} />}
          {ruled && <path className="rule" d={`M${x} ${y + typography.headHeight}H${r}`} />}
        </>
      );
    }
  }
}

function ShapeTexts({
  shape,
  box,
  focusRow,
  tintedRows,
}: {
  shape: Shape;
  box: Box;
  focusRow: string | null;
  tintedRows?: ReadonlySet<string>;
}) {
  if (shape.form === 'note') {
    return noteLines(shape.text).map((line, i) => (
      <text key={i} className="row-text" x={box.x + 10} y={box.y + 20 + i * typography.rowHeight}>
        {line}
      </text>
    ));
  }
  if (shape.form !== 'rectangle' && shape.form !== 'rounded') {
    return (
      <text className="row-text" x={box.x + box.width / 2} y={box.y + box.height / 2 + 4.5} textAnchor="middle">
        {shape.text}
      </text>
    );
  }
  const left = box.x + typography.markLeft;
  const indent = box.x + markIndent(shape);
  return (
    <>
      <text className="name" x={left} y={box.y + 18}>
        {shape.text}
      </text>
      {rowsOf(shape).map((row, i) => {
        const y = box.y + typography.headHeight + 15 + i * typography.rowHeight;
        return (
          <g key={row.id} className={tintedRows?.has(row.id) ? 'ochre' : undefined} data-element={row.id}>
            {focusRow === row.id && (
              <rect
                className="row-focus"
                x={box.x + 4}
                y={y - 13}
                width={box.width - 8}
                height={typography.rowHeight}
              />
            )}
            {row.mark !== '' && (
              <text className="mark" x={left} y={y}>
                {row.mark}
              </text>
            )}
            {row.ring && <circle className="ring-mark" cx={indent - 9} cy={y - 4.5} r={4} />}
            <text className={`row-text${row.underline === 'none' ? '' : ` under-${row.underline}`}`} x={indent} y={y}>
              {row.text}
            </text>
          </g>
        );
      })}
    </>
  );
}

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
  const middle = midpoint(route.points);
  return (
    <g className={`figure ${tint}${lit ? ' lit' : ''}`} data-element={line.id}>
      {(selected || lit) && <path className="line-band" d={path} />}
      <path className="hit" d={path} />
      <path className="line" d={path} strokeDasharray={line.stroke === 'dashed' ? '7 5' : undefined} />
      {line.stroke === 'double' && <path className="line-core" d={path} />}
      {line.text !== '' && (
        <text className="line-text" x={middle.x} y={middle.y - 8} textAnchor="middle">
          {line.text}
        </text>
      )}
      <EndFigure line={line} side="from" route={route} texts={texts} selected={selectedEnd === 'from'} />
      <EndFigure line={line} side="to" route={route} texts={texts} selected={selectedEnd === 'to'} />
    </g>
  );
});

interface EndFigureProps {
  line: Line;
  side: Side;
  route: Route;
  texts: readonly EndText[];
  selected: boolean;
}

function EndFigure({ line, side, route, texts, selected }: EndFigureProps) {
  const place = endPlace(route, side);
  const end = line[side];
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
      <EndMarks marks={end.marks} place={place} />
      <circle
        className="end-hit"
        cx={place.point.x + place.direction.x * 14}
        cy={place.point.y + place.direction.y * 14}
        r={14}
      />
      {texts
        .filter((text) => text.side === side)
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
