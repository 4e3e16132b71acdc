import { emptyDetails } from '@even-page/core/post/details';
import { withIds } from '@even-page/core/post/ids';
import { figuresOf, proof, stretchesOf } from '@even-page/core/proof';
import { editsForSections, findEdits, proseOf } from '@even-page/core/tidy';
import { knownFacts } from '@even-page/core/write';
import { speller } from '../speller.ts';
import type { Command, Request } from './command.ts';
import { pageOf } from './sections.ts';

/** What a proof finds in the post a file makes, and its figures. */
export const check: Command = async (request) => {
  let n = 0;
  // What reads grammar is fetched here alone: other commands start without it.
  const { readUsage } = await import('../usage.ts');
  const page = pageOf(request);
  const doc = withIds(page.doc, () => `b${++n}`);
  const details = { ...emptyDetails(), title: request.source.title ?? '', ...page.details };
  const texts = new Set(stretchesOf(doc).map(({ text }) => text));
  const usages = new Map(await readUsage([...texts], 'either'));
  const { findings } = proof({ doc, details, house: request.tools.house, speller: speller(), usages, known: knownOf(request) });
  const figures = figuresOf(doc);
  const round = (n: number | undefined) => n?.toFixed(1) ?? '-';
  const lines = findings.map((f) => `${f.gravity === 'must' ? '!' : '◇'} ${f.says}. ${f.hint}`);
  lines.push(
    `${figures.words} words, ${figures.minutes} min, reading ease ${round(figures.levels?.ease)}, grade ${round(figures.levels?.kincaid)}`,
  );
  return { data: { findings, figures }, text: `${lines.join('\n')}\n`, mustBeFixed: findings.some((f) => f.gravity === 'must') };
};

/** What the material says: what was named besides, or what the post itself is made of; null for a draft alone. */
function knownOf({ source, draft, material, tools }: Request) {
  const sources = material.length || draft ? material : [source];
  if (!sources.length) return null;
  // What the page itself came from is the source without a name.
  const isOther = sources === material;
  const prose = sources.map((one, n) => ({
    source: isOther ? `material ${n + 1}` : '',
    paragraphs: proseOf(one, editsForSections(findEdits(one, tools), [])),
  }));
  return knownFacts(prose, tools.house.names.join('. '));
}
