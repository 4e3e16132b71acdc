import type { Page } from '@playwright/test';
import { bring, drop, expect, MATERIAL, pageOf, saved, step, test } from './fixtures.ts';

const html = (page: Page) =>
  pageOf(page).evaluate((el) => el.innerHTML.replace(/ (?:data-[a-z]+|class|contenteditable|draggable)="[^"]*"/g, '').replace(/<br>/g, ''));

async function empty(page: Page) {
  await page.goto('/');
  await page.getByRole('button', { name: 'Start empty' }).click();
  await page.waitForURL(/\/pieces\//);
  await pageOf(page).click();
}

test.describe('the page', () => {
  test('takes Markdown as it is typed', async ({ page }) => {
    await empty(page);
    for (const line of ['## A heading', '- one', 'two', '', '1. first', '', '> quoted', '', '', 'with **bold**, *italic* and `code`']) {
      await page.keyboard.type(line);
      await page.keyboard.press('Enter');
    }
    const made = await html(page);
    expect(made).toContain(
      '<h2>A heading</h2><ul><li><p>one</p></li><li><p>two</p></li></ul><ol><li><p>first</p></li></ol><blockquote><p>quoted</p></blockquote>',
    );
    expect(made).toContain('<strong>bold</strong>, <em>italic</em> and <code>code</code>');
  });

  test('has tools for what Markdown does, and undo for all of it', async ({ page }) => {
    await empty(page);
    await page.keyboard.type('Words');
    const tool = (name: string) => page.getByRole('toolbar').getByRole('button', { name, exact: true });
    await tool('Heading').click();
    await expect(pageOf(page).getByRole('heading', { level: 2 })).toHaveText('Words');
    await tool('Heading').click();
    await tool('Bulleted list').click();
    await expect(pageOf(page).locator('ul li')).toHaveText('Words');
    await tool('Bulleted list').click();
    await page.keyboard.press('Control+a');
    await tool('Bold').click();
    await expect(pageOf(page).locator('strong')).toHaveText('Words');
    await tool('More').click();
    await page.getByRole('menuitem', { name: /^Quotation/ }).click();
    await expect(pageOf(page).locator('blockquote')).toHaveText('Words');
    await page.keyboard.press('Control+z');
    await expect(pageOf(page).locator('blockquote')).toHaveCount(0);
    await page.keyboard.press('Control+Shift+z');
    await expect(pageOf(page).locator('blockquote')).toHaveCount(1);
  });

  test('puts links in and takes them out, and only such as lead somewhere', async ({ page }) => {
    await empty(page);
    await page.keyboard.type('See the stones');
    await page.keyboard.press('Control+Shift+ArrowLeft');
    await page.keyboard.press('Control+k');
    await page.getByLabel('Where does it lead?').fill('javascript:alert(1)');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('alert')).toContainText('web address');
    await page.getByLabel('Where does it lead?').fill('larkfield.example/stones');
    await page.keyboard.press('Enter');
    await expect(pageOf(page).getByRole('link', { name: 'stones' })).toHaveAttribute('href', 'https://larkfield.example/stones');
    await page.keyboard.press('Control+k');
    await page.getByRole('button', { name: 'Take the link out' }).click();
    await expect(pageOf(page).getByRole('link')).toHaveCount(0);
  });

  test('takes a rich paste without its junk, and runs none of it', async ({ page }) => {
    await empty(page);
    await pageOf(page).evaluate((el) => {
      const data = new DataTransfer();
      data.setData(
        'text/html',
        '<meta charset=utf-8><style>p{color:red}</style><h2 style="mso-x:1" class="MsoHeading">Title</h2><p class=MsoNormal style="margin:0"><b>Bold</b> <span style="font:9pt Calibri">words</span><img src=x onerror="window.ran=1"></p><script>window.ran=1</script><ul><li>one</li></ul>',
      );
      el.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
    });
    await expect.poll(() => html(page)).toContain('<h2>Title</h2><p><strong>Bold</strong> words</p><ul><li><p>one</p></li></ul>');
    expect(await page.evaluate(() => (window as { ran?: number }).ran)).toBeUndefined();
  });

  test('takes pasted Markdown with its structure', async ({ page }) => {
    await empty(page);
    await pageOf(page).evaluate((el) => {
      const data = new DataTransfer();
      data.setData('text/plain', '## Stones\n\nKeep them **wet**.\n\n- one\n- two');
      el.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
    });
    await expect.poll(() => html(page)).toContain('<h2>Stones</h2><p>Keep them <strong>wet</strong>.</p><ul>');
  });

  test('takes pasted Markdown as plain words while Shift is held', async ({ page }) => {
    await empty(page);
    await pageOf(page).click();
    await page.keyboard.down('Shift');
    await pageOf(page).evaluate((el) => {
      const data = new DataTransfer();
      data.setData('text/plain', '## Stones\n\nKeep them **wet**.');
      el.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
    });
    await page.keyboard.up('Shift');
    await expect.poll(() => html(page)).toContain('<p>## Stones</p><p>Keep them **wet**.</p>');
  });

  test('takes a picture dropped onto it', async ({ page }) => {
    await bring(page, 'chair-caning.md');
    await drop(page, '.ProseMirror p:nth-of-type(2)', 'pegs-and-a-coil-of-cane.png', 'image/png');
    await expect(pageOf(page).locator('img')).toBeVisible();
    await expect(page.getByLabel('Says')).toBeVisible();
  });

  test('can be seen as readers will, at three widths', async ({ page }) => {
    await bring(page, 'mending-log.md');
    await page.getByRole('radio', { name: 'Reader’s view' }).click();
    const frame = page.frameLocator('iframe[title^="The post on a screen"]');
    await expect(frame.getByRole('heading', { level: 1 })).toContainText('mending log');
    for (const [name, width] of [
      ['Phone', 390],
      ['Tablet', 768],
      ['Desktop', 1200],
    ] as const) {
      await page.getByRole('radio', { name }).click();
      await expect.poll(() => frame.locator('html').evaluate((html) => html.clientWidth)).toBe(width);
    }
  });
});

test.describe('the spine and the outline', () => {
  test('go to a section, and move it', async ({ page }) => {
    await bring(page, 'chair-caning.md');
    await step(page, 'Shape');
    const spine = page.getByRole('complementary', { name: /^Spine/ });
    await spine.getByRole('button', { name: /Section 4/ }).click();
    await expect(pageOf(page).getByRole('heading', { name: 'Step three: front to back again' })).toBeInViewport();
    const before = await pageOf(page).getByRole('heading', { level: 2 }).allTextContents();
    await page.getByRole('treeitem', { name: /^Before you begin/ }).focus();
    await page.keyboard.press('Alt+Shift+ArrowDown');
    const after = await pageOf(page).getByRole('heading', { level: 2 }).allTextContents();
    expect(after.slice(0, 2)).toEqual([before[1], before[0]]);
    await expect(spine.getByRole('button').nth(1)).toHaveAccessibleName(new RegExp(before[1]!));
  });

  test('let a segment be dragged to another place', async ({ page }) => {
    await bring(page, 'chair-caning.md');
    const spine = page.getByRole('complementary', { name: /^Spine/ });
    const names = () => pageOf(page).getByRole('heading', { level: 2 }).allTextContents();
    const before = await names();
    const from = (await spine.getByRole('button').nth(1).boundingBox())!;
    const to = (await spine.getByRole('button').nth(2).boundingBox())!;
    await page.mouse.move(from.x + 36, from.y + 20);
    await page.mouse.down();
    const past = to.y + to.height / 2 - (from.y + from.height / 2) + 8;
    await page.mouse.move(from.x + 36, from.y + 20 + past, { steps: 8 });
    await page.mouse.up();
    expect((await names()).slice(0, 2)).toEqual([before[1], before[0]]);
  });

  test('propose another cut without touching the page until it is taken', async ({ page }) => {
    await bring(page, 'rewiring-a-lamp.vtt');
    await step(page, 'Shape');
    await page.getByRole('button', { name: 'Write onto the page' }).click();
    const headings = pageOf(page).getByRole('heading', { level: 2 });
    const before = await headings.count();
    await page.getByRole('slider').focus();
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowRight');
    await expect(page.getByRole('button', { name: 'Keep the page' })).toBeVisible();
    await expect(headings).toHaveCount(before);
    const proposed = page.getByRole('list', { name: 'Proposed sections' }).getByRole('listitem');
    await page.waitForTimeout(1500);
    // A close without a heading ends the last section.
    const wanted = (await proposed.count()) - (await proposed.filter({ has: page.getByText('Close', { exact: true }) }).count());
    await page.getByRole('button', { name: 'Replace the page' }).click();
    await expect(page.getByRole('tree', { name: 'Outline of the page' }).getByRole('treeitem')).toHaveCount(wanted);
    await pageOf(page).focus();
    await page.keyboard.press('Control+z');
    await expect(headings).toHaveCount(before);
  });

  test('offer another heading, and parts made of the page, one click each and one undo', async ({ page }) => {
    await bring(page, 'knife-evening.srt');
    await step(page, 'Shape');
    const proposed = page.getByRole('list', { name: 'Proposed sections' }).getByRole('listitem');
    const first = await proposed.nth(1).locator('b').textContent();
    await page.getByRole('button', { name: `Another heading for “${first}”` }).click();
    await expect(proposed.nth(1).locator('b')).not.toHaveText(first!);
    const chosen = await proposed.nth(1).locator('b').textContent();
    await page.getByRole('button', { name: 'Write onto the page' }).click();
    const headings = pageOf(page).getByRole('heading', { level: 2 });
    await expect(headings.first()).toHaveText(chosen!);
    const before = await headings.count();
    await page.getByRole('button', { name: 'Questions and answers' }).click();
    await expect(headings).toHaveCount(before + 1);
    expect(await pageOf(page).getByRole('heading', { level: 3 }).count()).toBeGreaterThan(4);
    await page.getByRole('button', { name: 'Key points' }).click();
    await expect(headings.first()).toHaveText('Key points');
    await expect(page.getByRole('button', { name: 'Key points anew' })).toBeVisible();
    await pageOf(page).focus();
    await page.keyboard.press('Control+z');
    await expect(headings).toHaveCount(before + 1);
  });
});

test.describe('Tidy', () => {
  test('can be walked with the keyboard, repair by repair', async ({ page }) => {
    await bring(page, 'rewiring-a-lamp.vtt');
    await page.keyboard.press('Alt+2');
    await page.getByRole('radio', { name: /^Fillers/ }).click();
    const words = page.getByRole('group', { name: /^Words with repairs/ });
    await words.focus();
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    await expect(words.getByRole('button', { pressed: true })).toHaveCount(1);
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    await expect(words.getByRole('button', { pressed: true })).toHaveCount(2);
    await saved(page);
    await page.reload();
    await page.getByRole('radio', { name: /^Fillers/ }).click();
    await expect(page.getByRole('button', { name: 'Put back 2' })).toBeVisible();
  });

  test('leaves the material as it came', async ({ page }) => {
    await bring(page, 'draught-proofing.txt');
    await step(page, 'Tidy');
    await page.getByRole('button', { name: /^Take all/ }).click();
    await step(page, 'Gather');
    await expect(page.getByRole('list', { name: /^Passages/ })).toContainText('the the lower one');
  });
});

test.describe('Gather', () => {
  test('adds a second source by paste, and the page stays', async ({ page }) => {
    await bring(page, 'mending-log.md');
    const before = await html(page);
    await page.getByRole('button', { name: 'Paste' }).click();
    await page.getByLabel('The words').fill('Two more lamps came in March.');
    await page.getByRole('button', { name: 'Add these words' }).click();
    await expect(page.getByRole('button', { name: 'Pasted words' })).toHaveAttribute('aria-pressed', 'true');
    expect(await html(page)).toBe(before);
  });

  test('says what is wrong with a file and keeps what is there', async ({ page }) => {
    await bring(page, 'mending-log.md');
    await page
      .getByLabel('Add material')
      .setInputFiles({ name: 'photo.jpg', mimeType: 'image/jpeg', buffer: Buffer.from([255, 216, 255, 0, 1, 2, 3, 0, 0, 7]) });
    await expect(page.getByRole('alert')).toContainText('photo.jpg: This is a picture: bring it in at Dress');
    await expect(pageOf(page)).toContainText('clipboard by the door');
  });
});

test('lamp and day are remembered', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Lamp' }).click();
  await page.reload();
  await expect(page.locator('html')).toHaveAttribute('data-mode', 'dark');
  await page.getByRole('button', { name: 'Day' }).click();
  await expect(page.locator('html')).toHaveAttribute('data-mode', 'light');
});

