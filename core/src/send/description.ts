import { sentences } from '../language/sentences.ts';
import { wordCount } from '../language/words.ts';
import type { ShownLength } from '../post/details.ts';
import type { PostNode } from '../post/schema.ts';
import { plainText } from '../post/sections.ts';
import { turnIn } from '../post/turns.ts';

// A greeting says nothing about the post.
const GREETING =
  /^(?:hi|hello|hey|welcome|good (?:morning|afternoon|evening)|thank(?:s| you)|right|okay|ok|can (?:everybody|everyone|you) hear)\b/i;

/**
 * A description or a summary proposed from the post: its first sentences that say something, up to a length in
 * characters; a sentence that does not fit is ended at a word with an ellipsis. Empty when the page is.
 */
export function proposeDescription(standfirst: string, doc: PostNode, { least, most }: ShownLength): string {
  const paragraphs: string[] = [];
  doc.descendants((node) => {
    if (node.type.name === 'paragraph') paragraphs.push(told(node).replace(/\s+/g, ' '));
    return !node.isTextblock;
  });
  const all = sentences([standfirst, ...paragraphs].filter(Boolean).join('\n\n')).map((s) => s.text);
  const telling = [...new Set(all)].filter((s) => !GREETING.test(s) && wordCount(s) >= 4);
  let description = '';
  for (const sentence of telling) {
    const longer = description ? `${description} ${sentence}` : sentence;
    if (longer.length > most) return description.length >= (least * 2) / 3 ? description : cutAtWord(longer, most);
    description = longer;
    if (description.length >= least) break;
  }
  return description;
}

/** What a paragraph tells: of a turn of a conversation neither who speaks nor what is asked, which the answer says. */
function told(paragraph: PostNode): string {
  const text = plainText(paragraph);
  const turn = turnIn(paragraph);
  if (!turn) return text;
  return sentences(text.slice(turn.length))
    .map((s) => s.text)
    .filter((s) => !s.endsWith('?'))
    .join(' ');
}

function cutAtWord(text: string, most: number): string {
  const cut = text.slice(0, most - 1);
  return `${cut.slice(0, cut.lastIndexOf(' ')).replace(/[\s,;:–—-]+$/, '')}…`;
}
