import type { Page } from '@playwright/test';
import { execFileSync, spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { INSIDE, makeNetwork } from '../network';
import { answer, answered } from '../pages';
import { addPaper, expect, RunningWorkshop, test } from '../workshop';

const OWNER = 'low tide at seven';
const GUEST = 'children’s corner';
const PASSPHRASES = { ODD_CORNER_PASSPHRASE: OWNER, ODD_CORNER_GUEST_PASSPHRASE: GUEST };
const PHONE = { width: 390, height: 844 };

async function signIn(page: Page, passphrase: string): Promise<void> {
  await page.getByRole('textbox', { name: 'Passphrase' }).fill(passphrase);
  await page.getByRole('button', { name: 'Come in' }).click();
}

test('in the network of a house, over plain http: signed in, answered, begun and folded; a guest folds along and changes nothing', async ({
  browser,
  demoData,
}) => {
  const network = makeNetwork();
  test.skip(network === null, 'only root can make a network, with iproute2');
  const { command: within, end } = network!;
  const setup = { like: demoData, env: { ...PASSPHRASES, HOST: INSIDE }, within };
  const workshop = new RunningWorkshop(['--demo'], setup);
  try {
    await workshop.start();
    await expect.poll(() => workshop.said).toContain(`On a phone or another machine of this network: ${workshop.url}`);
    const laptop = await browser.newPage();
    const told: string[] = [];
    laptop.on('pageerror', (error) => told.push(String(error)));
    await laptop.goto(`${workshop.url}/?holds=60+x+45+x+22&sure=exact`);
    // What a browser gives only to trusted pages is not there.
    expect(await laptop.evaluate(() => [isSecureContext, 'locks' in navigator, 'wakeLock' in navigator])).toEqual([
      ...[false, false, false],
    ]);
    await signIn(laptop, 'not that one');
    await expect(laptop.getByText('That is not the passphrase')).toBeVisible();
    await signIn(laptop, OWNER);
    // What was asked by the address waits, and is answered now.
    await answered(laptop);
    await answer(laptop, 'Square tray').getByRole('button', { name: 'Start this job' }).click();
    await expect(laptop.getByRole('heading', { level: 1 })).toContainText('60 × 45 × 22');
    const job = /\/jobs\/([^/]+)/.exec(laptop.url())![1];
    await laptop.goto(`${workshop.url}/jobs`);
    const card = laptop.locator(`a[href^="/jobs/${job}"]`);
    await expect(card).toBeVisible();

    const phone = await (await browser.newContext({ viewport: PHONE })).newPage();
    await phone.goto(`${workshop.url}/jobs/${job}/fold`);
    await signIn(phone, GUEST);
    await phone.getByRole('button', { name: 'Next' }).click();
    // The laptop sees how far the phone has come.
    await expect(card.getByText('1 step done')).toBeVisible();
    await phone.goto(`${workshop.url}/settings`);
    await expect(phone.getByText('What is set for the whole workshop')).toBeVisible();
    await expect(phone.getByText('Backups')).toBeHidden();
    const refused = await phone.evaluate(async () => (await fetch('/api/backups', { method: 'POST' })).status);
    expect(refused).toBe(403);
    // Signed in stays signed in, also when the server is started anew.
    await workshop.halt();
    await workshop.start();
    await phone.reload();
    await expect(phone.getByText('What is set for the whole workshop')).toBeVisible();
    await laptop.goto(`${workshop.url}/settings`);
    await expect(laptop.getByRole('img', { name: 'The address as a code' })).toBeVisible();
    await laptop.getByRole('button', { name: 'Sign out on this device' }).click();
    await expect(laptop.getByRole('textbox', { name: 'Passphrase' })).toBeVisible();
    expect(told).toEqual([]);
  } finally {
    await workshop.stop();
    end();
  }
});

test('with a certificate it is encrypted, and the cookie goes no other way', async ({ browser }) => {
  test.skip(spawnSync('openssl', ['version']).status !== 0, 'openssl makes the certificate');
  const files = new RunningWorkshop().data;
  const [cert, key] = [join(files, 'cert.pem'), join(files, 'key.pem')];
  const subject = ['-subj', '/CN=localhost', '-addext', 'subjectAltName=IP:127.0.0.1'];
  const made = [
    'req',
    '-x509',
    '-newkey',
    'rsa:2048',
    '-nodes',
    '-days',
    '2',
    '-keyout',
    key,
    '-out',
    cert,
    ...subject,
  ];
  execFileSync('openssl', made, { stdio: 'pipe' });
  const env = { ...PASSPHRASES, ODD_CORNER_CERT: cert, ODD_CORNER_KEY: key };
  const workshop = new RunningWorkshop([], { env });
  await workshop.start();
  expect(workshop.url).toMatch(/^https:/);
  const context = await browser.newContext({ ignoreHTTPSErrors: true });
  const page = await context.newPage();
  await page.goto(`${workshop.url}/shelf`);
  await signIn(page, OWNER);
  await expect(page.getByText('The shelf is empty')).toBeVisible();
  const [cookie] = await context.cookies();
  expect(cookie).toMatchObject({ httpOnly: true, secure: true, sameSite: 'Strict' });
  await workshop.stop();
});

test('on its own machine a passphrase that is set is asked for too', async ({ page }) => {
  const workshop = new RunningWorkshop([], { env: PASSPHRASES });
  await workshop.start();
  expect((await fetch(`${workshop.url}/api/papers`)).status).toBe(401);
  await page.goto(`${workshop.url}/shelf`);
  // By keys alone.
  await expect(page.getByRole('textbox', { name: 'Passphrase' })).toBeFocused();
  await page.keyboard.type(OWNER);
  await page.keyboard.press('Enter');
  await expect(page.getByText('The shelf is empty')).toBeVisible();
  await workshop.stop();
});

test('two phones and a laptop on one workshop: each sees the others’ changes, without asking', async ({
  browser,
  demo,
}) => {
  const open = async (path: string, viewport?: typeof PHONE): Promise<Page> => {
    const page = await (await browser.newContext({ viewport: viewport ?? { width: 1280, height: 800 } })).newPage();
    await page.goto(demo.url + path);
    return page;
  };
  const { rows } = (await (await fetch(`${demo.url}/api/jobs?state=folding&archived=no`)).json()) as {
    rows: { id: string; title: string }[];
  };
  const [job] = rows;
  const [laptop, one, two] = [
    await open('/shelf'),
    await open(`/jobs/${job.id}/fold`, PHONE),
    await open('/shelf', PHONE),
  ];
  const named = 'Rope-brown wrapping';
  for (const page of [laptop, two]) await expect(page.getByRole('heading', { name: 'Shelf' })).toBeVisible();
  await expect(one.getByRole('button', { name: 'Next' })).toBeVisible();
  /** How long until something is seen that was not there before, in ms. */
  const seen = async (what: string, act: () => Promise<unknown>, sight: () => Promise<void>): Promise<void> => {
    await act();
    const from = performance.now();
    await sight();
    test.info().annotations.push({ type: what, description: `${Math.round(performance.now() - from)} ms` });
  };
  await seen(
    'a paper added elsewhere, on the laptop and a phone',
    () => addPaper(demo.url, { name: named }),
    async () => {
      await expect(laptop.getByText(named).first()).toBeVisible();
      await expect(two.getByText(named).first()).toBeVisible();
    },
  );
  await laptop.goto(`${demo.url}/jobs`);
  const card = laptop.getByRole('link', { name: job.title });
  const before = await card.getByText(/\d+ steps? done/).textContent();
  await seen(
    'a step ticked on a phone, on the laptop',
    () => one.getByRole('button', { name: 'Next' }).click(),
    () => expect(card.getByText(/\d+ steps? done/)).not.toHaveText(before!),
  );
  await laptop.goto(`${demo.url}/jobs/${job.id}/sheet`);
  await laptop.getByText('Name, folder, print, changes').click();
  const field = laptop.getByLabel('Name of the job');
  await field.fill('Renamed at the laptop');
  await seen(
    'a job renamed on the laptop, on a phone',
    () => laptop.getByRole('button', { name: 'Keep the name' }).click(),
    () => expect(one.getByRole('heading', { level: 1 })).toHaveText('Renamed at the laptop'),
  );
  // A page that was out of reach reads what it missed.
  await two.context().setOffline(true);
  await addPaper(demo.url, { name: 'Meanwhile' });
  await two.context().setOffline(false);
  await expect(two.getByText('Meanwhile').first()).toBeVisible();
});
