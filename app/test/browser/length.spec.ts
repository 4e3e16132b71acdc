import { bring, expect, pageOf, saved, step, test } from './fixtures.ts';

test('a post is condensed to the words wanted, and filled again from the material', async ({ page }) => {
  await bring(page, 'knife-evening.srt');
  await step(page, 'Shape');
  await page.getByRole('button', { name: 'Write onto the page' }).click();
  const length = page.getByRole('region', { name: 'Length' });
  const wanted = length.getByRole('spinbutton', { name: 'Length wanted, in words' });
  await wanted.fill('3500');
  await wanted.blur();
  await length.getByRole('button', { name: /^Condense by/ }).click();
  // One sentence is kept, the others go in one step.
  const first = length.getByRole('checkbox').first();
  await first.uncheck();
  const kept = await length.locator('li label').first().innerText();
  const before = await pageOf(page).innerText();
  await length.getByRole('button', { name: /^Take out/ }).click();
  await expect.poll(async () => (await pageOf(page).innerText()).length).toBeLessThan(before.length - 1000);
  await expect(pageOf(page)).toContainText(kept);
  await saved(page);
  await page.reload();
  await expect(wanted).toHaveValue('3500');

  // A section that lost a paragraph gets it back.
  await pageOf(page).locator('> p').nth(6).click({ clickCount: 3 });
  await page.keyboard.press('Delete');
  await wanted.fill('3900');
  await wanted.blur();
  await length.getByRole('button', { name: 'Fill from the material' }).click();
  await expect(length.getByRole('checkbox').first()).toBeChecked();
  const brought = (await length.locator('li label').first().innerText()).slice(0, 40);
  await length.getByRole('button', { name: /^Bring in/ }).click();
  await expect(pageOf(page)).toContainText(brought);
});

test('the same matter in two places is shown side by side and joined', async ({ page }) => {
  await bring(page, 'chair-caning.md');
  await step(page, 'Shape');
  const soak = pageOf(page).getByText('Soak one coil of cane in warm water');
  await expect(page.getByText('The same matter stands in two places')).toHaveCount(0);
  const words = await soak.innerText();
  await pageOf(page).locator('> p').nth(6).click();
  await page.keyboard.press('End');
  await page.keyboard.press('Enter');
  await page.keyboard.insertText(words);
  await page.getByRole('button', { name: /^The same matter stands in two places/ }).click();
  await expect(page.getByText('Keep both')).toBeVisible();
  await page.getByRole('button', { name: 'Join', exact: true }).click();
  await expect(page.getByText('The same matter stands in two places')).toHaveCount(1);
  // They stand one behind the other now, where a writer sees what to take out.
  const texts = await pageOf(page).locator('> p').allInnerTexts();
  const at = texts.findIndex((t) => t === words);
  expect(texts[at + 1]).toContain(words);
});
