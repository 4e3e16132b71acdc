import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { bring, expect, MATERIAL, step, test } from './fixtures.ts';

const sample = (name: string) => fileURLToPath(new URL(`../../../core/test/samples/${name}`, import.meta.url));
const recording = (name: string) => fileURLToPath(new URL(`../../../demo/recordings/${name}`, import.meta.url));

const BARE =
  'so um the first thing is the mangle mira hollo way brought it in and it was in a terrible state the rollers were split and the handle was gone how long did it take it took us nine evenings and that is a whole winter if you only meet on thursdays so we soaked the gears in paraffin and then we turned the rollers on the lathe and they came out like new thank you for listening';

test('a Word document becomes a page with its pictures and its table, and plain words when asked', async ({ page }) => {
  await page.goto('/');
  await page.locator('input[type=file]').setInputFiles(sample('handout.docx'));
  const sheet = page.getByRole('textbox', { name: 'The page' });
  await expect(sheet.getByRole('heading', { name: 'What you need' })).toBeVisible();
  await expect(sheet.getByAltText('A caned seat from above')).toBeVisible();
  await expect(sheet.locator('th')).toHaveText(['Gauge', 'Width', 'For']);
  await page.getByRole('radio', { name: 'Plain words' }).click();
  await expect(sheet).toHaveText('');
  await page.getByRole('radio', { name: 'Keep structure' }).click();
  await expect(sheet.getByRole('heading', { name: 'What you need' })).toBeVisible();
  await page.getByRole('button', { name: 'Take off' }).click();
  await expect(page.getByText('is off this piece')).toBeVisible();
  await page.getByRole('button', { name: 'Use again' }).click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /handout\.docx/ })
    .first()
    .click();
  await expect(page.getByText('1 source, ')).toBeVisible();
});

test('a mail becomes a page', async ({ page }) => {
  await page.goto('/');
  const picture = readFileSync(sample('seat.png')).toString('base64');
  await page.locator('input[type=file]').setInputFiles({
    name: 'night.eml',
    mimeType: 'message/rfc822',
    buffer: Buffer.from(
      `From: Odile <odile@larkfield.example>\r\nTo: hall@larkfield.example\r\nSubject: Tool night\r\nMIME-Version: 1.0\r\nContent-Type: multipart/related; boundary=b\r\n\r\n--b\r\nContent-Type: text/html\r\n\r\n<h2>Bring a saw</h2><p>We open at <b>seven</b>.</p><p><img src="cid:s" alt="A seat"></p>\r\n--b\r\nContent-Type: image/png\r\nContent-Transfer-Encoding: base64\r\nContent-ID: <s>\r\n\r\n${picture}\r\n--b--\r\n`,
    ),
  });
  const sheet = page.getByRole('textbox', { name: 'The page' });
  await expect(sheet.getByRole('heading', { name: 'Bring a saw' })).toBeVisible();
  await expect(sheet.getByAltText('A seat')).toBeVisible();
  await expect(page.getByPlaceholder('Title')).toHaveValue('Tool night');
});

test('a rich paste comes with its structure, and a web address that is private is refused in a sentence', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Start empty' }).click();
  await page.waitForURL(/pieces/);
  await page.getByRole('button', { name: 'Fetch', exact: true }).click();
  await page.getByLabel('Address of a page or a file').fill('http://127.0.0.1:9/');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('private network');
  await page.getByRole('button', { name: 'Not now' }).click();
  await page.getByRole('region', { name: 'Material' }).evaluate((leaf) => {
    const data = new DataTransfer();
    data.setData('text/html', '<h2>Glue</h2><ul><li>Warm it</li><li>Clamp it</li></ul>');
    data.setData('text/plain', 'Glue\nWarm it\nClamp it');
    leaf.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true }));
  });
  await expect(page.getByRole('textbox', { name: 'The page' }).getByRole('listitem')).toHaveText(['Warm it', 'Clamp it']);
});

