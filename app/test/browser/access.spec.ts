import type { Page } from '@playwright/test';
import { axe, bring, expect, LEFT, MATERIAL, pageOf, RIGHT, saved, test } from './fixtures.ts';

// A lost address is one of the screens, and the browser notes it.
test.use({ quietly: false });

const STEPS = ['Gather', 'Tidy', 'Shape', 'Write', 'Dress', 'Proof', 'Send'];

for (const mode of ['light', 'dark'] as const) {
  test(`axe finds nothing on any screen, ${mode === 'light' ? 'day' : 'lamp'}`, async ({ page, context, house }) => {
    await context.addCookies([{ name: 'even-page-mode', value: mode, url: house.server.address }]);
    await page.goto('/');
    await axe(page, 'Desk');
    await page.goto('/?find=nothing+of+the+kind');
    await axe(page, 'Desk without a find');
    await page.goto('/nowhere');
    await axe(page, 'a lost address');
    // By lamplight they have the same colours as the others.
    if (mode === 'light') {
      await house.server.call(`/ideas/${crypto.randomUUID()}`, { method: 'PUT', body: { line: 'Three knots', subject: 'caning' } });
      await page.goto('/ideas');
      await page
        .getByRole('button', { name: /Three knots/ })
        .first()
        .click();
      await axe(page, 'Ideas, one open');
      await page.goto('/house/drafters');
      await page.getByRole('button', { name: 'Add a drafter' }).click();
      await axe(page, 'Drafters, a new one');
    }
    await page.goto('/');
    await page.getByRole('button', { name: 'Start empty' }).click();
    await page.waitForURL(/\/pieces\//);
    if (mode === 'light')
      for (const [i, name] of STEPS.entries()) {
        await page.keyboard.press(`Alt+${i + 1}`);
        await axe(page, `${name} of an empty piece`, i ? LEFT : undefined);
      }
    await bring(page, 'rewiring-a-lamp.vtt');
    await page.getByRole('button', { name: 'Make a page of it' }).click();
    await expect(page.getByRole('list', { name: 'What was done' })).toBeVisible();
    await axe(page, 'the account');
    await page.getByRole('button', { name: 'Take it all back' }).click();
    await page.keyboard.press('Alt+2');
    await page.getByRole('radio', { name: 'as written' }).click();
    await expect(page.getByRole('group', { name: 'Words as written' })).toBeVisible();
    await axe(page, 'Tidy, as written', LEFT);
    await page.getByRole('radio', { name: 'as said' }).click();
    await page.getByRole('button', { name: /^Take all/ }).click();
    await page.keyboard.press('Alt+3');
    await expect(page.getByRole('button', { name: 'Write onto the page' })).toBeVisible();
    await axe(page, 'Shape with a proposal', LEFT);
    await page.getByRole('button', { name: 'Write onto the page' }).click();
    await page.keyboard.press('Alt+5');
    await pageOf(page).locator('p').first().click();
    await page.getByLabel('Choose pictures').last().setInputFiles(`${MATERIAL}two-coins-under-a-knife.png`);
    await expect(pageOf(page).locator('img')).toBeVisible();
    await page.keyboard.press('Alt+4');
    await page.getByRole('radio', { name: 'Brief' }).click();
    await page.getByText('What each section must be').click();
    await page.locator('.part .name').first().click();
    await axe(page, 'Brief', LEFT);
    await page.getByRole('radio', { name: 'Rounds' }).click();
    await page.getByRole('button', { name: 'Paste an answer' }).click();
    await page.getByLabel('The answer for this section').fill('A table lamp wants 40 amps, in today’s world.');
    await page.getByRole('button', { name: 'Keep it as a round' }).click();
    await expect(page.getByText('“40 amps”')).toBeVisible();
    await axe(page, 'a round and its guard', LEFT);
    await page.getByRole('radio', { name: 'The material' }).click();
    for (const [i, name] of STEPS.entries()) {
      await page.keyboard.press(`Alt+${i + 1}`);
      await page.waitForTimeout(500);
      await axe(page, name, i ? LEFT : undefined);
    }
    await page.keyboard.press('Alt+5');
    await page.getByRole('button', { name: 'compare' }).click();
    await page.getByText('Whose it is').first().click();
    await page.getByText('What must be seen').click();
    await expect(page.getByRole('img', { name: 'At quality 72' })).toBeVisible();
    await axe(page, 'Dress, a picture unfolded', LEFT);
    for (const view of ['Clips', 'Cover']) {
      await page.getByRole('radio', { name: view, exact: true }).click();
      await page.waitForTimeout(400);
      await axe(page, `Dress, ${view}`, LEFT);
    }
    await page.getByRole('radio', { name: 'Pictures', exact: true }).click();
    await page.getByRole('button', { name: 'Search the stock' }).click();
    await expect(page.getByRole('button', { name: /^Put .* onto the page$/ }).first()).toBeVisible();
    await axe(page, 'the stock', LEFT);
    for (const view of ['Reader’s view', 'Markdown', 'HTML']) {
      await page.getByRole('radio', { name: view }).click();
      await axe(page, view, RIGHT);
    }
    await page.getByRole('button', { name: /^Keys/ }).click();
    await axe(page, 'the keys');
    await saved(page);
    await page.goto('/pictures');
    await page.locator('li > button').first().click();
    await axe(page, 'Pictures, one open');
  });
}

test.describe('with the keyboard alone', () => {
  /** Presses Tab until what has the focus is called this. */
  async function tabTo(page: Page, name: RegExp, most = 80) {
    for (let i = 0; i < most; i++) {
      await page.keyboard.press('Tab');
      const called = await page.evaluate(() => {
        const el = document.activeElement;
        return (el?.getAttribute('aria-label') ?? el?.textContent ?? '').trim();
      });
      if (name.test(called)) return;
    }
    throw new Error(`Tab never came to ${name}`);
  }

  test('every control of every screen is reached, and shows that it is', async ({ page }) => {
    await bring(page, 'mending-log.md');
    const screens = ['/', ...STEPS.map((_, i) => `Alt+${i + 1}`)];
    const piece = page.url();
    for (const screen of screens) {
      if (screen === '/') await page.goto('/');
      else {
        if (page.url() !== piece) await page.goto(piece);
        await expect(pageOf(page)).toBeVisible();
        await page.keyboard.press(screen);
        await page.waitForTimeout(400);
      }
      // What can be reached: shown, not switched off, and not one of a group that the arrow keys walk.
      const wanted = await page.evaluate(() => {
        for (const el of document.querySelectorAll<HTMLElement>('[data-reach]')) delete el.dataset.reach;
        const all = [
          ...document.querySelectorAll<HTMLElement>(
            'a[href], button:not(:disabled), input:not([type=file]):not(:disabled), textarea, select, [contenteditable=true], [tabindex="0"]',
          ),
        ];
        return all
          .filter((el) => el.tabIndex >= 0 && el.checkVisibility({ checkVisibilityCSS: true }) && !el.closest('[hidden]'))
          .map((el, i) => (el.dataset.reach = String(i)));
      });
      const reached = new Set<string>();
      const unseen: string[] = [];
      await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
      for (let i = 0; i < wanted.length * 2 + 10 && reached.size < wanted.length; i++) {
        await page.keyboard.press('Tab');
        const at = await page.evaluate(() => {
          const el = document.activeElement as HTMLElement | null;
          if (!el || el === document.body) return null;
          const style = getComputedStyle(el);
          const around = getComputedStyle(el.parentElement!);
          const shows =
            style.outlineStyle !== 'none' ||
            style.boxShadow !== 'none' ||
            around.outlineStyle !== 'none' ||
            el.isContentEditable ||
            el.tagName === 'TEXTAREA' ||
            el.tagName === 'INPUT';
          return { reach: el.dataset.reach ?? '', shows, html: el.outerHTML.slice(0, 120) };
        });
        if (!at) continue;
        if (at.reach) reached.add(at.reach);
        if (!at.shows) unseen.push(at.html);
      }
      const missed = await page.evaluate(
        (ids) => ids.map((id) => document.querySelector(`[data-reach="${id}"]`)?.outerHTML.slice(0, 120)),
        wanted.filter((id) => !reached.has(id)),
      );
      expect(missed, `${screen}: not reached`).toEqual([]);
      expect(unseen, `${screen}: focus not seen`).toEqual([]);
    }
  });

  test('a piece is begun, written, looked at and left', async ({ page }) => {
    await page.goto('/');
    await tabTo(page, /^Start empty$/);
    await page.keyboard.press('Enter');
    await page.waitForURL(/\/pieces\//);
    await tabTo(page, /^Title$/);
    await page.keyboard.type('By keyboard');
    await page.keyboard.press('Enter');
    await page.keyboard.type('## Stones');
    await page.keyboard.press('Enter');
    await page.keyboard.type('Keep them wet.');
    await page.keyboard.press('Alt+6');
    await tabTo(page, /^The post has no description/);
    await page.keyboard.press('Alt+7');
    await saved(page);
    await tabTo(page, /^Desk$/, 120);
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { name: 'By keyboard' })).toBeVisible();
  });
});

test('on a narrow screen every place is behind one button, and the keys are too', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 800 });
  await page.goto('/');
  await expect(page.getByRole('link', { name: 'House', exact: true })).toBeHidden();
  await page.getByRole('button', { name: 'Places' }).click();
  await page.getByRole('link', { name: 'House', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'House style', level: 1 })).toBeVisible();
  await expect(page.getByRole('link', { name: 'House', exact: true })).toBeHidden();
  await page.getByRole('button', { name: 'Places' }).click();
  await page.getByRole('button', { name: 'Keys' }).click();
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
});

test('the sheet of keys fits a screen of 800 pixels', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto('/');
  await page.getByRole('button', { name: 'Keys' }).click();
  const box = (await page.getByRole('dialog', { name: 'Keys' }).boundingBox())!;
  expect(box.y).toBeGreaterThanOrEqual(0);
  expect(box.y + box.height).toBeLessThanOrEqual(800);
});
