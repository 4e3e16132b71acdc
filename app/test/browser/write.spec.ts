import { bring, expect, pageOf, saved, step, test } from './fixtures.ts';

test('Markdown and HTML are edited in step with the page, and what it cannot hold is named', async ({ page }) => {
  await bring(page, 'chair-caning.md');
  const heading = pageOf(page).getByRole('heading', { name: 'What comes next' });
  await heading.click();
  const id = await heading.getAttribute('data-id');
  await page.getByRole('radio', { name: 'Markdown' }).click();
  const markdown = page.getByRole('textbox', { name: 'The post as Markdown' });
  await expect(markdown).toContainText('## What comes next');
  // The caret is where it was on the page.
  await page.keyboard.press('Home');
  await page.keyboard.type('Before it ends, ~~nothing~~ something.\n\n');
  await page.getByRole('radio', { name: 'Page', exact: true }).click();
  await expect(pageOf(page).locator('del')).toHaveText('nothing');
  await expect(pageOf(page).getByText('Before it ends,')).toBeVisible();
  await expect(heading).toHaveAttribute('data-id', id!);
  await pageOf(page).focus();
  await page.keyboard.press('Control+z');
  await expect(pageOf(page).getByText('Before it ends,')).toHaveCount(0);

  await page.getByRole('radio', { name: 'HTML' }).click();
  await expect(page.getByRole('textbox', { name: 'The post as HTML' })).toBeVisible();
  await page.keyboard.press('Control+End');
  await page.keyboard.type('\n<video src="x"></video><p>Kept words.</p>');
  await expect(page.getByText('The page cannot hold <video>')).toBeVisible();
  await page.getByRole('radio', { name: 'Page', exact: true }).click();
  await expect(pageOf(page).getByText('Kept words.')).toBeVisible();
  await saved(page);
});

test('markup in any nesting loses no word, in the HTML view and when it is pasted', async ({ page }) => {
  const nested = [
    '<figure><blockquote>n1</blockquote><figcaption><p>n2</p></figcaption></figure>',
    '<mark><p>n3</p></mark>',
    '<strong><table><tr><td>n4</td></tr></table></strong>',
    '<table><tr><td>n5 <img src="/favicon.svg" alt="n6"></td></tr></table>',
    '<a href="https://larkfield.example"><table><tr><td>n7</td></tr></table></a>',
    '<dd>n8</dd>',
  ].join('');
  await page.goto('/');
  await page.getByRole('button', { name: 'Start empty' }).click();
  await page.waitForURL(/\/pieces\//);
  await page.getByRole('radio', { name: 'HTML' }).click();
  const html = page.getByRole('textbox', { name: 'The post as HTML' });
  await html.fill(`${nested}<p>And after it.</p>`);
  await page.getByRole('radio', { name: 'Page', exact: true }).click();
  for (const word of ['n1', 'n2', 'n3', 'n4', 'n5', 'n7', 'n8', 'And after it.'])
    await expect(pageOf(page).getByText(word).first()).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(pageOf(page)).toContainText('And after it.');
  // Pasted, the same goes the way of material.
  await pageOf(page).click();
  await page.keyboard.press('Control+a');
  await pageOf(page).evaluate((el, markup) => {
    const data = new DataTransfer();
    data.setData('text/html', markup.replaceAll('>n', '>p'));
    el.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  }, nested);
  for (const word of ['p1', 'p2', 'p3', 'p4', 'p5', 'p7', 'p8']) await expect(pageOf(page)).toContainText(word);
  await saved(page);
});

test('words selected are found in the material and tied to it', async ({ page }) => {
  await bring(page, 'knife-evening.srt');
  await step(page, 'Shape');
  await page.getByRole('button', { name: 'Write onto the page' }).click();
  await pageOf(page).locator('> p').last().click();
  await page.keyboard.press('Control+End');
  // The editor hears of a caret that the browser moved a moment later.
  await page.waitForTimeout(100);
  await page.keyboard.press('Enter');
  await page.keyboard.type('Soak a coarse stone until it stops bubbling.');
  await step(page, 'Write');
  const own = pageOf(page).locator('p', { hasText: 'Soak a coarse stone until it stops bubbling.' }).last();
  await expect(own).toHaveAttribute('data-mark', 'own');
  await own.click({ clickCount: 3 });
  await page.getByRole('button', { name: 'Find in the material' }).click();
  const found = page.getByRole('region', { name: 'Found in the material' });
  await expect(found.getByRole('button').first()).toContainText('bubbling');
  await found.getByRole('button', { name: 'Tie', exact: true }).first().click();
  await expect(own).toHaveAttribute('data-mark', /^\d+:\d\d$/);
});

test('alone with the page, everything else folds away and the line stays at mid-height', async ({ page }) => {
  await bring(page, 'chair-caning.md');
  await pageOf(page).click();
  await page.keyboard.press('Alt+a');
  await expect(page.getByRole('navigation', { name: 'Steps' })).toBeHidden();
  await expect(page.getByRole('complementary', { name: /^Spine/ })).toBeHidden();
  await expect(page.getByText(/words, \d+ minutes? to read/)).toBeVisible();
  await page.keyboard.press('Control+End');
  await page.keyboard.type(' The end.');
  const line = await page.evaluate(() => getSelection()!.getRangeAt(0).getBoundingClientRect().top / innerHeight);
  expect(line).toBeGreaterThan(0.35);
  expect(line).toBeLessThan(0.65);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('navigation', { name: 'Steps' })).toBeVisible();
});

