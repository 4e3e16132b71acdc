import { EventSourceParserStream } from 'eventsource-parser/stream';
import { type json, Refused } from '$lib/ask-server.ts';

/**
 * What a server route tells as it comes, one thing at a time. Throws Refused with a sentence when it tells nothing, or when it
 * cannot be reached any more; what came before stands.
 */
export async function* newsFrom<T>(url: string, init: ReturnType<typeof json>, signal: AbortSignal): AsyncGenerator<T> {
  let response: Response;
  try {
    response = await fetch(url, { ...init, signal });
  } catch {
    throw new Refused('The server does not answer. What you see is kept in this window; try again in a moment.', 0);
  }
  if (!response.headers.get('content-type')?.startsWith('text/event-stream')) {
    const body = (await response.json().catch(() => null)) as { message?: string } | null;
    throw new Refused(body?.message ?? `The server answered with status ${response.status}. Nothing was changed.`, response.status);
  }
  const reader = response.body!.pipeThrough(new TextDecoderStream()).pipeThrough(new EventSourceParserStream()).getReader();
  try {
    for (;;) {
      const { value, done } = await reader.read();
      if (done) return;
      yield JSON.parse(value.data) as T;
    }
  } catch {
    if (!signal.aborted) throw new Refused('The server broke off. What came until then is kept.', 0);
  } finally {
    void reader.cancel().catch(() => undefined);
  }
}
