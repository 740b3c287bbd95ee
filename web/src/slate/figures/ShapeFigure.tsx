import { memo } from 'react';
import { rowsOf, type Row, type Shape } from '../../drawing/document';
import { formOf, formPath, type FormSymbol } from '../../notations/forms';
import type { Tint } from './Figures';
import { centre, type Box } from '../../geometry/boxes';
import {
  cellLead,
  cellsOf,
  headHeight,
  headOf,
  markIndent,
  nameWidth,
  noteLines,
  rowPlaces,
  type as typography,
} from '../../geometry/measure';

interface ShapeFigureProps {
  shape: Shape;
  box: Box;
  selected: boolean;
  focusRow: string | null;
  lit: boolean;
  litRows?: ReadonlySet<string>;
  tint: Tint;
  tintedRows?: ReadonlySet<string>;
  hidden?: ReadonlySet<string>;
}

/** A shape in its own strokes. Selection inverts it; it never gains an outline, which would be notation. */
export const ShapeFigure = memo(function ShapeFigure({
  shape,
  box,
  selected,
  focusRow,
  lit,
  litRows,
  tint,
  tintedRows,
  hidden,
}: ShapeFigureProps) {
  const form = formOf(shape.form);
  const body = form.layout === 'cells' ? bodyOf(shape, box) : box;
  return (
    <g className={`figure ${tint}${selected ? ' selected' : ''}${lit ? ' lit' : ''}`} data-element={shape.id}>
      <Outline shape={shape} form={form} box={body} />
      {shape.pinned && <Pin box={box} />}
      {form.layout === 'rows' ? (
        <BoxTexts
          shape={shape}
          box={box}
          focusRow={focusRow}
          litRows={litRows}
          tintedRows={tintedRows}
          hidden={hidden}
        />
      ) : form.layout === 'cells' ? (
        <CellTexts
          shape={shape}
          box={box}
          focusRow={focusRow}
          litRows={litRows}
          tintedRows={tintedRows}
          hidden={hidden}
        />
      ) : form.layout === 'lines' ? (
        <NoteTexts shape={shape} box={box} />
      ) : (
        <MiddleText shape={shape} form={form} box={box} />
      )}
      <EdgeHit shape={shape} form={form} box={body} />
    </g>
  );
});

/** The outline of a strip, before which its name stands. */
function bodyOf(shape: Shape, box: Box): Box {
  const name = nameWidth(shape);
  return { ...box, x: box.x + name, width: box.width - name };
}

/** A small peg outside the upper right corner: no part of any notation. */
const Pin = ({ box }: { box: Box }) => (
  <path className="pin" d={`M${box.x + box.width + 3} ${box.y - 3}h7v-7h-2v5h-5Z`}>
    <title>pinned</title>
  </path>
);

/** Where a press pulls a line out of a shape: its edge, also where that is no box. */
const EdgeHit = ({ shape, form, box }: { shape: Shape; form: FormSymbol; box: Box }) =>
  form.rim === 'box' ? (
    <rect className="edge-hit" data-edge={shape.id} {...box} />
  ) : (
    form.edge.map((d) => <path key={d} className="edge-hit" data-edge={shape.id} d={formPath(d, box)} />)
  );

function Outline({ shape, form, box }: { shape: Shape; form: FormSymbol; box: Box }) {
  const dash = shape.outline === 'dashed' ? '5 4' : undefined;
  const [across, down] = form.inset ?? [4, 4];
  const inner: Box = {
    x: box.x + across,
    y: box.y + down,
    width: Math.max(0, box.width - 2 * across),
    height: Math.max(0, box.height - 2 * down),
  };
  return (
    <>
      {form.edge.map((d) => (
        <path key={d} className={`edge${form.solid ? ' solid' : ''}`} d={formPath(d, box)} strokeDasharray={dash} />
      ))}
      {form.details?.map((d) => (
        <path key={d} className="edge inner" d={formPath(d, box)} />
      ))}
      {shape.outline === 'double' &&
        (form.double ?? form.edge).map((d) => (
          <path key={d} className="edge inner" d={formPath(d, form.double ? box : inner)} />
        ))}
    </>
  );
}

function NoteTexts({ shape, box }: { shape: Shape; box: Box }) {
  return noteLines(shape.text).map((line, i) => (
    <text key={i} className="row-text" x={box.x + 10} y={box.y + 20 + i * typography.rowHeight}>
      {line}
    </text>
  ));
}