test('a page holds note box, pull quote, highlight and the author of a quotation, through Markdown and back', async ({ page }) => {
  await bring(page, 'chair-caning.md');
  await step(page, 'Write');
  const more = async (name: string) => {
    await page.getByRole('button', { name: 'More', exact: true }).click();
    await page.getByRole('menuitem', { name, exact: true }).click();
    await expect(pageOf(page)).toBeFocused();
  };
  const first = pageOf(page).locator('> p').first();
  await first.click();
  await page.keyboard.press('End');
  await page.keyboard.press('Enter');
  await page.keyboard.type('> The angle ==has to be== the same. ');
  await expect(pageOf(page).locator('blockquote mark')).toHaveText('has to be');
  await more('Author of the quotation');
  await page.keyboard.type('Mira Holloway');
  await page.keyboard.press('Enter');
  await page.keyboard.type('Mind the edge.');
  await more('Note box');
  await page.keyboard.press('End');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Enter');
  await page.keyboard.type('It never lies.');
  await more('Pull quote');
  await expect(pageOf(page).locator('blockquote footer')).toHaveText('Mira Holloway');
  await expect(pageOf(page).locator('aside[data-pull]')).toHaveText('It never lies.');
  await expect(pageOf(page).locator('aside:not([data-pull])')).toHaveText('Mind the edge.');

  await page.getByRole('radio', { name: 'Markdown' }).click();
  const markdown = page.getByRole('textbox', { name: 'The post as Markdown' });
  await expect(markdown).toContainText('<q>It never lies.</q>');
  await expect(markdown).toContainText('> — Mira Holloway');
  await page.getByRole('radio', { name: 'Reader’s view' }).click();
  await expect(
    page.frameLocator('iframe[title^="The post on"]').locator('figure figcaption').filter({ hasText: 'Mira Holloway' }),
  ).toBeVisible();
  await saved(page);
});

test('words on the page are found and replaced, one step of undo each', async ({ page }) => {
  await bring(page, 'chair-caning.md');
  await step(page, 'Write');
  await pageOf(page).click();
  const before = await pageOf(page).innerText();
  await page.keyboard.press('Alt+r');
  const bar = page.getByRole('form', { name: 'Find and replace' });
  await bar.getByLabel('Find', { exact: true }).fill('seat');
  await bar.getByLabel('Whole words').check();
  await expect(bar.getByRole('status').first()).toContainText(/^1 of \d+$/);
  await expect(pageOf(page).locator('.hit').first()).toBeVisible();
  await bar.getByLabel('Replace with').fill('chair bottom');
  await bar.getByRole('button', { name: 'All' }).click();
  await expect(bar).toContainText('replaced.');
  await expect(pageOf(page)).toContainText('chair bottom');
  await page.keyboard.press('Escape');
  await expect(bar).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect.poll(() => pageOf(page).innerText()).toBe(before);
});