test('a talk without marks is tidied, a name mended everywhere, words replaced', async ({ page, house }) => {
  await house.server.call('/house', { method: 'PUT', body: { names: ['Mira Holloway'] } });
  await page.goto('/');
  await page.locator('input[type=file]').setInputFiles({ name: 'talk.txt', mimeType: 'text/plain', buffer: Buffer.from(BARE) });
  await page.waitForURL(/pieces/);
  await page.keyboard.press('Alt+2');
  await page.getByRole('radio', { name: /Names/ }).click();
  await page.locator('.edit.names').click();
  await page.getByRole('button', { name: 'Mend it' }).click();
  await page.getByRole('radio', { name: /^All/ }).click();
  await page.getByRole('button', { name: /Take all/ }).click();
  const words = page.getByRole('group', { name: /Words with repairs/ });
  await expect(words).toContainText('Mira Holloway');
  await expect(words).toContainText('How long did it take?');
  await page.getByRole('button', { name: 'Find', exact: true }).click();
  await page.getByRole('textbox', { name: 'Find' }).fill('paraffin');
  await page.getByRole('textbox', { name: 'Replace with' }).fill('lamp oil');
  await expect(page.getByText('1 of 1')).toBeVisible();
  await page.getByRole('button', { name: 'All', exact: true }).click();
  await expect(words).toContainText('in lamp oil');
  await page.reload();
  await expect(words).toContainText('in lamp oil');
  await page.keyboard.press('Alt+3');
  await page.getByRole('button', { name: 'Write onto the page' }).click();
  const sheet = page.getByRole('textbox', { name: 'The page' });
  await expect(sheet).toContainText('lamp oil');
  await expect(sheet).not.toContainText('Thank you for listening');
});

test('a recording goes up, its words are lit as it plays, and a word plays from there', async ({ page }) => {
  await page.goto('/');
  await page.locator('input[type=file]').setInputFiles(recording('caning-first-steps.webm'));
  await page.waitForURL(/pieces/);
  await expect(page.getByRole('list', { name: /Passages/ }).getByRole('listitem')).toHaveCount(19);
  const time = () => page.locator('video').evaluate((video: HTMLVideoElement) => video.currentTime);
  await page
    .locator('.said')
    .nth(8)
    .click({ modifiers: ['Alt'], position: { x: 40, y: 10 } });
  await expect(page.locator('li.now .said mark')).toBeVisible();
  expect(await time()).toBeGreaterThan(15);
  await page.keyboard.press('Alt+p');
  await expect(page.getByRole('button', { name: /^Play/ })).toBeVisible();
  const at = await time();
  await page.keyboard.press('Alt+,');
  await expect.poll(time).toBeCloseTo(at - 5, 0);
  await page.keyboard.press('Alt+=');
  await expect(page.locator('.speed')).toHaveText('1.2×');
});

test('a large recording is paused, goes on after a reload from where it was, and can be played', async ({ page }) => {
  await page.goto('/');
  // A WAV of twenty megabytes: six minutes of silence.
  const wav = Buffer.alloc(20_000_000);
  wav.write('RIFF');
  wav.writeUInt32LE(wav.length - 8, 4);
  wav.write('WAVEfmt ', 8);
  wav.writeUInt32LE(16, 16);
  wav.writeUInt16LE(1, 20);
  wav.writeUInt16LE(1, 22);
  wav.writeUInt32LE(27_000, 24);
  wav.writeUInt32LE(54_000, 28);
  wav.writeUInt16LE(2, 32);
  wav.writeUInt16LE(16, 34);
  wav.write('data', 36);
  wav.writeUInt32LE(wav.length - 44, 40);
  let parts = 0;
  let isOpen = false;
  await page.context().route('**/uploads/**', async (route) => {
    if (route.request().method() === 'PATCH' && ++parts > 1 && !isOpen) return;
    await route.continue();
  });
  await page.locator('input[type=file]').setInputFiles({ name: 'long-evening.wav', mimeType: 'audio/wav', buffer: wav });
  await page.waitForURL(/pieces/);
  const status = page.getByRole('status').filter({ hasText: /of 20/ });
  await expect(status).toContainText(/^[1-9]/);
  await page.getByRole('button', { name: 'Pause' }).click();
  await expect(status).toContainText('paused');
  const offsets: string[] = [];
  page.on('request', (r) => {
    if (r.method() === 'PATCH' && r.url().includes('/uploads/')) offsets.push(r.headers()['upload-offset'] ?? '');
  });
  isOpen = true;
  await page.reload();
  // The first part after the reload goes on where the last one ended.
  await expect.poll(() => Number(offsets[0])).toBeGreaterThan(0);
  await expect(status).toBeHidden();
  await expect(page.getByText('long-evening.wav').first()).toBeVisible();
});

test('a recording that arrives while something else is brought in is shown, and so is a file dropped meanwhile', async ({ page }) => {
  await bring(page, 'mending-log.md');
  await step(page, 'Gather');
  await page.route('**/material', async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 2500));
    await route.continue();
  });
  const choose = page.getByLabel('Add material');
  await choose.setInputFiles(`${MATERIAL}chair-caning.md`);
  await expect(page.getByText('Reading chair-caning.md…')).toBeVisible();
  await choose.setInputFiles(`${MATERIAL}../recordings/caning-first-steps.webm`);
  await choose.setInputFiles(`${MATERIAL}rewiring-a-lamp.vtt`);
  await expect(page.getByRole('region', { name: 'Material' }).getByText('4 sources')).toBeVisible();
});
