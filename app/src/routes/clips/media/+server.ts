import { Readable } from 'node:stream';
import { object, string } from 'yup';
import { answer, queryOf } from '$lib/server/answers.ts';
import { mediaStream } from '$lib/server/clips.ts';
import type { RequestHandler } from './$types.ts';

const querySchema = object({ address: string().required().max(2000) });

const PASSED = ['content-length', 'content-range', 'accept-ranges'];

// Whatever the host calls it: nothing of it is ever shown as a page of ours.
const typeOf = (said = ''): string => (/^(?:audio|video)\/[\w.+-]+$/.test(said) ? said : 'application/octet-stream');

/** The media file of a clip that was looked up, through the server: a writer can play it and take its frames. */
export const GET: RequestHandler = ({ url, request }) =>
  answer(async () => {
    const stream = await mediaStream((await queryOf(url, querySchema)).address, request.headers.get('range'));
    const headers = Object.fromEntries(PASSED.flatMap((name) => (stream.headers[name] ? [[name, String(stream.headers[name])]] : [])));
    return new Response(Readable.toWeb(stream) as ReadableStream, {
      status: stream.statusCode ?? 200,
      headers: {
        ...headers,
        'content-type': typeOf(stream.headers['content-type']),
        'x-content-type-options': 'nosniff',
        'cache-control': 'private, max-age=300',
      },
    });
  });
