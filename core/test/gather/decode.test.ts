import { expect } from 'chai';
import { gather } from '../../src/gather/formats.ts';

const ascii = (text: string) => Uint8Array.from(text, (c) => c.charCodeAt(0));
const words = async (bytes: Uint8Array, name: string) => (await gather(bytes, name)).source.passages.map((p) => p.text).join(' | ');

// Bytes by the indexes of the WHATWG Encoding Standard; Python's codecs write the same.
describe('letters of other code pages', () => {
  it('are read as a page declares itself', async () => {
    for (const [label, bytes, wanted] of [
      ['windows-1252', '\x93Soak\x94 \x96 \x80 5', '“Soak” – € 5'],
      ['iso-8859-1', 'caf\xe9 \x85', 'café …'],
      ['windows-1251', '\xcf\xf0\xe8\xe2\xe5\xf2', 'Привет'],
      ['gbk', '\xc4\xe3\xba\xc3', '你好'],
      ['big5', '\xa7\x41\xa6\x6e', '你好'],
      ['shift_jis', '\x8d\x60\x8e\x71', '港子'],
      ['no-such-thing', 'caf\xe9', 'café'],
    ] as const) {
      expect(
        await words(ascii(`<html><head><meta charset="${label}"></head><body><p>${bytes}</p></body></html>`), 'a.html'),
        label,
      ).to.equal(wanted);
      const http = `<meta http-equiv="Content-Type" content="text/html; charset=${label}">`;
      expect(await words(ascii(`<html><head>${http}</head><body><p>${bytes}</p></body></html>`), 'a.html'), label).to.equal(wanted);
    }
  });

  it('are read in captions and notes that declare nothing', async () => {
    expect(await words(ascii('1\n00:00:01,000 --> 00:00:02,000\n\x93Soak it\x94\x85\n'), 'a.srt')).to.equal('“Soak it”…');
    expect(await words(ascii('The caf\xe9 \x96 at nine.'), 'a.txt')).to.equal('The café – at nine.');
  });

  it('are read in RTF, one byte and two, also where the second looks like a letter', async () => {
    const rtf = (page: number, text: string) => ascii(`{\\rtf1\\ansi\\ansicpg${page}\\deff0 {\\fonttbl{\\f0 Serif;}}\\pard ${text}\\par}`);
    expect(await words(rtf(1252, "\\'93Soak\\'94 \\'80 5"), 'a.rtf')).to.equal('“Soak” € 5');
    expect(await words(rtf(1251, "\\'cf\\'f0\\'e8\\'e2\\'e5\\'f2"), 'a.rtf')).to.equal('Привет');
    expect(await words(rtf(936, "\\'c4\\'e3\\'ba\\'c3 OK"), 'a.rtf')).to.equal('你好 OK');
    expect(await words(rtf(950, "\\'a7A\\'a6n"), 'a.rtf')).to.equal('你好');
    expect(await words(rtf(932, "\\'8d`\\'8eq"), 'a.rtf')).to.equal('港子');
  });

  it('are read in mail', async () => {
    const mail = (charset: string, body: string) =>
      ascii(
        `From: a@example.org\r\nTo: b@example.org\r\nSubject: =?windows-1252?Q?=93Soak=94?=\r\nMIME-Version: 1.0\r\nContent-Type: text/plain; charset=${charset}\r\nContent-Transfer-Encoding: 8bit\r\n\r\n${body}\r\n`,
      );
    const { source } = await gather(mail('windows-1252', '\x93Wait\x94 \x96 a day.'), 'a.eml');
    expect(source.title).to.equal('“Soak”');
    expect(source.passages.map((p) => p.text).join(' ')).to.equal('“Wait” – a day.');
    expect(await words(mail('windows-1251', '\xcf\xf0\xe8\xe2\xe5\xf2'), 'a.eml')).to.equal('Привет');
  });
});