test('a block moves by key, and a paragraph rewritten says that its mark may no longer hold', async ({ page }) => {
  await bring(page, 'chair-caning.md');
  await step(page, 'Write');
  const paragraphs = pageOf(page).locator('> p');
  const second = (await paragraphs.nth(1).innerText()).slice(0, 30);
  await paragraphs.nth(1).click();
  await page.keyboard.press('Alt+ArrowDown');
  await expect(paragraphs.nth(2)).toContainText(second);
  await page.keyboard.press('Alt+ArrowUp');
  await expect(paragraphs.nth(1)).toContainText(second);

  await paragraphs.nth(1).click({ clickCount: 3 });
  await page.keyboard.type('The hall opens on Saturday mornings, and volunteers bring cake for everybody who comes.');
  const loose = page.getByRole('region', { name: 'Marks that may no longer hold' });
  await expect(loose).toContainText('1 paragraph no longer says');
  await expect(pageOf(page).locator('[data-loose]')).toHaveCount(1);
  await loose.getByRole('button', { name: 'Take the mark off' }).click();
  await expect(loose).toHaveCount(0);
  await expect(paragraphs.nth(1)).toHaveAttribute('data-mark', 'own');
});

test('an address pasted over words links them', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await bring(page, 'chair-caning.md');
  await step(page, 'Write');
  await pageOf(page).getByRole('heading', { name: 'What comes next' }).click();
  await page.keyboard.press('Home');
  await page.keyboard.press('Shift+End');
  await page.evaluate(() => navigator.clipboard.writeText('https://example.org/next'));
  await page.keyboard.press('Control+v');
  await expect(pageOf(page).getByRole('link', { name: 'What comes next' })).toHaveAttribute('href', 'https://example.org/next');
});

test('a paste from an office program comes in clean, with its lists and its picture', async ({ page }) => {
  await bring(page, 'chair-caning.md');
  await step(page, 'Write');
  await pageOf(page).locator('> p').first().click();
  await page.keyboard.press('End');
  await page.keyboard.press('Enter');
  const png = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==';
  await pageOf(page).evaluate((editor, png) => {
    const data = new DataTransfer();
    data.setData(
      'text/html',
      `<p class="MsoNormal"><span style="font-weight:700">Wet</span> it first.<o:p></o:p></p><p class="MsoListParagraph" style="mso-list:l0 level1 lfo1">· the stone</p><p class="MsoListParagraph" style="mso-list:l0 level1 lfo1">· the towel</p><img src="data:image/png;base64,${png}">`,
    );
    data.setData('text/plain', 'Wet it first.');
    editor.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  }, png);
  await expect(pageOf(page).locator('strong', { hasText: 'Wet' })).toBeVisible();
  await expect(pageOf(page).locator('li', { hasText: 'the stone' })).toBeVisible();
  await expect(pageOf(page).locator('img')).toHaveCount(1);
  await saved(page);
});

test('keys pressed at once on a busy page act where the caret is, not where it was', async ({ page }) => {
  await page.goto('/');
  const buffer = Buffer.from('# Keys\n\nOne two three four.\n\nFive six.\n');
  await page.getByLabel('Choose files').setInputFiles({ name: 'keys.md', mimeType: 'text/markdown', buffer });
  await page.waitForURL(/\/pieces\//);
  await pageOf(page)
    .getByText('One two')
    .click({ position: { x: 30, y: 8 } });
  await saved(page);
  await page.evaluate(() =>
    setTimeout(() => {
      for (const until = performance.now() + 300; performance.now() < until;);
    }),
  );
  // The browser tells of the moved caret only when the page has time again.
  const keys = await page.context().newCDPSession(page);
  const press = (type: 'keyDown' | 'keyUp', key: string, windowsVirtualKeyCode: number, text = '') =>
    keys.send('Input.dispatchKeyEvent', { type, key, code: key, windowsVirtualKeyCode, ...(text ? { text } : {}) });
  await Promise.all([
    press('keyDown', 'End', 35),
    press('keyUp', 'End', 35),
    press('keyDown', 'Enter', 13, '\r'),
    press('keyUp', 'Enter', 13),
  ]);
  await page.keyboard.type('On its own.');
  await expect(pageOf(page).locator('p')).toHaveText(['One two three four.', 'On its own.', 'Five six.']);
});
