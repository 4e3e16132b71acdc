import type { CoverDesign } from '../../post/cover-design.ts';
import { cutTo, type Focus, SHAPES } from '../shapes.ts';
import { escaped } from '../../language/escaped.ts';
import { fitted, type Measure, type TextBox } from './text-fit.ts';

/** A picture as it is drawn into a cover: where its bytes are, its size in pixels, the point that is never cut off. */
export type CoverPicture = { address: string; width: number; height: number; focus: Focus; isCutOut: boolean };

type Box = { x: number; y: number; width: number; height: number };

const SIZES = { cover: SHAPES.cover, square: SHAPES.square, tall: SHAPES.tall } as const;

/** The sheet a template draws on: its size, its words, colours and pictures, and the few things that are drawn. All sizes in pixels. */
export class Sheet {
  readonly width: number;
  readonly height: number;
  readonly isWide: boolean;
  readonly ground: string;
  readonly ink: string;
  readonly accent: string;
  readonly #parts: string[] = [];
  #clips = 0;

  constructor(
    readonly design: CoverDesign,
    readonly pictures: readonly CoverPicture[],
    readonly measure: Measure,
  ) {
    const { width, height } = SIZES[design.size as keyof typeof SIZES] ?? SIZES.cover;
    this.width = width;
    this.height = height;
    this.isWide = width > height;
    ({ ground: this.ground, ink: this.ink, accent: this.accent } = design.colours);
  }

  rect({ x, y, width, height }: Box, fill: string, opacity = 1): void {
    this.#parts.push(
      `<rect x="${r(x)}" y="${r(y)}" width="${r(width)}" height="${r(height)}" fill="${fill}"${opacity < 1 ? ` opacity="${opacity}"` : ''}/>`,
    );
  }

  line(path: string, stroke: string, width: number, dash = ''): void {
    this.#parts.push(
      `<path d="${path}" fill="none" stroke="${stroke}" stroke-width="${r(width)}" stroke-linecap="round"${dash ? ` stroke-dasharray="${dash}"` : ''}/>`,
    );
  }

  /** A row of stitches, as a binder's thread leaves them. */
  stitches(from: [number, number], to: [number, number], colour = this.accent): void {
    this.line(`M${r(from[0])} ${r(from[1])}L${r(to[0])} ${r(to[1])}`, colour, 5, '26 16');
  }

  /** Words as large as they fit a place; returns the y below their last line. */
  words(
    words: string,
    { x, y, width, height }: Box,
    style: Partial<TextBox> & { fill?: string; align?: 'start' | 'middle'; from?: 'top' | 'bottom' | 'middle' },
  ): number {
    const { weight = 640, leading = 1.12, most = 120, fill = this.ink, align = 'start', from = 'top' } = style;
    const { size, lines } = fitted(words, { width, height, weight, leading, most }, this.measure);
    const all = lines.length * size * leading;
    const top = from === 'top' ? y : from === 'bottom' ? y + height - all : y + (height - all) / 2;
    const at = align === 'middle' ? x + width / 2 : x;
    lines.forEach((line, n) => {
      const baseline = top + n * size * leading + size * (leading / 2 + 0.32);
      this.#parts.push(
        `<text x="${r(at)}" y="${r(baseline)}" font-family="Literata Variable, Georgia, serif" font-weight="${weight}" font-size="${size}" fill="${fill}"${align === 'middle' ? ' text-anchor="middle"' : ''}>${escaped(line)}</text>`,
      );
    });
    return top + all;
  }

  /** The byline, small; nothing without one. */
  byline(box: Box, style: { fill?: string; align?: 'start' | 'middle' } = {}): void {
    if (this.design.byline) this.words(this.design.byline, box, { weight: 440, most: 30, from: 'middle', ...style });
  }

  /** A picture that fills a place, cut around its focus; one that is cut out of its background stands in it whole, on the ground. */
  picture(n: number, { x, y, width, height }: Box, round = false): void {
    const picture = this.pictures[n];
    if (!picture) {
      // A place that waits for its picture: a leaf with a fold.
      this.rect({ x, y, width, height }, this.accent, 0.18);
      return;
    }
    const { address, width: w, height: h, focus, isCutOut } = picture;
    // Covers stand side by side in one page: what is named by another must not cut this one.
    const name = `clip-${this.design.template}-${this.design.size}-${++this.#clips}`;
    const shape = round
      ? `<circle cx="${r(x + width / 2)}" cy="${r(y + height / 2)}" r="${r(Math.min(width, height) / 2)}"/>`
      : `<rect x="${r(x)}" y="${r(y)}" width="${r(width)}" height="${r(height)}"/>`;
    let image: string;
    if (isCutOut) {
      const scale = Math.min(width / w, height / h);
      image = `<image href="${escaped(address)}" x="${r(x + (width - w * scale) / 2)}" y="${r(y + height - h * scale)}" width="${r(w * scale)}" height="${r(h * scale)}"/>`;
    } else {
      const part = cutTo({ width: w, height: h }, { width, height }, focus);
      const scale = width / part.width;
      image = `<image href="${escaped(address)}" x="${r(x - part.left * scale)}" y="${r(y - part.top * scale)}" width="${r(w * scale)}" height="${r(h * scale)}" preserveAspectRatio="none"/>`;
    }
    this.#parts.push(`<clipPath id="${name}">${shape}</clipPath><g clip-path="url(#${name})">${image}</g>`);
  }

  /** The whole as SVG; `styles` go before it, such as the font it is set in. */
  svg(styles = ''): string {
    const { width, height } = this;
    return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}">${styles ? `<style>${styles}</style>` : ''}<rect width="${width}" height="${height}" fill="${this.ground}"/>${this.#parts.join('')}</svg>`;
  }
}

const r = (n: number) => Math.round(n * 10) / 10;
