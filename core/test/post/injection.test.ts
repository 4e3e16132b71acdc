import { expect } from 'chai';
import { fromHtml } from 'hast-util-from-html';
import { gather } from '@even-page/core/gather/formats';
import { emptyDetails } from '@even-page/core/post/details';
import { cleanHtml, postFromHtml, postToHtml } from '@even-page/core/post/html';
import { postFromMarkdown } from '@even-page/core/post/markdown';
import { schema, type PostNode } from '@even-page/core/post/schema';
import { htmlFile } from '@even-page/core/send/files';
import { proposeSections, writeSections } from '@even-page/core/shape/outline';
import { findEdits } from '@even-page/core/tidy/finders';
import { proseOf } from '@even-page/core/tidy/prose';

// Forms of script injection of the classes the OWASP XSS Filter Evasion Cheat Sheet describes (written from memory).
const FORMS = [
  '<script>alert(1)</script>',
  '<SCRIPT SRC=//x.example/x.js></SCRIPT>',
  '<scr<script>ipt>alert(1)</scr</script>ipt>',
  '<script\n>alert(1)</script\n>',
  '<img src=x onerror=alert(1)>',
  '<img src="x" OnErRoR="alert(1)"/>',
  '<img/src=x/onerror=alert(1)>',
  '<img src=javascript:alert(1)>',
  '<img src="java\tscript:alert(1)">',
  '<img src=" &#14; javascript:alert(1)">',
  '<img src=`x`onerror=alert(1)>',
  '<img srcset="x 1x, javascript:alert(1) 2x">',
  '<svg onload=alert(1)>',
  '<svg><script>alert(1)</script></svg>',
  '<svg><a xlink:href="javascript:alert(1)"><text>x</text></a></svg>',
  '<svg><animate onbegin=alert(1) attributeName=x>',
  '<math><a xlink:href="javascript:alert(1)">x</a></math>',
  '<math><mtext><style><img src=x onerror=alert(1)></style></mtext></math>',
  '<iframe src="javascript:alert(1)"></iframe>',
  '<iframe srcdoc="<script>alert(1)</script>"></iframe>',
  '<object data="javascript:alert(1)"></object>',
  '<embed src="javascript:alert(1)">',
  '<a href="javascript:alert(1)">x</a>',
  '<a href="JaVaScRiPt:alert(1)">x</a>',
  '<a href="&#106;avascript:alert(1)">x</a>',
  '<a href="jav&#x0A;ascript:alert(1)">x</a>',
  '<a href="\u0001javascript:alert(1)">x</a>',
  '<a href="data:text/html,<script>alert(1)</script>">x</a>',
  '<a href="vbscript:msgbox(1)">x</a>',
  '<a onclick="alert(1)" href="#">x</a>',
  '<body onload=alert(1)>',
  '<div style="background:url(javascript:alert(1))">x</div>',
  '<div style="width:expression(alert(1))">x</div>',
  '<style>@import "javascript:alert(1)";</style>',
  '<style><img src=x onerror=alert(1)></style>',
  '<link rel=stylesheet href="javascript:alert(1)">',
  '<meta http-equiv=refresh content="0;url=javascript:alert(1)">',
  '<base href="javascript:alert(1)//">',
  '<form action="javascript:alert(1)"><input type=submit></form>',
  '<button formaction="javascript:alert(1)">x</button>',
  '<input autofocus onfocus=alert(1)>',
  '<textarea autofocus onfocus=alert(1)></textarea>',
  '<select autofocus onfocus=alert(1)></select>',
  '<details open ontoggle=alert(1)>x</details>',
  '<video><source onerror=alert(1)></video>',
  '<video poster=javascript:alert(1)></video>',
  '<audio src=x onerror=alert(1)>',
  '<marquee onstart=alert(1)>x</marquee>',
  '<table background="javascript:alert(1)"><tr><td>x</td></tr></table>',
  '<template><script>alert(1)</script></template>',
  '<noscript><p title="</noscript><img src=x onerror=alert(1)>"></noscript>',
  '<title><img src=x onerror=alert(1)></title>',
  '<!--><img src=x onerror=alert(1)>-->',
  '<![CDATA[<script>alert(1)</script>]]>',
  '<?xml-stylesheet href="javascript:alert(1)"?>',
  '"><script>alert(1)</script>',
  "'-alert(1)-'",
  '</p><script>alert(1)</script><p>',
  '<x onclick=alert(1) tabindex=1>x</x>',
  '<p id="x" name="getElementById">x</p>',
  '<figure data-picture=\'{"src":"javascript:alert(1)"}\'></figure>',
  '<p data-origins=\'[{"source":"<script>"}]\'>x</p>',
  '[x](javascript:alert(1))',
  '[x](  JAVASCRIPT:alert(1))',
  '[x](&#106;avascript:alert(1))',
  '![x](javascript:alert(1))',
  '![x"onerror="alert(1)](https://x.example/a.png)',
  '[x](https://x.example "a\\"onmouseover=\\"alert(1)")',
  '<javascript:alert(1)>',
  '[x]: javascript:alert(1)\n\n[x]',
  '```"><script>alert(1)</script>\nx\n```',
];

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
    const { source, draft } = gather(new TextEncoder().encode(text), name);
    return draft?.doc ?? writeSections(proposeSections([{ source: 's', paragraphs: proseOf(source, findEdits(source)) }]));
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
