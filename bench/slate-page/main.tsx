import { useMemo, useState } from 'react';
import { createRoot } from 'react-dom/client';
import { Stand } from '../../web/src/features/study/Stand';
import { DrawMargin } from '../../web/src/features/study/DrawMargin';
import { PhraseActions } from '../../web/src/script/PhraseActions';
import { ScenarioSheet } from '../../web/src/script/ScenarioSheet';
import { elementsHere, Sentences, type Sentence } from '../../web/src/script/Sentences';
import { useLighting } from '../../web/src/script/useLighting';
import { emptyDrawing, type Drawing } from '../../web/src/drawing/document';
import { addLine, addShape, changeEnd } from '../../web/src/drawing/edits';
import { boxOfText } from '../../web/src/drawing/boxText';
import { layOut, type Scene } from '../../web/src/geometry/scene';
import { drawingSession } from '../../web/src/slate/drawings';
import { SlateSurface } from '../../web/src/slate/SlateSurface';
import { elementsOf, select } from '../../web/src/drawing/selection';
import { apply } from '../../web/src/drawing/steps';
import { useSlate } from '../../web/src/slate/useSlate';
import { Tips } from '../../web/src/ui/Tip';
import '../../web/src/styles.css';

const boxes = 150;
const lines = 180;

const notation = location.hash.replace(/^#(bare-)?/, '') || 'crows-foot';

/** What is written in a box of each notation. */
const rows: Readonly<Record<string, string>> = {
  'crows-foot': 'PK number\nname\no date',
  uml: '- number: Integer\n- name: String\n\n+ isFree(): Boolean',
};

/** A drawing of 150 shapes and 180 lines in the notation that the address names. */
const largeDrawing = () => (notation === 'chen' ? diamonds() : grid());

/** In Chen's notation: 30 boxes, 90 ovals and 30 diamonds, with a line for each oval and three for each diamond. */
function diamonds() {
  let n = 0;
  const newId = (prefix: string) => `${prefix}${n++}`;
  let drawing = emptyDrawing;
  const put = (form: string, x: number, y: number, text: string) => {
    const { change, id } = addShape(drawing, form, x, y, newId, text);
    drawing = apply(drawing, change.steps);
    return id;
  };
  const tie = (from: string, to: string, count = '') => {
    const { change, id } = addLine(drawing, { kind: 'shape', id: from }, { kind: 'shape', id: to }, newId);
    drawing = apply(drawing, change.steps);
    if (count) drawing = apply(drawing, changeEnd(drawing, drawing.lines.get(id)!, 'from', { count }).steps);
  };
  const entities: string[] = [];
  for (let i = 0; i < 30; i++) {
    const [x, y] = [(i % 6) * 2200, Math.floor(i / 6) * 1300];
    entities.push(put('rectangle', x, y, `Box ${i}`));
    for (let k = 0; k < 3; k++) tie(entities[i]!, put('oval', x - 440 + k * 440, y - 360, ['number', 'name', 'date'][k]!));
  }
  for (let i = 0; i < 30; i++) {
    const middle = put('diamond', (i % 6) * 2200 + 900, Math.floor(i / 6) * 1300 + 330, 'goes with');
    for (const [to, count] of [[i, '1'], [(i + 1) % 30, 'N'], [(i + 6) % 30, 'M']] as const) tie(entities[to]!, middle, count);
  }
  return drawing;
}

/** 150 boxes on a grid and 180 lines between near ones. */
function grid() {
  let n = 0;
  const newId = (prefix: string) => `${prefix}${n++}`;
  let drawing = emptyDrawing;
  const ids: string[] = [];
  for (let i = 0; i < boxes; i++) {
    const { change, id } = addShape(drawing, 'rectangle', (i % 15) * 900, Math.floor(i / 15) * 640, newId, `Box ${i}`);
    drawing = apply(drawing, change.steps);
    const shape = boxOfText(drawing.shapes.get(id)!, `Box ${i}\n${rows[notation]}`, newId, notation === 'uml');
    drawing = { ...drawing, shapes: new Map(drawing.shapes).set(id, shape) };
    ids.push(id);
  }
  for (let i = 0; i < lines; i++) {
    const from = (i * 7) % boxes;
    const to = (from + (i % 3 === 0 ? 15 : 1)) % boxes;
    const { change, id } = addLine(drawing, { kind: 'shape', id: ids[from]! }, { kind: 'shape', id: ids[to]! }, newId);
    drawing = apply(drawing, change.steps);
    drawing = apply(drawing, changeEnd(drawing, drawing.lines.get(id)!, 'to', notation === 'uml' ? { count: '1..*', role: 'others' } : { marks: ['foot', 'ring'], label: 'goes with' }).steps);
  }
  return drawing;
}

function Slate() {
  const [session] = useState(
    () => drawingSession(largeDrawing(), 1, { newSaveId: () => 'x', later: () => () => undefined, save: () => Promise.resolve({ kind: 'saved', revision: 1 }) }),
  );
  const slate = useSlate(session, true, { notation });
  const lighting = useLighting(slate.drawing, elementsOf(slate.selection));
  const sentences = useMemo(() => sentencesOf(slate.drawing), [slate.drawing]);
  const remarks = useMemo(() => remarksOf(slate.drawing), [slate.drawing]);
  return (
    <div className="script" style={{ '--margin-width': '250px' } as React.CSSProperties}>
      <ScenarioSheet
        title="The harbour"
        line="as it is drawn"
        html={scenario}
        tied={lighting.tied}
        lit={lighting.litPhrases}
        onPhraseHover={lighting.lightPhrase}
        actions={(phrase, done) => <PhraseActions slate={slate} phrase={phrase} done={done} />}
      />
      <main className="middle">
        <SlateSurface slate={slate} label="bench" lit={lighting.lit} onHover={(element) => lighting.light(element ? [element] : null)} words />
        <footer className="sentences">
          <Sentences
            sentences={sentences}
            waiting={false}
            lit={lighting.lit}
            onLight={lighting.light}
            onPick={(sentence) => slate.setSelection(select(...elementsHere(slate.drawing, sentence)))}
            empty=""
          />
          <Stand view={slate.session_} endsAt={null} offset={0} onRetry={() => undefined} />
        </footer>
      </main>
      <DrawMargin remarks={remarks} help={null} folded={false} onFold={() => undefined} onLight={(elements) => lighting.light(elements && [...elements])} onPick={() => undefined} />
    </div>
  );
}

/** A scenario of the length of those that are set. */
const scenario = Array.from({ length: 12 }, (_, i) => `<p>Paragraph ${i + 1} of a scenario tells of boats, berths and those who row them, who owns what since when, and how many there may be of each.</p>`).join('');

/** A statement for every shape and line, as the server sends them. */
const sentencesOf = ({ shapes, lines }: Drawing): Sentence[] =>
  [...shapes.values(), ...lines.values()].map(({ id, text }) => ({
    concept: id,
    pieces: [
      { text: text || 'A line', elementId: id },
      { text: ' is said in a sentence.', elementId: null },
    ],
    elements: [id],
    stillOpen: null,
  }));

const remarksOf = ({ shapes }: Drawing) =>
  [...shapes.values()].slice(0, 40).map(({ id, text }) => ({ code: 'bench', text: `${text} is remarked on.`, elements: [id] }));

/** The same shapes and lines as bare SVG, moved by hand: as little as can be done for the picture. */
function bareScene(root: HTMLElement) {
  const scene = layOut(largeDrawing());
  const svg = document.createElementNS('http://www.w3.org/2000/svg', 'svg');
  svg.setAttribute('class', 'scene');
  svg.style.cssText = 'position:static;flex:1;background:var(--slate)';
  const zoom = 0.28;
  const touching = new Map<string, { path: Element; points: { x: number; y: number }[]; first: boolean }[]>();
  svg.innerHTML = `<g transform="scale(${zoom})">${bareLines(scene)}${bareBoxes(scene)}</g>`;
  root.append(svg);
  for (const line of scene.drawing.lines.values()) {
    const path = svg.querySelector(`[data-line="${line.id}"]`)!;
    const points = scene.routes.get(line.id)!.points.map((point) => ({ ...point }));
    for (const [end, first] of [[line.from, true], [line.to, false]] as const) {
      const id = (end.on as { id: string }).id;
      touching.set(id, [...(touching.get(id) ?? []), { path, points, first }]);
    }
  }
  let held: { id: string; element: Element; x: number; y: number; box: { x: number; y: number } } | null = null;
  svg.addEventListener('pointerdown', (event) => {
    const element = (event.target as Element).closest('[data-box]');
    if (element) held = { id: element.getAttribute('data-box')!, element, x: event.clientX, y: event.clientY, box: scene.boxes.get(element.getAttribute('data-box')!)! };
  });
  svg.addEventListener('pointermove', (event) => {
    if (!held) return;
    const [dx, dy] = [(event.clientX - held.x) / zoom, (event.clientY - held.y) / zoom];
    held.element.setAttribute('transform', `translate(${held.box.x + dx} ${held.box.y + dy})`);
    for (const { path, points, first } of touching.get(held.id) ?? []) {
      const moved = points.map((point, i) => ((first ? i === 0 : i === points.length - 1) ? { x: point.x + dx, y: point.y + dy } : point));
      path.setAttribute('d', moved.map((point, i) => `${i === 0 ? 'M' : 'L'}${point.x} ${point.y}`).join(''));
    }
  });
  svg.addEventListener('pointerup', () => (held = null));
}

const bareLines = (scene: Scene) =>
  [...scene.drawing.lines.values()]
    .map((line) => `<path class="line" data-line="${line.id}" d="${scene.routes.get(line.id)!.points.map((point, i) => `${i === 0 ? 'M' : 'L'}${point.x} ${point.y}`).join('')}"/>`)
    .join('');

const bareBoxes = (scene: Scene) =>
  [...scene.drawing.shapes.values()]
    .map((shape) => {
      const box = scene.boxes.get(shape.id)!;
      const rows = ['number', 'name', 'date'].map((row, i) => `<text class="row-text" x="42" y="${41 + i * 18}">${row}</text>`).join('');
      return `<g data-box="${shape.id}" transform="translate(${box.x} ${box.y})"><rect class="edge" width="${box.width}" height="${box.height}"/><text class="name" x="10" y="18">${shape.text}</text>${rows}</g>`;
    })
    .join('');

const root = document.getElementById('root')!;
if (location.hash.startsWith('#bare')) bareScene(root);
else
  createRoot(root).render(
    <Tips>
      <Slate />
    </Tips>,
  );
