import { readText } from '../../../core/test/gather/read-text.ts';
import { readFileSync } from 'node:fs';
import { Validator } from '@seriousme/openapi-schema-validator';
import { expect } from 'chai';
import { createParser } from 'eventsource-parser';
import { briefSchema } from '@even-page/core/post/brief';
import { type DraftRequest, draftRequestSchema, type TaskName, TASKS } from '@even-page/core/write';
import { parse } from 'yaml';
import { drafter, type Misbehaviour } from '../src/drafter.ts';

const passages = [
  'A thousand grit stone is the one to buy first. It costs nineteen pounds and lasts fifteen years.',
  'The four hundred stone is for chips. It costs twelve pounds.',
  'The strop costs four pounds at the market.',
  'Soak the stone for ten minutes in a bucket until it stops bubbling.',
  'Put two coins under the spine. Hold the knife at that angle. Push it along the stone ten times. Turn it over.',
  'You can utilise an old belt, and it commences to work at once, but it does not last as long as leather and it stretches.',
].map((text, n) => ({ id: `p${n + 1}`, text, from: 'Knife evening', at: `${n}:10` }));
const SECTIONS = [
  { id: 'a', heading: 'What to buy', level: 2, passages: ['p1', 'p2', 'p3'] },
  { id: 'b', heading: 'How to sharpen', level: 2, passages: ['p4', 'p5'] },
];

const requestOf = (task: TaskName, more: Partial<DraftRequest> = {}): DraftRequest =>
  draftRequestSchema.cast({ task, brief: { ...briefSchema.cast({}), words: 0 }, outline: SECTIONS, passages, ...more }) as DraftRequest;

type Told = { text: string; rests: string[][]; notes: string[]; isOver: boolean };

async function asked(request: DraftRequest, how?: Misbehaviour): Promise<Told> {
  const app = drafter();
  if (how) await app.request('/misbehaviour', { method: 'PUT', body: JSON.stringify({ next: [how] }) });
  const response = await app.request('/drafts', { method: 'POST', body: JSON.stringify(request) });
  expect(response.headers.get('content-type')).to.match(/^text\/event-stream/);
  const told: Told = { text: '', rests: [], notes: [], isOver: false };
  const parser = createParser({
    onEvent({ event, data }) {
      const said = JSON.parse(data) as { text: string; passages: string[]; says: string };
      if (event === 'text') told.text += said.text;
      else if (event === 'rests') told.rests.push(said.passages);
      else if (event === 'note') told.notes.push(said.says);
      else told.isOver ||= event === 'done';
    },
  });
  parser.feed(await response.text());
  return told;
}

