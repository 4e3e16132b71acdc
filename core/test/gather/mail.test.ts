import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import type { Gathered } from '../../src/gather/format.ts';
import { gather } from '../../src/gather/formats.ts';
import { gatherSeveral } from '../../src/gather/several.ts';
import { postToMarkdown } from '@even-page/core/post/markdown';

const bytes = (text: string) => new TextEncoder().encode(text.replace(/\r?\n/g, '\r\n'));
const sample = (name: string) => new Uint8Array(readFileSync(new URL(`../samples/${name}`, import.meta.url)));
const page = ({ draft }: Gathered) => postToMarkdown(draft!.doc).trim();
const HEAD = 'From: Odile <odile@larkfield.example>\nTo: hall@larkfield.example\nDate: Tue, 3 Mar 2026 19:00:00 +0000\n';
const plain = async (body: string, type = 'text/plain; charset=utf-8', subject = 'Caning') =>
  gather(bytes(`${HEAD}Subject: ${subject}\nMIME-Version: 1.0\nContent-Type: ${type}\n\n${body}`), 'a.eml');
const html = async (body: string) =>
  page(await plain(`<html><head><title>x</title></head><body>${body}</body></html>`, 'text/html; charset=utf-8'));
const OWN = 'The seat wants four hours, and the cane a bowl of water.';

// The forms programs write answers in (common practice, no source).
describe('a mail that answers another is its own words', () => {
  for (const [form, body] of [
    ['quoted below, with who wrote it', `${OWN}\n\nOn Tue, 3 Mar 2026 at 19:00, Bo <bo@larkfield.example> wrote:\n> How long?\n>\n> Bo`],
    [
      'who wrote it on two lines',
      `${OWN}\n\nOn Tue, 3 Mar 2026 at 19:00, Bo Lindqvist of the hall\n<bo@larkfield.example> wrote:\n\n> How long?`,
    ],
    ['nested', `${OWN}\n\nAm 3. März 2026 um 19:00 schrieb Bo:\n> So lange?\n>> Wie lange?\n>>> Fragen.`],
    [
      'set off by a rule and headers',
      `${OWN}\n\n-----Original Message-----\nFrom: Bo\nSent: Tuesday\nTo: Odile\nSubject: Caning\n\nHow long?`,
    ],
    [
      'set off by headers in bold',
      `${OWN}\n\n________________________________\n*From:* Bo <bo@larkfield.example>\n*Sent:* Tuesday\n*To:* Odile\n*Subject:* Caning\n\nHow long?`,
    ],
    ['headers of another language', `${OWN}\n\nVon: Bo\nGesendet: Dienstag\nAn: Odile\nBetreff: Rohr\n\nWie lange?`],
    ['a signature between it and the mail', `${OWN}\n\n-- \nOdile\nLarkfield\n\nOn 3 Mar 2026, Bo wrote:\n> How long?`],
    ['a signature without its space', `${OWN}\n\n--\nOdile`],
    ['what the program puts below', `${OWN}\n\nSent from my phone`],
    [
      'a thread without signs',
      `${OWN}\n\nOn 3 Mar 2026, at 19:00, Bo wrote:\n\nHow long?\n\nOn 2 Mar 2026, at 9:00, Odile wrote:\n\nAsk me.`,
    ],
    ['quoted above at length', `On 3 Mar 2026, Bo wrote:\n> ${'How long does it take and what do I need for it? '.repeat(8)}\n\n${OWN}`],
  ] as const)
    it(form, async () => expect(page(await plain(body))).to.equal(OWN));

  it('with a short question that stands above its answer', async () => {
    const written = page(await plain(`On 3 Mar 2026, Bo wrote:\n> How long?\n\nFour hours.\n\n> With what?\n\nA bowl of water.`));
    expect(written).to.equal('> How long?\n\nFour hours.\n\n> With what?\n\nA bowl of water.');
  });

  it('and says how many words stayed out, and nothing for a signature', async () => {
    const answer = await plain(`${OWN}\n\nOn 3 Mar 2026, Bo wrote:\n> ${'How long does it take? '.repeat(4)}`);
    expect(answer.notes).to.deep.equal(['What this mail answers, and its signature, stayed out: 26 words. “Whole mail” brings it in.']);
    expect((await plain(`${OWN}\n\n-- \nOdile`)).notes).to.equal(undefined);
  });

  it('and all of it is one choice away', async () => {
    const body = `${OWN}\n\nOn 3 Mar 2026, Bo wrote:\n> How long?\n\n-- \nOdile`;
    const mail = bytes(`${HEAD}Subject: Caning\nContent-Type: text/plain\n\n${body}`);
    const whole = await gather(mail, 'a.eml', 'whole');
    for (const words of [OWN, 'Bo wrote:', '> How long?', 'Odile']) expect(page(whole)).to.contain(words);
    const rich = bytes(`${HEAD}Subject: Caning\nContent-Type: text/html\n\n<p>${OWN}</p><blockquote type="cite">How long?</blockquote>`);
    expect(page(await gather(rich, 'a.eml', 'whole'))).to.contain('How long?');
  });

  it('but keeps a colon, a rule and dashes of its own', async () => {
    const body = `What she wrote:\n\nFrom: the hall\n\n-----\n\nSent from my heart, truly, and more than once a week at that.\n\nEnd.`;
    const written = page(await plain(body));
    for (const words of ['What she wrote:', 'From: the hall', 'Sent from my heart', 'End.']) expect(written).to.contain(words);
  });

  it('under its subject without Re and Fwd', async () => {
    expect((await plain(OWN, undefined, 'Re: AW: [2] Caning')).source.title).to.equal('[2] Caning');
    expect((await plain(OWN, undefined, 'FW: Re: Caning a chair')).source.title).to.equal('Caning a chair');
  });
});

