import { rmSync } from 'node:fs';
import type { Page, Route } from '@playwright/test';
import { freePort, newFolder, startServer, type RunningServer } from '../running-server.ts';
import { bring, expect, pageOf, saved, step, test } from './fixtures.ts';

const says = (page: Page) => page.locator('header [role=status]');

async function typeAtEnd(page: Page, paragraph: number, words: string) {
  await pageOf(page).locator('p').nth(paragraph).click();
  await page.keyboard.press('End');
  await page.keyboard.type(words);
}

test.describe('two windows on one piece', () => {
  test('put changes of different places together, and neither is lost', async ({ page, context }) => {
    await bring(page, 'mending-log.md');
    const other = await context.newPage();
    await other.goto(page.url());
    await typeAtEnd(page, 0, ' First window.');
    await saved(page);
    await typeAtEnd(other, 1, ' Second window.');
    await other.getByRole('textbox', { name: 'Title' }).fill('Titled in the second');
    await saved(other);
    await expect(pageOf(other)).toContainText('First window.');
    await expect(pageOf(other)).toContainText('Second window.');
    await typeAtEnd(page, 2, ' Again.');
    await saved(page);
    for (const one of [page, other]) {
      await one.reload();
      await expect(pageOf(one)).toContainText('First window.');
      await expect(pageOf(one)).toContainText('Second window.');
      await expect(pageOf(one)).toContainText('Again.');
      await expect(one.getByRole('textbox', { name: 'Title' })).toHaveValue('Titled in the second');
    }
  });

  for (const [keep, has, hasNot] of [
    ['Here', 'Second.', 'First.'],
    ['Elsewhere', 'First.', 'Second.'],
    ['both', 'Second.', ''],
  ] as const) {
    test(`show both changes of one place, and ${keep} stands when it is chosen`, async ({ page, context }) => {
      await bring(page, 'mending-log.md');
      const other = await context.newPage();
      await other.goto(page.url());
      await typeAtEnd(page, 0, ' First.');
      await saved(page);
      await typeAtEnd(other, 0, ' Second.');
      const choose = other.getByRole('region', { name: 'Choose between two changes' });
      await expect(choose).toContainText('First.');
      await expect(choose).toContainText('Second.');
      await expect(says(other)).toContainText('Changed here and elsewhere');
      // The question outlives reloads, and what was typed does too.
      for (let i = 0; i < 2; i++) {
        await other.reload();
        await expect(choose).toContainText('First.');
        await expect(choose).toContainText('Second.');
      }
      if (keep === 'both') await choose.getByRole('button', { name: 'Keep both' }).click();
      else
        await choose
          .locator('.choice > div', { has: other.getByRole('heading', { name: keep }) })
          .getByRole('button')
          .first()
          .click();
      await expect(choose).toBeHidden();
      await saved(other);
      await other.reload();
      await expect(pageOf(other)).toContainText(has);
      if (hasNot) await expect(pageOf(other)).not.toContainText(hasNot);
      else await expect(pageOf(other)).toContainText('First.');
    });
  }
});

