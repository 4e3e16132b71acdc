import { readFileSync, writeFileSync } from 'node:fs';
import { unzipSync } from 'fflate';
import type { Page } from '@playwright/test';
import { bring, drop, expect, MATERIAL, pageOf, publishOnBlog, saved, step, test } from './fixtures.ts';

test('the whole road: a caption file of a 39-minute talk becomes a published post, and its change is sent', async ({
  page,
  house,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);

  // Gather: the file is dropped on the Desk and its Spread opens at once, words with their times on the left.
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Bring in material' })).toBeVisible();
  await drop(page, 'body', 'knife-evening.srt', 'application/x-subrip');
  await page.waitForURL(/\/pieces\//);
  const passages = page.getByRole('list', { name: 'Passages of knife-evening.srt' });
  await expect(passages.getByRole('listitem').first()).toContainText('0:02');
  await expect(passages).toContainText('can everybody hear me');

  // Tidy: counts by kind; one kind is taken and put back, then everything.
  await step(page, 'Tidy');
  const kind = (name: string) => page.getByRole('radio', { name: new RegExp(`^${name}`) });
  await expect(kind('Fillers')).toHaveText(/[34]\d/);
  await expect(kind('Spacing')).toHaveText(/11/);
  await expect(kind('Sentences')).toHaveText(/[5-6]\d\d/);
  await expect(kind('Doubled')).toHaveText(/\d\d/);
  await kind('Fillers').click();
  await page.getByRole('button', { name: /^Take all/ }).click();
  await expect(kind('Fillers')).toHaveText(/\b0$/);
  await page.getByRole('button', { name: /^Put back/ }).click();
  await expect(kind('Fillers')).toHaveText(/[34]\d/);
  await kind('All').click();
  await page.getByRole('button', { name: /^Take all/ }).click();
  await kind('Listen again').click();
  await page.getByRole('button', { name: 'All fine' }).click();
  await expect(page.getByRole('navigation', { name: 'Steps' })).toContainText('all done');
  await page.getByRole('button', { name: 'Go on to Shape' }).click();

  // Shape: headed sections, an introduction first and a close last, onto the page with origin marks.
  const proposed = page.getByRole('list', { name: 'Proposed sections' });
  await expect(proposed.getByRole('listitem').first()).toContainText('Introduction');
  await page.getByRole('button', { name: 'Write onto the page' }).click();
  const paper = pageOf(page);
  const headings = paper.getByRole('heading', { level: 2 });
  expect(await headings.count()).toBeGreaterThan(7);
  const outline = page.getByRole('tree', { name: 'Outline of the page' });
  await expect(outline.getByRole('treeitem')).toHaveCount((await headings.count()) + 1);
  await expect(page.getByRole('complementary', { name: /^Spine/ }).getByRole('button')).toHaveCount((await headings.count()) + 1);

  // A mark leads to its passage.
  const third = paper.locator('p').nth(3);
  const mark = await third.getAttribute('data-mark');
  await third.scrollIntoViewIfNeeded();
  const box = (await third.boundingBox())!;
  await page.mouse.click(box.x - 20, box.y + 12);
  await expect(passages.locator('li.shown')).toContainText(mark!);

  // Write: a title, Markdown as typed, a section moved, undo.
  await step(page, 'Write');
  await page.getByRole('textbox', { name: 'Title' }).fill('Sharpening a kitchen knife without fear');
  await saved(page);
  const moved = await headings.nth(2).textContent();
  await headings.nth(2).click();
  await page.keyboard.press('Alt+Shift+ArrowUp');
  await expect(headings.nth(1)).toHaveText(moved!);
  await page.keyboard.press('Control+z');
  await expect(headings.nth(2)).toHaveText(moved!);
  await paper.locator('p').first().click();
  await page.keyboard.press('Control+Home');
  await page.keyboard.type('Opening words for the blog.');
  await page.keyboard.press('Enter');
  await expect(paper.locator('p').first()).toHaveText('Opening words for the blog.');
  await saved(page);

  // Dress: a picture with its words.
  await step(page, 'Dress');
  await paper.locator('p').first().click();
  await page.getByLabel('Choose pictures').last().setInputFiles(`${MATERIAL}two-coins-under-a-knife.png`);
  await expect(paper.locator('img')).toBeVisible();
  await page.getByLabel('Says').fill('Two coins under the back of a knife');
  await page.getByLabel('Caption').fill('Near enough to fifteen degrees.');
  await expect(paper.locator('figcaption')).toHaveText('Near enough to fifteen degrees.');

  // Proof: a finding leads to its sentence.
  await step(page, 'Proof');
  await paper.locator('p').nth(1).click();
  await page.keyboard.press('End');
  await page.keyboard.type(` ${'The stone is wet and '.repeat(9)}the knife is sharp.`);
  const finding = page.getByRole('button', { name: /A sentence of \d+ words/ }).first();
  await finding.click();
  const selected = await page.evaluate(() => getSelection()!.toString());
  expect(selected.split(/\s+/).length).toBeGreaterThan(40);

  // Send: details, then publish.
  await step(page, 'Send');
  await page.getByRole('button', { name: 'offer', exact: true }).first().click();
  await expect(page.getByLabel('Slug')).toHaveValue('sharpening-a-kitchen-knife-without-fear');
  await page.getByRole('button', { name: 'offer', exact: true }).click();
  expect((await page.getByLabel('Description').inputValue()).length).toBeGreaterThan(60);
  await page.getByLabel('Category').fill('Workshop evenings');
  await page.getByRole('textbox', { name: 'Tags' }).pressSequentially('whetstone,');
  await expect(page.locator('.tags')).toHaveText(/whetstone/);
  await page.getByRole('textbox', { name: 'Tags' }).pressSequentially('knives,');
  await expect(page.locator('.tags')).toHaveText(/knives.*whetstone/);
  const url = await publishOnBlog(page);
  expect(url).toBe(`${house.blog.address}/sharpening-a-kitchen-knife-without-fear`);

  const reader = await context.newPage();
  await reader.goto(url);
  await expect(reader.getByRole('heading', { level: 1 })).toHaveText('Sharpening a kitchen knife without fear');
  expect(await reader.getByRole('heading', { level: 2 }).allTextContents()).toEqual(await headings.allTextContents());
  const picture = reader.getByRole('img', { name: 'Two coins under the back of a knife' });
  expect(await picture.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBeGreaterThan(300);
  await expect(reader.getByRole('link', { name: 'Workshop evenings' })).toBeVisible();

  // One word is changed and sent again, without a question.
  await paper.locator('p').first().click();
  await page.keyboard.press('Control+Home');
  await page.keyboard.type('Brave ');
  await saved(page);
  await page.getByRole('button', { name: 'Send the change' }).click();
  await expect(page.getByText('The change is on Hall blog.')).toBeVisible();
  await reader.reload();
  await expect(reader.getByRole('article')).toContainText('Brave Opening words for the blog.');

  // The post taken along: Markdown with YAML front matter to a file and the clipboard, clean HTML.
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Markdown file' }).click()]);
  expect(download.suggestedFilename()).toBe('sharpening-a-kitchen-knife-without-fear.zip');
  const zip = unzipSync(readFileSync((await download.path())!));
  expect(Object.keys(zip)).toEqual(['sharpening-a-kitchen-knife-without-fear.md', 'pictures/two-coins-under-the-back-of-a-knife.webp']);
  expect(new TextDecoder().decode(Object.values(zip)[0])).toMatch(
    /^---\ntitle: Sharpening[^]*tags:\n {2}- knives\n {2}- whetstone\n---\n\nBrave Opening/,
  );
  await page.getByRole('radio', { name: 'HTML' }).click();
  await page.getByRole('button', { name: 'Copy' }).click();
  await expect(page.getByText('The HTML is on the clipboard')).toBeVisible();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toMatch(/^<p>Brave Opening words for the blog\.<\/p>/);

  // The Desk knows.
  await page.getByRole('link', { name: 'Desk' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'Sharpening a kitchen knife' })).toContainText('Published on Hall blog');
});

test('a pasted transcript with times becomes a piece', async ({ page }) => {
  await page.goto('/', { waitUntil: 'networkidle' });
  await page.evaluate(() => {
    const data = new DataTransfer();
    data.setData('text/plain', 'Lamp evening\n\n[0:01] Mira: Um, the plug comes out first.\n[0:08] Joss: Always. The the plug.');
    document.body.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true }));
  });
  await page.waitForURL(/\/pieces\//);
  await expect(page.getByRole('list', { name: /^Passages/ }).getByRole('listitem')).toHaveCount(2);
  await expect(page.getByRole('textbox', { name: 'Title' })).toHaveValue('Lamp evening');
  await step(page, 'Tidy');
  await page.getByRole('button', { name: /^Take all/ }).click();
  await step(page, 'Shape');
  await page.getByRole('button', { name: 'Write onto the page' }).click();
  await expect(pageOf(page)).toContainText('The plug comes out first.');
  await expect(pageOf(page)).not.toContainText('the the');
});

