import { useMutation, useQueryClient } from '@tanstack/react-query';
import {
  columnFilteringFeature,
  createColumnHelper,
  createFilteredRowModel,
  createSortedRowModel,
  rowSelectionFeature,
  rowSortingFeature,
  tableFeatures,
  useTable,
} from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useMemo, useRef, useState } from 'react';
import { Link, useLocation, useSearchParams } from 'react-router';
import { api, must, type Schemas } from '../../api/client';
import { counted } from '../../notations/counts';
import { partName } from '../../parts/PartTabs';
import { show, valueOf } from '../../ui/marks';
import { messageOf } from '../../ui/states';
import { moment } from '../../ui/time';
import { Tip } from '../../ui/Tip';
import { stateWords, firstWorkOf } from './answerWords';
import { AlikeLink } from './AlikeLink';
import { HoldBack } from './HoldBack';
import { ShareOut } from './ShareOut';

type Answer = Schemas['DeskAnswer'];

/** Answers that a number elsewhere counts, by their work, and what it counts. */
export interface Picked {
  readonly what: string;
  readonly works: readonly string[];
}

const rowHeight = 38;

const features = tableFeatures({
  rowSortingFeature,
  columnFilteringFeature,
  rowSelectionFeature,
  sortedRowModel: createSortedRowModel(),
  filteredRowModel: createFilteredRowModel(),
});
const column = createColumnHelper<typeof features, Answer>();
const states: readonly Schemas['AnswerState'][] = ['needs-person', 'waiting', 'checked', 'gone-through', 'released'];

/** Whether an assistant has gone through it, and nobody who teaches has said yet that it stands. */
const isToConfirm = (answer: Answer) =>
  answer.state === 'gone-through' && answer.works.some(({ confirmed }) => !confirmed);

/** What only some answers are, by which they are picked out. */
const sorts = [
  ['doubt', 'in doubt', (answer: Answer) => answer.doubtful && answer.state === 'checked'],
  ['after-end', 'drawn after the end', (answer: Answer) => answer.works.some(({ drawnAfterEnd }) => drawnAfterEnd)],
  ['late', 'late', (answer: Answer) => answer.late],
  ['question', 'with a question', (answer: Answer) => answer.questions > 0],
  ['open', 'not gone through', (answer: Answer) => answer.state === 'checked' || answer.state === 'needs-person'],
  ['to-confirm', 'to be confirmed', isToConfirm],
  ['withheld', 'held back', (answer: Answer) => Boolean(answer.withheld)],
  ['released', 'released', (answer: Answer) => answer.state === 'released'],
] as const;

/** The same by who is to go through them, where they are shared out. */
const sortsFor = ({ me, answers }: Schemas['DeskReply']) =>
  answers.every(({ marker }) => !marker)
    ? sorts
    : ([
        ['mine', 'mine', (answer: Answer) => answer.marker === me],
        ['nobodys', 'nobody’s', (answer: Answer) => !answer.marker],
        ...sorts,
      ] as const);

