// Puts the demo onto an empty Desk through the application's own doors, as a writer would: material, repairs,
// sections, pictures, details, one post published. Run: npx tsx demo/load.ts ADDRESS BLOG TOKEN
import { readFileSync } from 'node:fs';
import { docFromJSON, schema, type PostNode } from '@even-page/core/post/schema';
import { withIds } from '@even-page/core/post/ids';
import type { Details } from '@even-page/core/post/details';
import { type Edit, editsForSections, findEdits, isMark, proseOf, readModel, readWorth, usualHouse } from '@even-page/core/tidy';
import type { Source } from '@even-page/core/gather';
import { makePage } from '@even-page/core/page';
import { readSubjects } from '@even-page/core/shape';

const [address, blog, token] = process.argv.slice(2);
if (!address || !blog || !token) throw new Error('Usage: load.ts ADDRESS BLOG TOKEN');

type Piece = { version: number; doc: object; details: Details };

async function ask<T>(path: string, init?: RequestInit): Promise<T> {
  const response = await fetch(new URL(path, address), { ...init, headers: { origin: new URL(address!).origin, ...init?.headers } });
  const body = (await response.json()) as T & { message?: string };
  if (!response.ok) throw new Error(`${path}: ${body.message}`);
  return body;
}

const json = (method: string, body: unknown) => ({ method, headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) });

function upload(field: string, file: string) {
  const form = new FormData();
  form.append(field, new File([readFileSync(new URL(`material/${file}`, import.meta.url))], file));
  return { method: 'POST', body: form };
}

let made = 0;
const newId = () => `demo${(++made).toString(36)}`;

const bring = async (file: string) => (await ask<{ id: string }>('/pieces', upload('material', file))).id;
const read = (id: string) =>
  ask<{ piece: Piece; sources: { id: string; source: Source }[] }>(`/pieces/${id}`, { headers: { accept: 'application/json' } });

async function save(
  id: string,
  step: string,
  change: (piece: Piece) => Partial<{ doc: PostNode; details: Partial<Details> }> = () => ({}),
  edits: { source: string; take: Edit[]; drop: string[] }[] = [],
) {
  const { piece } = await read(id);
  const { doc, details } = change(piece);
  await ask(
    `/pieces/${id}/save`,
    json('PUT', {
      key: crypto.randomUUID(),
      base: piece.version,
      doc: doc?.toJSON() ?? piece.doc,
      details: { ...piece.details, ...details },
      step,
      edits,
    }),
  );
}

async function picture(id: string, file: string, alt: string, caption = ''): Promise<PostNode> {
  const { pictures } = await ask<{ pictures: { src: string }[] }>(`/pieces/${id}/pictures`, upload('picture', file));
  const { src } = pictures[0]!;
  const rights = { licence: 'own', credit: '', source: '', holder: '' };
  // Of one the demo does not say whose it is: that is a finding.
  await ask(src, json('PATCH', alt ? { alt, rights } : {}));
  return schema.nodes.picture.create({ id: newId(), src, alt, caption });
}

/** A recording, sent as the tus protocol has it, and heard out by the transcriber where it brings no captions. */
async function record(id: string, name: string): Promise<void> {
  const bytes = readFileSync(new URL(`recordings/${name}`, import.meta.url));
  const call = (path: string, method: string, headers: Record<string, string>, body?: Uint8Array<ArrayBuffer>) =>
    fetch(new URL(path, address), {
      method,
      headers: { origin: new URL(address!).origin, 'tus-resumable': '1.0.0', ...headers },
      ...(body ? { body } : {}),
    });
  const made = await call('/uploads', 'POST', { 'upload-length': String(bytes.length) });
  const location = made.headers.get('location')!;
  await call(location, 'PATCH', { 'upload-offset': '0', 'content-type': 'application/offset+octet-stream' }, new Uint8Array(bytes));
  await ask(`/pieces/${id}/recordings`, json('POST', { upload: location.split('/').at(-1), name }));
  const [source] = (await read(id)).sources;
  while ((await ask<{ transcribing: { state: string } | null }>(`/sources/${source!.id}/transcribing`)).transcribing?.state === 'working')
    await new Promise((done) => setTimeout(done, 300));
}

const empty = async () => (await ask<{ id: string }>('/pieces', { method: 'POST' })).id;

const data = (name: string) => readFileSync(new URL(`../core/data/${name}`, import.meta.url));

