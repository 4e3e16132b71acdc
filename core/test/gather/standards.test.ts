import { expect } from 'chai';
import { gather } from '../../src/gather/formats.ts';
import { postToMarkdown } from '@even-page/core/post/markdown';

const bytes = (text: string) => new TextEncoder().encode(text);
const rowsOf = async (csv: string, name = 'values.csv') => {
  const { draft } = await gather(bytes(csv), name);
  return draft!.doc.firstChild!.children.map((row) => row.children.map((cell) => cell.textContent));
};
const titleOf = async (subject: string) => {
  const mail = `From: a@larkfield.example\r\nTo: b@larkfield.example\r\nDate: Tue, 3 Mar 2026 19:00:00 +0000\r\nSubject: ${subject}\r\n\r\nWords.\r\n`;
  return (await gather(bytes(mail), 'note.eml')).source.title;
};
const bodyOf = async (headers: string, body: string | Uint8Array) => {
  const head = bytes(
    `From: a@larkfield.example\r\nTo: b@larkfield.example\r\nSubject: Notes\r\nDate: Tue, 3 Mar 2026 19:00:00 +0000\r\nMIME-Version: 1.0\r\n${headers}\r\n\r\n`,
  );
  const rest = typeof body === 'string' ? bytes(body) : body;
  const { draft } = await gather(Uint8Array.from([...head, ...rest]), 'note.eml');
  return postToMarkdown(draft!.doc).trim();
};

// The rules and the examples of RFC 4180, "Common Format and MIME Type for CSV Files", section 2.
describe('values in rows, after RFC 4180', () => {
  const TWO = [
    ['aaa', 'bbb', 'ccc'],
    ['zzz', 'yyy', 'xxx'],
  ];

  it('stand on lines of their own, the last with a break behind it or without (rules 1 and 2)', async () => {
    expect(await rowsOf('aaa,bbb,ccc\r\nzzz,yyy,xxx\r\n')).to.deep.equal(TWO);
    expect(await rowsOf('aaa,bbb,ccc\r\nzzz,yyy,xxx')).to.deep.equal(TWO);
  });

  it('have a head, which is the head of the table (rule 3)', async () => {
    const { draft } = await gather(bytes('field_name,other\r\naaa,bbb\r\n'), 'values.csv');
    const kinds = draft!.doc.firstChild!.children.map((row) => row.firstChild!.type.name);
    expect(kinds).to.deep.equal(['tableHeader', 'tableCell']);
  });

  it('may stand in quotes or not, in one row (rule 5)', async () => {
    expect(await rowsOf('"aaa","bbb","ccc"\r\nzzz,yyy,xxx')).to.deep.equal(TWO);
  });

  it('in quotes hold commas and breaks (rule 6)', async () => {
    expect(await rowsOf('"aaa","b\r\nbb","ccc"\r\nzzz,"y,yy",xxx')).to.deep.equal([
      ['aaa', 'b bb', 'ccc'],
      ['zzz', 'y,yy', 'xxx'],
    ]);
  });

  it('in quotes hold a quote written twice (rule 7)', async () => {
    expect(await rowsOf('"aaa","b""bb","ccc"\r\n1,2,3')).to.deep.equal([
      ['aaa', 'b"bb', 'ccc'],
      ['1', '2', '3'],
    ]);
  });

  it('that are fewer in one row than in another lose nothing', async () => {
    expect(await rowsOf('a,b\n1\n2,3,4')).to.deep.equal([
      ['a', 'b', ''],
      ['1', '', ''],
      ['2', '3', '4'],
    ]);
  });
});

// The table of examples in section 8 of RFC 2047, "MIME Part Three: Message Header Extensions for Non-ASCII Text".
describe('encoded words in the subject of a mail, after RFC 2047', () => {
  for (const [written, read] of [
    ['=?ISO-8859-1?Q?a?=', 'a'],
    ['=?ISO-8859-1?Q?a?= b', 'a b'],
    ['=?ISO-8859-1?Q?a?= =?ISO-8859-1?Q?b?=', 'ab'],
    ['=?ISO-8859-1?Q?a?=  =?ISO-8859-1?Q?b?=', 'ab'],
    ['=?ISO-8859-1?Q?a?=\r\n =?ISO-8859-1?Q?b?=', 'ab'],
    ['=?ISO-8859-1?Q?a_b?=', 'a b'],
    ['=?ISO-8859-1?Q?a?= =?ISO-8859-2?Q?_b?=', 'a b'],
  ] as const)
    it(`${JSON.stringify(written)} is ${JSON.stringify(read)}`, async () => expect(await titleOf(written)).to.equal(read));

  it('may be in base 64', async () => {
    expect(await titleOf('=?UTF-8?B?Q2Fmw6kgbmlnaHQ=?=')).to.equal('Café night');
  });
});

