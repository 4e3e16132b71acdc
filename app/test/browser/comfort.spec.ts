import { once } from 'node:events';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect, LEFT, axe, MATERIAL, pageOf, publishOnBlog, saved, step, test } from './fixtures.ts';
import type { Page } from '@playwright/test';

const WIDE = Array.from({ length: 40 }, (_, n) => `Bench number ${n + 1}`);
const DRAFT = `---
title: A day at the benches
standfirst: What stands where, & why.
---

Bring a *chair* and a \`pocket knife\`. See the [list of evenings](https://larkfield.example/evenings "All of them").

> It sings a little.
>
> — Odile Marsh

1. Soak the cane.
2. Peg it.
   - in the back
   - in the front

## Where the tools are

| Tool | Where |
| --- | --- |
| A | Under the *bench* |

\`\`\`
soak 20
\`\`\`

***

Come & see.
`;

const bringDraft = async (page: Page, text: string) => {
  await page.goto('/');
  await page.getByLabel('Choose files').setInputFiles({ name: 'benches.md', mimeType: 'text/markdown', buffer: Buffer.from(text) });
  await expect(pageOf(page)).toBeVisible();
};

/** The nodes that hold the words of a post, as a text: where files of pictures lie is another place here and there. */
const nodesOf = (content: Element) => {
  const told = (node: Node, depth: number): string[] => {
    if (node.nodeType === Node.TEXT_NODE) return node.nodeValue!.trim() ? [`${' '.repeat(depth)}${JSON.stringify(node.nodeValue)}`] : [];
    const element = node as Element;
    const attributes = [...element.attributes]
      .map(({ name, value }) => (/^(?:src|srcset)$/.test(name) ? `${name} ${value.split(',').length}` : `${name}=${value}`))
      .sort();
    return [
      `${' '.repeat(depth)}${element.localName} ${attributes.join(' ')}`,
      ...[...element.childNodes].flatMap((child) => told(child, depth + 1)),
    ];
  };
  return told(content, 0);
};