function MiddleText({ shape, form, box }: { shape: Shape; form: FormSymbol; box: Box }) {
  const middle = centre(box);
  const y = form.layout === 'below' ? box.y + box.height + 16 : middle.y + 4.5 + (form.drop ?? 0);
  return (
    <text className={`row-text${styleClass(shape)}`} x={middle.x} y={y} textAnchor="middle">
      {shape.text}
    </text>
  );
}

const styleClass = ({ underline, italic }: Pick<Row, 'italic'> & { underline?: Row['underline'] }) =>
  `${underline && underline !== 'none' ? ` under-${underline}` : ''}${italic ? ' italic' : ''}`;

interface BoxTextsProps {
  shape: Shape;
  box: Box;
  focusRow: string | null;
  litRows?: ReadonlySet<string>;
  tintedRows?: ReadonlySet<string>;
  hidden?: ReadonlySet<string>;
}

function BoxTexts({ shape, box, focusRow, litRows, tintedRows, hidden }: BoxTextsProps) {
  const left = box.x + typography.markLeft;
  const indent = box.x + markIndent(shape);
  const { rules, baselines } = rowPlaces(shape);
  const { stereotypes, name } = headOf(shape.text);
  const ruled = rowsOf(shape).length > 0 || rules.length > 1 ? rules : [];
  // A name that stands alone in its box stands in the middle.
  const alone = shape.compartments.length === 0;
  return (
    <>
      {stereotypes !== '' && (
        <text
          className="row-text"
          {...(alone ? { x: box.x + box.width / 2, textAnchor: 'middle' } : { x: left })}
          y={box.y + 17}
        >
          {stereotypes}
        </text>
      )}
      <text
        className={`name${styleClass(shape)}`}
        x={alone ? box.x + box.width / 2 : left}
        y={box.y + headHeight(shape) - (alone ? 3.5 : 8)}
        textAnchor={alone ? 'middle' : 'start'}
      >
        {name}
      </text>
      {ruled.map((y) => (
        <path key={y} className="rule" d={`M${box.x} ${box.y + y}H${box.x + box.width}`} />
      ))}
      {rowsOf(shape).map((row) => {
        if (hidden?.has(row.id)) return null;
        const y = box.y + baselines.get(row.id)!;
        return (
          <g key={row.id} className={tintedRows?.has(row.id) ? 'ochre' : undefined} data-element={row.id}>
            {(focusRow === row.id || litRows?.has(row.id)) && (
              <rect
                className={focusRow === row.id ? 'row-focus' : 'row-lit'}
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
            <text className={`row-text${styleClass(row)}`} x={indent} y={y}>
              {row.text}
            </text>
          </g>
        );
      })}
    </>
  );
}

/** A name, and cells beside each other behind it. */
function CellTexts({ shape, box, focusRow, litRows, tintedRows, hidden }: BoxTextsProps) {
  const y = box.y + box.height / 2 + 4.5;
  return (
    <>
      <text className={`name before${styleClass(shape)}`} x={box.x} y={y}>
        {shape.text}
      </text>
      {cellsOf(shape).map(({ row, x: from, width }, i) => {
        const x = box.x + from;
        if (hidden?.has(row.id)) return null;
        return (
          <g key={row.id} className={tintedRows?.has(row.id) ? 'ochre' : undefined} data-element={row.id}>
            <rect className="cell-hit" x={x} y={box.y} width={width} height={box.height} />
            {(focusRow === row.id || litRows?.has(row.id)) && (
              <rect
                className={focusRow === row.id ? 'row-focus' : 'row-lit'}
                x={x + 4}
                y={box.y + 4}
                width={width - 8}
                height={box.height - 8}
              />
            )}
            {i > 0 && <path className="rule" d={`M${x} ${box.y}V${box.y + box.height}`} />}
            {row.mark !== '' && (
              <text className="mark" x={x + typography.markLeft} y={y}>
                {row.mark}
              </text>
            )}
            {row.ring && <circle className="ring-mark" cx={x + cellLead(row) - 9} cy={y - 4.5} r={4} />}
            <text className={`row-text${styleClass(row)}`} x={x + cellLead(row)} y={y}>
              {row.text}
            </text>
          </g>
        );
      })}
    </>
  );
}
