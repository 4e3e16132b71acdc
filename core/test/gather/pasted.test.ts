import { expect } from 'chai';
import { pastedHtml } from '../../src/gather/pasted.ts';

const none = () => '';

describe('HTML pasted onto the page', () => {
  it('loses its office junk and keeps its lists, headings and marks', () => {
    const html = pastedHtml(
      '<html><head><style>p{color:red}</style></head><body><p class="MsoHeading2">Stones</p><p class="MsoListParagraph" style="mso-list:l0 level1 lfo1">· one</p><p class="MsoListParagraph" style="mso-list:l0 level1 lfo1">· two</p><p><span style="font-weight:700">Wet</span> it.</p><p>&nbsp;</p><script>alert(1)</script></body></html>',
      none,
    );
    expect(html.replace(/\s*\n\s*| class=""/g, '')).to.match(
      /<h2>Stones<\/h2><ul><li><p>one<\/p><\/li><li><p>two<\/p><\/li><\/ul><p><strong>Wet<\/strong> it\.<\/p>$/,
    );
    expect(html).not.to.match(/style|script|Mso|nbsp/);
  });

  it('keeps pictures with an address in their place, and so those it carries, where they are taken in', () => {
    const taken: string[] = [];
    const html = pastedHtml(
      '<p>One</p><img src="https://example.org/a.png" alt="A lamp"><img src="data:image/png;base64,AAAA"><img src="file:///c:/x.png"><p>Two</p>',
      (picture) => (taken.push(picture), '/pictures/1'),
    );
    expect(html).to.match(
      /One<\/p>\s*<figure data-picture="[^"]*example\.org\/a\.png[^"]*"><\/figure>\s*<figure data-picture="[^"]*pictures\/1[^"]*"><\/figure>\s*<p>Two/,
    );
    expect(taken).to.deep.equal(['data:image/png;base64,AAAA']);
  });

  it('leaves what was copied on the page itself as it is', () => {
    const own = '<p data-pm-slice="0 0 []" data-id="b1" data-mark="own">· one</p>';
    expect(pastedHtml(own, none)).to.equal(own);
  });
});