test('at 390 px the leaves are two sides of one sheet, and nothing sticks out', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 800 });
  await page.goto('/');
  await page.getByLabel('Choose files').setInputFiles(`${MATERIAL}chair-caning.md`);
  await page.getByRole('button', { name: 'Page', exact: true }).waitFor();
  for (const name of ['Gather', 'Tidy', 'Shape', 'Write', 'Dress', 'Proof', 'Send']) {
    await step(page, name);
    expect(await page.evaluate(() => document.documentElement.scrollWidth), name).toBeLessThanOrEqual(390);
  }
  await page.getByRole('button', { name: 'Page', exact: true }).click();
  await expect(pageOf(page)).toBeVisible();
  await page.keyboard.press('Alt+0');
  await expect(pageOf(page)).toBeHidden();
});

test('the keys are listed under "?", and the leaves fold', async ({ page }) => {
  await bring(page, 'mending-log.md');
  await page.getByRole('button', { name: /^Keys/ }).click();
  await expect(page.getByRole('dialog')).toContainText('Alt 1 to Alt 7');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Alt+[');
  await expect(page.getByRole('region', { name: 'What have I got?' })).toBeHidden();
  await page.keyboard.press('Alt+[');
  await expect(page.getByRole('region', { name: 'What have I got?' })).toBeVisible();
});

test('the Desk finds and orders pieces', async ({ page }) => {
  await bring(page, 'mending-log.md');
  await bring(page, 'autumn-mending-day.md');
  await page.goto('/');
  const first = page.getByRole('listitem').first();
  await expect(first).toContainText('Autumn mending day');
  await page.getByRole('searchbox').fill('mending log');
  await expect(first).toContainText('What the mending log');
  await page.getByRole('searchbox').fill('nothing of the kind');
  await expect(page.getByText('No piece has')).toBeVisible();
  await page.getByRole('button', { name: 'Show all' }).click();
  await page.getByRole('radio', { name: 'Title' }).click();
  await expect(async () => {
    const titles = await page.getByRole('listitem').getByRole('heading').allTextContents();
    expect(titles).toEqual([...titles].sort((a, b) => a.localeCompare(b, 'en')));
  }).toPass();
});
