import { escaped } from '../language/escaped.ts';

/** An element that stands around a post where it is published, by what themes tell it by. */
export type Around = { tag: string; id: string; classes: readonly string[]; lang: string };

/**
 * How an outlet shows its posts: its style sheets, the elements around a post from `html` inwards to the one that holds
 * its words, and in which of them (counted from `html`) its title stands.
 */
export type Theme = { css: string; around: readonly Around[]; title: { inside: number; classes: readonly string[] } };

/** The elements around a post where nothing is known of its outlet: those of the HTML standard. */
const bare = (tag: string): Around => ({ tag, id: '', classes: [], lang: '' });

// The widths and distances a page needs to be read; colours and fonts are the browser's own but for the size (FACTS of reading comfort).
const PLAIN_CSS = `
body { max-width: 42rem; margin: 0 auto; padding: 1.5rem 1rem 4rem; font: 18px/1.6 Georgia, serif; color: #1a1a1a; background: #fff; overflow-wrap: break-word; }
h1, h2, h3, h4 { line-height: 1.25; }
img { max-width: 100%; height: auto; }
table { border-collapse: collapse; display: block; overflow-x: auto; }
th, td { padding: 0.3rem 0.8rem 0.3rem 0; border-bottom: 1px solid #ccc; text-align: left; vertical-align: top; }
blockquote { margin-inline: 1rem; padding-inline-start: 1rem; border-inline-start: 3px solid #ccc; }
pre { overflow-x: auto; }
`;

/** A plain page, for posts of which nobody knows yet where they go. `figures` is the sheet that places pictures. */
export const plainTheme = (figures: string): Theme => ({
  css: figures + PLAIN_CSS,
  around: ['html', 'body', 'main', 'article'].map(bare),
  title: { inside: 3, classes: [] },
});

/** The class by which the element that holds the words is found again in `pageInTheme`. */
export const CONTENT = 'e-content';

/**
 * A post as a whole document in the look of its outlet, without anything that runs.
 * @param html the words of the post as they are published, safe as they are
 */
export function pageInTheme({ css, around, title }: Theme, post: { title: string; html: string }): string {
  const open = ({ tag, id, classes, lang }: Around) =>
    `<${tag}${attribute('id', id)}${attribute('class', classes.join(' '))}${attribute('lang', lang)}>`;
  // Nothing in a sheet ends the element it stands in.
  const head = `<head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><style>${css.replaceAll('</', '<\\/')}</style></head>`;
  const heading = `<h1${attribute('class', title.classes.join(' '))}>${escaped(post.title)}</h1>`;
  const opened = around.map(
    (element, n) => open(element) + (element.tag === 'html' ? head : '') + (n === Math.max(1, title.inside) ? heading : ''),
  );
  const innermost = around.at(-1)!;
  const words = innermost.classes.includes(CONTENT) ? post.html : `<div class="${CONTENT}">${post.html}</div>`;
  const closed = [...around].reverse().map(({ tag }) => `</${tag}>`);
  return `<!doctype html>${opened.join('')}${words}${closed.join('')}`;
}

const attribute = (name: string, value: string): string => (value ? ` ${name}="${escaped(value)}"` : '');
