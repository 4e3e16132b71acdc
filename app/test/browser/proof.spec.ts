import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { bring, expect, MATERIAL, pageOf, saved, step, test } from './fixtures.ts';

// In words no other test has: what stands in two pieces is a finding.
const PLAIN = 'Lay the loose end under its peg at the back and draw it over to you. Turn it down there and then up again. ';

/** A post with ten things to find. */
const FAULTY = `---
title: Chair caning in seven steps
standfirst: A bowl of water and a pattern.
description: ${'Each of the seven steps is learned in an evening, with a bowl of water beside it. '.repeat(2).trim().slice(0, 155)}
category: Chairs
summary: Seven steps, seven layers, one seat of cane.
byline: The chair table
slug: chair-caning-in-seven-steps
---

Soak an chair seat in in warm  water, says Ottilie.

## 

${PLAIN.repeat(6).trim()}

- Two sizes of cane
- A bowl of water

## Come to the hall

It is a game-changer. ${PLAIN.repeat(6).trim()} Read more [here](/evenings) and bring [insert number] pegs.

#### What comes next

Come on a Tuesday.
`;

const finding = (page: Page, says: string | RegExp) => page.locator('button.item').filter({ hasText: says });
const findings = (page: Page) => page.getByRole('radio', { name: /^Findings/ });

test('ten findings are walked: mended, written, left, made a rule of the house; then the count is zero, and the report says so', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByLabel('Choose files').setInputFiles({ name: 'chair.md', mimeType: 'text/markdown', buffer: Buffer.from(FAULTY) });
  await page.waitForURL(/\/pieces\//);
  await expect(pageOf(page)).toBeVisible();
  await step(page, 'Proof');
  await expect(findings(page)).toHaveText(/\b10$/);
  await expect(page.getByRole('navigation', { name: 'Steps' })).toContainText('10 findings');

  // By key from one to the next, each with its place lit on the page.
  await page.keyboard.press('Alt+n');
  await expect(finding(page, '“an chair”')).toBeFocused();
  expect(await page.evaluate(() => getSelection()?.toString())).toBe('an');
  await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await expect(pageOf(page)).toContainText('Soak a chair seat');
  await expect(findings(page)).toHaveText(/\b9$/);
  await page.keyboard.press('Control+z');
  await pageOf(page).focus();
  await page.keyboard.press('Control+z');
  await expect(pageOf(page)).toContainText('Soak an chair seat');
  await page.keyboard.press('Control+Shift+z');
  await expect(findings(page)).toHaveText(/\b9$/);

  // Mended with one click each.
  for (const [says, mends] of [
    ['“in in”', 'Keep one'],
    ['A heading is empty', 'Take it out'],
    ['Two spaces', 'Make it one'],
    ['skips a level', 'Make it level 3'],
  ] as const) {
    await finding(page, says).click();
    await page.getByRole('button', { name: mends, exact: true }).click();
    await expect(finding(page, says)).toHaveCount(0);
  }
  await expect(pageOf(page).locator('h3')).toHaveText('What comes next');

  // Written by hand on the page; the finding goes by itself.
  await finding(page, '“[insert number]” is still there').click();
  await expect(pageOf(page)).toBeFocused();
  await page.keyboard.type('some');
  await expect(finding(page, '“[insert number]”')).toHaveCount(0);
  await finding(page, 'does not say where the link leads').click();
  await page.keyboard.type('about our evenings');
  await expect(finding(page, 'does not say where the link leads')).toHaveCount(0);
  await expect(pageOf(page).getByRole('link')).toHaveText('about our evenings');

  // By kind; left, with a reason that is kept; taken up again and left once more.
  await page.getByLabel('Kind of finding').selectOption({ label: 'Language, 1' });
  await expect(page.locator('button.item')).toHaveCount(1);
  await finding(page, '“game-changer” is never used here').click();
  await page.getByRole('button', { name: 'Leave it', exact: true }).click();
  await page.getByLabel('Why it stays').fill('Wilf said it so');
  await page.getByRole('button', { name: 'Leave it', exact: true }).click();
  await page.getByText('1 finding left as it is').click();
  await expect(page.getByText('Wilf said it so')).toBeVisible();
  await saved(page);
  await page.reload();
  await page.getByText('1 finding left as it is').click();
  await expect(page.getByText('Wilf said it so')).toBeVisible();

  // What is not wanted in this house at all.
  await expect(findings(page)).toHaveText(/\b2$/);
  for (const says of ['The post has no cover', /A paragraph of \d+ words/]) {
    await finding(page, says).click();
    await page.getByRole('button', { name: 'Not checked in this house' }).click();
    await expect(finding(page, says)).toHaveCount(0);
  }
  await expect(findings(page)).toHaveText(/\b0$/);
  await expect(page.getByRole('navigation', { name: 'Steps' })).toContainText('0 findings');
  // A post with something left as it is does not say that nothing was found.
  await expect(page.getByText(/0 findings: \d+ of \d+ checks found nothing/)).toBeVisible();
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Take a report along' }).click()]);
  expect(download.suggestedFilename()).toBe('chair-caning-in-seven-steps-proof.html');
  const report = readFileSync(await download.path(), 'utf8');
  expect(report).toContain('0 findings: what was found and left as it is stands below.');
  expect(report).toContain('Wilf said it so');

  // House style says what is not checked, and checks it again.
  await page.goto('/house');
  for (let i = 0; i < 2; i++) await page.getByRole('button', { name: 'Check it again' }).first().click();
  await expect(page.getByRole('button', { name: 'Check it again' })).toHaveCount(0);
  await expect(page.getByText('Saved')).toBeVisible();
});

