// Takes the pictures of docs/screenshots from a freshly started demo. Run: npx tsx scripts/screenshots.ts
import { chromium, type Page } from '@playwright/test';
import config from '../playwright.config.ts';

const address = process.argv[2] ?? 'http://127.0.0.1:4600';
const folder = new URL('../docs/screenshots/', import.meta.url).pathname;
const browser = await chromium.launch(config.use!.launchOptions);

async function take(name: string, { lamp = false, phone = false, piece = '', step = 0 }, prepare?: (page: Page) => Promise<void>) {
  const context = await browser.newContext({
    viewport: phone ? { width: 390, height: 800 } : { width: 1280, height: 800 },
    locale: 'en-GB',
  });
  if (lamp) await context.addCookies([{ name: 'even-page-mode', value: 'dark', url: address }]);
  const page = await context.newPage();
  await page.goto(address);
  if (piece) {
    await page.getByRole('heading', { name: piece }).click();
    await page
      .getByRole('textbox', { name: 'The page' })
      .or(page.getByRole('button', { name: 'Page' }))
      .first()
      .waitFor();
    if (step) await page.keyboard.press(`Alt+${step}`);
  }
  await prepare?.(page);
  // What is counted beside the work has arrived.
  if (piece && !phone)
    await page
      .getByRole('navigation', { name: 'Steps' })
      .getByText(/^(?:counting|looking)$/)
      .first()
      .waitFor({ state: 'detached' });
  await page.mouse.move(400, 22);
  await page.waitForTimeout(1200);
  await page.screenshot({ path: `${folder}${name}.png` });
  await context.close();
}

const KNIVES = 'Sharpening a kitchen knife';
const LAMPS = 'Rewiring a table lamp';
const WICK = 'Wick and oil';
const fillers = (page: Page) => page.getByRole('radio', { name: /^Fillers/ }).click();

await take('desk', {});
await take('house-style', {}, (page) => page.getByRole('link', { name: 'House', exact: true }).click());
await take('spread-gather', { piece: LAMPS, step: 1 });
await take('recording', { piece: 'Caning: the first steps', step: 1 }, async (page) => {
  await page
    .locator('.said')
    .nth(4)
    .click({ modifiers: ['Alt'], position: { x: 90, y: 10 } });
  await page.waitForTimeout(500);
  await page.keyboard.press('Alt+p');
});
await take('spread-tidy-lamp', { piece: WICK, step: 2, lamp: true }, fillers);
await take('account', { piece: LAMPS, step: 1 }, async (page) => {
  await page.getByRole('button', { name: 'Make a page of it' }).click();
  await page.getByRole('list', { name: 'What was done' }).waitFor();
});
await take('as-written', { piece: KNIVES, step: 2 }, async (page) => {
  await page.getByRole('radio', { name: 'as written' }).click();
  await page.locator('.sentence .word').first().waitFor();
});
await take('spread-shape', { piece: KNIVES, step: 3 }, (page) => page.getByRole('button', { name: /^Section 4/ }).click());
await take('spread-write', { piece: KNIVES, step: 4 }, (page) => page.getByRole('button', { name: /^Section 8/ }).click());
await take('brief', { piece: KNIVES, step: 4 }, async (page) => {
  await page.getByRole('button', { name: /^Section 3/ }).click();
  await page.getByRole('radio', { name: 'Brief' }).click();
  await page.getByLabel('Subject').waitFor();
});
await take('round', { piece: KNIVES, step: 4, lamp: true }, async (page) => {
  await page.getByRole('radio', { name: 'Rounds' }).click();
  await page.getByLabel('What is drafted').selectOption({ index: 5 });
  await page.getByLabel('Ask for').fill('shorter, 110 words');
  await page.getByRole('button', { name: 'Ask', exact: true }).click();
  await page.getByRole('button', { name: 'Take it', exact: true }).waitFor();
});
await take('ideas', { phone: true }, (page) => page.goto(new URL('/ideas', page.url()).href).then(() => undefined));
await take('spread-dress', { piece: 'Cane a chair seat', step: 5 });
await take('cover', { piece: 'Cane a chair seat', step: 5, lamp: true }, (page) =>
  page.getByRole('radio', { name: 'Cover', exact: true }).click(),
);
await take('pictures', {}, async (page) => {
  await page.goto(new URL('/pictures', page.url()).href);
  await page.locator('li > button').nth(1).click();
});
await take('spread-proof', { piece: 'What the mending log', step: 6 }, async (page) => {
  await page.getByRole('button', { name: /skips a level/ }).click();
});
await take('spread-send', { piece: 'Autumn mending day', step: 7 }, async (page) => {
  await page.getByRole('radio', { name: 'Reader’s view' }).click();
  await page.getByText(/^\s*Lines/).waitFor();
});
await take('spread-yardstick', { piece: KNIVES, step: 6 }, async (page) => {
  await page.getByRole('radio', { name: 'Yardstick' }).click();
  await page.getByText(/^Treats/).waitFor();
});
await take('phone', { piece: KNIVES, step: 3, phone: true });
await browser.close();
