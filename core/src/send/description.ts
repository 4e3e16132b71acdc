import { sentences } from '../language/sentences.ts';
import { wordCount } from '../language/words.ts';
import { DESCRIPTION_LENGTH } from '../post/details.ts';
import type { PostNode } from '../post/schema.ts';
import { plainText } from '../post/sections.ts';

// A greeting says nothing about the post.
const GREETING =
  /^(?:hi|hello|hey|welcome|good (?:morning|afternoon|evening)|thank(?:s| you)|right|okay|ok|can (?:everybody|everyone|you) hear)\b/i;

/**
 * A description proposed from the post: its first sentences that say something, up to 160 characters; a
 * sentence that does not fit is ended at a word with an ellipsis. Empty when the page is.
 */
export function proposeDescription(standfirst: string, doc: PostNode): string {
  const paragraphs: string[] = [];
  doc.descendants((node) => {
    if (node.type.name === 'paragraph') paragraphs.push(plainText(node).replace(/\s+/g, ' '));
    return !node.isTextblock;
  });
  const telling = sentences([standfirst, ...paragraphs].filter(Boolean).join('\n\n'))
    .map((s) => s.text)
    .filter((s) => !GREETING.test(s) && wordCount(s) >= 4);
  let description = '';
  for (const sentence of telling) {
    const longer = description ? `${description} ${sentence}` : sentence;
    if (longer.length > DESCRIPTION_LENGTH.most) return description.length >= 100 ? description : cutAtWord(longer);
    description = longer;
    if (description.length >= DESCRIPTION_LENGTH.least) break;
  }
  return description;
}

function cutAtWord(text: string): string {
  const cut = text.slice(0, DESCRIPTION_LENGTH.most - 1);
  return `${cut.slice(0, cut.lastIndexOf(' ')).replace(/[\s,;:–—-]+$/, '')}…`;
}