/** All answers of an exercise: found by code, sorted, picked out, several at once gone through. */
export function Answers({ desk }: { desk: Schemas['DeskReply'] }) {
  const [params, setParams] = useSearchParams();
  const [code, setCode] = useState('');
  const known = sortsFor(desk);
  const sort = known.find(([name]) => name === params.get('of'));
  const picked = useLocation().state as Picked | null;
  const some = useMemo(() => (picked ? new Set(picked.works) : null), [picked]);
  const names = useMutation({
    mutationFn: () => must(api.POST('/api/marking/exercises/{id}/identities', { params: { path: { id: desk.id } } })),
  });
  const nameOf = useMemo(
    () => new Map(names.data?.map((identity) => [identity.answerId, identity.name])),
    [names.data],
  );
  const columns = useMemo(() => columnsOf(desk, nameOf), [desk, nameOf]);
  const data = useMemo(
    () =>
      desk.answers.filter(
        (answer) =>
          (!sort || sort[2](answer)) &&
          (!some || answer.works.some(({ id }) => some.has(id))) &&
          (answer.code.toLowerCase().includes(code.trim().toLowerCase()) ||
            (nameOf.get(answer.id) ?? '').toLowerCase().includes(code.trim().toLowerCase())),
      ),
    [desk.answers, sort, some, code, nameOf],
  );
  const pick = (name: string | null) => {
    const next = new URLSearchParams(params);
    if (name === null) next.delete('of');
    else next.set('of', name);
    setParams(next);
  };
  return (
    <div className="desk-answers">
      <div className="desk-tools">
        <label>
          <span className="sr-only">Find by code{nameOf.size > 0 && ' or name'}</span>
          <input
            className="plain-input"
            type="search"
            placeholder={nameOf.size > 0 ? 'code or name' : 'code'}
            value={code}
            onChange={(event) => setCode(event.target.value)}
          />
        </label>
        <div className="picks" role="group" aria-label="Which answers">
          <button aria-pressed={!sort && !some} onClick={() => pick(null)}>
            all {desk.answers.length}
          </button>
          {picked && (
            <button aria-pressed onClick={() => pick(null)}>
              {picked.what} {picked.works.length}
            </button>
          )}
          {known.map(([name, words, is]) => {
            const number = desk.answers.filter(is).length;
            return (
              number > 0 && (
                <button key={name} aria-pressed={sort?.[0] === name} onClick={() => pick(name)}>
                  {words} {number}
                </button>
              )
            );
          })}
        </div>
        {desk.parts.map((part, at) => (
          <AlikeLink key={part.id} part={part.id} name={desk.parts.length > 1 ? partName(part.title, at) : null} />
        ))}
        {desk.mayRelease && !names.data && (
          <Tip says="The record keeps that you looked">
            <button className="word-button" disabled={names.isPending} onClick={() => names.mutate()}>
              show names
            </button>
          </Tip>
        )}
      </div>
      {names.isError && (
        <p className="refusal" role="alert">
          {messageOf(names.error)}
        </p>
      )}
      <Rows desk={desk} columns={columns} data={data} />
    </div>
  );
}

function columnsOf(desk: Schemas['DeskReply'], nameOf: ReadonlyMap<string, string>) {
  return column.columns([
    column.accessor('code', {
      header: 'candidate',
      cell: ({ row }) => (
        <>
          <Link className="word-button font-bold" to={`/marking/${firstWorkOf(row.original).id}`}>
            {row.original.code}
          </Link>
          {nameOf.has(row.original.id) && <span className="text-quiet-ink"> {nameOf.get(row.original.id)}</span>}
        </>
      ),
    }),
    column.accessor((answer) => states.indexOf(answer.state) * 2 + (answer.doubtful ? 0 : 1), {
      id: 'state',
      header: 'how far',
      cell: ({ row: { original } }) => (
        <>
          {stateWords[original.state]}
          {original.doubtful && original.state === 'checked' && <strong>, its mark is not certain</strong>}
          {original.works.some(({ drawnAfterEnd }) => drawnAfterEnd) && <strong>, something came after the end</strong>}
          {isToConfirm(original) && ', to be confirmed'}
          {original.withheld && <strong>, held back</strong>}
          {original.questions > 0 && <strong>, {counted(original.questions, 'question', 'questions')}</strong>}
        </>
      ),
    }),
    column.accessor((answer) => new Date(answer.handedInAt).getTime(), {
      id: 'handed-in',
      header: 'handed in',
      cell: ({ row: { original } }) => (
        <>
          {moment(original.handedInAt)}
          {original.late && <strong>, late</strong>}
        </>
      ),
    }),
    ...(isShared(desk)
      ? [
          column.accessor((answer) => markerOf(desk, answer), {
            id: 'marker',
            header: 'whose',
            cell: ({ row: { original } }) => (
              <span className={original.marker === desk.me ? 'font-bold' : undefined}>{markerOf(desk, original)}</span>
            ),
          }),
        ]
      : []),
    ...(desk.parts.length > 1
      ? desk.parts.map((part, at) =>
          column.accessor((answer) => marksAt(answer.works[at]?.total), {
            id: part.id,
            header: partName(part.title, at),
            cell: ({ row: { original } }) => (
              <Link className="word-button" to={`/marking/${original.works[at]!.id}`}>
                {original.works[at]?.total ? show(original.works[at].total) : '–'}
              </Link>
            ),
          }),
        )
      : []),
    column.accessor((answer) => marksAt(answer.total), {
      id: 'total',
      header: `marks of ${show(desk.maximum)}`,
      cell: ({ row }) => <strong>{row.original.total ? show(row.original.total) : '–'}</strong>,
    }),
  ]);
}

