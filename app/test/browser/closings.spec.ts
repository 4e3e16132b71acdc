import { expect, pageOf, saved, test } from './fixtures.ts';

// The long form closes 200 windows (CLOSINGS=200).
const CLOSINGS = Number(process.env.CLOSINGS ?? 8);
// From before the save goes out to after it was answered: it goes half a second after the last letter.
const AFTER_MS = [0, 0, 5, 20, 480, 495, 500, 505, 510, 520, 540, 600];

test.use({ quietly: false });

test(`a window closed right after typing keeps every word, and a lone writer is asked nothing, ${CLOSINGS} times`, async ({
  context,
  house,
}) => {
  test.setTimeout(CLOSINGS * 50_000);
  const made = await house.server.call('/pieces', { method: 'POST', body: new FormData() });
  const address = `/pieces/${((await made.json()) as { id: string }).id}`;
  let typed = '';
  for (let n = 0; n < CLOSINGS; n++) {
    const page = await context.newPage();
    await page.goto(address);
    await expect(pageOf(page)).toHaveText(typed.trim());
    await pageOf(page).click();
    await page.keyboard.press('Control+End');
    const words = `word${n} end${n} `;
    await page.keyboard.type(words);
    typed += words;
    await page.waitForTimeout(AFTER_MS[n % AFTER_MS.length]!);
    await page.close();
  }
  const page = await context.newPage();
  await page.goto(address);
  await expect(pageOf(page)).toHaveText(typed.trim());
  await expect(page.getByRole('region', { name: 'Choose between two changes' })).toHaveCount(0);
  await saved(page);
  const { piece } = await (await house.server.call(address)).json();
  expect(JSON.stringify(piece.doc)).toContain(typed.trim());
});