describe('the drafter stand-in', () => {
  it('drafts a section from the passages that feed it, as written, each block with what it rests on', async () => {
    const { text, rests, isOver } = await asked(requestOf('section', { section: 'a' }));
    expect(text).to.contain('A thousand grit stone is the one to buy first.').and.not.to.contain('Soak');
    expect(rests.flat()).to.include.members(['p1', 'p2', 'p3']);
    expect(isOver).to.equal(true);
  });
  it('keeps to the length asked for, and to the form', async () => {
    const outline = [
      { ...SECTIONS[0]!, words: 25 },
      { ...SECTIONS[1]!, form: 'steps' },
    ] as DraftRequest['outline'];
    const short = await asked(requestOf('section', { section: 'a', outline }));
    expect(short.text.split(/\s+/).length).to.be.within(10, 34);
    expect((await asked(requestOf('section', { section: 'b', outline }))).text).to.match(/^1\. .*\n2\. /m);
    const table = [{ ...SECTIONS[0]!, form: 'table', of: 'tools by price' }] as DraftRequest['outline'];
    const { text } = await asked(requestOf('section', { section: 'a', outline: table }));
    expect(text)
      .to.match(/\| Tools\s+\| Price/)
      .and.match(/twelve pounds\s+\|/);
  });
  it('drafts the whole post with the headings of the outline, and the parts that are wanted', async () => {
    const { text } = await asked(
      requestOf('whole', { brief: { ...briefSchema.cast({}), parts: ['keyPoints'], words: 0 } as DraftRequest['brief'] }),
    );
    expect([...text.matchAll(/^## (.*)$/gm)].map((m) => m[1])).to.include.members(['What to buy', 'How to sharpen']);
  });
  it('tells no passage twice, also where its own border lies inside one', async () => {
    const bytes = new Uint8Array(readFileSync(new URL('../../../demo/material/rewiring-a-lamp.vtt', import.meta.url)));
    const said = readText(bytes, 'lamp.vtt').source.passages.map((p) => p.text);
    // Three captions to a passage, so that sections begin in the middle of some.
    const lamp = said.flatMap((_, n) => (n % 3 ? [] : [{ ...passages[0]!, id: `q${n}`, text: said.slice(n, n + 3).join(' ') }]));
    const { rests } = await asked(requestOf('whole', { outline: [], passages: lamp }));
    const told = rests.flat();
    expect(told).to.have.length.greaterThan(5);
    expect(told).to.have.length(new Set(told).size);
  });
  it('says nothing the passages do not say', async () => {
    const said = new Set(passages.flatMap((p) => p.text.toLowerCase().match(/\p{L}+/gu)!));
    const { text } = await asked(requestOf('whole'));
    const own = text
      .replace(/^#.*$/gm, '')
      .toLowerCase()
      .match(/\p{L}+/gu)!;
    expect(own.filter((word) => !said.has(word))).to.deep.equal([]);
  });
  it('rewrites by its rules, and keeps links and numbers of passages', async () => {
    const text =
      'You can utilise [an old belt](https://larkfield.example), and it commences to work at once, but it does not last as long as leather. [p6]';
    const simpler = await asked(requestOf('simpler', { text, section: 'a' }));
    expect(simpler.text).to.contain('[an old belt](https://larkfield.example)').and.not.to.match(/utili/);
    expect(simpler.rests).to.deep.equal([['p6']]);
    const longer = await asked(requestOf('longer', { text: 'The strop costs four pounds. [p3]', section: 'a' }));
    expect(longer.text).to.contain('The strop costs four pounds.').and.to.contain('thousand grit');
    const list = await asked(requestOf('own', { text: `${passages[4]!.text} [p5]`, wish: 'as a numbered list' }));
    expect(list.text).to.match(/^1\. Put two coins/);
  });
  it('says what it cannot do, and what the material does not give', async () => {
    expect((await asked(requestOf('voice', { text: 'Some words.' }))).notes.join()).to.contain('works by rules');
    const empty = [{ ...SECTIONS[0]!, passages: [] as string[], form: 'paragraphs' }] as DraftRequest['outline'];
    expect((await asked(requestOf('section', { section: 'a', outline: empty }))).notes.join()).to.contain(
      'No passage of the material feeds “What to buy”',
    );
  });
  it('proposes ideas and titles, without what is written already', async () => {
    const ideas = await asked(requestOf('ideas', { text: 'sharpening', written: ['First steps in sharpening'], passages: [] }));
    expect(ideas.text.split('\n').filter(Boolean)).to.have.length(10);
    expect(ideas.text).not.to.contain('First steps in sharpening');
    expect((await asked(requestOf('titles', { text: 'sharpening', passages: [] }))).text.split('\n').filter(Boolean)).to.have.length(5);
  });
  it('takes every task there is', async () => {
    for (const task of Object.keys(TASKS) as TaskName[]) {
      const { text, notes, isOver } = await asked(requestOf(task, { text: `${passages[4]!.text} [p5]`, section: 'b' }));
      expect(isOver, task).to.equal(true);
      expect(text.length + notes.length, task).to.be.above(0);
    }
  });
  it('refuses what is no request, with a sentence, and asks for its key where it has one', async () => {
    const wrong = await drafter().request('/drafts', { method: 'POST', body: JSON.stringify({ task: 'sing' }) });
    expect(wrong.status).to.equal(400);
    expect(((await wrong.json()) as { message: string }).message).to.be.a('string');
    expect((await drafter().request('/drafts', { method: 'POST', body: '{' })).status).to.equal(400);
    expect((await drafter({ token: 'k' }).request('/about')).status).to.equal(401);
  });
  it('misbehaves when it is told to, once', async () => {
    expect((await asked(requestOf('section', { section: 'a' }), 'invents a number')).text).to.contain('37 degrees');
    expect((await asked(requestOf('section', { section: 'a' }), 'cut off')).isOver).to.equal(false);
  });
});

describe('the interface of the drafter', () => {
  const description = parse(readFileSync(new URL('../../../docs/drafter.openapi.yaml', import.meta.url), 'utf8')) as {
    components: {
      schemas: { DraftRequest: { properties: { task: { enum: string[] } } & Record<string, unknown> }; Brief: { properties: object } };
    };
  };
  it('is a valid OpenAPI 3.1 document', async () => {
    const { valid, errors } = await new Validator().validate(description);
    expect(errors ?? []).to.deep.equal([]);
    expect(valid).to.equal(true);
  });
  it('names every task and every part of a request there is', () => {
    const { DraftRequest: request, Brief: brief } = description.components.schemas;
    expect(request.properties.task.enum).to.have.members(Object.keys(TASKS));
    expect(Object.keys(request.properties)).to.have.members(Object.keys(draftRequestSchema.fields));
    const own = Object.keys(briefSchema.fields).filter((name) => name !== 'sections' && name !== 'pattern');
    expect(Object.keys(brief.properties)).to.have.members([...own, 'words']);
  });
});
