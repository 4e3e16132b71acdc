import { rmSync } from 'node:fs';
import { freePort, newFolder, startServer } from '../running-server.ts';
import { expect, pageOf, saved, test } from './fixtures.ts';

// The long form has 200 rounds (FAULT_ROUNDS=200), of another seed each time; FAULT_SEED repeats a run.
const ROUNDS = Number(process.env.FAULT_ROUNDS ?? 8);
const SEED = Number(process.env.FAULT_SEED ?? (process.env.FAULT_ROUNDS ? Date.now() % 100_000 : 20_261));
console.log(`Faults of seed ${SEED}`);

/** Numbers from 0 to 1 that a seed repeats (mulberry32, in the public domain). */
function random(seed: number): () => number {
  let a = seed;
  return () => {
    a = (a + 0x6d2b79f5) | 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

test.use({ quietly: false });

test(`every character typed is in the database, over ${ROUNDS} rounds of faults`, async ({ page: first, context }) => {
  test.setTimeout(ROUNDS * 50_000);
  let page = first;
  const dice = random(SEED);
  const folder = await newFolder();
  const port = await freePort();
  let server = await startServer({ data: folder, port });
  await page.goto(server.address);
  await page.getByRole('button', { name: 'Start empty' }).click();
  await page.waitForURL(/\/pieces\//);
  await pageOf(page).click();

  let typed = '';
  let round = 1;
  const type = async () => {
    const words = Array.from({ length: 2 + Math.floor(dice() * 4) }, () => Math.floor(dice() * 1e6).toString(36)).join(' ');
    await page.keyboard.type(`${words} `, { delay: Math.floor(dice() * 30) });
    typed += `${words} `;
  };
  const restart = async () => (server = await startServer({ data: folder, port }));
  const rest = () => page.waitForTimeout(dice() * 900);

  const faults: Record<string, () => Promise<void>> = {
    async 'the server is killed'() {
      await Promise.all([type(), rest().then(() => server.kill())]);
      await type();
      await restart();
    },
    async 'the server is stopped'() {
      await Promise.all([type(), rest().then(() => server.stop())]);
      await type();
      await restart();
    },
    async 'the network is cut'() {
      await Promise.all([type(), rest().then(() => context.setOffline(true))]);
      await type();
      await rest();
      await context.setOffline(false);
    },
    async 'answers do not arrive'() {
      await page.route('**/save', async (route) => {
        await route.fetch().catch(() => null);
        // Meanwhile the next fault may have begun.
        await route.abort().catch(() => null);
      });
      await type();
      await rest();
      await type();
      await page.unroute('**/save');
    },
    async 'the window is loaded again'() {
      await type();
      await page.reload();
      await expect(pageOf(page)).toContainText(typed.trim());
      await pageOf(page).click();
      await page.keyboard.press('Control+End');
    },
    async 'the window is closed'() {
      await type();
      await page.waitForTimeout(dice() * 700);
      const address = page.url();
      await page.close();
      page = await context.newPage();
      await page.goto(address);
      await expect(pageOf(page)).toContainText(typed.trim());
      await expect(page.getByRole('region', { name: 'Choose between two changes' })).toHaveCount(0);
      await pageOf(page).click();
      await page.keyboard.press('Control+End');
    },
    async 'an answer hangs'() {
      const heard = dice() < 0.5;
      await page.route(
        '**/save',
        async (route) => {
          if (heard) await route.fetch().catch(() => null);
          // No answer, ever: the page gives up waiting by itself.
        },
        { times: 1 },
      );
      await type();
      await saved(page, 50_000);
    },
    async 'a neighbour is hostile'() {
      const made = await server.call('/pieces', { method: 'POST', body: new FormData() });
      const other = `/pieces/${((await made.json()) as { id: string }).id}`;
      const { piece } = await (await server.call(other)).json();
      const doc = { type: 'doc', content: [{ type: 'paragraph', content: [{ type: 'text', text: 'h'.repeat(1_500_000) }] }] };
      const body = { key: `hostile-${round}-${SEED}`, base: 1, doc, details: piece.details, step: 'write', edits: [] };
      const hostile = Promise.all(
        Array.from({ length: 4 }, (_, n) =>
          server.call(`${other}/save`, { method: 'PUT', body: { ...body, key: `${body.key}-${n}` } }).catch(() => null),
        ),
      );
      await type();
      await saved(page, 20_000);
      await hostile;
    },
  };

  for (; round <= ROUNDS; round++) {
    const names = Object.keys(faults);
    const name = names[ROUNDS <= names.length ? round - 1 : Math.floor(dice() * names.length)]!;
    await test.step(`round ${round}: ${name}`, faults[name]!);
    await rest();
  }
  await saved(page);
  await server.kill();
  await restart();
  const { piece } = await (await server.call(new URL(page.url()).pathname)).json();
  const words = piece.doc.content.map((b: { content?: { text: string }[] }) => b.content?.map((t) => t.text).join('') ?? '').join('');
  expect(words, `seed ${SEED}`).toBe(typed);
  test.info().annotations.push({ type: 'typed', description: `${typed.length} characters, ${piece.version} versions, seed ${SEED}` });
  await server.stop();
  rmSync(folder, { recursive: true });
});
