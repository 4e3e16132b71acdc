import { axe, expect, LEFT, pageOf, saved, step, test } from './fixtures.ts';

const DRAFT = `# A knife that cuts

A dull knife slips.

## Feeling for the burr

Stroke one side until a burr of steel can be felt along the edge, then do the other side until it comes back.
`;

test('a draft is held against ten pages: two left out, three matters into the outline, the mark moves while typing', async ({ page }) => {
  await page.goto('/');
  await page.getByLabel('Choose files').setInputFiles({ name: 'knife.md', mimeType: 'text/markdown', buffer: Buffer.from(DRAFT) });
  await page.waitForURL(/\/pieces\//);
  await expect(pageOf(page)).toBeVisible();
  await step(page, 'Proof');
  await page.getByRole('radio', { name: 'Yardstick' }).click();
  await page.getByLabel('Which words would people look for').fill('sharpening a kitchen knife');
  await page.getByRole('button', { name: 'Hold it against what they find' }).click();
  await page.getByRole('button', { name: 'Ask the result list' }).click();
  const stand = page.getByText(/^Treats \d+ of \d+ matters/);
  await expect(stand).toBeVisible();
  await axe(page, 'a draft against its yardstick', LEFT);

  // Two more are left out on the screen of the yardstick; the figures follow.
  await page.getByRole('link', { name: '7 of 10 pages' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('sharpening a kitchen knife');
  for (const title of ['Everything about sharpening a kitchen knife', 'Sharpening a kitchen knife, as my aunt did it'])
    await page.getByRole('button', { name: `Leave out “${title}”` }).click();
  await expect(page.getByText('5 of 10 pages')).toBeVisible();
  await axe(page, 'a yardstick');
  await page.goBack();
  await step(page, 'Proof');
  await page.getByRole('radio', { name: 'Yardstick' }).click();
  await expect(page.getByRole('link', { name: '5 of 10 pages' })).toBeVisible();

  const into = page.getByRole('button', { name: 'into outline' });
  const headings = pageOf(page).locator('h2');
  const before = await headings.count();
  for (let n = 1; n <= 3; n++) {
    await into.first().click();
    await expect(headings).toHaveCount(before + n);
  }
  await expect(page.locator('.item').filter({ hasText: 'in the outline' })).toHaveCount(3);

  // What is typed moves the mark.
  const length = page.getByRole('img', { name: /^length:/ });
  const words = async () => Number(/yours ([\d,]+)/.exec((await length.getAttribute('aria-label'))!)![1]!.replace(',', ''));
  const short = await words();
  await headings.last().click();
  await page.keyboard.press('End');
  await page.keyboard.press('Enter');
  await page.keyboard.type('Wash it by hand and dry it at once.');
  await expect.poll(words).toBeGreaterThanOrEqual(short + 8);

  await page.getByRole('radio', { name: 'Figures' }).click();
  await axe(page, 'figures', LEFT);

  // A heading taken from a page is found.
  await pageOf(page).locator('p').last().click();
  await page.keyboard.press('Control+End');
  // The editor has heard of the caret by then.
  await saved(page);
  await page.keyboard.press('Enter');
  await page.keyboard.type('## Do not cut yourself');
  await page.getByRole('radio', { name: /^Findings/ }).click();
  await expect(page.locator('button.item').filter({ hasText: '“Do not cut yourself” is a heading of' })).toBeVisible();
});

test('a table of phrases is kept, sorted and filtered', async ({ page }) => {
  const csv = 'phrase,looked for\noil a hinge,90\nmend a lamp,"1,700"\ncane a chair,400\n';
  await page.goto('/yardsticks');
  await page.getByLabel('Choose a table of phrases').setInputFiles({ name: 'phrases.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
  await expect(page.getByText('3 phrases taken in.')).toBeVisible();
  await page.getByLabel('Order of the phrases').selectOption('by looked for');
  await expect(page.locator('tbody td:first-child')).toContainText(['mend a lamp', 'cane a chair', 'oil a hinge']);
  await page.getByRole('searchbox', { name: 'Find a phrase' }).fill('chair');
  await expect(page.locator('tbody tr')).toHaveCount(1);
  await page.getByLabel('Which phrases').selectOption('with a piece');
  await expect(page.getByText('No phrase fits.')).toBeVisible();
});
