import { expect, pageOf, saved, step, test } from './fixtures.ts';

test.use({ viewport: { width: 390, height: 800 }, quietly: false });

test('an idea typed without a network arrives, becomes a piece, and shows as written when it is published', async ({ page, context }) => {
  await page.goto('/ideas');
  await context.setOffline(true);
  await page.getByLabel('A new idea').fill('Why every lamp flex frays at the plug');
  await page.keyboard.press('Enter');
  await expect(page.getByText('waits for the network')).toBeVisible();
  await expect(page.getByText('kept here, 1 waits')).toBeVisible();
  // The window may be closed meanwhile.
  await context.setOffline(false);
  await page.goto('about:blank');
  await page.goto('/ideas');
  await expect(page.getByText('Why every lamp flex frays at the plug')).toBeVisible();
  await expect(page.getByText('waits for the network')).toHaveCount(0);

  // Notes and a day go with it; it is there on another machine, which is this one without what it kept.
  await page.getByRole('button', { name: /Why every lamp flex/ }).click();
  await page.getByLabel('Notes').fill('The plug bends it. Ask Wilf about the sleeve.');
  await page.getByLabel('Wished for', { exact: true }).fill('2027-01-15');
  await page.getByLabel('Wished for', { exact: true }).blur();
  await expect(page.getByText('for 15 Jan 2027')).toBeVisible();
  await expect(page.getByText('kept here')).toHaveCount(0);

  const idea = page.getByRole('listitem').filter({ hasText: 'Why every lamp flex' });
  await idea.getByRole('button', { name: 'Start' }).click();
  await page.waitForURL(/\/pieces\//);
  await expect(page.getByText('Notes to the idea.txt').first()).toBeVisible();
  // Written at a desk.
  await page.setViewportSize({ width: 1280, height: 800 });
  await pageOf(page).click();
  await page.keyboard.type('A flex frays where it bends most.');
  await saved(page);
  await step(page, 'Send');
  await page.getByRole('button', { name: 'Publish', exact: true }).first().click();
  await page.getByRole('dialog').getByRole('button', { name: 'Publish', exact: true }).click();
  await expect(page.getByText('Published on Hall blog.')).toBeVisible();
  await saved(page);
  await page.goto('/ideas');
  await expect(page.getByText(/^written, out since/)).toBeVisible();
  await page.getByRole('link', { name: 'Open' }).click();
  await page.waitForURL(/\/pieces\//);
});

test('ten ideas for a subject and five titles for an idea stand beside what is written already, and are kept by one press', async ({
  page,
  house,
}) => {
  const { startDrafter } = await import('../running-server.ts');
  const drafter = await startDrafter();
  const { id } = (await (
    await house.server.call('/drafters', { method: 'POST', body: { name: 'Bench', form: 'own', address: drafter.address } })
  ).json()) as { id: string };
  await house.server.call(`/ideas/${crypto.randomUUID()}`, { method: 'PUT', body: { line: 'First steps in caning chairs' } });
  await page.goto('/ideas');
  await page.getByRole('button', { name: 'Ten ideas for a subject' }).click();
  await page.getByLabel('A subject').fill('caning chairs');
  await page.keyboard.press('Enter');
  const proposed = page.getByRole('region', { name: 'Ideas for caning chairs' });
  await expect(proposed.getByRole('button', { name: 'Keep' })).toHaveCount(10);
  await expect(proposed.getByText('First steps in caning chairs', { exact: true })).toHaveCount(0);
  await expect(proposed.getByText(/near “First steps in caning chairs”/).first()).toBeVisible();
  await proposed.getByRole('button', { name: 'Keep' }).first().click();
  await expect(proposed.getByText('kept')).toBeVisible();
  await expect(page.getByRole('button', { name: /How to begin with caning chairs/ })).toBeVisible();
  await page.getByRole('button', { name: /How to begin with caning chairs/ }).click();
  await page.getByRole('button', { name: 'Five titles' }).click();
  const titles = page.getByRole('region', { name: /^Titles for/ });
  await expect(titles.getByRole('button', { name: 'Use' })).toHaveCount(5);
  await expect(titles.getByText(/\d+ letters, holds “caning chairs”/).first()).toBeVisible();
  await titles.getByRole('button', { name: 'Use' }).last().click();
  await page.reload();
  await expect(page.getByRole('button', { name: /How to begin with caning chairs/ })).toHaveCount(0);
  await house.server.call(`/drafters/${id}`, { method: 'DELETE' });
  drafter.stop();
});
