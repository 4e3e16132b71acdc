import { bring, expect, pageOf, saved, step, test } from './fixtures.ts';

const account = (page: import('@playwright/test').Page) => page.getByRole('list', { name: 'What was done' });

test('one press makes a page of a talk, tells what was done, and takes the whole back', async ({ page }) => {
  await bring(page, 'knife-evening.srt');
  await page.getByRole('button', { name: 'Make a page of it' }).click();
  await expect(account(page)).toContainText('repairs taken');
  await expect(account(page)).toContainText(/sections, 1,[0-5]\d\d of 4,\d\d\d words/);
  await expect(account(page)).toContainText('As written, told');
  expect(await pageOf(page).locator('h2').count()).toBeGreaterThan(4);
  await expect(page.getByRole('textbox', { name: 'Title' })).not.toHaveValue('');
  await saved(page);

  await page.getByRole('button', { name: 'Take it all back' }).click();
  await expect(pageOf(page)).toHaveText('');
  await saved(page);
  await page.reload();
  await expect(page.getByRole('button', { name: 'Make a page of it' })).toBeVisible();
  await expect(pageOf(page)).toHaveText('');
});

test('a page is made again with other words wanted, and what was left out is brought back', async ({ page }) => {
  await bring(page, 'knife-evening.srt');
  await page.getByRole('button', { name: 'Make a page of it' }).click();
  await expect(account(page)).toContainText('sections');
  await page.getByRole('spinbutton', { name: 'Length' }).fill('600');
  await page.getByRole('button', { name: 'Make it again' }).click();
  await expect(account(page)).toContainText(/sections, [56]\d\d of 4,\d\d\d words/);
  const out = page.getByRole('list', { name: 'Left out' });
  await page.getByRole('listitem').filter({ hasText: 'left out' }).getByRole('button', { name: 'show' }).click();
  const first = out.getByRole('listitem').filter({ hasText: 'Least needed' }).first();
  const said = (await first.locator('.said').evaluate((e) => e.firstChild!.textContent!)).split(' ').slice(-4).join(' ');
  await first.getByRole('button', { name: 'bring back' }).click();
  await expect(pageOf(page)).toContainText(said.replace(/[.?!]$/, ''));
  await saved(page);
});

test('figures and names are held against what was said, and key points are put before the sections', async ({ page }) => {
  await bring(page, 'knife-evening.srt');
  await page.getByRole('button', { name: 'Make a page of it' }).click();
  const wants = page.getByRole('listitem').filter({ hasText: 'figures and names to confirm' });
  await wants.getByRole('button', { name: 'show' }).click();
  const facts = page.getByRole('list', { name: 'To confirm' });
  const before = await facts.getByRole('listitem').count();
  await facts.getByRole('button', { name: 'confirm' }).first().click();
  await expect(facts.getByRole('listitem')).toHaveCount(before - 1);
  await page.getByRole('button', { name: 'Add key points' }).click();
  await expect(pageOf(page).getByRole('heading', { name: 'Key points' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Add key points' })).toHaveCount(0);
  await page.getByRole('group', { name: 'Titles for this page' }).getByRole('button').nth(1).click();
  await expect(page.getByRole('textbox', { name: 'Title' })).not.toHaveValue('Knife evening');
  await facts.getByRole('button', { name: 'show' }).first().click();
  await expect(
    page
      .getByRole('tab', { name: 'Tidy' })
      .or(page.getByRole('button', { name: 'Tidy' }))
      .first(),
  ).toBeVisible();
  await saved(page);
});

test('a sentence is put back as it was said, another one put in, and all told in another person', async ({ page }) => {
  await bring(page, 'knife-evening.srt');
  await step(page, 'Tidy');
  await page.getByRole('radio', { name: 'as written' }).click();
  const words = page.getByRole('group', { name: 'Words as written' });
  const changed = words.locator('.sentence').filter({ has: page.getByRole('button', { name: 'as said' }) });
  const one = changed.first();
  await one.hover();
  const said = await one.locator('.was i').textContent();
  await one.getByRole('button', { name: 'as said' }).click();
  await expect(words.locator('.sentence').filter({ has: page.getByRole('button', { name: 'as written' }) })).toContainText(said!);
  await words.getByRole('button', { name: 'put in' }).first().click();
  await expect(words.getByRole('button', { name: 'as written' })).toHaveCount(2);
  const told = page.getByRole('group', { name: 'Told to or by' });
  await told.getByRole('button', { name: 'all as said' }).click();
  await expect(words.getByRole('button', { name: 'as said', exact: true })).toHaveCount(0);
  await told.getByRole('button', { name: 'you' }).click();
  await expect(words.getByRole('button', { name: 'as said', exact: true }).first()).toBeVisible();
  await saved(page);
  await page.reload();
  await page.getByRole('radio', { name: 'as written' }).click();
  await expect(told.getByRole('button', { name: 'you' })).toHaveAttribute('aria-pressed', 'true');
});

test('a paragraph made from talk is turned to what was said and back, until its words are changed by hand', async ({ page }) => {
  await bring(page, 'knife-evening.srt');
  await page.getByRole('button', { name: 'Make a page of it' }).click();
  await expect(account(page)).toContainText('sections');
  const paragraphs = pageOf(page).locator('p');
  const turn = async (n: number) => {
    await paragraphs.nth(n).click();
    await page.getByRole('button', { name: 'More' }).click();
    await page.getByRole('menuitem', { name: 'as said, as written' }).click();
  };
  const texts = await paragraphs.allTextContents();
  let turned = -1;
  for (let n = 0; n < texts.length && turned < 0; n++) {
    await turn(n);
    await page.waitForTimeout(400);
    if ((await paragraphs.nth(n).textContent()) !== texts[n]) turned = n;
  }
  expect(turned).toBeGreaterThanOrEqual(0);
  await turn(turned);
  await expect(paragraphs.nth(turned)).toHaveText(texts[turned]!);
  await paragraphs.nth(turned).click();
  await page.keyboard.press('End');
  await page.keyboard.type(' By hand.');
  const own = (await paragraphs.nth(turned).textContent())!;
  await turn(turned);
  await page.waitForTimeout(400);
  await expect(paragraphs.nth(turned)).toHaveText(own);
});

test('a page made of a conversation names who speaks, in the way House style says', async ({ page }) => {
  const turns = [
    ['Ada', 'How long does a wick last when the lamp burns every evening of the winter?'],
    ['Bo', 'A cotton wick lasts a winter when the oil is clean. Trim it straight across every Friday and it lasts two of them.'],
    ['Ada', 'What do you trim it with, when the scissors in the drawer are blunt?'],
    ['Bo', 'Old scissors are good enough, since the char blunts good ones within a week. A knife tears the threads and the flame smokes.'],
  ];
  const file = { name: 'wicks.txt', mimeType: 'text/plain', buffer: Buffer.from(turns.map((t) => t.join(': ')).join('\n\n')) };
  await page.goto('/house');
  const style = page.getByRole('group', { name: 'Several voices' });
  await expect(style.getByRole('radio', { name: 'A name in bold where the voice changes' })).toBeChecked();
  await page.goto('/');
  await page.getByLabel('Choose files').setInputFiles(file);
  await page.waitForURL(/\/pieces\//);
  await page.getByRole('button', { name: 'Make a page of it' }).click();
  await expect(pageOf(page).locator('strong', { hasText: 'Bo:' })).toHaveCount(2);
  await saved(page);
});
