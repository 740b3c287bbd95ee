import { expect, test, type Page } from '@playwright/test';
import { become, call, expectAccessible } from './help';

/** Puppets, what they travel in, and where to, as somebody calls it. */
function theatre(casing: string, weight = 'weight'): string {
  const box = (id: string, name: string, x: number, y: number, ...rows: string[]) => ({
    id,
    form: 'rectangle',
    text: name,
    place: [x, y, 640, 400],
    compartments: [rows.map((text, i) => ({ id: `${id}t${i}`, text, ...(i === 0 && { mark: 'PK' }) }))],
  });
  const line = (id: string, from: string, to: string, label: string) => ({
    id,
    from: { shape: from, marks: ['foot', 'ring'], label },
    to: { shape: to, marks: ['bar', 'bar'] },
  });
  return JSON.stringify({
    format: 'blue-slate-drawing',
    version: 1,
    sheets: [
      {
        id: 'sheet1',
        shapes: [
          box('b1', 'Puppet', 0, 0, 'puppet no', 'height', 'year made'),
          box('b2', casing, 1400, 0, 'case no', weight, 'colour'),
          box('b3', 'Venue', 1400, 900, 'venue no', 'seats'),
        ],
        lines: [line('r1', 'b1', 'b2', 'lies in'), line('r2', 'b2', 'b3', 'is sent to')],
      },
    ],
  });
}

interface Revised {
  readonly revision: number;
}
interface Part {
  readonly id: string;
  readonly part: Revised & { value: object };
  readonly model: Revised;
  readonly assessment: Revised;
}

async function published(page: Page, title: string): Promise<{ id: string; part: string }> {
  const [cohort] = await call<{ id: string }[]>(page, 'GET', '/api/exercises/cohorts');
  const { id } = await call<{ id: string }>(page, 'POST', '/api/exercises', { title, cohortId: cohort!.id });
  const { scenario, parts } = await call<{ scenario: Revised; parts: Part[] }>(page, 'GET', `/api/exercises/${id}`);
  const [part] = parts;
  const text = 'Puppets lie in travelling cases, which are sent to venues.';
  await call(page, 'PUT', `/api/exercises/${id}/scenario`, { revision: scenario.revision, text });
  const learned = { notation: 'crows-foot', level: 'conceptual', strokeSaysIdentifying: false };
  const value = { ...part!.part.value, marks: 40, learned };
  await call(page, 'PUT', `/api/parts/${part!.id}`, { revision: part!.part.revision, value });
  await call(page, 'PUT', `/api/parts/${part!.id}/model`, {
    revision: part!.model.revision,
    text: theatre('Travelling case'),
  });
  const scheme = await call<object>(page, 'POST', `/api/parts/${part!.id}/scheme`);
  await call(page, 'PUT', `/api/parts/${part!.id}/assessment`, {
    revision: part!.assessment.revision,
    value: { tolerances: [], scheme },
  });
  await call(page, 'POST', `/api/exercises/${id}/publish`, { dueAt: null });
  return { id, part: part!.id };
}

async function handedIn(page: Page, who: string, exercise: string, drawing: string) {
  await become(page, who);
  const { id } = await call<{ id: string }>(page, 'POST', `/api/study/exercises/${exercise}/answer`);
  const { works } = await call<{ works: (Revised & { id: string })[] }>(page, 'GET', `/api/study/answers/${id}`);
  const [work] = works;
  const saved = await call<Revised>(page, 'PUT', `/api/study/work/${work!.id}/drawing`, {
    revision: work!.revision,
    saveId: crypto.randomUUID(),
    drawing,
  });
  await call(page, 'POST', `/api/study/answers/${id}/hand-in`, { works: [{ id: work!.id, revision: saved.revision }] });
}

const question = (page: Page) => page.getByRole('region', { name: 'The question' });

test('the questions of the class are answered with keys, marks change as was told, and a later answer is judged by them', async ({
  page,
}) => {
  await become(page, 'Ines Okafor');
  const { id, part } = await published(page, 'The puppet theatre');
  await handedIn(page, 'Amara Diallo', id, theatre('Trunk'));
  await handedIn(page, 'Rosa Tamm', id, theatre('TRUNK', 'load'));

  await become(page, 'Ines Okafor');
  await page.goto(`/exercises/${id}/answers`);
  await page.getByRole('link', { name: '2 questions of the class' }).click();
  await expect(question(page)).toContainText('2 answers draw');
  await expect(question(page)).toContainText('where the model answer has Travelling case: the same?');
  await expect(page.getByRole('navigation', { name: 'All questions' }).getByRole('listitem')).toHaveCount(2);
  await expect(question(page).getByRole('application')).toHaveCount(2);
  await expect(changes(page, 'something else')).toHaveCount(2);
  await expectAccessible(page);

  await page.keyboard.press('y');
  await expect(question(page)).toContainText(
    '1 answer draws load where the model answer has weight of Travelling case',
  );
  await expect(changes(page, 'something else')).toHaveCount(1);
  const [, code, after] = /^(\S+) .* → (\S+)$/.exec((await changes(page, 'something else').textContent())!)!;
  await page.keyboard.press('n');
  await expect(page.getByText('Nothing is open')).toBeVisible();
  await page.goto(`/exercises/${id}/answers?view=answers`);
  await expect(page.getByRole('row').filter({ hasText: code! }).getByRole('cell').last()).toHaveText(after!);

  await handedIn(page, 'Grace Abel', id, theatre('trunks', 'load'));
  await become(page, 'Ines Okafor');
  await page.goto(`/exercises/${id}/answers?view=answers`);
  // Known by the same word as the first, and with the same attribute that is something else as the second.
  await expect(page.getByRole('row').filter({ hasText: 'checked' }).filter({ hasText: after! })).toHaveCount(2);
  await page.goto(`/parts/${part}/questions`);
  await expect(page.getByText('Nothing is open')).toBeVisible();
});

test('a name that three answers use and nothing else bears is taken over at once, after its marks were told', async ({
  page,
}) => {
  await become(page, 'Ines Okafor');
  const { id, part } = await published(page, 'The puppet theatre on tour');
  for (const [who, casing] of [
    ['Amara Diallo', 'Trunk'],
    ['Rosa Tamm', 'TRUNK'],
    ['Grace Abel', 'trunks'],
  ] as const) {
    await handedIn(page, who, id, theatre(casing, 'load'));
  }

  await become(page, 'Ines Okafor');
  await page.goto(`/parts/${part}/questions`);
  const said = page.getByRole('region', { name: 'What the class says itself' });
  await expect(said).toContainText('names of its own for 2 things');
  await expect(said.getByRole('row').filter({ hasText: 'Travelling case' }).first()).toContainText('3');
  await expect(said.locator('.reply')).toContainText('no marks change');
  await expectAccessible(page);

  await page.keyboard.press('o');
  await expect(question(page)).toContainText('3 answers draw');
  await page.reload();
  await expect(said).toBeVisible();
  await page.keyboard.press('y');
  await expect(page.getByText('Nothing is open')).toBeVisible();

  await handedIn(page, 'Ben Kowal', id, theatre('Trunk', 'load'));
  await become(page, 'Ines Okafor');
  await page.goto(`/parts/${part}/questions`);
  await expect(page.getByText('Nothing is open')).toBeVisible();
});

/** Whose marks a reply would change. */
const changes = (page: Page, reply: string) =>
  question(page).locator('.reply').filter({ hasText: reply }).getByRole('listitem');