/** Whether there is somebody to share answers out among. */
const isShared = ({ markers }: Schemas['DeskReply']) => markers.length > 1;

/** Who is to go through an answer, or who has, by name; nothing where that is nobody in particular. */
function markerOf({ markers }: Schemas['DeskReply'], { marker, works }: Answer): string {
  const id = marker ?? works.find(({ goneThroughBy }) => goneThroughBy)?.goneThroughBy;
  return markers.find((one) => one.id === id)?.name ?? '';
}

const marksAt = (total: string | null | undefined) => (total ? valueOf(total) : -1);

interface RowsProps {
  desk: Schemas['DeskReply'];
  columns: ReturnType<typeof columnsOf>;
  data: Answer[];
}

/** The rows that are in sight, of however many there are. */
function Rows({ desk, columns, data }: RowsProps) {
  const scroll = useRef<HTMLDivElement>(null);
  const table = useTable({ features, columns, data, getRowId: (answer) => answer.id });
  const rows = table.getRowModel().rows;
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroll.current,
    estimateSize: () => rowHeight,
    getItemKey: (index) => rows[index]!.id,
    overscan: 12,
  });
  const chosen = table.getSelectedRowModel().rows.map((row) => row.original);
  const template = `34px minmax(110px,1fr) minmax(190px,1.7fr) minmax(252px,1.4fr) ${isShared(desk) ? 'minmax(110px,1fr) ' : ''}${desk.parts.length > 1 ? `repeat(${desk.parts.length}, minmax(90px,0.8fr)) ` : ''}minmax(110px,0.8fr)`;
  const style = { gridTemplateColumns: template };
  const items = virtual.getVirtualItems();
  return (
    <>
      <Chosen desk={desk} chosen={chosen} onDone={() => table.resetRowSelection(true)} />
      <div ref={scroll} className="answer-rows" role="table" aria-label="Answers" aria-rowcount={rows.length + 1}>
        <div role="rowgroup" className="heads">
          {table.getHeaderGroups().map((group) => (
            <div key={group.id} role="row" style={style}>
              <span role="columnheader">
                <input
                  type="checkbox"
                  aria-label="Choose all that are shown"
                  checked={table.getIsAllRowsSelected()}
                  onChange={table.getToggleAllRowsSelectedHandler()}
                />
              </span>
              {group.headers.map((header) => (
                <span
                  key={header.id}
                  role="columnheader"
                  aria-sort={sortOf(header.column.getIsSorted())}
                  className={isNumber(header.id) ? 'number' : undefined}
                >
                  <button onClick={header.column.getToggleSortingHandler()}>
                    <table.FlexRender header={header} />
                    <span aria-hidden>{arrows[String(header.column.getIsSorted())]}</span>
                  </button>
                </span>
              ))}
            </div>
          ))}
        </div>
        <div role="rowgroup" style={{ height: virtual.getTotalSize(), position: 'relative' }}>
          {items.map((item) => {
            const row = rows[item.index]!;
            return (
              <div
                key={row.id}
                role="row"
                aria-rowindex={item.index + 2}
                aria-selected={row.getIsSelected()}
                style={{ ...style, height: rowHeight, transform: `translateY(${item.start}px)` }}
                className="answer-row"
              >
                <span role="cell">
                  <input
                    type="checkbox"
                    aria-label={`Choose ${row.original.code}`}
                    checked={row.getIsSelected()}
                    onChange={row.getToggleSelectedHandler()}
                  />
                </span>
                {row.getAllCells().map((cell) => (
                  <span key={cell.id} role="cell" className={isNumber(cell.column.id) ? 'number' : undefined}>
                    <table.FlexRender cell={cell} />
                  </span>
                ))}
              </div>
            );
          })}
        </div>
        {rows.length === 0 && <p className="mt-4 text-quiet-ink">No answer is like that.</p>}
      </div>
    </>
  );
}