/** A page made of a piece's material as one press makes it, and the repairs that were taken for it. */
async function inOnePress(id: string) {
  const { sources } = await read(id);
  const model = readModel(data('marks.bin'));
  const tidied = sources.map(({ id: source, source: material }) => {
    const proposed = findEdits(material, { house: usualHouse(), model });
    const take = proposed.filter((e) => !isMark(e));
    return { source, take, paragraphs: proseOf(material, editsForSections(take, proposed)) };
  });
  const tools = { subjects: readSubjects(data('subjects.bin')), worth: readWorth(data('worth.bin')) };
  return { made: makePage(tidied, {}, tools), repairs: tidied.map(({ source, take }) => ({ source, take, drop: [] })) };
}

/** The page with a picture after its n-th block. */
function dressed(piece: Piece, after: Record<number, PostNode>): PostNode {
  const blocks: PostNode[] = [];
  docFromJSON(piece.doc).forEach((block, _offset, n) => {
    blocks.push(block);
    if (after[n]) blocks.push(after[n]);
  });
  return schema.node('doc', null, blocks);
}

const { total } = await ask<{ total: number }>('/pieces');
if (!total) {
  await ask('/outlets', json('POST', { name: 'Hall blog', endpoint: `${blog}/micropub`, token }));
  const { outlets } = await ask<{ outlets: { id: string }[] }>('/outlets');

  const day = await bring('autumn-mending-day.md');
  await save(day, 'send');
  await ask(`/pieces/${day}/publish`, json('POST', { outlet: outlets[0]!.id }));
  const theme = `/outlets/${outlets[0]!.id}/theme`;
  const { from } = await ask<{ from: string }>(theme);
  await ask(theme, json('PUT', { address: from }));

  const chair = await bring('chair-caning.md');
  const seat = await picture(
    chair,
    'caned-seat-from-above.png',
    'A caned chair seat seen from above, with its diagonals done',
    'The seat after step six.',
  );
  const pegs = await picture(chair, 'pegs-and-a-coil-of-cane.png', '');
  await save(chair, 'dress', (piece) => ({
    doc: dressed(piece, { 0: seat, 3: pegs }),
    details: {
      category: 'Handouts',
      tags: ['cane', 'chairs'],
      standfirst: 'A bowl of water, twenty pegs, and a pattern that has not changed in three hundred years.',
    },
  }));

  const log = await bring('mending-log.md');
  const clipboard = await picture(log, 'clipboard-by-the-door.png', 'A clipboard hanging beside the door of the hall');
  await save(log, 'proof', (piece) => ({ doc: dressed(piece, { 1: clipboard }) }));

  await save(await bring('rewiring-a-lamp.vtt'), 'gather');

  const names = ['Mira Holloway', 'Larkfield Repair Hall', 'Tarn stone'];
  await ask('/house', json('PUT', { ...usualHouse(), names, byline: 'Larkfield Repair Hall' }));
  const caning = await empty();
  await record(caning, 'caning-first-steps.webm');
  const cane = await inOnePress(caning);
  await save(
    caning,
    'write',
    () => ({
      doc: withIds(cane.made.doc, newId),
      details: { title: 'Caning: the first steps', standfirst: cane.made.standfirst, description: cane.made.description },
    }),
    cane.repairs,
  );

  const wick = await empty();
  await record(wick, 'wick-evening.ogg');
  await save(wick, 'gather', () => ({ details: { title: 'Wick and oil' } }));

  const knives = await bring('knife-evening.srt');
  const { made, repairs } = await inOnePress(knives);
  const coins = await picture(
    knives,
    'two-coins-under-a-knife.png',
    'Two coins under the back of a knife that lies on a stone',
    'Near enough to fifteen degrees.',
  );
  await save(
    knives,
    'shape',
    (piece) => ({
      doc: dressed({ ...piece, doc: withIds(made.doc, newId).toJSON() as object }, { 0: coins }),
      details: {
        title: 'Sharpening a kitchen knife without fear',
        standfirst: 'Fifteen degrees, two coins and a thumb: what an evening at the hall taught forty neighbours.',
        description: made.description,
        brief: { phrase: 'sharpening a kitchen knife' },
      },
    }),
    repairs,
  );
  const { id: yardstick } = await ask<{ id: string }>('/yardsticks', json('POST', { phrase: 'sharpening a kitchen knife' }));
  await ask(`/yardsticks/${yardstick}/results`, json('POST', {}));

  const noted: [line: string, more?: object][] = [
    ['Why every lamp flex frays at the plug', { notes: 'The plug bends it. Ask Joss about the sleeve.', subject: 'lamps' }],
    ['Mending log: which repairs fail twice', { links: ['https://larkfield.example/mending-log'] }],
    ['Glue that lets go in a cold hall', { wishedFor: '2027-01-15' }],
    ['Three knots every caner uses', { subject: 'caning' }],
  ];
  for (const [line, more] of noted.toReversed()) await ask(`/ideas/${crypto.randomUUID()}`, json('PUT', { line, ...more }));
}
