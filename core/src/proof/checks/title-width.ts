import { type Check, PRACTICE } from '../check.ts';

/** Where result lists cut a title, in pixels (common practice, no source). */
const MOST_PX = 600;
const LETTER_PX = 20;

// Widths of the letters from space to ~ in thousandths of the height: the metrics of Helvetica (Adobe Core 14; from memory).
const WIDTHS =
  '278 278 355 556 556 889 667 191 333 333 389 584 278 333 278 278 556 556 556 556 556 556 556 556 556 556 278 278 584 584 584 556 1015 667 667 722 722 667 611 778 722 278 500 667 556 833 722 778 667 778 722 667 611 722 667 944 667 667 611 278 278 278 469 556 333 556 556 500 556 556 278 556 556 222 222 500 222 833 556 556 556 556 333 500 278 556 500 722 500 500 500 334 260 334 584'
    .split(' ')
    .map(Number);
const OTHER = 556;

/** How wide a title is where result lists show it, in pixels. */
export const titleWidth = (title: string): number =>
  ([...title].reduce((sum, letter) => sum + (WIDTHS[letter.codePointAt(0)! - 32] ?? OTHER), 0) * LETTER_PX) / 1000;

export const wideTitle: Check = {
  name: 'title width',
  kind: 'findable',
  gravity: 'look',
  why: 'What does not fit is cut off where people choose what to read.',
  source: PRACTICE,
  run({ details: { title } }) {
    const px = Math.round(titleWidth(title));
    if (px <= MOST_PX) return [];
    return [
      {
        place: { detail: 'title' },
        says: `The title is ${px} pixels wide`,
        hint: `Result lists cut it near ${MOST_PX}: put what tells at its beginning, or make it shorter.`,
      },
    ];
  },
};
