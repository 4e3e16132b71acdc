import type { Sheet } from './sheet.ts';

/** A cover as it can be chosen: what it is called, how many pictures it shows, and how it is drawn. */
export type Template = { says: string; pictures: 0 | 1 | 2; draw(sheet: Sheet): void };

/** The templates there are. Each draws its words and pictures into places of its own, whatever the shape of the sheet. */
export const TEMPLATES = {
  leaf: {
    says: 'Leaf',
    pictures: 0,
    draw(s) {
      const edge = s.width * 0.07;
      s.rect({ x: 0, y: 0, width: edge, height: s.height }, s.accent);
      s.stitches([edge / 2, s.height * 0.06], [edge / 2, s.height * 0.94], s.ground);
      s.words(
        s.design.title,
        { x: edge * 1.9, y: s.height * 0.14, width: s.width - edge * 2.8, height: s.height * 0.58 },
        { from: 'middle' },
      );
      s.byline({ x: edge * 1.9, y: s.height * 0.82, width: s.width - edge * 2.8, height: s.height * 0.1 });
    },
  },
  'facing-leaves': {
    says: 'Facing leaves',
    pictures: 1,
    draw(s) {
      const { width: w, height: h } = s;
      if (s.isWide) {
        s.picture(0, { x: w / 2, y: 0, width: w / 2, height: h });
        s.rect({ x: w / 2 - 9, y: 0, width: 18, height: h }, s.ground);
        s.stitches([w / 2, h * 0.04], [w / 2, h * 0.96]);
        s.words(s.design.title, { x: w * 0.06, y: h * 0.12, width: w * 0.38, height: h * 0.62 }, { from: 'middle', most: 84 });
        s.byline({ x: w * 0.06, y: h * 0.82, width: w * 0.38, height: h * 0.1 });
      } else {
        s.picture(0, { x: 0, y: 0, width: w, height: h * 0.52 });
        s.stitches([w * 0.04, h * 0.52 + 18], [w * 0.96, h * 0.52 + 18]);
        s.words(s.design.title, { x: w * 0.07, y: h * 0.58, width: w * 0.86, height: h * 0.29 }, { from: 'middle' });
        s.byline({ x: w * 0.07, y: h * 0.89, width: w * 0.86, height: h * 0.07 });
      }
    },
  },
  band: {
    says: 'Band',
    pictures: 1,
    draw(s) {
      const { width: w, height: h } = s;
      s.picture(0, { x: 0, y: 0, width: w, height: h });
      const y = h * 0.56;
      s.rect({ x: 0, y, width: w, height: h - y }, s.ground, 0.94);
      s.rect({ x: 0, y, width: w, height: 8 }, s.accent);
      s.words(s.design.title, { x: w * 0.06, y: y + h * 0.06, width: w * 0.88, height: h * 0.25 }, { from: 'middle', most: 76 });
      s.byline({ x: w * 0.06, y: h * 0.89, width: w * 0.88, height: h * 0.07 });
    },
  },
  label: {
    says: 'Label',
    pictures: 1,
    draw(s) {
      const { width: w, height: h } = s;
      s.picture(0, { x: 0, y: 0, width: w, height: h });
      // As the paper label on the front of a bound book.
      const box = { x: w * 0.16, y: h * 0.24, width: w * 0.68, height: h * 0.52 };
      s.rect(box, s.ground);
      const inset = 14;
      const [left, top, right, bottom] = [box.x + inset, box.y + inset, box.x + box.width - inset, box.y + box.height - inset];
      s.line(`M${left} ${top}H${right}V${bottom}H${left}Z`, s.accent, 3);
      s.words(
        s.design.title,
        { x: left + 24, y: top + 20, width: right - left - 48, height: (bottom - top) * 0.68 },
        { from: 'middle', align: 'middle', most: 72 },
      );
      s.byline({ x: left + 24, y: bottom - 62, width: right - left - 48, height: 44 }, { align: 'middle' });
    },
  },
  'two-leaves': {
    says: 'Two pictures',
    pictures: 2,
    draw(s) {
      const { width: w, height: h } = s;
      const top = h * (s.isWide ? 0.6 : 0.56);
      s.picture(0, { x: 0, y: 0, width: w / 2 - 5, height: top });
      s.picture(1, { x: w / 2 + 5, y: 0, width: w / 2 - 5, height: top });
      s.stitches([w * 0.03, top + 20], [w * 0.97, top + 20]);
      s.words(s.design.title, { x: w * 0.06, y: top + h * 0.065, width: w * 0.88, height: (h - top) * 0.56 }, { from: 'middle', most: 76 });
      s.byline({ x: w * 0.06, y: h * 0.9, width: w * 0.88, height: h * 0.07 });
    },
  },
  portrait: {
    says: 'Portrait',
    pictures: 1,
    draw(s) {
      const { width: w, height: h } = s;
      const side = s.isWide
        ? { x: w * 0.6, y: h * 0.06, width: w * 0.38, height: h * 0.94 }
        : { x: w * 0.14, y: h * 0.42, width: w * 0.72, height: h * 0.58 };
      const disc = Math.min(side.width, side.height);
      s.rect({ x: side.x + side.width / 2 - disc / 2, y: h - disc * 0.62, width: disc, height: disc * 0.62 }, s.accent, 0.3);
      s.picture(0, side, !s.pictures[0]?.isCutOut);
      const words = s.isWide
        ? { x: w * 0.06, y: h * 0.14, width: w * 0.5, height: h * 0.58 }
        : { x: w * 0.07, y: h * 0.06, width: w * 0.86, height: h * 0.26 };
      s.words(s.design.title, words, { from: s.isWide ? 'middle' : 'top', most: 92 });
      s.byline(
        s.isWide
          ? { x: w * 0.06, y: h * 0.82, width: w * 0.5, height: h * 0.1 }
          : { x: w * 0.07, y: h * 0.34, width: w * 0.86, height: h * 0.05 },
      );
    },
  },
  thread: {
    says: 'Thread',
    pictures: 0,
    draw(s) {
      const { width: w, height: h } = s;
      // One thread with a knot for each of the seven steps.
      const y = h * 0.8;
      s.stitches([0, y], [w, y]);
      for (let n = 0; n < 7; n++) {
        const x = w * (0.08 + n * 0.14);
        s.line(`M${x - 1} ${y}h2`, s.ground, 44);
        s.line(`M${x - 1} ${y}h2`, s.accent, n === 3 ? 30 : 18);
      }
      s.words(s.design.title, { x: w * 0.08, y: h * 0.1, width: w * 0.84, height: h * 0.54 }, { from: 'middle', align: 'middle' });
      s.byline({ x: w * 0.08, y: h * 0.88, width: w * 0.84, height: h * 0.08 }, { align: 'middle' });
    },
  },
  level: {
    says: 'Level',
    pictures: 0,
    draw(s) {
      const { width: w, height: h } = s;
      s.rect({ x: 0, y: h * 0.7, width: w, height: h * 0.3 }, s.accent);
      s.rect({ x: w * 0.3, y: h * 0.7 - 26, width: w * 0.4, height: 52 }, s.ground);
      s.line(`M${w * 0.3} ${h * 0.7 - 26}h${w * 0.4}v52h${-w * 0.4}z`, s.ink, 4);
      s.line(`M${w * 0.47} ${h * 0.7}h${w * 0.06}`, s.accent, 34);
      s.words(s.design.title, { x: w * 0.08, y: h * 0.07, width: w * 0.84, height: h * 0.52 }, { from: 'middle', align: 'middle' });
      s.byline({ x: w * 0.08, y: h * 0.84, width: w * 0.84, height: h * 0.1 }, { align: 'middle', fill: s.ground });
    },
  },
  'cut-page': {
    says: 'Cut page',
    pictures: 1,
    draw(s) {
      const { width: w, height: h } = s;
      const inset = Math.min(w, h) * 0.06;
      const high = h * (s.isWide ? 0.5 : 0.5);
      s.picture(0, { x: inset, y: inset, width: w - inset * 2, height: high });
      s.line(`M${inset} ${inset + high + inset * 0.7}h${w * 0.16}`, s.accent, 9);
      s.words(
        s.design.title,
        { x: inset, y: inset + high + inset * 1.1, width: w - inset * 2, height: h - high - inset * 3.4 },
        { from: 'middle', most: 80 },
      );
      s.byline({ x: inset, y: h - inset * 1.5, width: w - inset * 2, height: inset });
    },
  },
} as const satisfies Record<string, Template>;

export type TemplateName = keyof typeof TEMPLATES;