test('a Markdown draft stands on the page at once, and its repairs follow there', async ({ page }) => {
  await page.goto('/');
  await page.getByLabel('Choose files').setInputFiles({
    name: 'draft.md',
    mimeType: 'text/markdown',
    buffer: Buffer.from('# Glue evening\n\nThe the glue is **um, warm** and ready.\n\n## Clamps\n\nTwo clamps a joint.'),
  });
  await page.waitForURL(/\/pieces\//);
  await expect(page.getByRole('textbox', { name: 'Title' })).toHaveValue('Glue evening');
  await expect(pageOf(page).getByRole('heading', { level: 2 })).toHaveText('Clamps');
  await step(page, 'Tidy');
  await page.getByRole('button', { name: /^Take all/ }).click();
  await expect(pageOf(page).locator('p').first()).toHaveText('The glue is warm and ready.');
  await expect(pageOf(page).locator('strong')).toHaveText('warm');
  await page.getByRole('button', { name: /^Put back/ }).click();
  await expect(pageOf(page).locator('p').first()).toHaveText('The the glue is um, warm and ready.');
});

test('a file that cannot be read says so on the Desk and makes nothing', async ({ page }) => {
  await page.goto('/');
  const before = await page.getByRole('listitem').count();
  await page.getByLabel('Choose files').setInputFiles({ name: 'empty.srt', mimeType: 'text/plain', buffer: Buffer.alloc(0) });
  await expect(page.getByRole('alert')).toContainText('empty.srt: This file is empty');
  const large = test.info().outputPath('evening.srt');
  writeFileSync(large, Buffer.alloc(26 * 1024 * 1024, 'words '));
  await page.getByLabel('Choose files').setInputFiles(large);
  await expect(page.getByRole('alert')).toContainText('evening.srt is larger than 25 MB');
  await page.reload();
  await expect(page.getByRole('listitem')).toHaveCount(before);
});

/** Opens the Desk so that its words stand there well before it can do anything. */
async function deskAsleep(page: Page) {
  await page.route('**/*.js', async (route) => {
    await new Promise((done) => setTimeout(done, 1500));
    await route.continue();
  });
  await page.goto('/', { waitUntil: 'domcontentloaded' });
}

test('an empty page asked for before the Desk is awake is opened', async ({ page }) => {
  await deskAsleep(page);
  await page.getByRole('button', { name: 'Start empty' }).press('Enter');
  await page.waitForURL(/\/pieces\//);
  await expect(pageOf(page)).toBeVisible();
});

test('a file chosen before the Desk is awake is brought in', async ({ page }) => {
  await deskAsleep(page);
  await page.getByLabel('Choose files').setInputFiles(`${MATERIAL}mending-log.md`);
  await page.waitForURL(/\/pieces\//);
  await expect(pageOf(page)).toBeVisible();
});

test('everything is there after a reload', async ({ page }) => {
  await bring(page, 'mending-log.md');
  await pageOf(page).locator('p').first().click();
  await page.keyboard.press('End');
  await page.keyboard.type(' And it went on.');
  await step(page, 'Proof');
  await saved(page);
  await page.reload();
  await expect(pageOf(page)).toContainText('And it went on.');
  await expect(page.getByRole('button', { name: /^Proof/ })).toHaveAttribute('aria-current', 'step');
});
