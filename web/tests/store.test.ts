// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { emptyDrawing } from '../src/drawing/document';
import { addShape } from '../src/drawing/edits';
import { apply } from '../src/drawing/steps';
import { sendKept } from '../src/keeping/saving';
import { drawings } from '../src/slate/drawings';
import { allKept, keep, keepAtOnce, keptOf, letGo, type Kept } from '../src/keeping/store';

const drawing = (name: string) =>
  drawings.write(apply(emptyDrawing, addShape(emptyDrawing, 'rectangle', 0, 0, () => 'b1', name).change.steps));
const kept = (document: string, change: Partial<Kept> = {}): Kept => ({
  account: 'ada',
  document,
  kind: 'work',
  title: 'The mill',
  revision: 3,
  sent: null,
  drawing: drawing('Mill'),
  at: 5,
  ...change,
});

/** Answers of the server to saves, in their order; the client takes the browser's own way to ask when it is loaded. */
const answers = vi.hoisted(() => {
  const waiting: (() => Response)[] = [];
  globalThis.fetch = () => Promise.resolve(waiting.shift()?.() ?? new Response('{}', { status: 503 }));
  return waiting;
});
const json = (status: number, body: unknown) => () =>
  new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } });

afterEach(async () => {
  for (const account of ['ada', 'bo']) for (const one of await allKept(account)) await letGo(account, one.document);
});

describe('what a browser keeps', () => {
  it('is an account’s own, and the last of each document', async () => {
    await keep(kept('d1'));
    await keep(kept('d1', { revision: 4 }));
    await keep(kept('d1', { account: 'bo' }));
    expect((await allKept('ada')).map(({ revision }) => revision)).toEqual([4]);
    await letGo('ada', 'd1');
    expect(await keptOf('ada', 'd1')).toBeNull();
    expect(await keptOf('bo', 'd1')).not.toBeNull();
  });

  it('is what was held last, whether the store came to it or not', async () => {
    await keep(kept('d1', { at: 1 }));
    keepAtOnce(kept('d1', { at: 2, revision: 7 }));
    expect(await keptOf('ada', 'd1')).toMatchObject({ revision: 7 });
    await keep(kept('d1', { at: 3, revision: 8 }));
    expect(await keptOf('ada', 'd1')).toMatchObject({ revision: 8 });
    await keep(kept('d1', { at: 1 }));
    expect(await keptOf('ada', 'd1')).toMatchObject({ revision: 7 });
    await letGo('ada', 'd1');
    expect(await keptOf('ada', 'd1')).toBeNull();
  });

  it('is let go of once it has arrived, and only then', async () => {
    for (const document of ['d1', 'd2', 'd3']) await keep(kept(document));
    answers.push(json(200, { revision: 4 }), json(503, {}), json(409, conflict(drawing('Mill'))));
    expect((await sendKept('ada', drawings.plain)).map(({ document }) => document)).toEqual(['d2']);
    expect((await allKept('ada')).map(({ document }) => document)).toEqual(['d2']);
  });

  it('waits for a person where the server has another, and is not even sent when that is known', async () => {
    await keep(kept('d1'));
    await keep(kept('d2', { revision: 0 }));
    answers.push(json(409, conflict(drawing('Windmill'))));
    expect((await sendKept('ada', drawings.plain)).map(({ document }) => document)).toEqual(['d1', 'd2']);
    expect(answers).toEqual([]);
  });
});

const conflict = (text: string) => ({
  status: 409,
  code: 'conflict',
  detail: 'It was changed elsewhere.',
  current: { revision: 5, drawing: text },
});
