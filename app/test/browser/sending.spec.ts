import { startOutlet } from '../server/outlet-double.ts';
import { bring, expect, saved, step, test } from './fixtures.ts';

test('a post of which nobody knows is asked about, and stands there once', async ({ page, house }) => {
  const outlet = await startOutlet();
  outlet.lists = false;
  outlet.answersWith((answer) => void answer.writeHead(201).end());
  await house.server.call('/outlets', { method: 'POST', body: { name: 'Quiet press', endpoint: outlet.address, token: 't' } });
  await bring(page, 'mending-log.md');
  await saved(page);
  await step(page, 'Send');
  const row = page.locator('.outlet', { hasText: 'Quiet press' });
  await row.getByRole('button', { name: 'Publish' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Publish' }).click();
  await expect(page.getByRole('alert')).toContainText('Quiet press may have the post');
  // While a slow outlet has its time, nothing is sent.
  await row.getByRole('button', { name: 'Publish' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Publish' }).click();
  await expect(page.getByRole('alert')).toContainText('Nothing is sent twice: try again in');
  expect(outlet.posts).toHaveLength(1);
  await page.waitForTimeout(5500);
  await row.getByRole('button', { name: 'Publish' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Publish' }).click();
  const asks = page.getByRole('dialog', { name: /on Quiet press already\?$/ });
  await expect(asks).toContainText('cannot be asked what it has');
  await asks.getByLabel('If it is there, its address').fill(outlet.posts[0]!.url);
  outlet.answersWith((answer, url) => void answer.writeHead(201, { location: url }).end());
  await asks.getByRole('button', { name: 'It is there', exact: true }).click();
  await expect(row.getByRole('link')).toHaveAttribute('href', outlet.posts[0]!.url);
  expect(outlet.posts).toHaveLength(1);
  outlet.stop();
});
