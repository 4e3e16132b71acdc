import axeCore from 'axe-core';
import { readFileSync } from 'node:fs';
import { test as base, expect, type Page } from '@playwright/test';
import { startBlog, startClipHost, startResultList, startServer, startStock, type RunningServer } from '../running-server.ts';

export const MATERIAL = new URL('../../../demo/material/', import.meta.url).pathname;

type House = { server: RunningServer; blog: Awaited<ReturnType<typeof startBlog>>; clipHost: Awaited<ReturnType<typeof startClipHost>> };

// The browser notes every answer that is no success; a refusal in words is one of them. What records the test asks for pictures by itself.
const REFUSAL = /status of (?:409|422)|net::ERR_FAILED|^Connecting to 'blob:/;

/** A test with the application and the blog running, and an eye on everything the page complains of. */
export const test = base.extend<{ house: House; quiet: void; quietly: boolean }, { running: House }>({
  // Off where a test takes the server away.
  quietly: [true, { option: true }],
  running: [
    async ({}, use) => {
      const [blog, clipHost, stock, results] = await Promise.all([startBlog(), startClipHost(), startStock(), startResultList()]);
      const allowed = [clipHost, results].map(({ address }) => new URL(address).host).join(',');
      const env = { EVEN_PAGE_OUTLET_SECONDS: '5', EVEN_PAGE_FETCH_ALLOW: allowed, STOCK_URL: stock.address, RESULTS_URL: results.address };
      const server = await startServer({ env });
      await server.call('/outlets', {
        method: 'POST',
        body: { name: 'Hall blog', endpoint: `${blog.address}/micropub`, token: blog.token },
      });
      await use({ server, blog, clipHost });
      await server.stop();
      for (const other of [blog, clipHost, stock, results]) other.stop();
    },
    { scope: 'worker' },
  ],
  house: async ({ running }, use) => use(running),
  baseURL: async ({ running }, use) => use(running.server.address),
  quiet: [
    async ({ page, quietly }, use) => {
      const wrong: string[] = [];
      page.on('pageerror', (error) => wrong.push(error.message));
      page.on('console', (message) => message.type() === 'error' && !REFUSAL.test(message.text()) && wrong.push(message.text()));
      await use();
      if (quietly) expect(wrong, 'errors in the page').toEqual([]);
    },
    { auto: true },
  ],
});

export { expect };

/** Brings a file of the demo's material in from the Desk and waits for its Spread. */
export async function bring(page: Page, name: string): Promise<void> {
  await page.goto('/');
  await page.getByLabel('Choose files').setInputFiles(`${MATERIAL}${name}`);
  await page.waitForURL(/\/pieces\//);
  await expect(page.getByRole('textbox', { name: 'The page' })).toBeVisible();
}

/** Drops a file of the demo's material somewhere. */
export async function drop(page: Page, selector: string, name: string, type: string): Promise<void> {
  const bytes = [...readFileSync(`${MATERIAL}${name}`)];
  const data = await page.evaluateHandle(
    ({ bytes, name, type }) => {
      const transfer = new DataTransfer();
      transfer.items.add(new File([new Uint8Array(bytes)], name, { type }));
      return transfer;
    },
    { bytes, name, type },
  );
  const box = (await page.locator(selector).first().boundingBox())!;
  await page.dispatchEvent(selector, 'drop', { dataTransfer: data, clientX: box.x + 20, clientY: box.y + 10 });
}

/** Goes to a step of the road. */
export const step = (page: Page, name: string) =>
  page
    .getByRole('navigation', { name: 'Steps' })
    .getByRole('button', { name: new RegExp(`^${name}`) })
    .click();

/** The page as its writer sees it. */
export const pageOf = (page: Page) => page.getByRole('textbox', { name: 'The page' });

/** Waits until the head line says that everything is saved. */
export const saved = (page: Page, timeout?: number) =>
  expect(page.locator('header [role=status]')).toHaveText(/^Saved \d\d:\d\d$/, timeout ? { timeout } : {});

/** The button that publishes on the hall's blog; other tests may have added outlets of their own. */
export const publishButton = (page: Page) => page.locator('.outlet', { hasText: 'Hall blog' }).getByRole('button', { name: 'Publish' });

/** Publishes on the hall's blog, where the post has never been, and says where it stands. */
export async function publishOnBlog(page: Page): Promise<string> {
  await publishButton(page).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Publish' }).click();
  await expect(page.getByText('Published on Hall blog.')).toBeVisible();
  return (await page.getByRole('link', { name: 'Open it' }).getAttribute('href'))!;
}

/** The two leaves of the Spread. */
export const LEFT = '.leaf.l';
export const RIGHT = '.leaf.r';

const ALL_RULES = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];

/**
 * Finds nothing that keeps anybody out. Source: axe-core with its rules for WCAG 2.0 to 2.2, A and AA. By lamplight a screen is the same
 * but for its colours. A `leaf` alone is looked at where the rest of the screen has been. The post in the theme of its outlet is not ours.
 */
export async function axe(page: Page, where: string, leaf?: typeof LEFT | typeof RIGHT) {
  await page.evaluate(axeCore.source);
  const wrong = await page.evaluate(
    async ({ leaf, rules }) => {
      const isLamp = document.documentElement.dataset.mode === 'dark';
      const { violations } = await (window as unknown as { axe: typeof axeCore }).axe.run(leaf ?? document, {
        iframes: false,
        resultTypes: ['violations'],
        runOnly: isLamp ? ['color-contrast', 'link-in-text-block'] : rules,
      });
      return violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`);
    },
    { leaf, rules: ALL_RULES },
  );
  expect(wrong, where).toEqual([]);
}
