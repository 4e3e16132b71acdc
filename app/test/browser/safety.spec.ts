import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { FORMS } from '../../../core/test/post/injection-forms.ts';
import { expect, pageOf, publishButton, publishOnBlog, saved, step, test } from './fixtures.ts';

const line = (form: string) => form.replace(/\s+/g, ' ');
const CUES = FORMS.map((form, i) => `${i + 1}\n00:00:${String(i % 60).padStart(2, '0')},000 --> 00:01:00,000\n${line(form)} words.\n`).join(
  '\n',
);

/** Every way in, as a file or as what is pasted. */
const WAYS: Record<string, string> = {
  'captions.srt': CUES,
  'captions.vtt': `WEBVTT\n\n${CUES.replaceAll(',000', '.000').replace(/^(<)/gm, '<v $1')}`,
  'times.txt': FORMS.map((form, i) => `[0:${String(i % 60).padStart(2, '0')}] ${line(form)}`).join('\n'),
  'notes.txt': FORMS.join('\n\n'),
  'draft.md': `---\ntitle: "${line(FORMS[0]!)}"\ndescription: "<img src=x onerror=alert(1)>"\ntags: ["<svg onload=alert(1)>"]\n---\n\n${FORMS.map((f) => `## ${line(f)}\n\n${f}`).join('\n\n')}`,
};

// Once they are read, these go the road of captions.
const SAME_FROM_HERE = ['captions.vtt', 'times.txt', 'notes.txt'];

/** Looks at a page for a while; whatever ran would have called `alert`. */
function watch(page: Page): () => string[] {
  const ran: string[] = [];
  page.on('dialog', (dialog) => {
    ran.push(dialog.message());
    void dialog.dismiss();
  });
  return () => ran;
}

test.use({ quietly: false });

for (const [name, text] of Object.entries(WAYS)) {
  test(`${name}: nothing that came in runs, on any screen or on the blog`, async ({ page, context }) => {
    const ran = watch(page);
    await page.goto('/');
    await page.getByLabel('Choose files').setInputFiles({ name, mimeType: 'text/plain', buffer: Buffer.from(text) });
    await page.waitForURL(/\/pieces\//);
    await step(page, 'Tidy');
    // Elements of a draft in Markdown are read as such: nothing of them is left to repair.
    if (!name.endsWith('.md')) {
      await page.getByRole('button', { name: /^Take all/ }).click();
      await step(page, 'Shape');
      await page.getByRole('button', { name: 'Write onto the page' }).click();
    }
    await page.getByRole('textbox', { name: 'Title' }).first().fill('<img src=x onerror=alert(1)>');
    await page.getByRole('textbox', { name: 'Standfirst' }).fill('<script>alert(1)</script>');
    if (SAME_FROM_HERE.includes(name)) {
      await page.getByRole('radio', { name: 'Reader’s view' }).click();
      await saved(page);
      await page.goto('/');
      expect(ran()).toEqual([]);
      return;
    }
    for (const at of ['Write', 'Dress', 'Proof']) await step(page, at);
    for (const view of ['Reader’s view', 'Markdown', 'HTML', 'Page']) await page.getByRole('radio', { name: view }).click();
    await step(page, 'Send');
    await page.getByLabel('Slug').fill('safe');
    await saved(page);
    if (await publishButton(page).isEnabled()) {
      const url = await publishOnBlog(page);
      const reader = await context.newPage();
      const ranThere = watch(reader);
      for (const path of [url, new URL('/', url).href, new URL('/feed.xml', url).href]) await reader.goto(path);
      expect(ranThere()).toEqual([]);
    }
    const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'HTML file' }).click()]);
    const bytes = readFileSync((await download.path())!);
    if (download.suggestedFilename().endsWith('.html')) {
      const file = await context.newPage();
      const ranThere = watch(file);
      await file.setContent(bytes.toString());
      await file.waitForTimeout(300);
      expect(ranThere()).toEqual([]);
    }
    await page.goto('/');
    expect(ran()).toEqual([]);
  });
}

test('what is pasted runs neither rich nor plain', async ({ page }) => {
  const ran = watch(page);
  await page.goto('/');
  await page.getByRole('button', { name: 'Start empty' }).click();
  await page.waitForURL(/\/pieces\//);
  await pageOf(page).click();
  for (const type of ['text/html', 'text/plain']) {
    await pageOf(page).evaluate(
      (el, { forms, type }) => {
        for (const form of forms) {
          const data = new DataTransfer();
          data.setData(type, form);
          el.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
        }
      },
      { forms: FORMS, type },
    );
  }
  await saved(page);
  await page.reload();
  await page.getByRole('radio', { name: 'Reader’s view' }).click();
  expect(ran()).toEqual([]);
});
