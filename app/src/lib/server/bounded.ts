import { parseStorable } from '@even-page/core/language/storable';

/** The words of an answer from elsewhere, at most so many bytes; null when there are more, or they break off. */
export async function boundedText(response: Response, mostBytes: number): Promise<string | null> {
  const parts: Uint8Array[] = [];
  let size = 0;
  try {
    for await (const part of (response.body ?? []) as AsyncIterable<Uint8Array>) {
      size += part.length;
      // Leaving the loop ends the stream.
      if (size > mostBytes) return null;
      parts.push(part);
    }
  } catch {
    return null;
  }
  return Buffer.concat(parts).toString('utf8');
}

/** The JSON of an answer from elsewhere; null when it is none, or longer than so many bytes. */
export async function boundedJson(response: Response, mostBytes: number): Promise<unknown> {
  const text = await boundedText(response, mostBytes);
  try {
    return text === null ? null : parseStorable(text);
  } catch {
    return null;
  }
}
