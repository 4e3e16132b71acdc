import { showTime } from '../../language/times.ts';
import type { Known } from './known-facts.ts';

const LONGEST = 110;

/** What the material says at the first of some sentences, as a sentence to the writer. */
export function heard([first]: readonly number[], known: Known): string {
  const sentence = first === undefined ? undefined : known.index.sentences[first];
  if (!sentence) return 'The material says nothing like it.';
  const text = sentence.text.length > LONGEST ? `${sentence.text.slice(0, LONGEST)}…` : sentence.text;
  return `The material says: “${text}”${sentence.startMs === undefined ? '' : ` (${showTime(sentence.startMs)})`}`;
}
