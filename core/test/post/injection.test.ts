import { expect } from 'chai';
import { fromHtml } from 'hast-util-from-html';
import { readText } from '../gather/read-text.ts';
import { emptyDetails } from '@even-page/core/post/details';
import { cleanHtml, postFromHtml, postToHtml } from '@even-page/core/post/html';
import { postFromMarkdown } from '@even-page/core/post/markdown';
import { schema, type PostNode } from '@even-page/core/post/schema';
import { htmlFile } from '../../src/send/files.ts';
import { shapeOf, writeSections } from '../../src/shape/propose-sections.ts';
import { findEdits } from '../../src/tidy/finders.ts';
import { proseOf } from '../../src/tidy/prose.ts';
import { FORMS } from './injection-forms.ts';

// Browsers drop white space and control characters before they look for a scheme.
const ADDRESS = /^(?:href|src|action|formAction|poster|data|background)$/;
const RUNS = new Set([
  'script',
  'style',
  'iframe',
  'object',
  'embed',
  'svg',
  'math',
  'form',
  'link',
  'meta',
  'base',
  'template',
  'video',
  'audio',
]);

/** What in a piece of HTML could run, as a browser would parse it. */
function dangers(html: string): string[] {
  const found: string[] = [];
  const walk = (node: { type: string; tagName?: string; properties?: Record<string, unknown>; children?: unknown[] }) => {
    if (node.tagName && RUNS.has(node.tagName)) found.push(`<${node.tagName}>`);
    for (const [name, value] of Object.entries(node.properties ?? {})) {
      if (/^on/i.test(name) || name === 'style' || name === 'srcDoc') found.push(name);
      const address = [...String(value)].filter((c) => c > ' ').join('');
      if (ADDRESS.test(name) && /^(?:javascript|vbscript|data):/i.test(address)) {
        found.push(`${name}=${String(value)}`);
      }
    }
    for (const child of node.children ?? []) walk(child as Parameters<typeof walk>[0]);
  };
  walk(fromHtml(html, { fragment: true }) as Parameters<typeof walk>[0]);
  return found;
}

describe('script injection', () => {
  it('is known in at least 60 forms, and the test sees them', () => {
    expect(FORMS.length).to.be.at.least(60);
    expect(FORMS.filter((f) => dangers(f).length).length).to.be.greaterThan(40);
  });

  /** Every way in that ends on a page. */
  const WAYS_IN: Record<string, (form: string) => PostNode> = {
    Markdown: (form) => postFromMarkdown(`Before ${form}\n\n${form}\n\nAfter`),
    HTML: (form) => postFromHtml(`<p>Before</p>${form}<p>After</p>`),
    'plain text': (form) => shaped(form, 'notes.txt'),
    captions: (form) => shaped(`1\n00:00:01,000 --> 00:00:02,000\n${form.replace(/\n+/g, ' ')} words\n`, 'x.srt'),
    WebVTT: (form) =>
      shaped(`WEBVTT\n\n00:01.000 --> 00:02.000\n<v ${form.replace(/[\n>]+/g, ' ')}>words ${form.replace(/\n+/g, ' ')}\n`, 'x.vtt'),
    'time-marked text': (form) => shaped(`[0:01] words\n[0:02] ${form.replace(/\n+/g, ' ')}`, 'x.txt'),
  };

  function shaped(text: string, name: string): PostNode {
    const { source, draft } = readText(new TextEncoder().encode(text), name);
    return draft?.doc ?? writeSections(shapeOf([{ source: 's', paragraphs: proseOf(source, findEdits(source)) }]).sections());
  }

  for (const [way, read] of Object.entries(WAYS_IN)) {
    it(`comes in by ${way} as words, and goes out as words`, () => {
      for (const form of FORMS) {
        const doc = read(form);
        doc.check();
        expect(dangers(postToHtml(doc)), form).to.deep.equal([]);
        expect(
          dangers(htmlFile({ ...emptyDetails(), title: form, standfirst: form, description: form }, doc)).filter((d) => d !== '<meta>'),
          form,
        ).to.deep.equal([]);
      }
    });
  }

  it('is cleaned out of what is pasted', () => {
    for (const form of FORMS) expect(dangers(cleanHtml(form)), form).to.deep.equal([]);
  });

  it('is refused as an attribute of the document itself', () => {
    for (const address of ['javascript:alert(1)', 'data:text/html,x', 'vbscript:x']) {
      expect(() => schema.marks.link.create({ href: address }), address).to.throw(RangeError);
      expect(() => schema.nodes.picture.create({ src: address }), address).to.throw(RangeError);
    }
  });
});
