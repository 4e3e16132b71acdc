import { expect } from 'chai';
import { EventSourceParserStream } from 'eventsource-parser/stream';
import { eventsOf } from '../../src/lib/server/drafters/sent-events.ts';
import { repeats } from '../../src/lib/server/drafters/repeats.ts';
import { chatForm } from '../../src/lib/server/drafters/chat-form.ts';
import { ownForm } from '../../src/lib/server/drafters/own-form.ts';

type Sent = { event?: string; id?: string; data: string };

/** A stream as the browser and the server read it, in parts of so many bytes. */
async function read(body: ReadableStream<Uint8Array>): Promise<Sent[]> {
  const found: Sent[] = [];
  const events = body
    .pipeThrough(new TextDecoderStream() as TransformStream<Uint8Array, string>)
    .pipeThrough(new EventSourceParserStream());
  for await (const event of events as unknown as AsyncIterable<Sent>) found.push(event);
  return found;
}

function inParts(text: string, size: number): ReadableStream<Uint8Array> {
  const bytes = new TextEncoder().encode(text);
  return new ReadableStream({
    start(out) {
      for (let at = 0; at < bytes.length; at += size) out.enqueue(bytes.slice(at, at + size));
      out.close();
    },
  });
}

// WHATWG HTML, 9.2.6 "Interpreting an event stream": the examples there and what they say of each.
const EXAMPLES: readonly { stream: string; events: Partial<Sent>[] }[] = [
  { stream: 'data: YHOO\ndata: +2\ndata: 10\n\n', events: [{ data: 'YHOO\n+2\n10' }] },
  {
    stream: ': test stream\n\ndata: first event\nid: 1\n\ndata:second event\nid\n\ndata:  third event',
    events: [{ data: 'first event', id: '1' }, { data: 'second event' }],
  },
  { stream: 'data\n\ndata\ndata\n\ndata:', events: [{ data: '' }, { data: '\n' }] },
  { stream: 'data:test\n\ndata: test\n\n', events: [{ data: 'test' }, { data: 'test' }] },
  // 9.2.1: names of events.
  {
    stream: 'event: add\ndata: 73857293\n\nevent: remove\ndata: 2153\n\n',
    events: [
      { event: 'add', data: '73857293' },
      { event: 'remove', data: '2153' },
    ],
  },
];

describe('a stream of events', () => {
  EXAMPLES.forEach(({ stream, events }, n) => {
    it(`is read as the HTML standard has it, example ${n + 1}, wherever it is cut, with any end of line`, async () => {
      for (const end of ['\n', '\r\n'])
        for (const size of [1, 2, 7, 1000]) {
          const found = await read(inParts(stream.replaceAll('\n', end), size));
          expect(found.map((e) => e.data)).to.deep.equal(events.map((e) => e.data));
          events.forEach((event, i) => expect(found[i]).to.include(event));
        }
    });
  });

  it('of ours is read whole, letters of several bytes too, and is stopped when nobody listens', async () => {
    let isStopped = false;
    async function* news() {
      yield { text: 'é “fünf”\n\n' };
      yield { note: 'data: no\n\nevent' };
      await new Promise(() => undefined);
    }
    const reader = eventsOf(news(), () => (isStopped = true)).body!.getReader();
    const bytes = [(await reader.read()).value!, (await reader.read()).value!];
    const found = await read(inParts(Buffer.concat(bytes).toString('utf8'), 3));
    expect(found.map((e) => JSON.parse(e.data) as object)).to.deep.equal([{ text: 'é “fünf”\n\n' }, { note: 'data: no\n\nevent' }]);
    void reader.cancel();
    expect(isStopped).to.equal(true);
  });
});

describe('the ways a drafter is spoken to', () => {
  it('give text, what it rests on, notes, and the end', () => {
    expect(ownForm.read({ event: 'text', data: '{"text":"Hold it."}' })).to.deep.equal({ events: [{ text: 'Hold it.' }] });
    expect(ownForm.read({ event: 'rests', data: '{"passages":["p1","p2"]}' }).events).to.deep.equal([{ text: '\n\n[p1, p2]' }]);
    expect(ownForm.read({ event: 'done', data: '{}' }).over).to.equal(true);
    expect(() => ownForm.read({ event: 'error', data: '{"message":"Full."}' })).to.throw('Full.');
    expect(ownForm.read({ event: 'later', data: '{}' }).events).to.deep.equal([]);
    expect(chatForm.read({ data: '{"choices":[{"delta":{"content":"Hold"}}]}' })).to.deep.equal({ events: [{ text: 'Hold' }] });
    expect(chatForm.read({ data: '[DONE]' }).over).to.equal(true);
    expect(chatForm.read({ data: '{"choices":[{"delta":{},"finish_reason":"length"}]}' }).events).to.have.length(1);
    expect(() => chatForm.read({ data: '{"error":{"message":"No such model"}}' })).to.throw('No such model');
    expect(chatForm.whole({ choices: [{ message: { content: 'All.' } }] })).to.deep.equal([{ text: 'All.' }]);
    expect(chatForm.whole({ answer: 'x' })).to.equal(null);
  });
});

describe('a text that goes round in a circle', () => {
  it('is told from one that goes on', () => {
    expect(repeats('Hold the blade. '.repeat(60))).to.equal(true);
    expect(repeats(`${'A fine beginning of many words. '.repeat(3)}${' and so on'.repeat(120)}`)).to.equal(true);
    const goesOn = Array.from({ length: 200 }, (_, n) => `Step ${n} is unlike step ${n * 7}.`).join(' ');
    expect(repeats(goesOn)).to.equal(false);
    expect(repeats(`${goesOn}\n\n| --- | --- | --- | --- | --- | --- | --- |\n`)).to.equal(false);
  });
});