describe('a mail that passes another on is that one', () => {
  for (const [form, body] of [
    [
      'in plain text',
      `FYI\n\n---------- Forwarded message ---------\nFrom: Bo <bo@larkfield.example>\nDate: Tue\nSubject: Caning\nTo: <odile@larkfield.example>\n\n\n${OWN}`,
    ],
    [
      'begun so',
      `Begin forwarded message:\n\nFrom: Bo\nSubject: Caning\nDate: 3 March\nTo: Odile\n\n${OWN}\n\nOn 2 Mar 2026, Odile wrote:\n> Ask me.`,
    ],
    ['quoted', `> ${OWN}`],
  ] as const)
    it(form, async () => expect(page(await plain(body))).to.match(new RegExp(`^(?:FYI\\n\\n|> )?${OWN.replace('.', '\\.')}$`)));
});

describe('the page of a mail is its own words', () => {
  const QUESTION = '<p>How long does it take?</p>';
  for (const [form, body] of [
    [
      'a quotation marked as a mail',
      `<p>${OWN}</p><blockquote type="cite"><p>How?</p><blockquote type="cite">Old</blockquote></blockquote>`,
    ],
    [
      'with who wrote it in a box around both',
      `<div dir="ltr">${OWN}</div><br><div class="x_quote"><div>On Tue, Bo wrote:<br></div><blockquote style="border-left:1px solid #ccc">${QUESTION}</blockquote></div>`,
    ],
    [
      'a plain quotation below who wrote it',
      `<div>${OWN}</div><div>On 3 Mar 2026, at 19:00, Bo wrote:</div><blockquote>${QUESTION}</blockquote>`,
    ],
    [
      'headers below a line',
      `<p>${OWN}</p><div style="border-top:solid #E1E1E1 1pt"><p><b>From:</b> Bo<br><b>Sent:</b> Tuesday<br><b>To:</b> Odile<br><b>Subject:</b> Caning</p></div>${QUESTION}`,
    ],
    [
      'headers below a rule',
      `<p>${OWN}</p><hr><div><b>From:</b> Bo</div><div><b>Date:</b> Tuesday</div><div><b>Subject:</b> Caning</div><div>${QUESTION}</div>`,
    ],
    ['a signature', `<p>${OWN}</p><div class="mail_signature"><p>Odile</p><p>Larkfield</p></div>`],
    ['what the program puts below', `<p>${OWN}</p><p><br></p><div id="sent">Sent from my phone</div>`],
  ] as const)
    it(form, async () => expect(await html(body)).to.equal(OWN));

  it('with quotations, rules, bold names and tables of its own', async () => {
    const written = await html(
      `<p>${OWN}</p><blockquote><p>Cane is patient.</p></blockquote><hr><p><b>From:</b> the hall</p><table><tr><td>Tea</td><td>2</td></tr></table>`,
    );
    for (const words of ['> Cane is patient.', '**From:** the hall', '| Tea', '---']) expect(written).to.contain(words);
  });

  it('when it is passed on, without its headers', async () => {
    const written = await html(
      `<div>See below.</div><div class="x_quote"><div>---------- Forwarded message ---------<br>From: <b>Bo</b><br>Date: Tue<br>Subject: Caning<br>To: Odile<br></div><br><p>${OWN}</p></div>`,
    );
    expect(written).to.equal(`See below.\n\n${OWN}`);
  });
});

