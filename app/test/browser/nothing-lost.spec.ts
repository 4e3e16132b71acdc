import { rmSync } from 'node:fs';
import type { Page } from '@playwright/test';
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
