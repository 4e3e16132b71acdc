import { expect } from 'chai';
import { addressInCode, captionFile, clipPlaces, oembedAddress, readOembed } from '../../src/dress/index.ts';
import { postFromHtml, postToHtml } from '../../src/post/html.ts';
import { withIds } from '../../src/post/ids.ts';
import { postFromMarkdown, postToMarkdown } from '../../src/post/markdown.ts';
import { stretchOf, withStretch, withoutStretch } from '../../src/post/media-fragment.ts';
import { docFromJSON, schema } from '../../src/post/schema.ts';

// Media Fragments URI 1.0 (W3C Recommendation, 2012), the examples of 4.2.1 and 6.2.
describe('media fragments', () => {
  const cases: [string, { start: number; end: number }][] = [
    ['t=10,20', { start: 10, end: 20 }],
    ['t=,20', { start: 0, end: 20 }],
    ['t=10', { start: 10, end: 0 }],
    ['t=npt:10,20', { start: 10, end: 20 }],
    ['t=npt:120s,121.5s', { start: 120, end: 121.5 }],
    ['t=npt:0:02:00,0:02:01.5', { start: 120, end: 121.5 }],
    ['t=npt:02:00', { start: 120, end: 0 }],
    // 4.3: names and values may be percent-encoded.
    ['%74=%6ept:%310', { start: 10, end: 0 }],
    ['t=%6ept:10', { start: 10, end: 0 }],
    ['track=1&t=3', { start: 3, end: 0 }],
    // 6.2: of several the last valid one counts.
    ['t=10&t=20', { start: 20, end: 0 }],
    ['t=10&t=%25', { start: 10, end: 0 }],
    // Not valid: nothing is said.
    ['t=20,10', { start: 0, end: 0 }],
    ['t=10,10', { start: 0, end: 0 }],
    ['t=10,20,40', { start: 0, end: 0 }],
    ['t=asdf', { start: 0, end: 0 }],
    ['t=-5', { start: 0, end: 0 }],
    ['t=', { start: 0, end: 0 }],
    ['T=10', { start: 0, end: 0 }],
  ];
  for (const [fragment, stretch] of cases)
    it(`#${fragment}`, () => expect(stretchOf(`https://clips.example/a.webm#${fragment}`)).to.deep.equal(stretch));

  it('are written and taken off again', () => {
    const address = 'https://clips.example/a.webm';
    expect(withStretch(address, { start: 3, end: 0 })).to.equal(`${address}#t=3`);
    expect(withStretch(`${address}#t=9`, { start: 1.25, end: 4 })).to.equal(`${address}#t=1.3,4`);
    expect(withStretch(`${address}#track=2`, { start: 3, end: 0 })).to.equal(`${address}#track=2&t=3`);
    expect(withoutStretch(`${address}#track=2&t=3`)).to.equal(`${address}#track=2`);
    expect(withStretch(address, { start: 0, end: 0 })).to.equal(address);
  });
});

// oEmbed 1.0 (oembed.com), section 4 and the video example of section 2.3.4.2.
describe('oEmbed', () => {
  it('is discovered by its link element, and by no other', () => {
    const page = (link: string) => `<!doctype html><html><head>${link}</head><body>…</body></html>`;
    const json = '<link rel="alternate" type="application/json+oembed" href="http://clips.example/oembed?url=x&amp;format=json" title="x">';
    expect(oembedAddress(page(json), 'http://clips.example/x')).to.equal('http://clips.example/oembed?url=x&format=json');
    const relative = '<link rel="alternate" type="application/json+oembed" href="/oembed?x">';
    expect(oembedAddress(page(relative), 'https://clips.example/a/b')).to.equal('https://clips.example/oembed?x');
    for (const other of [
      '<link rel="alternate" type="text/xml+oembed" href="http://clips.example/oembed">',
      '<link rel="stylesheet" type="application/json+oembed" href="http://clips.example/oembed">',
      '<link rel="alternate" type="application/json+oembed" href="javascript:alert(1)">',
      '',
    ])
      expect(oembedAddress(page(other), 'https://clips.example/'), other).to.equal(null);
  });

  it('gives the frame of a video and what it is called, and nothing that runs', () => {
    const answer = {
      version: '1.0',
      type: 'video',
      provider_name: 'Clips',
      width: 425,
      height: 344,
      title: 'A chair, caned',
      author_name: 'The hall',
      html: '<iframe width="425" height="344" src="https://clips.example/player/9" onload="alert(1)"></iframe><script src="x"></script>',
    };
    expect(readOembed(answer, 'https://clips.example/9')).to.deep.equal({
      player: 'https://clips.example/player/9',
      ...{ title: 'A chair, caned', author: 'The hall', provider: 'Clips', width: 425, height: 344, still: '' },
    });
    for (const other of [
      { ...answer, type: 'photo' },
      { ...answer, html: '<script>x</script>' },
      { ...answer, html: '<iframe src="javascript:alert(1)">' },
      null,
      'x',
    ])
      expect(readOembed(other, 'https://clips.example/9')).to.equal(null);
  });

  it('or an address is read from embed code', () => {
    expect(addressInCode('<div><iframe src="//clips.example/e/9?x=1"></iframe></div>')).to.equal('https://clips.example/e/9?x=1');
    expect(addressInCode('<video controls><source src="https://clips.example/a.webm"></video>')).to.equal('https://clips.example/a.webm');
    expect(addressInCode('<blockquote cite="https://clips.example/9"><p>x</p></blockquote><script></script>')).to.equal(
      'https://clips.example/9',
    );
    for (const none of ['https://clips.example/9', '<iframe src="javascript:alert(1)"></iframe>', '<p>words</p>'])
      expect(addressInCode(none)).to.equal(null);
  });
});

