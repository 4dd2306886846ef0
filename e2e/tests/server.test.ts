import { paperNamed } from '../pages';
import { runToEnd as run } from '../running-workshop';
import { cpSync, existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { addPaper, expect, test } from '../workshop';
import { Validator } from '@seriousme/openapi-schema-validator';

test('a power cut right after an answered write loses nothing', async ({ workshop }) => {
  const written: string[] = [];
  for (let round = 0; round < 5; round++) {
    for (let k = 0; k <= round; k++) written.push((await addPaper(workshop.url, { name: `Paper ${round}.${k}` })).id);
    await workshop.kill();
    await workshop.start();
    const { rows: papers } = (await (await fetch(`${workshop.url}/api/papers`)).json()) as { rows: { id: string }[] };
    expect(papers.map(({ id }) => id).sort()).toEqual([...written].sort());
  }
});

test('ends cleanly when it is told to', async ({ workshop }) => {
  expect(await workshop.stop()).toBe(0);
});

test('a port in use gets a clear message, and nothing is begun', async ({ workshop }) => {
  const data = join(workshop.data, 'other');
  const { code, said } = await run({ PORT: new URL(workshop.url).port, ODD_CORNER_DATA: data });
  expect(code).toBe(1);
  expect(said).toContain('is in use');
  expect(existsSync(join(data, 'workshop.sqlite'))).toBe(false);
});

test('a workshop that is open is not opened twice: the other’s address is told, until it is gone', async ({
  workshop,
}) => {
  const { id } = await addPaper(workshop.url);
  const { code, said } = await run({ ODD_CORNER_DATA: workshop.data });
  expect(code).toBe(1);
  expect(said).toContain(`open already, at ${workshop.url}`);
  // Ended at once, it leaves no lock behind.
  await workshop.kill();
  await workshop.start();
  expect(await (await fetch(`${workshop.url}/api/papers`)).json()).toMatchObject({ rows: [{ id }] });
});

test('a file that is gone, empty or another’s is asked about; a backup is put back; a new workshop throws nothing away', async ({
  workshop,
}) => {
  const env = { ODD_CORNER_DATA: workshop.data };
  const file = join(workshop.data, 'workshop.sqlite');
  await addPaper(workshop.url);
  expect((await run(env, '--restore')).said).toContain('no backups');
  await workshop.halt();
  // A whole copy under a backup's name.
  mkdirSync(join(workshop.data, 'backups'));
  cpSync(file, join(workshop.data, 'backups/workshop-2026-11-29T02-15-00Z.sqlite'));

  rmSync(file);
  for (const [put, why] of [
    [() => undefined, 'is gone, although a workshop was open here'],
    [() => writeFileSync(file, ''), 'is empty'],
    [() => writeFileSync(file, 'Dear diary, today I folded nothing at all, and nobody saw it.'), 'cannot be read'],
  ] as const) {
    put();
    const { code, said } = await run(env);
    expect(code).toBe(1);
    expect(said).toContain(why);
    expect(said).toContain('Put a backup back (there are 1)');
  }
  const restored = await run(env, '--restore', 'newest');
  expect(restored.said).toContain('is back in place');
  expect(restored.code).toBe(0);
  expect(readdirSync(workshop.data).filter((name) => name.includes('set-aside'))).toHaveLength(1);
  await workshop.start();
  expect(await (await fetch(`${workshop.url}/api/papers`)).json()).toMatchObject({ rows: [{ name: 'Chart paper' }] });
  expect((await run(env, '--restore', 'newest')).said).toContain('open already');
});

test('unknown files are not answered with the page', async ({ workshop }) => {
  expect((await fetch(`${workshop.url}/assets/nothing.js`)).status).toBe(404);
  expect((await fetch(`${workshop.url}/jobs`)).status).toBe(200);
});

test('files whose names change with their content are kept for good, others are sent again only where they changed', async ({
  workshop,
}) => {
  const page = await (await fetch(workshop.url)).text();
  const script = /src="(main-\w+\.js)"/.exec(page)![1];
  const ask = (path: string, headers: Record<string, string> = {}): Promise<Response> =>
    fetch(`${workshop.url}/${path}`, { headers: { 'accept-encoding': 'br', ...headers } });
  const kept = await ask(script);
  expect(kept.headers.get('cache-control')).toContain('immutable');
  expect(kept.headers.get('content-encoding')).toBe('br');
  for (const path of ['', 'icons.woff2', 'licences.json']) {
    const first = await ask(path);
    const tag = first.headers.get('etag')!;
    expect([path, first.status, first.headers.get('cache-control')]).toEqual([path, 200, 'no-cache']);
    expect([path, (await ask(path, { 'if-none-match': tag })).status]).toEqual([path, 304]);
  }
});

test('a backup is made and put back in the settings, and what was there until then is kept', async ({
  page,
  workshop,
}) => {
  await addPaper(workshop.url, { name: 'Chart paper' });
  await page.goto(`${workshop.url}/settings`);
  await expect(page.getByText('None yet.')).toBeVisible();
  await page.getByRole('button', { name: 'Make a backup now' }).click();
  const rows = page.getByRole('table', { name: 'Backups, the newest first' }).getByRole('row');
  await expect(rows).toHaveCount(2);
  // Names go by seconds.
  await page.waitForTimeout(1100);
  await addPaper(workshop.url, { name: 'Kraft' });
  await page.getByRole('button', { name: /^Put back/ }).click();
  await page.getByRole('button', { name: 'Put it back' }).click();
  await expect(page.getByText('is back in place')).toBeVisible();
  await expect(rows).toHaveCount(3);
  await page.goto(`${workshop.url}/shelf`);
  await expect(paperNamed(page, 'Chart paper')).toBeVisible();
  await expect(paperNamed(page, 'Kraft')).toBeHidden();
  await workshop.kill();
  await workshop.start();
  await page.goto(`${workshop.url}/settings`);
  await page
    .getByRole('button', { name: /^Put back/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Put it back' }).click();
  await expect(page.getByText('is back in place')).toBeVisible();
  await page.goto(`${workshop.url}/shelf`);
  await expect(paperNamed(page, 'Kraft')).toBeVisible();
});

test('the routes are described in OpenAPI that a validator of others accepts, and shown on a page', async ({
  page,
  workshop,
}) => {
  const described = (await (await fetch(`${workshop.url}/api/openapi.json`)).json()) as Record<string, unknown>;
  const { valid, errors } = await new Validator().validate(described);
  expect(errors ?? []).toEqual([]);
  expect(valid).toBe(true);
  await page.goto(`${workshop.url}/settings/for-programs`);
  const routes = page.getByRole('button', { name: /^(GET|POST|PUT|DELETE) \/api\// });
  const known = Object.values(described['paths'] as object).flatMap((methods: object) => Object.keys(methods));
  await expect(routes).toHaveCount(known.length);
  await page.getByRole('button', { name: /^POST \/api\/things / }).click();
  await expect(page.getByRole('heading', { name: 'What is sent' })).toBeVisible();
});

test('a whole workshop goes along as a file: saved from one, looked at and put in place in another', async ({
  page,
  demo,
  workshop,
}) => {
  await page.goto(`${demo.url}/settings`);
  const [saved] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Save the workshop as a file' }).click(),
  ]);
  expect(saved.suggestedFilename()).toMatch(/^odd-corner-.*\.json$/);
  const file = join(workshop.data, 'along.json');
  await saved.saveAs(file);
  await page.goto(`${workshop.url}/settings`);
  const choose = async (path: string): Promise<void> => {
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'Look at a file' }).click(),
    ]);
    await chooser.setFiles(path);
  };
  writeFileSync(join(workshop.data, 'half.json'), readFileSync(file, 'utf8').slice(0, 5000));
  await choose(join(workshop.data, 'half.json'));
  await expect(page.getByRole('alert')).toContainText('not all of it is there');
  await choose(file);
  await expect(page.getByRole('heading', { name: 'What the file would bring' })).toBeVisible();
  await page.getByRole('button', { name: 'Put it in place of everything' }).click();
  await page.getByRole('button', { name: 'Put it in place', exact: true }).click();
  await expect(page.getByText('The workshop of the file is in place')).toBeVisible();
  const of = async (url: string): Promise<unknown> => (await fetch(`${url}/api/workshop`)).json();
  expect(await of(workshop.url)).toEqual(await of(demo.url));
});
