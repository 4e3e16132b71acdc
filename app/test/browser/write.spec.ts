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

test('words selected are found in the material and tied to it', async ({ page }) => {
  await bring(page, 'knife-evening.srt');
  await step(page, 'Shape');
  await page.getByRole('button', { name: 'Write onto the page' }).click();
  await pageOf(page).click();
  await page.keyboard.press('Control+End');
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
