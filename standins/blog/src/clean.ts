import { fromHtml } from 'hast-util-from-html';
import { defaultSchema, sanitize, type Schema } from 'hast-util-sanitize';
import { toHtml } from 'hast-util-to-html';

const MORE = ['figure', 'figcaption', 'aside', 'mark', 'small', 'picture', 'source', 'video', 'audio', 'track', 'iframe'];
const FIGURES = ['small', 'medium', 'full', 'sized', 'left', 'right', 'wide', 'row', 'clip', 'decorative'];
const SIZE = ['width', 'height', 'title'];

const schema: Schema = {
  ...defaultSchema,
  tagNames: [...(defaultSchema.tagNames ?? []), ...MORE],
  clobberPrefix: '',
  attributes: {
    ...defaultSchema.attributes,
    figure: [['className', ...FIGURES]],
    small: [['className', 'credit']],
    img: [...(defaultSchema.attributes?.img ?? []), ...SIZE, 'loading', 'decoding'],
    source: ['type', 'srcSet', 'sizes'],
    video: ['src', ...SIZE, 'controls', 'preload', 'poster', 'playsInline'],
    audio: ['src', 'title', 'controls', 'preload'],
    track: ['kind', 'src', 'srcLang', 'label', 'default'],
    // What a frame holds before it is played is kept apart from the blog by its sandbox.
    iframe: ['src', 'srcDoc', ...SIZE, 'loading', 'allowFullScreen', ['sandbox', 'allow-scripts', 'allow-presentation', 'allow-popups']],
  },
  protocols: { ...defaultSchema.protocols, src: ['http', 'https'], poster: ['http', 'https'] },
};

/** HTML from outside without anything that runs in the blog itself. */
export function clean(html: string): string {
  return toHtml(sanitize(fromHtml(html, { fragment: true }), schema));
}
