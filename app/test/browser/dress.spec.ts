import type { Page } from '@playwright/test';
import { startStock } from '../running-server.ts';
import { bring, drop, expect, MATERIAL, pageOf, publishOnBlog, saved, step, test } from './fixtures.ts';

test.describe('Dress', () => {
  const chooseSource = (page: Page, name: string) => page.getByLabel('Choose files').first().setInputFiles(name);

  test('three photographs, a row, a cover, a still and a clip are put onto a page and stand rightly on the blog', async ({
    page,
    house,
    browser,
  }) => {
    const host = house.clipHost;
    await page.goto('/');
    await chooseSource(page, `${MATERIAL}../recordings/caning-first-steps.webm`);
    await page.waitForURL(/\/pieces\//);
    await expect(pageOf(page)).toBeVisible();
    await page.getByLabel('Title', { exact: true }).fill('Caning for beginners');
    await pageOf(page).click();
    for (const paragraph of ['Cane is split from the skin of a palm.', 'Soak it before you bend it.', 'Work from the middle outwards.']) {
      await page.keyboard.type(paragraph);
      await page.keyboard.press('Enter');
    }

    // Three photographs dropped: each has its place at once.
    for (const name of ['clipboard-by-the-door.png', 'pegs-and-a-coil-of-cane.png', 'caned-seat-from-above.png'])
      await drop(page, '.ProseMirror > p:nth-child(3)', name, 'image/png');
    await expect(pageOf(page).locator('figure')).toHaveCount(3);
    await expect(page.locator('.on-its-way:visible')).toHaveCount(0);
    const pictures = page.getByRole('region', { name: 'Pictures' });
    for (const [n, words] of ['A caned seat', 'Pegs and a coil of cane', 'A clipboard by the door'].entries()) {
      await pictures.getByRole('button', { name: new RegExp(`^Picture ${n + 1}:`) }).click();
      await pictures.getByLabel('Says', { exact: true }).fill(words);
      await pictures.getByLabel('Says', { exact: true }).blur();
    }
    await pictures.getByRole('button', { name: /^Picture 1:/ }).click();
    await pictures.getByRole('button', { name: 'Put it in a row with the next' }).click();
    await expect(pageOf(page).locator('figure.row figure')).toHaveCount(2);
    await pictures.getByRole('button', { name: /^Picture 3:/ }).click();
    await pictures.getByRole('group', { name: 'Size' }).getByRole('button', { name: 'full' }).click();

    // A still of the recording, and the clip of the host from its third second.
    await page.getByRole('radio', { name: 'Clips' }).click();
    const clips = page.getByRole('region', { name: 'Clips' });
    await clips.getByRole('button', { name: 'Put it in' }).last().click();
    await expect.poll(() => clips.locator('video').evaluate((video: HTMLVideoElement) => video.readyState)).toBeGreaterThan(1);
    await clips.locator('video').evaluate((video: HTMLVideoElement) => (video.currentTime = 5));
    await expect.poll(() => clips.locator('video').evaluate((video: HTMLVideoElement) => video.seeking)).toBe(false);
    await clips.getByRole('button', { name: 'as its still' }).click();
    await expect(pageOf(page).locator('figure.clip img')).toBeVisible();
    await clips.locator('video').focus();
    await page.keyboard.press('s');
    await expect(clips.getByLabel('Plays from')).toHaveValue('0:05');
    await clips.getByLabel('Address of a clip').fill(`${host.address}/clips/caning-first-steps`);
    await clips.getByRole('button', { name: 'Put it in' }).first().click();
    await expect(pageOf(page).locator('figure.clip')).toHaveCount(2);
    await clips.getByLabel('Plays from').fill('0:03');
    await clips.getByLabel('Plays from').blur();
    await expect(clips.getByLabel('load nothing before they press play')).toBeChecked();

    // A cover from a template.
    await page.getByRole('radio', { name: 'Cover', exact: true }).click();
    const cover = page.getByRole('region', { name: 'Cover' });
    await cover.getByRole('radio', { name: 'Facing leaves' }).click();
    await expect(cover.getByRole('img', { name: 'The cover: Caning for beginners' })).toBeVisible();
    await cover.getByRole('button', { name: 'Make it the cover' }).click();
    await expect(cover.getByRole('button', { name: 'No cover after all' })).toBeVisible();
    await saved(page);

    await step(page, 'Send');
    const url = await publishOnBlog(page);

    // The reader's page at three widths: the smallest file that fits is fetched, and nothing of the host before play.
    host.asked.length = 0;
    const fits: Record<number, number> = { 390: 750, 820: 1200, 1280: 1200 };
    for (const width of [390, 820, 1280]) {
      const context = await browser.newContext({ viewport: { width, height: 900 } });
      const reader = await context.newPage();
      await reader.goto(url);
      const lone = reader.locator('.e-content > figure:not(.row, .clip) img').first();
      await lone.scrollIntoViewIfNeeded();
      await expect.poll(() => lone.evaluate((img: HTMLImageElement) => img.complete && img.naturalWidth)).toBeTruthy();
      const fetched = await lone.evaluate(({ currentSrc, previousElementSibling }: HTMLImageElement) =>
        Number(new RegExp(`${currentSrc.split('/').at(-1)} (\\d+)w`).exec((previousElementSibling as HTMLSourceElement).srcset)?.[1]),
      );
      expect(fetched, `at ${width} px`).toBe(fits[width]);
      await expect(reader.locator('figure.row img')).toHaveCount(2);
      const [left, right] = await reader
        .locator('figure.row img')
        .evaluateAll((all) => all.map((img) => img.getBoundingClientRect().toJSON()));
      expect(left.top).toBeCloseTo(right.top, 0);
      expect(right.left).toBeGreaterThan(left.right - 1);
      expect(await reader.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
      await expect(reader.locator('.u-featured')).toBeVisible();
      await reader.locator('iframe').scrollIntoViewIfNeeded();
      await expect(reader.frameLocator('iframe').getByText('Play: Caning: the first steps')).toBeVisible();
      expect(host.asked).toEqual([]);
      if (width === 1280) {
        await reader.frameLocator('iframe').getByText('Play: Caning: the first steps').click();
        const player = reader.frameLocator('iframe').locator('video');
        await expect(player).toHaveAttribute('src', '/media/caning-first-steps#t=3');
        await expect.poll(() => player.evaluate((video: HTMLVideoElement) => video.currentTime)).toBeGreaterThanOrEqual(3);
        expect(host.asked).toContain('/player/caning-first-steps');
      }
      await context.close();
    }
  });

  test('a picture keeps its place while it is on its way, says why it cannot be, and another takes its place', async ({ page }) => {
    await bring(page, 'autumn-mending-day.md');
    await step(page, 'Dress');
    await page
      .getByLabel('Choose pictures')
      .first()
      .setInputFiles({ name: 'bench.png', mimeType: 'image/png', buffer: Buffer.from('no picture') });
    const way = pageOf(page).locator('.on-its-way');
    await expect(way).toHaveText(/^bench\.png is not a picture/);
    await expect(page.getByRole('button', { name: 'Try again' })).toBeVisible();
    await page.getByLabel('Choose the picture that takes its place').setInputFiles(`${MATERIAL}clipboard-by-the-door.png`);
    await expect(way).toBeHidden();
    const pictures = page.getByRole('region', { name: 'Pictures' });
    await pictures.getByLabel('Says', { exact: true }).fill('A picture of IMG_2041.jpg');
    await expect(pictures.getByText('Leave out “picture of”')).toBeVisible();
    await pictures.getByLabel('Says', { exact: true }).fill('The clipboard with the mending log');
    await pictures.getByRole('group', { name: 'Size' }).getByRole('button', { name: 'small' }).click();
    await pictures.getByRole('group', { name: 'Stands' }).getByRole('button', { name: 'right' }).click();
    await expect(pageOf(page).locator('figure.small.right')).toBeVisible();
    // Its licence is asked for, and the credit is written by itself.
    await pictures.getByText('Whose it is').first().click();
    await pictures.getByLabel('Licence').selectOption('cc-by');
    await expect(pictures.getByText('nobody is.')).toBeVisible();
    await pictures.getByLabel('Credit').fill('Petra Lindqvist');
    await pictures.getByLabel('Credit').blur();
    await expect(pictures.getByText('“Picture: Petra Lindqvist, Creative Commons Attribution 4.0”')).toBeVisible();
    await page.getByRole('radio', { name: 'Reader’s view' }).click();
    await expect(
      page.frameLocator('iframe[title^="The post on"]').getByRole('figure').filter({ hasText: 'Picture: Petra Lindqvist' }),
    ).toBeVisible();
    await saved(page);
  });

  test('the Shelf finds pictures by words, use and licence, and puts away only what no page shows', async ({ page }) => {
    const stock = await startStock();
    const found = (await (await fetch(`${stock.address}/pictures?q=umbrella`)).json()) as { pictures: { files: { address: string }[] }[] };
    const bytes = await (await fetch(found.pictures[0]!.files.at(-1)!.address)).arrayBuffer();
    stock.stop();
    await page.goto('/pictures');
    await page.getByLabel('Choose pictures').setInputFiles({ name: 'umbrella.jpg', mimeType: 'image/jpeg', buffer: Buffer.from(bytes) });
    await expect(page.getByText('1 picture taken in.')).toBeVisible();
    await page.getByLabel('Find a picture').fill('umbrella');
    await expect(page.getByText(/^1 picture/).last()).toBeVisible();
    await page.getByRole('button', { name: /umbrella\.jpg/ }).click();
    await page.getByLabel('Says', { exact: true }).fill('An umbrella on the bench');
    await page.getByLabel('Says', { exact: true }).blur();
    await expect(page.getByRole('button', { name: /An umbrella on the bench/ })).toBeVisible();
    await page.getByLabel('Use').selectOption('used nowhere');
    await page.getByRole('button', { name: 'Put it away' }).click();
    await expect(page.getByText('Put away.')).toBeVisible();
    await expect(page.getByRole('button', { name: /An umbrella on the bench/ })).toHaveCount(0);
    await page.getByRole('button', { name: 'Bring it back' }).click();
    await expect(page.getByRole('button', { name: /An umbrella on the bench/ })).toBeVisible();
  });
});