test('the view of readers is what the outlet publishes, node by node, in its theme and at three widths', async ({ page, context }) => {
  await bringDraft(page, DRAFT);
  await step(page, 'Dress');
  await pageOf(page).locator('p').first().click();
  await page.getByLabel('Choose pictures').last().setInputFiles(`${MATERIAL}two-coins-under-a-knife.png`);
  await page.getByLabel('Says').fill('Two coins under a knife');
  await page.getByLabel('Caption').fill('Near enough.');
  await saved(page);
  await step(page, 'Send');
  await page.getByLabel('Byline').fill('The knife table');
  await page.getByRole('button', { name: 'offer a summary' }).click();
  await saved(page);
  const url = await publishOnBlog(page);

  // The theme is read from that post.
  await page.getByRole('radio', { name: 'Reader’s view' }).click();
  await page.getByRole('button', { name: 'Read its theme' }).click();
  await expect(page.getByLabel('Address of a post')).toHaveValue(url);
  await page.getByRole('button', { name: 'Read it', exact: true }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  const frame = page.frameLocator('iframe[title*="as on Hall blog"]');
  await expect(frame.getByRole('heading', { level: 1 })).toHaveText('A day at the benches');
  await expect(
    page.getByRole('status').filter({ hasText: /Lines 1\.60 apart, text 18 px, contrast 16\.\d to 1,\s+nothing too wide/ }),
  ).toBeVisible();

  const reader = await context.newPage();
  await reader.goto(url);
  await expect(reader.locator('.p-author')).toHaveText('The knife table');
  const published = await reader.locator('.e-content').evaluate(nodesOf);
  expect(published.length).toBeGreaterThan(40);
  expect(await frame.locator('.e-content').evaluate(nodesOf)).toEqual(published);
  const look = (content: Element) =>
    [content, content.querySelector('p')!, content.querySelector('h2')!, content.querySelector('a')!].map((element) => {
      const { font, color, lineHeight } = getComputedStyle(element);
      return [font, color, lineHeight];
    });
  expect(await frame.locator('.e-content').evaluate(look)).toEqual(await reader.locator('.e-content').evaluate(look));

  // Each width is that of a screen, and all three stand beside each other.
  for (const [name, width] of [
    ['Tablet', 768],
    ['Desktop', 1200],
  ] as const) {
    await page.getByRole('radio', { name }).click();
    expect(await frame.locator('html').evaluate((html) => html.clientWidth)).toBe(width);
  }
  await page.getByRole('radio', { name: 'All three' }).click();
  await expect(page.locator('iframe[title*="as on Hall blog"]')).toHaveCount(3);
  const boxes = await page.locator('iframe[title*="as on Hall blog"]').evaluateAll((all) => all.map((f) => f.getBoundingClientRect()));
  expect(boxes[2]!.right).toBeLessThanOrEqual(1280);
  expect(boxes[1]!.left).toBeGreaterThan(boxes[0]!.right);
  // A link is looked at and leads nowhere.
  await page.getByRole('radio', { name: 'Phone' }).click();
  await frame.getByRole('link', { name: 'list of evenings' }).click();
  await expect(frame.getByRole('heading', { level: 1 })).toHaveText('A day at the benches');
  await axe(page, 'reader’s view', '.leaf.r');
});

test('what is wider than a screen in the theme of the outlet is a finding, and is gone with the table', async ({ page, house }) => {
  const { outlets } = (await (await house.server.call('/outlets')).json()) as { outlets: { id: string; name: string }[] };
  const { id } = outlets.find(({ name }) => name === 'Hall blog')!;
  await house.server.call(`/outlets/${id}/theme`, { method: 'PUT', body: { address: `${house.blog.address}/` } });
  const table = `| ${WIDE.join(' | ')} |\n|${' --- |'.repeat(WIDE.length)}\n| ${WIDE.join(' | ')} |`;
  await bringDraft(page, `# Benches\n\nWhere they stand.\n\n${table}\n\nThat is all.\n`);
  await step(page, 'Proof');
  const finding = page.locator(LEFT).locator('.item', { hasText: /is wider than a screen of 1200 px/ });
  await expect(finding).toBeVisible();
  await page.getByLabel('Kind of finding').selectOption({ label: 'Comfort, 1' });
  await expect(page.locator(LEFT).locator('.item')).toHaveCount(1);
  await finding.click();
  await pageOf(page).locator('td').first().click();
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('menuitem', { name: 'Remove table' }).click();
  await expect(finding).toHaveCount(0);
});

test('a theme that is hard to read is told, each fault for itself', async ({ page, house }) => {
  const css = 'body { background: #fff } p { font: 13px/1.1 Arial; color: #777 } li { font: 16px/1.5 Georgia; color: #111 }';
  const press = createServer((request, answer) =>
    request.url!.startsWith('/micropub')
      ? answer.writeHead(200, { 'content-type': 'application/json' }).end('{}')
      : answer
          .writeHead(200, { 'content-type': 'text/html' })
          .end(`<html><head><style>${css}</style></head><body><div class="e-content"><p>Words.</p></div></body></html>`),
  );
  press.listen(0, '127.0.0.1');
  await once(press, 'listening');
  const address = `http://127.0.0.1:${(press.address() as AddressInfo).port}`;
  const body = { name: 'Pale press', endpoint: `${address}/micropub`, token: 't' };
  const { id } = (await (await house.server.call('/outlets', { method: 'POST', body })).json()) as { id: string };

  await bringDraft(page, '# Lists\n\nWhere they stand, and why.\n\n- One of them\n- Another\n');
  await page.getByRole('radio', { name: 'Reader’s view' }).click();
  await page.getByLabel('as on').selectOption(id);
  await page.getByRole('button', { name: 'Read its theme' }).click();
  // Where nothing stands yet, its own address is offered.
  await expect(page.getByLabel('Address of a post')).toHaveValue(`${address}/`);
  await page.getByRole('button', { name: 'Read it', exact: true }).click();
  await expect(page.getByRole('status').filter({ hasText: /Lines 1\.10 apart, text 13 px, contrast 4\.5 to 1/ })).toBeVisible();
  press.close();

  await step(page, 'Proof');
  const item = (says: string) => page.locator(LEFT).locator('.item', { hasText: says });
  await expect(item('Lines stand 1.10 apart on Pale press')).toBeVisible();
  await expect(item('Text is 13 px high on Pale press')).toBeVisible();
  await expect(item('The text is in 2 fonts on Pale press: Arial, Georgia')).toBeVisible();
  // Source: the example of WCAG 2.2, #777777 on white.
  await expect(item('“Where they stand, and why.” stands out too little, 4.48 to 1')).toBeVisible();
});
