import { rmSync } from 'node:fs';
import { freePort, newFolder, startServer } from '../running-server.ts';
import { expect, pageOf, saved, test } from './fixtures.ts';

// The long form has 200 rounds (FAULT_ROUNDS=200); FAULT_SEED repeats a run.
const ROUNDS = Number(process.env.FAULT_ROUNDS ?? 5);
const SEED = Number(process.env.FAULT_SEED ?? Date.now() % 100_000);

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

test(`every character typed is in the database, over ${ROUNDS} rounds of faults`, async ({ page, context }) => {
  test.setTimeout(60_000 + ROUNDS * 15_000);
  const dice = random(SEED);
  const folder = await newFolder();
  const port = await freePort();
  let server = await startServer({ data: folder, port });
  await page.goto(server.address);
  await page.getByRole('button', { name: 'Start empty' }).click();
  await page.waitForURL(/\/pieces\//);
  await pageOf(page).click();

  let typed = '';
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
  };

  for (let round = 1; round <= ROUNDS; round++) {
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