describe('a clip on the page', () => {
  const clip = {
    address: 'https://clips.example/9',
    title: 'A chair',
    caption: 'From the evening',
    start: 3,
    end: 0,
    isPrivate: true,
    hasControls: true,
    poster: '/pictures/p',
  };
  const doc = schema.node('doc', null, [schema.node('clip', clip)]);
  const frame = { kind: 'frame', address: 'https://clips.example/player/9', width: 640, height: 360, captions: '' } as const;

  it('goes through Markdown and HTML and back', () => {
    const { poster: _, ...said } = clip;
    for (const back of [postFromMarkdown(postToMarkdown(doc)), postFromHtml(postToHtml(doc))])
      expect(back.firstChild!.attrs).to.deep.include(said);
  });

  it('of which nothing is known goes out as a link', () => {
    expect(postToHtml(doc)).to.equal(
      '<figure class="clip"><a href="https://clips.example/9#t=3">A chair</a><figcaption>From the evening</figcaption></figure>',
    );
  });

  it('with privacy names its host only inside the frame, behind a press', () => {
    const html = postToHtml(doc, { clip: () => frame });
    expect(html).to.match(/<iframe [^>]*srcdoc="[^"]*href=&#x22;https:\/\/clips\.example\/player\/9#t=3|srcdoc="[^"]*player\/9#t=3/);
    expect(html)
      .to.not.match(/<iframe[^>]* src=/)
      .and.to.not.contain('allow-same-origin');
    const open = docFromJSON({ ...doc.toJSON(), content: [{ type: 'clip', attrs: { ...clip, isPrivate: false } }] });
    expect(postToHtml(open, { clip: () => frame })).to.contain('src="https://clips.example/player/9#t=3"');
    expect(postToHtml(open, { clip: () => frame, isHere: true })).to.not.match(/<iframe[^>]* src=/);
  });

  it('as a media file has controls, its stretch, its captions, and loads nothing before it is played', () => {
    const html = postToHtml(doc, { clip: () => ({ ...frame, kind: 'video', address: '/media/a.webm', captions: '/media/a.vtt' }) });
    expect(html).to.contain('<video src="/media/a.webm#t=3"').and.to.contain('controls').and.to.contain('preload="none"');
    expect(html).to.contain('<track kind="captions" src="/media/a.vtt"');
  });

  it('is made of whatever plays something in pasted HTML: no frame comes onto the page', () => {
    const read = postFromHtml(
      '<p>Before</p><iframe src="https://clips.example/e/9#t=7" title="Seat"></iframe><video src="/a.webm"></video><iframe src="javascript:alert(1)">x</iframe>',
    );
    expect(read.children.map((block) => block.type.name)).to.deep.equal(['paragraph', 'clip', 'clip', 'paragraph']);
    expect(read.child(1).attrs).to.include({ address: 'https://clips.example/e/9', start: 7, title: 'Seat' });
  });

  it('is offered places: where its words are told, after the first paragraph, in the longest stretch', () => {
    let n = 0;
    const page = withIds(postFromMarkdown(`One.\n\nTwo.\n\n${'word '.repeat(90)}\n\nFour.`), () => `b${n++}`);
    const told = page.type.create(
      page.attrs,
      page.children.map((b, i) =>
        b.type.create({ ...b.attrs, origins: [{ source: 's', first: i, last: i, startMs: i * 10_000 }] }, b.content),
      ),
    );
    expect(clipPlaces(told, { source: 's', startMs: 29_000 }).map((place) => place.after)).to.deep.equal(['b3', 'b0', 'b2']);
    expect(clipPlaces(page)[0]!.why).to.equal('after the first paragraph');
  });
});

describe('captions', () => {
  it('are cut to what is read in time, each from when it is said', () => {
    const text = 'one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen';
    const file = captionFile([{ text, startMs: 1000, endMs: 9000, speaker: 'Mira <b>' }, { text: 'Without a time' }]);
    const cues = file.split('\n\n').slice(1);
    expect(cues).to.have.length(2);
    expect(cues[0]).to.match(/^00:00:01\.000 --> 00:00:0\d\.\d{3}\n<v Mira &lt;b&gt;>one/);
    expect(cues[1]).to.match(/ --> 00:00:09\.000\n/);
    for (const cue of cues) expect(cue.split('>').at(-1)!.trim().length).to.be.at.most(84);
  });

  it('begin where their first word is heard', () => {
    const text = `${'word '.repeat(20)}later words here`;
    const wordsMs = Array.from({ length: 23 }, (_, n) => [n * 500, n * 500 + 400]).flat();
    expect(captionFile([{ text, startMs: 0, endMs: 11_500, wordsMs }])).to.contain('00:00:08.500 --> 00:00:11.500');
  });
});
