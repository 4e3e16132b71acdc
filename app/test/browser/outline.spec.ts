import type { Page } from '@playwright/test';
import { bring, expect, pageOf, saved, step, test } from './fixtures.ts';

const tree = (page: Page) => page.getByRole('tree', { name: 'Outline of the page' });
const rows = (page: Page) => tree(page).getByRole('treeitem');
const headings = (page: Page) => pageOf(page).getByRole('heading').allTextContents();
const spine = (page: Page) => page.getByRole('complementary', { name: /^Spine/ });

/** The names in the tree, the spine and on the page are the same, in the same order. */
async function inStep(page: Page) {
  await expect
    .poll(async () => {
      const said = (await headings(page)).filter(Boolean);
      const inTree = (await rows(page).locator('b').allTextContents()).filter((name) => name !== 'Introduction');
      const level2 = await pageOf(page).getByRole('heading', { level: 2 }).allTextContents();
      const onSpine = await spine(page)
        .getByRole('button', { name: /^Section/ })
        .count();
      const lead = (await rows(page).locator('b').allTextContents()).includes('Introduction') ? 1 : 0;
      return inTree.join('|') === said.join('|') && onSpine === level2.length + lead;
    })
    .toBe(true);
}

test.describe('the outline of the page', () => {
  test('stays in step with page, spine and undo while it is moved, set in, renamed, split, joined and removed', async ({ page }) => {
    await bring(page, 'chair-caning.md');
    await step(page, 'Shape');
    await inStep(page);
    const start = await headings(page);

    const second = rows(page).filter({ hasText: start[1]! });
    await second.focus();
    await page.keyboard.press('Alt+Shift+ArrowUp');
    await inStep(page);
    expect((await headings(page)).slice(0, 2)).toEqual([start[1], start[0]]);

    await rows(page).filter({ hasText: start[0]! }).focus();
    await page.keyboard.press('Alt+Shift+ArrowRight');
    await expect(pageOf(page).getByRole('heading', { level: 3, name: start[0]! })).toBeVisible();
    await inStep(page);

    await page.keyboard.press('F2');
    await page.getByRole('textbox', { name: 'Heading', exact: true }).fill('Before the first strand');
    await page.keyboard.press('Enter');
    await expect(pageOf(page).getByRole('heading', { name: 'Before the first strand' })).toBeVisible();
    await inStep(page);

    // Undo takes each back, one at a time; redo brings them again.
    await pageOf(page).focus();
    for (let n = 0; n < 3; n++) await page.keyboard.press('Control+z');
    await expect.poll(() => headings(page)).toEqual(start);
    await inStep(page);
    for (let n = 0; n < 3; n++) await page.keyboard.press('Control+y');
    await inStep(page);
    expect(await headings(page)).toContain('Before the first strand');
    for (let n = 0; n < 3; n++) await page.keyboard.press('Control+z');

    const name = start[0]!;
    await rows(page).filter({ hasText: name }).getByRole('button').first().click();
    await page.getByRole('button', { name: 'Split' }).click();
    await page.getByRole('textbox', { name: 'Heading', exact: true }).fill('And then');
    await page.keyboard.press('Enter');
    await expect(pageOf(page).getByRole('heading', { name: 'And then' })).toBeVisible();
    await inStep(page);
    await rows(page).filter({ hasText: 'And then' }).focus();
    await page.keyboard.press('Delete');
    await expect(pageOf(page).getByRole('heading', { name: 'And then' })).toHaveCount(0);
    await expect(pageOf(page).getByRole('heading', { name })).toBeVisible();
    await inStep(page);
    await pageOf(page).focus();
    await page.keyboard.press('Control+z');
    await expect(pageOf(page).getByRole('heading', { name: 'And then' })).toBeVisible();
    await inStep(page);
  });

  test('keeps a note and a length wanted for each section, through a reload', async ({ page }) => {
    await bring(page, 'chair-caning.md');
    await step(page, 'Shape');
    await rows(page).nth(1).getByRole('button').first().click();
    await page.getByRole('textbox', { name: 'Note' }).fill('ask Odile for the sizes');
    await page.getByRole('spinbutton', { name: 'Words wanted' }).fill('200');
    await page.keyboard.press('Tab');
    await expect(rows(page).nth(1)).toHaveAccessibleName(/ of 200$/);
    await saved(page);
    await expect(async () => {
      await page.reload();
      await expect(tree(page).getByText('ask Odile for the sizes')).toBeVisible({ timeout: 2000 });
    }).toPass();
  });

  test('takes a section dragged to another place', async ({ page }) => {
    await bring(page, 'chair-caning.md');
    await step(page, 'Shape');
    const before = await headings(page);
    const row = (name: string) => rows(page).filter({ hasText: name });
    await row(before[2]!).hover();
    await row(before[2]!).locator('.grip').dragTo(row(before[0]!));
    await inStep(page);
    expect((await headings(page))[0]).toBe(before[2]);
  });

  test('lets passages feed a section by number and by drag, and leaves out what is not wanted', async ({ page }) => {
    await bring(page, 'knife-evening.srt');
    await step(page, 'Shape');
    await page.getByRole('button', { name: 'Write onto the page' }).click();
    // The last section goes; what fed it is not used any more.
    await rows(page).last().focus();
    await page.keyboard.press('Delete');
    const passages = page.getByRole('listbox', { name: 'Passages not used yet' }).getByRole('option');
    await expect(passages.first()).toBeVisible();
    const text = (await passages.first().locator('span').nth(1).textContent())!;
    const paragraph = pageOf(page).getByText(text.slice(0, 40));
    await expect(paragraph).toHaveCount(0);
    await passages.first().focus();
    await page.keyboard.press('1');
    await expect(paragraph).toHaveCount(1);
    await pageOf(page).focus();
    await page.keyboard.press('Control+z');
    await expect(paragraph).toHaveCount(0);
    await passages.first().dragTo(spine(page).getByRole('button').first());
    await expect(paragraph).toHaveCount(1);
    await pageOf(page).focus();
    await page.keyboard.press('Control+z');
    await passages.first().click();
    await page.getByRole('button', { name: 'Leave out' }).click();
    await page.getByRole('radio', { name: /Left out/ }).click();
    await expect(page.getByText('Left out by the writer')).toBeVisible();
    await page.locator('.psg').filter({ hasText: 'Left out by the writer' }).getByRole('button').click();
    await expect(page.getByText('Left out by the writer')).toHaveCount(0);
  });

  test('takes a second outline, new headings only, and files a pasted draft', async ({ page }) => {
    await bring(page, 'chair-caning.md');
    await step(page, 'Shape');
    const before = await headings(page);
    await page.getByRole('button', { name: 'Bring in an outline or a draft' }).click();
    const field = page.getByRole('textbox', { name: 'Paste an outline or a draft' });
    await field.fill(`- ${before[0]}\n- Choosing a colour\n- ${before[1]}`);
    await field.blur();
    await expect(page.getByText('is there')).toHaveCount(2);
    await page.getByRole('button', { name: 'Add 1 heading' }).click();
    await expect.poll(async () => (await headings(page)).indexOf('Choosing a colour')).toBeGreaterThan(0);
    expect((await headings(page)).filter((h) => h !== 'Choosing a colour')).toEqual(before);
    await inStep(page);

    await page.getByRole('button', { name: 'Bring in an outline or a draft' }).click();
    await page
      .getByRole('textbox', { name: 'Paste an outline or a draft' })
      .fill(
        '## Choosing a colour\n\nA dark cane hides the dust, and a light one shows the pattern better from across the room.\n\n## Invoices\n\nThey are sent in March, by hand, to everybody who had a chair done in the winter.',
      );
    await page.getByRole('textbox', { name: 'Paste an outline or a draft' }).blur();
    await expect(page.getByRole('combobox', { name: 'Where “Invoices” goes' })).toHaveValue('nowhere');
    await page.getByRole('button', { name: 'File 1 part' }).click();
    await expect(pageOf(page).getByText('A dark cane hides the dust')).toBeVisible();
    await expect(pageOf(page).getByText('sent in March')).toHaveCount(0);
    await pageOf(page).focus();
    await page.keyboard.press('Control+z');
    await expect(pageOf(page).getByText('A dark cane hides the dust')).toHaveCount(0);
  });
});

