import { expect } from 'chai';
import { randomUUID } from 'node:crypto';
import { createServer } from 'node:http';
import { rmSync } from 'node:fs';
import { crc32, deflateSync } from 'node:zlib';
import sharp from 'sharp';
import { freePort, newFolder, type RunningServer, startBlog, startClipHost, startServer, startStock } from '../running-server.ts';
import { uploader } from './uploader.ts';
import { fileOf, form, writer } from './writer.ts';

/** A picture with the grain and the soft shapes of a photograph. */
const photograph = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: '#808080', noise: { type: 'gaussian', mean: 128, sigma: 70 } } })
    .blur(6)
    .linear(4, -380)
    .jpeg({ quality: 95 })
    .toBuffer();

/** A PNG that says it is of a size and holds next to nothing. */
function emptyPng(width: number, height: number): Buffer {
  const chunk = (type: string, data: Buffer) => {
    const named = Buffer.concat([Buffer.from(type), data]);
    const [length, sum] = [Buffer.alloc(4), Buffer.alloc(4)];
    length.writeUInt32BE(data.length);
    sum.writeUInt32BE(crc32(named));
    return Buffer.concat([length, named, sum]);
  };
  const head = Buffer.alloc(13);
  head.writeUInt32BE(width, 0);
  head.writeUInt32BE(height, 4);
  head.set([8, 2, 0, 0, 0], 8);
  return Buffer.concat([
    Buffer.from('89504e470d0a1a0a', 'hex'),
    chunk('IHDR', head),
    chunk('IDAT', deflateSync(Buffer.alloc(99))),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}

describe('pictures and clips on the server', () => {
  let server: RunningServer;
  let blog: Awaited<ReturnType<typeof startBlog>>;
  let host: Awaited<ReturnType<typeof startClipHost>>;
  let stock: Awaited<ReturnType<typeof startStock>>;
  let id: string;
  const { bring, read, save } = writer(() => server);

  before(async () => {
    [blog, host, stock] = await Promise.all([startBlog(), startClipHost(), startStock()]);
    server = await startServer({ env: { EVEN_PAGE_FETCH_ALLOW: new URL(host.address).host, STOCK_URL: stock.address } });
    id = await bring(fileOf('autumn-mending-day.md'));
  });
  after(async () => {
    await server.stop();
    for (const other of [blog, host, stock]) other.stop();
  });

  const add = (name: string, bytes: Uint8Array) =>
    server.call(`/pieces/${id}/pictures`, form('picture', new File([new Uint8Array(bytes)], name)));
  const added = async (name: string, bytes: Uint8Array) => (await (await add(name, bytes)).json()).pictures[0];
  const file = async (src: string, as: string) => {
    const response = await server.call(`${src}?as=${as}`);
    return { response, bytes: Buffer.from(await response.arrayBuffer()) };
  };

  describe('a picture', () => {
    it('is made light in widths that are never wider than it is, with one for readers without WebP', async () => {
      const { src, width, height } = await added('bench.jpg', await photograph(1000, 700));
      expect([width, height]).to.deep.equal([1000, 700]);
      const widths: number[] = [];
      for (const as of ['small', 'medium', 'large', 'full']) widths.push((await sharp((await file(src, as)).bytes).metadata()).width);
      expect(widths).to.deep.equal([375, 750, 1000, 1000]);
      expect((await file(src, 'fallback')).response.headers.get('content-type')).to.equal('image/jpeg');
    });

    // FACTS.md, pictures and clips (common practice, no source): 640 x 413 becomes 375 x 242, and far lighter.
    it('of 640 x 413 becomes 375 x 242 at a third of its weight or less', async () => {
      const original = await photograph(640, 413);
      const { src } = await added('evening.jpg', original);
      const { bytes } = await file(src, 'small');
      const { width, height, format } = await sharp(bytes).metadata();
      expect([width, height, format]).to.deep.equal([375, 242, 'webp']);
      expect(bytes.length / original.length).to.be.at.most(0.35);
    });

    it('is turned upright, and tells nobody where it was taken, and by whom only where it should', async () => {
      const bytes = await sharp(await photograph(800, 500))
        .withMetadata({ orientation: 6 })
        .withExifMerge({
          IFD0: { Artist: 'Anneke Tull', Copyright: 'Anneke Tull, https://creativecommons.org/licenses/by/4.0/' },
          IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '51/1 30/1 0/1' },
        })
        .toBuffer();
      const { src, width, height, rights, credit } = await added('turned.jpg', bytes);
      expect([width, height]).to.deep.equal([500, 800]);
      expect(rights).to.deep.include({ licence: 'cc-by', credit: 'Anneke Tull' });
      expect(credit).to.equal('Picture: Anneke Tull, Creative Commons Attribution 4.0');
      const { exif, orientation } = await sharp((await file(src, 'full')).bytes).metadata();
      expect([exif, orientation]).to.deep.equal([undefined, undefined]);
    });

    it('keeps its rights when they stand in XMP', async () => {
      const xmp = `<x:xmpmeta xmlns:x="adobe:ns:meta/"><rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#"><rdf:Description rdf:about="" xmlns:xmpRights="http://ns.adobe.com/xap/1.0/rights/" xmlns:photoshop="http://ns.adobe.com/photoshop/1.0/" xmpRights:WebStatement="https://creativecommons.org/publicdomain/zero/1.0/" photoshop:Credit="Ravi Osgood"/></rdf:RDF></x:xmpmeta>`;
      const bytes = await sharp(await photograph(300, 200))
        .withXmp(xmp)
        .toBuffer();
      expect((await added('xmp.jpg', bytes)).rights).to.deep.include({ licence: 'cc0', credit: 'Ravi Osgood' });
    });

    it('is one picture when its file comes twice, and its doubles are found by look too', async () => {
      const original = await photograph(900, 600);
      const first = await added('one.jpg', original);
      expect((await added('again.jpg', original)).src).to.equal(first.src);
      const other = await added('smaller.png', await sharp(original).resize(450).png().toBuffer());
      expect(other.src).to.not.equal(first.src);
      const { pictures } = await (await server.call(`${first.src}/like`)).json();
      expect(pictures).to.deep.equal([{ src: other.src, isSame: false }]);
    });

    it('is cut to a shape around the point that must be seen', async () => {
      // Left half black, right half white.
      const half = { create: { width: 800, height: 800, channels: 3 as const, background: '#fff' } };
      const bytes = await sharp({ create: { width: 1600, height: 800, channels: 3, background: '#000' } })
        .composite([{ input: half, left: 800, top: 0 }])
        .png()
        .toBuffer();
      const { src } = await added('halves.png', bytes);
      const middleOf = async () =>
        (
          await sharp((await file(src, 'square')).bytes)
            .resize(1, 1)
            .greyscale()
            .raw()
            .toBuffer()
        )[0]!;
      for (const [x, low, high] of [
        [0, 0, 20],
        [1, 235, 255],
      ] as const) {
        await server.call(src, { method: 'PATCH', body: { focus: { x, y: 0.5 } } });
        expect(await middleOf(), String(x)).to.be.within(low, high);
      }
    });

    it('is lighter at a lower quality, which can be looked at first', async () => {
      const picture = await added('quality.jpg', await photograph(900, 600));
      const weigh = async (quality: number) =>
        (await (await server.call(`${picture.src}/tried?quality=${quality}`)).arrayBuffer()).byteLength;
      expect(await weigh(40)).to.be.lessThan(await weigh(80));
      const changed = await (await server.call(picture.src, { method: 'PATCH', body: { quality: 40 } })).json();
      expect(changed.picture.bytes).to.be.lessThan(picture.bytes);
      expect(await (await server.call(`${picture.src}/original`)).arrayBuffer()).to.have.property('byteLength', picture.originalBytes);
    });

    it('that a page shows is not put away, and says where it is shown; any other can be brought back', async () => {
      const { src } = await added('shown.jpg', await photograph(400, 300));
      const { piece } = await read(id);
      piece.doc.content.push({ type: 'picture', attrs: { id: 'shown', src, alt: 'A bench' } });
      await save(id, piece);
      const refused = await server.call(src, { method: 'DELETE' });
      expect(refused.status).to.equal(422);
      expect((await refused.json()).message).to.contain(piece.details.title);
      const idle = await added('idle.jpg', await photograph(401, 300));
      const names = async () => (await (await server.call('/pictures/__data.json')).text()).includes(idle.src);
      expect((await server.call(idle.src, { method: 'DELETE' })).status).to.equal(200);
      expect(await names()).to.equal(false);
      await server.call(`${idle.src}/back`, { method: 'POST' });
      expect(await names()).to.equal(true);
    });
  });

  describe('a file that is no picture as it should be', () => {
    const refusals: [string, string, () => Promise<Buffer> | Buffer, RegExp][] = [
      ['lies about its kind', 'page.jpg', () => Buffer.from('<!doctype html><p>Hello</p>'), /^page\.jpg is not a picture/],
      ['is of 40,000 x 40,000 pixels', 'huge.png', () => emptyPng(40_000, 40_000), /^huge\.png is 40,000 × 40,000 pixels/],
      [
        'breaks off',
        'half.jpg',
        async () => (await photograph(900, 600)).subarray(0, 20_000),
        /^half\.jpg is damaged or did not arrive whole/,
      ],
      ['is empty', 'none.png', () => Buffer.alloc(0), /^none\.png is not a picture/],
    ];
    for (const [says, name, bytes, sentence] of refusals) {
      it(`${says} is refused in a sentence, and nothing of it stays`, async () => {
        const before = await (await server.call('/pictures/__data.json')).text();
        const response = await add(name, await bytes());
        expect(response.status).to.equal(422);
        expect((await response.json()).message).to.match(sentence);
        expect(await (await server.call('/pictures/__data.json')).text()).to.equal(before);
      });
    }

    const shown: [string, string, () => Promise<Buffer> | Buffer][] = [
      [
        'CMYK',
        'print.jpg',
        async () =>
          sharp(await photograph(300, 200))
            .toColourspace('cmyk')
            .jpeg()
            .toBuffer(),
      ],
      [
        '16 bit',
        'deep.png',
        async () =>
          sharp(await photograph(300, 200))
            .toColourspace('rgb16')
            .png()
            .toBuffer(),
      ],
      [
        'a drawing with a script',
        'drawing.svg',
        () =>
          Buffer.from(
            '<svg xmlns="http://www.w3.org/2000/svg" width="90" height="60"><script>alert(1)</script><image href="http://127.0.0.1:9/x.png" width="9" height="9"/><rect width="90" height="60" fill="#1f5a4d"/></svg>',
          ),
      ],
    ];
    for (const [says, name, bytes] of shown) {
      it(`${says} is shown in the colours of screens`, async () => {
        const { src } = await added(name, await bytes());
        const { response, bytes: light } = await file(src, 'full');
        expect(response.headers.get('content-type')).to.equal('image/webp');
        const { space, depth } = await sharp(light).metadata();
        expect([space, depth]).to.deep.equal(['srgb', 'uchar']);
      });
    }

    it('a drawing is only saved as it came, never shown', async () => {
      const { src } = await added(
        'drawing.svg',
        Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="91" height="60"><script>alert(1)</script></svg>'),
      );
      const headers = (await server.call(`${src}/original`)).headers;
      expect(headers.get('content-type')).to.equal('application/octet-stream');
      expect(headers.get('content-disposition')).to.match(/^attachment/);
    });

    it('a moving picture goes on moving', async () => {
      const frames = ['#f00', '#0f0', '#00f'].map((background) => ({
        create: { width: 60, height: 40, channels: 3 as const, background },
      }));
      const gif = await sharp(await Promise.all(frames.map((frame) => sharp(frame).png().toBuffer())), { join: { animated: true } })
        .gif()
        .toBuffer();
      const { src, height } = await added('turning.gif', gif);
      expect(height).to.equal(40);
      expect((await sharp((await file(src, 'full')).bytes).metadata()).pages).to.equal(3);
    });

    it('at an address that answers with a page, or not at all, is refused', async () => {
      for (const address of [`${host.address}/clips/caning-first-steps`, `http://127.0.0.1:${await freePort()}/a.png`]) {
        const response = await server.call(`/pieces/${id}/pictures`, { method: 'POST', body: { address } });
        expect(response.status, address).to.equal(422);
      }
    });
  });

  it('an upload cut at 30 % goes on after a restart of the server, and is the picture the page names already', async () => {
    const data = await newFolder();
    let other = await startServer({ data });
    const bytes = new Uint8Array(await photograph(1200, 800));
    const upload = await uploader(other).begin(bytes, Math.round(bytes.length * 0.3));
    await other.kill();
    other = await startServer({ data });
    const piece = await writer(() => other).bring(fileOf('autumn-mending-day.md'));
    const picture = randomUUID();
    const take = () => other.call(`/pieces/${piece}/pictures`, { method: 'POST', body: { upload, id: picture, name: 'bench.jpg' } });
    expect((await (await take()).json()).message).to.match(/did not arrive whole/);
    expect(await uploader(other).goOn(upload, bytes)).to.equal(Math.round(bytes.length * 0.3));
    const { pictures } = await (await take()).json();
    expect(pictures[0]).to.include({ src: `/pictures/${picture}`, width: 1200 });
    // Asked again, as after an answer that was lost.
    expect((await (await take()).json()).pictures[0].src).to.equal(pictures[0].src);
    await other.stop();
    rmSync(data, { recursive: true, force: true });
  });

  describe('the picture stock', () => {
    it('is searched by words, page by page, and gives a picture with its rights', async () => {
      const found = await (await server.call('/stock?words=chairs caning')).json();
      expect(found.pictures.map((p: { title: string }) => p.title))
        .to.include('Caned seat')
        .and.to.include('Chair');
      const thumb = (address: string) => server.call(`/stock/thumb?address=${encodeURIComponent(address)}`);
      expect((await thumb(found.pictures[0].thumb)).headers.get('content-type')).to.equal('image/jpeg');
      // Nothing but the stock is asked through this door.
      expect((await thumb(`${host.address}/stills/caning-first-steps.png`)).status).to.equal(422);
      const all = await (await server.call('/stock?words=')).json();
      expect(all.total).to.be.at.least(60);
      expect(all.pages).to.be.greaterThan(1);
      const [{ id: chosen, title, maker }] = found.pictures;
      const { picture } = await (
        await server.call('/stock', { method: 'POST', body: { id: chosen, words: 'chairs caning', page: 1 } })
      ).json();
      expect(picture).to.deep.include({ alt: title, width: 2400 });
      expect(picture.rights.credit).to.equal(maker);
      expect(picture.rights.licence).to.not.equal('unknown');
    });

    it('that does not answer, or answers nonsense, says so', async () => {
      const nonsense = createServer((_, answer) => answer.end('{"pictures": 3}')).listen(0, '127.0.0.1');
      await new Promise((done) => nonsense.once('listening', done));
      const port = (nonsense.address() as { port: number }).port;
      for (const STOCK_URL of [`http://127.0.0.1:${await freePort()}`, `http://127.0.0.1:${port}`]) {
        const other = await startServer({ env: { STOCK_URL } });
        const response = await other.call('/stock?words=lamp');
        expect(response.status).to.equal(422);
        expect((await response.json()).message).to.match(/does not answer/);
        await other.stop();
      }
      nonsense.close();
    });
  });

  describe('a clip', () => {
    const lookUp = (address: string) => server.call('/clips', { method: 'POST', body: { address } });

    it('is found by the page that offers it, by embed code, and as a media file', async () => {
      const page = `${host.address}/clips/caning-first-steps`;
      const { clip } = await (await lookUp(`${page}#t=3`)).json();
      expect(clip).to.include({
        address: page,
        kind: 'frame',
        player: `${host.address}/player/caning-first-steps`,
        title: 'Caning: the first steps',
      });
      expect(clip.still).to.match(/^\/pictures\//);
      const code = `<div><iframe src="${page}" onload="alert(1)"></iframe><script src="${host.address}/track.js"></script></div>`;
      expect((await (await lookUp(code)).json()).clip.address).to.equal(page);
      const media = (await (await lookUp(`${host.address}/media/caning-first-steps`)).json()).clip;
      expect(media.kind).to.equal('video');
      const part = await server.call(`/clips/media?address=${encodeURIComponent(media.address)}`, { headers: { range: 'bytes=0-99' } });
      expect(part.status).to.equal(206);
      expect((await part.arrayBuffer()).byteLength).to.equal(100);
    });

    it('that nobody offers, or that stands in a private network, is refused in a sentence', async () => {
      for (const address of [`${host.address}/oembed`, `${host.address}/nowhere`, 'http://10.0.0.1/clip', 'file:///etc/passwd', 'words'])
        expect((await lookUp(address)).status, address).to.equal(422);
    });

    it('has captions made of the words of its recording', async () => {
      const piece = await bring(fileOf('knife-evening.srt'));
      const { sources } = await read(piece);
      const captions = await (await server.call(`/sources/${sources[0].id}/captions`)).text();
      expect(captions).to.match(/^WEBVTT\n\n\d\d:\d\d:\d\d\.\d{3} --> \d\d:\d\d:\d\d\.\d{3}\n/);
      expect(Math.max(...captions.split('\n').map((line) => line.length))).to.be.at.most(100);
    });
  });

  it('goes out with every file at the outlet, its cover, and frames of hosts that were asked and no others', async () => {
    const outlet = (
      await (
        await server.call('/outlets', { method: 'POST', body: { name: 'Blog', endpoint: `${blog.address}/micropub`, token: blog.token } })
      ).json()
    ).id;
    const own = await bring(fileOf('mending-log.md'));
    const seat = await added('seat.jpg', await photograph(1700, 1100));
    const pair = [await added('left.jpg', await photograph(800, 500)), await added('right.jpg', await photograph(500, 800))];
    const page = `${host.address}/clips/caning-first-steps`;
    const { clip } = await (await server.call('/clips', { method: 'POST', body: { address: page } })).json();
    const { piece } = await read(own);
    const blocks = [
      { type: 'picture', attrs: { id: 'p1', src: seat.src, href: seat.src, alt: 'A seat', size: 'medium', align: 'left' } },
      {
        type: 'pictureRow',
        attrs: { id: 'r1' },
        content: pair.map((p, n) => ({ type: 'picture', attrs: { id: `q${n}`, src: p.src, alt: `Part ${n}` } })),
      },
      { type: 'clip', attrs: { id: 'c1', address: page, title: clip.title, poster: clip.still, start: 3 } },
      { type: 'clip', attrs: { id: 'c2', address: 'https://elsewhere.example/player', title: 'Not asked' } },
    ];
    await save(own, piece, {
      doc: { ...piece.doc, content: [...piece.doc.content, ...blocks] },
      details: { cover: seat.src, slug: 'dressed' },
    });
    const { url } = await (await server.call(`/pieces/${own}/publish`, { method: 'POST', body: { outlet } })).json();
    const html = await (await fetch(url)).text();
    expect(html).to.match(
      /<figure class="medium left"><a href="[^"]+\.webp"><picture><source type="image\/webp" srcset="[^"]+ 375w, [^"]+ 750w, [^"]+ 1200w, [^"]+ 1600w" sizes="\(max-width: 420px\) 100vw, 420px">/,
    );
    expect(html).to.match(/<figure class="row"><figure><picture>/);
    expect(html).to.contain('class="u-featured"').and.to.contain('og:image');
    expect(html).to.contain(`${host.address}/player/caning-first-steps#t=3`).and.to.not.contain(`<iframe src=`);
    expect(html).to.contain('<figure class="clip"><a href="https://elsewhere.example/player">Not asked</a>');
    for (const [, address] of html.matchAll(/(http:[^"\s]+\/media\/[^"\s&]+)/g))
      expect((await fetch(address!)).status, address).to.equal(200);
  });

  it('keeps covers under a name, one a name', async () => {
    const design = {
      template: 'leaf',
      size: 'cover',
      title: '',
      byline: 'The hall',
      colours: { ground: '#ffffff', ink: '#000000', accent: '#1f5a4d' },
      pictures: [],
    };
    for (const byline of ['The hall', 'The workshop'])
      await server.call('/covers', { method: 'POST', body: { name: 'Evenings', design: { ...design, byline } } });
    const { covers } = await (await server.call('/covers')).json();
    expect(covers).to.have.length(1);
    expect(covers[0].design.byline).to.equal('The workshop');
    await server.call(`/covers/${covers[0].id}`, { method: 'DELETE' });
    expect((await (await server.call('/covers')).json()).covers).to.deep.equal([]);
  });
});
