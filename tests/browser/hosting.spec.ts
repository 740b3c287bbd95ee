import { spawn, type ChildProcess } from 'node:child_process';
import { createServer, request, type Server } from 'node:http';
import { fileURLToPath } from 'node:url';
import { expect, test } from '@playwright/test';
import { become, drawBox, openDrawing } from './help';

const root = fileURLToPath(new URL('../..', import.meta.url));
const dll = `${root}src/BlueSlate.Server/bin/Release/net10.0/BlueSlate.Server.dll`;

/** What a test has started, ended whatever became of the test. */
const started: ChildProcess[] = [];

test.afterEach(async () => {
  for (const server of started.splice(0)) {
    server.kill('SIGKILL');
    await ended(server);
  }
});

/** A server process of this test's own, on the database that all share. */
async function serve(port: number, settings: Record<string, string> = {}): Promise<ChildProcess> {
  const env = { ...process.env, BLUESLATE_DATABASE: process.env.BLUESLATE_TEST_APP, BLUESLATE_WEB: `${root}web/dist`, BLUESLATE_WORKERS: '0', ...settings };
  const server = spawn('dotnet', [dll, '--urls', `http://127.0.0.1:${port}`, '--demo'], { env, stdio: 'ignore' });
  started.push(server);
  await expect.poll(() => ready(port), { timeout: 40_000 }).toBe(200);
  return server;
}

const ready = (port: number) =>
  fetch(`http://127.0.0.1:${port}/health/ready`).then(
    (reply) => reply.status,
    () => 0,
  );

const ended = (server: ChildProcess) => new Promise((resolve) => (server.exitCode === null && server.signalCode === null ? server.once('exit', resolve) : resolve(null)));

/** A reverse proxy that shows the application under a path, and nothing beside it. */
function proxy(port: number, target: number, path: string): Promise<Server> {
  const server = createServer((incoming, reply) => {
    if (!incoming.url?.startsWith(path)) return void reply.writeHead(404).end('nothing here');
    const headers = { ...incoming.headers, host: `127.0.0.1:${target}`, 'x-forwarded-host': incoming.headers.host!, 'x-forwarded-for': '192.0.2.7', 'x-forwarded-proto': 'http' };
    const onward = request({ port: target, host: '127.0.0.1', method: incoming.method, path: incoming.url, headers }, (answer) => {
      reply.writeHead(answer.statusCode!, answer.headers);
      answer.pipe(reply);
    });
    onward.on('error', () => reply.writeHead(502).end());
    incoming.pipe(onward);
  });
  return new Promise((resolve) => server.listen(port, '127.0.0.1', () => resolve(server)));
}

test('behind a proxy under a sub-path the story goes on, and nothing is asked for outside it', async ({ browser }) => {
  const [behind, front] = [43119, 43120];
  await serve(behind, { BLUESLATE_PROXIES: '127.0.0.1', BLUESLATE_PATH_BASE: '/teaching/slate' });
  const forward = await proxy(front, behind, '/teaching/slate');
  const context = await browser.newContext({ baseURL: `http://127.0.0.1:${front}` });
  const page = await context.newPage();
  const outside: string[] = [];
  const refused: string[] = [];
  page.on('request', (asked) => !asked.url().startsWith(`http://127.0.0.1:${front}/teaching/slate`) && !asked.url().startsWith('data:') && outside.push(asked.url()));
  page.on('console', (message) => message.type() === 'error' && message.text().includes('Content Security') && refused.push(message.text()));
  // A demo's one click is for whoever sits at the machine itself; through the proxy there is the ordinary page.
  await page.goto('/teaching/slate/');
  await expect(page.getByLabel('Password')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Chloé Marchetti' })).toHaveCount(0);
  const inside = await context.newPage();
  await inside.goto(`http://127.0.0.1:${behind}/teaching/slate/`);
  await inside.getByRole('button', { name: 'Chloé Marchetti' }).click();
  await expect(inside.getByRole('button', { name: 'Chloé Marchetti' })).toHaveCount(0);
  await inside.close();
  await page.goto('/teaching/slate/');
  await openDrawing(page, 'The hill observatory');
  expect(new URL(page.url()).pathname).toMatch(/^\/teaching\/slate\/answers\//);
  await drawBox(page, 200, 420, 'Dome');
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  await page.locator('.slate').press('?');
  await expect(page.getByRole('dialog', { name: 'Keys of the slate' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.reload();
  await expect(page.locator('text.name').filter({ hasText: 'Dome' })).toHaveCount(1);
  expect(outside).toEqual([]);
  expect(refused).toEqual([]);
  await context.close();
  await new Promise((resolve) => forward.close(resolve));
});

test('a server that is killed and comes back has everything that was drawn meanwhile', async ({ browser }) => {
  const port = 43121;
  const first = await serve(port);
  const context = await browser.newContext({ baseURL: `http://127.0.0.1:${port}` });
  const page = await context.newPage();
  await become(page, 'Dmitri Vale');
  await openDrawing(page, 'The hill observatory');
  await drawBox(page, 200, 420, 'Before');
  await expect(page.getByText('saved', { exact: true })).toBeVisible();

  first.kill('SIGKILL');
  await ended(first);
  await drawBox(page, 420, 420, 'Meanwhile');
  await expect(page.getByText(/the server is away; .* kept in this browser/)).toBeVisible();

  await serve(port);
  await expect(page.getByText('saved', { exact: true })).toBeVisible({ timeout: 15_000 });
  await page.reload();
  await expect(page.locator('text.name').filter({ hasText: /Before|Meanwhile/ })).toHaveText(['Before', 'Meanwhile']);
  await context.close();
});