const arrows: Readonly<Record<string, string>> = { asc: ' ↑', desc: ' ↓', false: '' };
const sortOf = (sorted: false | 'asc' | 'desc') =>
  sorted === 'asc' ? 'ascending' : sorted === 'desc' ? 'descending' : 'none';
const isNumber = (id: string) => !['code', 'state', 'handed-in', 'marker'].includes(id);

interface ChosenProps {
  desk: Schemas['DeskReply'];
  chosen: readonly Answer[];
  onDone: () => void;
}

/** What is done with several answers at once, and to which of them. */
function Chosen({ desk, chosen, onDone }: ChosenProps) {
  const queries = useQueryClient();
  const open = chosen.filter(({ state }) => state === 'checked');
  const doubtful = open.filter((answer) => answer.doubtful).length;
  const goThrough = useMutation({
    mutationFn: async () => {
      for (const part of desk.parts) {
        const works = open.flatMap((answer) =>
          answer.works.flatMap((work) => (work.partId === part.id && work.state === 'checked' ? [work.id] : [])),
        );
        if (works.length > 0)
          await must(
            api.POST('/api/marking/parts/{id}/gone-through', { params: { path: { id: part.id } }, body: { works } }),
          );
      }
    },
    onSuccess: async () => {
      onDone();
      await queries.invalidateQueries({ queryKey: ['desk', desk.id] });
      await queries.invalidateQueries({ queryKey: ['differences'] });
      await queries.invalidateQueries({ queryKey: ['home'] });
    },
  });
  const unconfirmed = chosen.filter(isToConfirm);
  const confirm = useMutation({
    mutationFn: () =>
      must(
        api.POST('/api/marking/exercises/{id}/confirmed', {
          params: { path: { id: desk.id } },
          body: { answers: unconfirmed.map(({ id }) => id) },
        }),
      ),
    onSuccess: async () => {
      onDone();
      await queries.invalidateQueries({ queryKey: ['desk', desk.id] });
    },
  });
  const failure = goThrough.error ?? confirm.error;
  if (chosen.length === 0) return null;
  return (
    <div className="chosen-answers">
      <span role="status">
        {counted(chosen.length, 'answer', 'answers')} chosen
        {open.length < chosen.length && `, ${open.length} of them not gone through`}
        {doubtful > 0 &&
          `; ${doubtful === 1 ? 'one of these has a mark that is' : `${doubtful} of these have marks that are`} not certain`}
        .
      </span>
      {open.length > 0 && (
        <button className="word-button main" disabled={goThrough.isPending} onClick={() => goThrough.mutate()}>
          {open.length === 1 ? 'it is gone through' : `these ${open.length} are gone through`}
        </button>
      )}
      {desk.mayRelease && unconfirmed.length > 0 && (
        <button className="word-button main" disabled={confirm.isPending} onClick={() => confirm.mutate()}>
          {unconfirmed.length === 1
            ? 'what was decided on it stands'
            : `what was decided on ${unconfirmed.length} stands`}
        </button>
      )}
      {desk.mayRelease && isShared(desk) && <ShareOut desk={desk} chosen={chosen} onDone={onDone} />}
      {desk.mayRelease && <HoldBack desk={desk} chosen={chosen} onDone={onDone} />}
      {failure && <span className="refusal">{messageOf(failure)}</span>}
    </div>
  );
}
