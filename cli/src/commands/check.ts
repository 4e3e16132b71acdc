import { emptyDetails } from '@even-page/core/post/details';
import { withIds } from '@even-page/core/post/ids';
import { figuresOf, proof, stretchesOf } from '@even-page/core/proof';
import { usageOf } from '@even-page/core/proof/usage';
import { speller } from '../speller.ts';
import type { Command } from './command.ts';
import { pageOf } from './sections.ts';

/** What a proof finds in the post a file makes, and its figures. */
export const check: Command = (request) => {
  let n = 0;
  const doc = withIds(pageOf(request).doc, () => `b${++n}`);
  const details = { ...emptyDetails(), title: request.source.title ?? '', ...request.draft?.details };
  const usages = new Map(stretchesOf(doc).map(({ text }) => [text, usageOf(text)]));
  const { findings } = proof({ doc, details, house: request.tools.house, speller: speller(), usages });
  const figures = figuresOf(doc);
  const round = (n: number | undefined) => n?.toFixed(1) ?? '-';
  const lines = findings.map((f) => `${f.gravity === 'must' ? '!' : '◇'} ${f.says}. ${f.hint}`);
  lines.push(
    `${figures.words} words, ${figures.minutes} min, reading ease ${round(figures.levels?.ease)}, grade ${round(figures.levels?.kincaid)}`,
  );
  return { data: { findings, figures }, text: `${lines.join('\n')}\n`, mustBeFixed: findings.some((f) => f.gravity === 'must') };
};
