import { randomUUID } from 'node:crypto';
import { closeSync, openSync, readSync } from 'node:fs';
import { eq } from 'drizzle-orm';
import { Complaint } from '@even-page/core/complaint';
import { type Captions, mediaType } from '@even-page/core/gather';
import { shortened } from '@even-page/core/language/storable';
import { nextPosition } from './bring-in.ts';
import { database, write } from './database.ts';
import { keepFile } from './files.ts';
import { addJob, addJobAgain } from './jobs/queue.ts';
import { NOT_YET, transcribeJob } from './jobs/transcribe.ts';
import { GONE, lockPiece, refreshDeskRow } from './pieces.ts';
import type { Person } from './person.ts';
import { readCaptions } from './reader.ts';
import { pieceSources, sources, type PublishedRecording, type Recording, type Transcribing } from './schema.ts';
import { clearUpload, wholeUpload } from './upload-server.ts';
import { worded } from './worded.ts';

/**
 * Makes a source of a recording that was uploaded. Captions inside it are its words; without any a job asks the
 * transcriber. Asked again for the same upload it is done already. Throws a Complaint, and keeps the upload, when it is no
 * recording or not there whole.
 */
export async function addRecording(person: Person, id: string, upload: string, name: string): Promise<void> {
  if (await isTakenIn(upload)) return;
  await takeIn(person, id, upload, name).catch(async (cause: unknown) => {
    // Another request was quicker, and has cleared the upload away.
    if (!(await isTakenIn(upload))) throw cause;
  });
}

async function takeIn(person: Person, id: string, upload: string, name: string): Promise<void> {
  const whole = await wholeUpload(upload);
  if (!whole) throw new Complaint('This recording did not arrive whole: send it again.');
  const { path, size } = whole;
  const media = mediaType(bytesAt(path, 0, 4096));
  if (!media) throw new Complaint(`${name} is no recording that can be played: use WebM, MP4, MP3, M4A, WAV or Ogg.`);
  const [captions, ...others] = await readCaptions({ path, size, type: media.type });
  const passages = captions?.passages ?? [];
  // The upload stays where it is until its row stands: whatever happens in between, it need not be sent again.
  const digest = await keepFile(path);
  const recording: Recording = { digest, ...media, bytes: size };
  const transcribing = passages.length ? null : NOT_YET;
  await write(person, async (writing) => {
    if (!(await lockPiece(writing, id))) throw new Complaint(GONE);
    const source = {
      id: randomUUID(),
      ...worded(passages),
      digest,
      bytes: size,
      upload,
      name,
      kind: 'recording' as const,
      recording,
      transcribing,
      notes: captions && others.length ? [languagesNote(captions, others)] : [],
    };
    // Two requests at once: the second finds the row of the first.
    if (!(await writing.insertOnce(sources, { ...source, createdBy: person.id }))) return;
    let position = await nextPosition(writing, id);
    await writing.insert(pieceSources, { pieceId: id, sourceId: source.id, position: position++, edits: [] });
    // The captions of other languages are off the piece: they can be used again.
    for (const other of others) {
      const own = {
        id: randomUUID(),
        ...worded(other.passages),
        digest,
        bytes: size,
        name: captionsName(name, other),
        kind: 'captions-vtt' as const,
      };
      await writing.insert(sources, { ...own, createdBy: person.id });
      await writing.insert(pieceSources, { pieceId: id, sourceId: own.id, position: position++, edits: [], isOff: true });
    }
    if (transcribing) await addJob(writing, transcribeJob(source.id));
    await refreshDeskRow(writing, id);
  });
  await clearUpload(upload);
}

async function isTakenIn(upload: string): Promise<boolean> {
  const db = await database();
  return (await db.$count(sources, eq(sources.upload, upload))) > 0;
}

function bytesAt(path: string, from: number, length: number): Uint8Array {
  const file = openSync(path, 'r');
  try {
    const bytes = new Uint8Array(length);
    return bytes.subarray(0, readSync(file, bytes, 0, length, from));
  } finally {
    closeSync(file);
  }
}

const LANGUAGES = new Intl.DisplayNames('en', { type: 'language' });

/** A language by its name ("German"); what is no code of one is called another. */
function languageName({ language }: Captions): string {
  try {
    return (language && LANGUAGES.of(language)) || 'another language';
  } catch {
    return 'another language';
  }
}

const captionsName = (name: string, captions: Captions): string => shortened(`${name}, captions in ${languageName(captions)}`, 255);

const languagesNote = (own: Captions, others: readonly Captions[]): string =>
  `It has captions in ${others.length + 1} languages: these are ${languageName(own)}. Those in ${others.map(languageName).join(' and ')} are off this piece; “Use again” brings them in.`;

async function heldSource(sourceId: string) {
  const db = await database();
  const [row] = await db.select().from(sources).where(eq(sources.id, sourceId));
  if (!row?.recording) throw new Complaint('This recording is no longer here.');
  return { ...row, recording: row.recording };
}

/** How the transcriber stands with a recording; null when it has its words. */
export async function transcribingOf(sourceId: string): Promise<Transcribing | null> {
  return (await heldSource(sourceId)).transcribing;
}

/** Asks the transcriber at once about a recording it gave up, or whose next asking is some time off. */
export async function transcribeAgain(person: Person, sourceId: string): Promise<Transcribing | null> {
  const { transcribing } = await heldSource(sourceId);
  if (!transcribing?.says) return transcribing;
  await write(person, async (writing) => {
    await writing.update(sources, { transcribing: NOT_YET }, eq(sources.id, sourceId));
    // Another round, so that it is not answered with the one that failed.
    await addJobAgain(writing, transcribeJob(sourceId, randomUUID()));
  });
  return NOT_YET;
}

/** Keeps where a recording was published. */
export async function savePublished(person: Person, sourceId: string, published: PublishedRecording): Promise<void> {
  await heldSource(sourceId);
  await write(person, (writing) => writing.update(sources, { published }, eq(sources.id, sourceId)));
}

/** The media type of a recording that is kept; null when there is none of that digest. */
export async function recordingType(digest: string): Promise<string | null> {
  const db = await database();
  const [row] = await db.select({ recording: sources.recording }).from(sources).where(eq(sources.digest, digest)).limit(1);
  return row?.recording?.type ?? null;
}