test.describe('the server away', () => {
  let folder: string;
  let port: number;
  let server: RunningServer;

  test.beforeEach(async () => {
    folder = await newFolder();
    port = await freePort();
    server = await startServer({ data: folder, port });
  });
  test.afterEach(async () => {
    await server.stop();
    rmSync(folder, { recursive: true });
  });
  test.use({ quietly: false });

  const open = async (page: Page) => {
    await page.goto(server.address);
    await page.getByRole('button', { name: 'Start empty' }).click();
    await page.waitForURL(/\/pieces\//);
    await pageOf(page).click();
    await page.keyboard.type('Before. ');
    await saved(page);
  };

  test('typing goes on, says where it is kept, and all of it is saved when the server is back', async ({ page }) => {
    await open(page);
    await server.kill();
    await page.keyboard.type('While it was away. ');
    await expect(says(page)).toHaveText('Kept in this browser, the server is away');
    server = await startServer({ data: folder, port });
    await page.keyboard.type('And after.');
    await saved(page);
    await page.reload();
    await expect(pageOf(page)).toHaveText('Before. While it was away. And after.');
  });

  test('what was typed is there in a new window after this one was closed', async ({ page, context }) => {
    await open(page);
    const address = page.url();
    await step(page, 'Write');
    await saved(page);
    await server.kill();
    await page.keyboard.press('Alt+5');
    await pageOf(page).click();
    await page.keyboard.press('End');
    await page.keyboard.type('Kept.');
    await page.getByRole('textbox', { name: 'Title' }).fill('A title kept too');
    await expect(says(page)).toContainText('Kept in this browser');
    await page.close();
    server = await startServer({ data: folder, port });
    const again = await context.newPage();
    await again.goto(address);
    await expect(pageOf(again)).toHaveText('Before. Kept.');
    await expect(again.getByRole('textbox', { name: 'Title' })).toHaveValue('A title kept too');
    await saved(again);
    const held = await (await server.call(new URL(address).pathname)).json();
    expect(JSON.stringify(held.piece.doc)).toContain('Before. Kept.');
  });

  test('repairs taken meanwhile are saved too', async ({ page }) => {
    await page.goto(server.address);
    await page
      .getByLabel('Choose files')
      .setInputFiles({ name: 'a.txt', mimeType: 'text/plain', buffer: Buffer.from('Um, the the lamp is mended.') });
    await page.waitForURL(/\/pieces\//);
    await step(page, 'Tidy');
    await saved(page);
    await server.kill();
    await page.getByRole('button', { name: /^Take all/ }).click();
    await expect(says(page)).toContainText('Kept in this browser');
    server = await startServer({ data: folder, port });
    await saved(page);
    await page.reload();
    await expect(page.getByRole('button', { name: /^Put back 2/ })).toBeVisible();
  });
});

test('a browser without room to keep a copy says so, and the server still saves', async ({ page }) => {
  await page.addInitScript(() => {
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('no room', 'QuotaExceededError');
    };
  });
  await bring(page, 'mending-log.md');
  await page.route('**/save', (route) => route.abort());
  await typeAtEnd(page, 0, ' More.');
  await expect(says(page)).toContainText('Kept in this window only');
  await page.unroute('**/save');
  await saved(page);
  await page.reload();
  await expect(pageOf(page)).toContainText('More.');
});

test('a title longer than can be is cut and said, and what is typed is saved', async ({ page }) => {
  const long = `# ${'soaking '.repeat(60)}\n\nSoak the cane.`;
  await page.goto('/');
  await page.getByLabel('Choose files').setInputFiles({ name: 'long.md', mimeType: 'text/markdown', buffer: Buffer.from(long) });
  await page.waitForURL(/\/pieces\//);
  await expect(page.getByText('The title was longer than 300 characters and was cut there.')).toBeVisible();
  await typeAtEnd(page, 0, ' More.');
  await saved(page);
  await page.reload();
  await expect(pageOf(page)).toContainText('Soak the cane. More.');
  // The same when it joins a piece that has no title.
  await page.goto('/');
  await page.getByRole('button', { name: 'Start empty' }).click();
  await page.waitForURL(/\/pieces\//);
  await page.getByLabel('Add material').setInputFiles({ name: 'long.md', mimeType: 'text/markdown', buffer: Buffer.from(long) });
  await expect(pageOf(page)).toContainText('Soak the cane.');
  await typeAtEnd(page, 0, ' More.');
  await saved(page);
});

test.describe('what a browser kept', () => {
  // The refusals, and what could not be put onto the page, are noted in the browser's own log.
  test.use({ quietly: false });

  test('words whose save was refused stand on the page when it is opened again, and the head line never says saved', async ({ page }) => {
    await bring(page, 'mending-log.md');
    await saved(page);
    const refuse = (route: Route) => route.fulfill({ status: 400, json: { message: 'A title has at most 300 characters.' } });
    await page.route('**/save', refuse);
    await typeAtEnd(page, 0, ' Refused once.');
    await expect(says(page)).toHaveText('Kept in this browser, A title has at most 300 characters.');
    await page.reload();
    await expect(pageOf(page)).toContainText('Refused once.');
    await expect(says(page)).toHaveText('Kept in this browser, A title has at most 300 characters.');
    await page.unroute('**/save', refuse);
    await typeAtEnd(page, 1, ' Now.');
    await saved(page);
    await page.reload();
    await expect(pageOf(page)).toContainText('Refused once.');
    await saved(page);
  });

  test('is not called saved while it cannot be sent, whatever else is saved meanwhile', async ({ page, context }) => {
    await bring(page, 'mending-log.md');
    await saved(page);
    const hold = (route: Route) => (route.request().postData()?.includes('Left behind.') ? route.abort() : route.continue());
    await context.route('**/save', hold);
    await typeAtEnd(page, 0, ' Left behind.');
    await expect(says(page)).toContainText('Kept in this browser');
    const address = page.url();
    await page.close();
    const again = await context.newPage();
    await again.goto(address);
    await expect(says(again)).toHaveText('Kept in this browser, the server is away');
    const answered = again.waitForResponse((response) => response.url().endsWith('/save') && response.ok());
    await typeAtEnd(again, 1, ' Something else.');
    await answered;
    await again.waitForTimeout(300);
    await expect(says(again)).not.toContainText('Saved');
    await context.unroute('**/save', hold);
    await expect(pageOf(again)).toContainText('Left behind.');
    await saved(again, 20_000);
  });

  test('words that cannot be put onto the page are offered beside it', async ({ page }) => {
    await bring(page, 'mending-log.md');
    await saved(page);
    await page.route('**/save', (route) => route.abort());
    await typeAtEnd(page, 0, ' Left behind.');
    await expect(says(page)).toContainText('Kept in this browser');
    // As an older program, or a broken disk, might have left it: a page with a block nobody knows.
    await page.evaluate(async () => {
      const open = indexedDB.open('even-page', 1);
      await new Promise((resolve) => (open.onsuccess = resolve));
      const store = open.result.transaction('kept', 'readwrite').objectStore('kept');
      const all = store.openCursor();
      await new Promise<void>((resolve) => {
        all.onsuccess = () => {
          const cursor = all.result;
          if (!cursor) return resolve();
          const { draft } = cursor.value as { draft?: { doc: { content: { type: string }[] } } };
          if (draft) {
            draft.doc.content[0]!.type = 'unknownBlock';
            cursor.update(cursor.value);
          }
          cursor.continue();
        };
      });
    });
    const address = page.url();
    await page.goto('about:blank');
    await page.unrouteAll();
    await page.goto(address);
    const offered = page.getByRole('region', { name: 'Words this browser kept' });
    await expect(offered.getByRole('textbox')).toHaveValue(/Left behind\./);
    await expect(says(page)).not.toContainText('Saved');
    await offered.getByRole('button', { name: 'Add them at the end of the page' }).click();
    await expect(offered).toHaveCount(0);
    await expect(pageOf(page)).toContainText('Left behind.');
    await saved(page);
  });
});

test('an answer that never comes holds up no later save', async ({ page }) => {
  await bring(page, 'mending-log.md');
  await page.route('**/save', () => {}, { times: 1 });
  await typeAtEnd(page, 0, ' One.');
  await typeAtEnd(page, 1, ' Two.');
  await expect(says(page)).toHaveText('Kept in this browser, the server is away');
  await saved(page);
  await page.reload();
  await expect(pageOf(page)).toContainText('One.');
  await expect(pageOf(page)).toContainText('Two.');
});

test('over plain HTTP, where browsers have neither locks nor random ids, what was kept comes back and open windows are left alone', async ({
  context,
  house,
}) => {
  await context.addInitScript(() => {
    Object.defineProperty(navigator, 'locks', { value: undefined });
    Object.defineProperty(crypto, 'randomUUID', { value: undefined });
  });
  const made = await house.server.call('/pieces', { method: 'POST', body: new FormData() });
  const address = `/pieces/${((await made.json()) as { id: string }).id}`;
  const first = await context.newPage();
  await first.goto(address);
  await saved(first);
  await pageOf(first).click();
  await first.keyboard.type('Typed and closed.');
  await first.close();
  const page = await context.newPage();
  await page.goto(address);
  await expect(pageOf(page)).toHaveText('Typed and closed.');
  await saved(page);
  // A second window leaves what the first one keeps to it.
  await page.route('**/save', (route) => route.abort());
  await pageOf(page).click();
  await page.keyboard.press('Control+End');
  await page.keyboard.type(' Still here.');
  await expect(says(page)).toContainText('Kept in this browser');
  const other = await context.newPage();
  await other.goto(address);
  await saved(other);
  await expect(pageOf(other)).toHaveText('Typed and closed.');
  await page.unrouteAll();
  await saved(page, 20_000);
  await expect(pageOf(page)).toHaveText('Typed and closed. Still here.');
});

test('a page that was fetched before the last save of the closing window had arrived takes it over', async ({ page, house }) => {
  await bring(page, 'rewiring-a-lamp.vtt');
  const address = new URL(page.url()).pathname;
  const { piece, sources } = await (await house.server.call(address)).json();
  const [repair] = [{ kind: 'replaced', from: 0, to: 1, before: '', after: 'Quite late: ', reason: 'Replaced by the writer' }];
  // The save arrives between the answer of the server and the page that is made of it.
  await page.route(`**${address}`, async (route) => {
    const answer = await route.fetch();
    const edits = [{ source: sources[0].id, take: [{ ...repair, before: sources[0].source.passages[0].text.slice(0, 1) }], drop: [] }];
    const body = { key: 'the-last-of-a-window', base: piece.version, doc: piece.doc, details: piece.details, step: 'tidy', edits };
    expect((await house.server.call(`${address}/save`, { method: 'PUT', body })).status).toBe(200);
    await route.fulfill({ response: answer });
  });
  await page.reload();
  await expect(page.getByRole('group', { name: /Words with repairs/ })).toContainText('Quite late:');
});