// Encodings of bodies: RFC 2045, sections 6.7 and 6.8; kinds of parts: RFC 2046, sections 5.1.3 and 5.1.4.
describe('the body of a mail, after RFC 2045 and 2046', () => {
  it('in quoted-printable has its soft breaks taken out', async () => {
    const body = "Now's the time =\r\nfor all folk to come=\r\n to the aid of the hall =3D all of it.";
    expect(await bodyOf('Content-Type: text/plain; charset=us-ascii\r\nContent-Transfer-Encoding: quoted-printable', body)).to.equal(
      "Now's the time for all folk to come to the aid of the hall = all of it.",
    );
  });

  it('in base 64 is read whatever length its lines have', async () => {
    const encoded = Buffer.from('Bring the long ladder, please.').toString('base64');
    const lines = encoded.match(/.{1,7}/g)!.join('\r\n');
    expect(await bodyOf('Content-Type: text/plain; charset=utf-8\r\nContent-Transfer-Encoding: base64', lines)).to.equal(
      'Bring the long ladder, please.',
    );
  });

  it('in another character set is read in it', async () => {
    const body = Uint8Array.from([0x43, 0x61, 0x66, 0xe9, 0x20, 0x6f, 0x70, 0x65, 0x6e, 0x2e]);
    expect(await bodyOf('Content-Type: text/plain; charset=iso-8859-1\r\nContent-Transfer-Encoding: 8bit', body)).to.equal('Café open.');
  });

  it('of alternatives is the last, richest one; what stands before and after the parts is none of it', async () => {
    const body =
      'For programs that know no parts.\r\n--b\r\nContent-Type: text/plain\r\n\r\nCome at *seven*.\r\n--b\r\nContent-Type: text/html\r\n\r\n<p>Come at <b>seven</b>.</p>\r\n--b--\r\nAfter all.\r\n';
    expect(await bodyOf('Content-Type: multipart/alternative; boundary="b"', body)).to.equal('Come at **seven**.');
  });

  it('in parts one within the other is found', async () => {
    const body =
      '--out\r\nContent-Type: multipart/alternative; boundary=in\r\n\r\n--in\r\nContent-Type: text/plain\r\n\r\nOne.\r\n--in\r\nContent-Type: text/html\r\n\r\n<p>One, rich.</p>\r\n--in--\r\n--out--\r\n';
    expect(await bodyOf('Content-Type: multipart/mixed; boundary=out', body)).to.equal('One, rich.');
  });
});

// Time expressions: W3C, "Timed Text Markup Language 2", section 12.3.1, each metric and each form of a clock.
describe('times of timed text, after TTML 2', () => {
  const startOf = async (begin: string, root = '') => {
    const { source } = await gather(
      bytes(
        `<tt xmlns="http://www.w3.org/ns/ttml" xmlns:ttp="http://www.w3.org/ns/ttml#parameter" ${root}><body><div><p begin="${begin}" end="9h">Words</p></div></body></tt>`,
      ),
      'a.ttml',
    );
    return source.passages[0]!.startMs;
  };

  for (const [begin, ms, root] of [
    ['1h', 3_600_000],
    ['1.5m', 90_000],
    ['3.4s', 3400],
    ['250ms', 250],
    ['15f', 500],
    ['12f', 500, 'ttp:frameRate="24"'],
    ['30f', 1001, 'ttp:frameRate="30" ttp:frameRateMultiplier="1000 1001"'],
    ['500t', 50, 'ttp:tickRate="10000"'],
    ['3t', 3000],
    ['01:02:03', 3_723_000],
    ['01:02:03.235', 3_723_235],
    ['100:00:00.1', 360_000_100],
    ['00:00:01:12', 1500, 'ttp:frameRate="24"'],
  ] as const) {
    it(`${begin} ${root ? `with ${root} ` : ''}is ${ms} milliseconds`, async () => {
      expect(await startOf(begin, root)).to.equal(ms);
    });
  }
});

// OPML 2.0 (opml.org), "What is a <outline>?", "Text attribute", "Common attributes", "Links and inclusion".
describe('outlines, after OPML 2.0', () => {
  const page = async (body: string, head = '<title>Evening</title>') => {
    const gathered = await gather(
      bytes(`<?xml version="1.0" encoding="UTF-8"?><opml version="2.0"><head>${head}</head><body>${body}</body></opml>`),
      'a.opml',
    );
    return { title: gathered.source.title, markdown: postToMarkdown(gathered.draft!.doc) };
  };

  it('have their words in the attribute text, in which marks may be encoded', async () => {
    const { title, markdown } = await page('<outline text="Tea &amp; cake at &lt;b&gt;seven&lt;/b&gt;"/><outline text="Chairs"/>');
    expect(title).to.equal('Evening');
    expect(markdown).to.equal('- Tea & cake at seven\n- Chairs\n');
  });

  it('hold any number of others, to any depth', async () => {
    const { markdown } = await page(
      '<outline text="One"><outline text="Two"><outline text="Three"><outline text="Four"><outline text="Five"/></outline></outline></outline></outline>',
    );
    expect(markdown).to.equal('## One\n\n### Two\n\n#### Three\n\n- Four\n  - Five\n');
  });

  it('of type link are links, and other attributes say nothing', async () => {
    const { markdown } = await page(
      '<outline type="link" url="https://larkfield.example/cane" text="Cane" created="Fri, 13 Mar 2026 10:00:00 GMT" isBreakpoint="true"/>',
    );
    expect(markdown).to.equal('- [Cane](https://larkfield.example/cane)\n');
  });

  it('need no title, and no head at all', async () => {
    expect(await page('<outline text="Alone"/>', '')).to.deep.equal({ title: undefined, markdown: '- Alone\n' });
  });
});
