import type { Captions, GatheredPicture, Reading, Source } from '@even-page/core/gather';
import type { Details } from '@even-page/core/post/details';
import { Helper } from './helper.ts';

/** Material as it came in, and the way it is to be read; the web address it was fetched from, if it was. */
export type Material = { bytes: Uint8Array; name: string; reading?: Reading; address?: string };

/** A recording that lies in a file: its size in bytes and its media type. */
export type RecordingFile = { path: string; size: number; type: string };

/** One file as it was read; its page is JSON, for it came from another process. */
export type ReadFile = {
  name: string;
  bytes: Uint8Array;
  source: Source;
  words: number;
  draft?: { doc: object; details: Partial<Details> };
  pictures?: GatheredPicture[];
  notes?: string[];
};

const reader = new Helper<Material | RecordingFile, ReadFile[] | Captions[]>('reader', {
  mostMs: 30_000,
  mostMb: 700,
  tooLong: 'Reading this file took longer than half a minute and was stopped: bring in its words, or a part of it.',
  tooLarge: 'Reading this file took more memory than there is for it: bring in its words, or a part of it.',
  broken: 'This file is damaged and cannot be read: save it again where it was made.',
});

/** Reads a file, or each file of an archive, one at a time. Throws a Complaint when it cannot be read, or not in time. */
export const readFile = (material: Material): Promise<ReadFile[]> => reader.ask(material) as Promise<ReadFile[]>;

/** The captions inside a recording, track by track; none where it has none. Throws a Complaint like `readFile`. */
export const readCaptions = (recording: RecordingFile): Promise<Captions[]> => reader.ask(recording) as Promise<Captions[]>;
