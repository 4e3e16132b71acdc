import { expect } from 'chai';
import { readFileSync } from 'node:fs';

const css = readFileSync(new URL('../../src/lib/theme/bindery.css', import.meta.url), 'utf8');

/** The tokens of one mode, as written in the theme. */
function tokens(selector: string): Record<string, string> {
  const blocks = [...css.matchAll(/(\[data-theme[^{]*)\{([^}]*)\}/g)].filter((m) => m[1]!.trim() === selector);
  return Object.fromEntries(blocks.flatMap((b) => [...b[2]!.matchAll(/--([a-z0-9-]+):\s*(#[0-9a-f]{6})/g)].map((m) => [m[1]!, m[2]!])));
}

// Relative luminance and contrast ratio after WCAG 2.2.
function luminance(hex: string): number {
  const [r, g, b] = [1, 3, 5].map((i) => {
    const c = parseInt(hex.slice(i, i + 2), 16) / 255;
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!;
}
function contrast(a: string, b: string): number {
  const [low, high] = [luminance(a), luminance(b)].sort((x, y) => x - y);
  return (high! + 0.05) / (low! + 0.05);
}

// Text on what it stands on, wherever that happens in the application.
const PAIRS: [string, string][] = [
  ...['paper', 'paper-2', 'leaf', 'bottle-tint', 'slate-tint', 'brass-tint', 'rust-tint'].map((under): [string, string] => ['ink', under]),
  ...['paper', 'paper-2', 'leaf', 'bottle-tint'].map((under): [string, string] => ['faded', under]),
  ...['paper', 'leaf', 'bottle-tint'].map((under): [string, string] => ['bottle', under]),
  ...['leaf', 'slate-tint'].map((under): [string, string] => ['slate', under]),
  ...['leaf', 'paper-2', 'brass-tint'].map((under): [string, string] => ['brass', under]),
  ['rust', 'paper'],
  ['rust', 'leaf'],
  ['leaf', 'bottle'],
  ['leaf', 'rust'],
];

describe('the theme', () => {
  const day = tokens("[data-theme='bindery']");
  const modes = { day, lamp: { ...day, ...tokens("[data-theme='bindery'][data-mode='dark']") } };

  for (const [mode, token] of Object.entries(modes)) {
    it(`has at least 4.5:1 for every pair used for text, by ${mode}`, () => {
      for (const [text, under] of PAIRS) {
        expect(contrast(token[text]!, token[under]!), `${text} on ${under}`).to.be.at.least(4.5);
      }
    });
  }

  it('is measured as WCAG does: black on white is 21:1', () => {
    expect(contrast('#000000', '#ffffff')).to.be.closeTo(21, 1e-9);
  });
});
