/** A picture as far as its alternative text is judged. */
export type Described = { alt: string; isDecorative: boolean; caption: string; href: string };

const MOST = 150;
const A_PICTURE_OF = /^(?:an? |the )?(?:picture|photo(?:graph)?|image|graphic|illustration|drawing|screenshot) (?:of|showing)\b/i;
const FILE_NAME = /\.(?:jpe?g|png|webp|gif|avif|heic|tiff?|svg)$|^(?:img|dsc[nf]?|p|pxl|screenshot|image|photo|scan)[-_ ]?\d+/i;

/**
 * What is wrong with the alternative text of a picture, a sentence each, the gravest first; none when it is well.
 * @param others the texts of the other pictures on the page
 */
export function altFaults({ alt, isDecorative, caption, href }: Described, others: readonly string[] = []): string[] {
  const words = alt.trim();
  if (!words) {
    if (isDecorative && href) return ['It leads somewhere, so it needs words that say where.'];
    return isDecorative ? [] : ['Say what is seen on it, or mark it as only adorning.'];
  }
  const found: string[] = [];
  if (FILE_NAME.test(words)) found.push('This is the name of a file: say what is seen.');
  else if (/^[^\s]+[-_][^\s]+$/.test(words)) found.push('This reads like the name of a file: say what is seen.');
  if (A_PICTURE_OF.test(words)) found.push('Leave out “picture of”: a screen reader says that it is one.');
  if (words.length > MOST)
    found.push(`It has ${words.length} characters; up to ${MOST} are listened to with patience. Put the rest into the text.`);
  if (others.some((other) => other.trim().toLowerCase() === words.toLowerCase()))
    found.push('Another picture says the same: say what sets this one apart.');
  if (caption.trim().toLowerCase() === words.toLowerCase()) found.push('The caption says the same, so it is heard twice.');
  return found;
}

/** What a picture is on its page, in the order one asks (W3C Web Accessibility Initiative, An alt Decision Tree). */
export const ROLES = {
  words: { asks: 'It shows words that stand nowhere else', advice: 'Write those words.', isEmpty: false },
  'words-again': { asks: 'It shows words that stand beside it too', advice: 'Leave it empty: they are read already.', isEmpty: true },
  'words-for-show': { asks: 'It shows words only for their look', advice: 'Leave it empty.', isEmpty: true },
  sign: { asks: 'It stands for something to do, such as a sign on a button', advice: 'Say what it does.', isEmpty: false },
  link: { asks: 'It is in a link that is hard to understand without it', advice: 'Say where the link leads.', isEmpty: false },
  shows: {
    asks: 'It shows something, as a photograph or a simple drawing does',
    advice: 'Say in one sentence what matters in it here.',
    isEmpty: false,
  },
  complex: { asks: 'It is a graph or a plan with much in it', advice: 'Say what it is; put what it tells into the text.', isEmpty: false },
  again: { asks: 'It shows what the text beside it says already', advice: 'Leave it empty.', isEmpty: true },
  adorns: { asks: 'It only adorns', advice: 'Leave it empty.', isEmpty: true },
} as const;

export type Role = keyof typeof ROLES;
