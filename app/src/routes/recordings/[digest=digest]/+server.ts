import { createReadStream } from 'node:fs';
import { stat } from 'node:fs/promises';
import { Readable } from 'node:stream';
import { error } from '@sveltejs/kit';
import { pathOf } from '$lib/server/files.ts';
import { recordingType } from '$lib/server/recordings.ts';
import type { RequestHandler } from './$types.ts';

/** A recording, whole or a range of it (RFC 9110, section 14), so that a player can jump in hours of it. */
export const GET: RequestHandler = async ({ params, request }) => {
  const type = await recordingType(params.digest);
  if (!type) error(404, 'There is no recording at this address.');
  const path = pathOf(params.digest);
  const { size } = await stat(path);
  const headers = { 'content-type': type, 'accept-ranges': 'bytes', 'cache-control': 'private, max-age=31536000, immutable' };
  const range = /^bytes=(\d*)-(\d*)$/.exec(request.headers.get('range') ?? '');
  if (!range || (!range[1] && !range[2]))
    return new Response(streamOf(path, 0, size - 1), { headers: { ...headers, 'content-length': String(size) } });
  const from = range[1] ? Number(range[1]) : Math.max(0, size - Number(range[2]));
  const to = range[1] && range[2] ? Math.min(size - 1, Number(range[2])) : size - 1;
  if (from > to || from >= size) return new Response(null, { status: 416, headers: { 'content-range': `bytes */${size}` } });
  return new Response(streamOf(path, from, to), {
    status: 206,
    headers: { ...headers, 'content-length': String(to - from + 1), 'content-range': `bytes ${from}-${to}/${size}` },
  });
};

const streamOf = (path: string, start: number, end: number) => Readable.toWeb(createReadStream(path, { start, end })) as ReadableStream;