test('the same slip in several places is mended in one press and comes back in one step, or is left in all of them', async ({ page }) => {
  const text = 'Wind the  wick down and trim  it straight.\n\nLight it  on a Friday, at the the window.';
  await page.goto('/');
  await page.getByLabel('Choose files').setInputFiles({ name: 'wick.txt', mimeType: 'text/plain', buffer: Buffer.from(text) });
  await page.waitForURL(/\/pieces\//);
  await pageOf(page).click();
  await page.keyboard.insertText(text.split('\n\n')[0]!);
  await page.keyboard.press('Enter');
  await page.keyboard.insertText(text.split('\n\n')[1]!);
  await step(page, 'Proof');
  await expect(finding(page, 'Two spaces stand')).toHaveCount(3);
  await finding(page, 'Two spaces stand').first().click();
  await page.getByRole('button', { name: 'Make it one in all 3 places' }).click();
  await expect(pageOf(page)).toHaveText('Wind the wick down and trim it straight.Light it on a Friday, at the the window.');
  await expect(finding(page, 'Two spaces stand')).toHaveCount(0);
  await pageOf(page).focus();
  await page.keyboard.press('Control+z');
  await expect(finding(page, 'Two spaces stand')).toHaveCount(3);
  await finding(page, 'Two spaces stand').nth(1).click();
  await page.getByRole('button', { name: 'Leave it', exact: true }).click();
  await page.getByRole('textbox', { name: 'Why it stays' }).fill('Typed on a typewriter');
  await page.getByRole('button', { name: 'Leave it in all 3 places' }).click();
  await expect(finding(page, 'Two spaces stand')).toHaveCount(0);
  await page.getByText('3 findings left as they are').click();
  await expect(page.getByText('Typed on a typewriter')).toHaveCount(3);
});

test('a figure and a name nobody said are found against the material, and a name can be one of the house', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Start empty' }).click();
  await page.waitForURL(/\/pieces\//);
  await step(page, 'Gather');
  await page.getByRole('button', { name: 'Paste' }).click();
  await page
    .getByLabel('The words')
    .fill('Soak the cane in warm water for twenty minutes. Then Rosalind brought six chairs to the hall on Tuesday.');
  await page.getByRole('button', { name: 'Add these words' }).click();
  await expect(page.getByRole('button', { name: 'Pasted words' })).toBeVisible();
  await pageOf(page).click();
  await page.keyboard.press('Control+End');
  await page.keyboard.type('Soak the cane in warm water for fifty minutes. Then Ottilie brought six chairs to the hall on Tuesday.');
  await step(page, 'Proof');
  await expect(finding(page, '“fifty minutes”: nobody said this')).toContainText('twenty minutes');
  await finding(page, '“Ottilie”: nobody said this name').click();
  await page.getByRole('button', { name: 'A name of the house' }).click();
  await expect(finding(page, '“Ottilie”')).toHaveCount(0);
  await expect(finding(page, '“fifty minutes”')).toHaveCount(1);
});

test('a draft that came as the page is held against the talk, and says for itself only what its writer wants it to', async ({ page }) => {
  await page.goto('/');
  const buffer = Buffer.from('# Flex\n\nStrip sixteen millimetres of the flex.\n\nA table lamp wants three amps.');
  await page.getByLabel('Choose files').setInputFiles({ name: 'flex.md', mimeType: 'text/markdown', buffer });
  await page.waitForURL(/\/pieces\//);
  await page.locator('input[type=file]').first().setInputFiles(`${MATERIAL}rewiring-a-lamp.vtt`);
  await expect(page.getByText('2 sources,')).toBeVisible();
  await step(page, 'Proof');
  const sixteen = finding(page, '“sixteen millimetres”: nobody said this');
  await expect(sixteen).toBeVisible();
  await expect(finding(page, 'three amps')).toHaveCount(0);
  await page.getByText('What counts here').click();
  const against = page.getByRole('group', { name: 'What the page is held against' });
  await expect(against.getByRole('button', { name: 'flex.md' })).toHaveAttribute('aria-pressed', 'false');
  await against.getByRole('button', { name: 'flex.md' }).click();
  await expect(sixteen).toHaveCount(0);
  await saved(page);
  await page.reload();
  await page.getByText('What counts here').click();
  await expect(against.getByRole('button', { name: 'flex.md' })).toHaveAttribute('aria-pressed', 'true');
  await expect(sixteen).toHaveCount(0);
});

test('where grammar cannot be read it says so, and goes on when asked', async ({ page }) => {
  const WORKER = /usage\.worker/;
  await page.route(WORKER, (route) => route.abort());
  await bring(page, 'chair-caning.md');
  await step(page, 'Proof');
  await expect(page.getByText(/Grammar could not be read: \d+ passages to go/)).toBeVisible();
  await page.unroute(WORKER);
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(page.getByText('passages to go')).toHaveCount(0);
});