test('a version is named, compared on the page, and brought back whole or one section at a time', async ({ page }) => {
  await bring(page, 'chair-caning.md');
  const first = pageOf(page).getByRole('paragraph').first();
  const was = (await first.textContent())!;
  await first.click();
  await page.keyboard.press('End');
  await page.keyboard.type(' Zebra crossing.');
  await saved(page);
  await expect(pageOf(page)).toContainText('Zebra crossing.');
  await step(page, 'Write');
  const versions = page.getByRole('list', { name: /^Versions/ }).getByRole('listitem');
  await expect(async () => {
    await page.getByRole('radio', { name: 'The material' }).click();
    await page.getByRole('radio', { name: 'Versions' }).click();
    await expect(versions).toHaveCount(3, { timeout: 1000 });
  }).toPass();
  await versions
    .filter({ hasText: /version 2/ })
    .getByRole('button', { name: 'Name it' })
    .click();
  await page.getByRole('textbox', { name: /^Name of version/ }).fill('As Odile sent it');
  await page.keyboard.press('Enter');
  await versions
    .filter({ hasText: /version 2/ })
    .getByRole('button', { name: /As Odile sent it/ })
    .click();
  const changes = page.getByRole('region', { name: 'What changed' });
  await expect(changes.locator('ins')).toHaveText([/Zebra/, /crossing\./]);
  await expect(page.getByText('2 words put in, 0 words taken out')).toBeVisible();
  await changes.getByRole('button', { name: 'Bring this section back' }).first().click();
  await expect(changes.locator('ins')).toHaveCount(0);
  await page.getByRole('button', { name: 'Back to the page' }).click();
  await expect(first).toHaveText(was);
  await pageOf(page).focus();
  await page.keyboard.press('Control+z');
  await expect(pageOf(page)).toContainText('Zebra crossing.');
  await versions
    .filter({ hasText: /version 2/ })
    .getByRole('button', { name: /As Odile sent it/ })
    .click();
  await page.getByRole('button', { name: 'Bring this version back' }).click();
  await expect(first).toHaveText(was);
});