// RFC 3676, section 4: soft breaks end with a space, and `DelSp=yes` takes it away.
describe('a flowed mail has its lines joined', () => {
  it('and its quotations stay apart', async () => {
    const body = 'The seat wants \nfour hours, and \nthe cane water.\n\nOn 3 Mar 2026, Bo wrote:\n> How long \n> is it?';
    expect(page(await plain(body, 'text/plain; charset=utf-8; format=flowed'))).to.equal('The seat wants four hours, and the cane water.');
  });
  it('with the space taken away where that is asked for', async () => {
    const body = 'The sea \nt wants four hours.';
    expect(page(await plain(body, 'text/plain; charset=utf-8; format=flowed; delsp=yes'))).to.equal('The seat wants four hours.');
  });
});

describe('documents attached to a mail', () => {
  const part = (type: string, name: string, content: Uint8Array) =>
    `--b\nContent-Type: ${type}; name="${name}"\nContent-Disposition: attachment; filename="${name}"\nContent-Transfer-Encoding: base64\n\n${Buffer.from(content).toString('base64')}\n`;
  const mail = (...parts: string[]) =>
    bytes(
      `${HEAD}Subject: Caning\nMIME-Version: 1.0\nContent-Type: multipart/mixed; boundary=b\n\n--b\nContent-Type: text/plain\n\n${OWN}\n${parts.join('')}--b--\n`,
    );

  it('become sources of their own, a mail too', async () => {
    const inner = bytes(`${HEAD}Subject: Older\n\nAsk Bo about pegs.\n`);
    const read = await gatherSeveral(
      mail(
        part('application/vnd.oasis.opendocument.text', 'handout.odt', sample('handout.odt')),
        part('message/rfc822', 'older.eml', inner),
      ),
      'a.eml',
    );
    expect(read.map((f) => [f.name, f.source.kind, f.source.title])).to.deep.equal([
      ['a.eml', 'mail', 'Caning'],
      ['handout.odt', 'odt', 'Caning a chair'],
      ['older.eml', 'mail', 'Older'],
    ]);
    expect(page(read[0]!)).to.equal(OWN);
  });

  it('that cannot be read are named, and what is none is not', async () => {
    const [file, ...more] = await gatherSeveral(
      mail(
        part(
          'application/octet-stream',
          'tool.bin',
          Uint8Array.from({ length: 600 }, (_, i) => (i * 7) % 256),
        ),
        part('text/calendar', 'evening.ics', bytes('BEGIN:VCALENDAR')),
      ),
      'a.eml',
    );
    expect(more).to.deep.equal([]);
    expect(file!.notes).to.have.length(1);
    expect(file!.notes![0]).to.match(/^Not taken: tool\.bin: This file/);
  });
});
