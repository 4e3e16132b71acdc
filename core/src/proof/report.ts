import { toHtml } from 'hast-util-to-html';
import { element } from '../post/element.ts';
import { type Finding, type Gravity, KINDS } from './check.ts';
import type { Figures } from './figures.ts';

/** What a report tells. */
export type Reported = {
  title: string;
  /** When it was made, as it is to be read. */
  when: string;
  findings: readonly Finding[];
  left: readonly (Finding & { reason: string })[];
  figures: Figures;
};

const STYLE =
  'body{max-width:46rem;margin:2rem auto;padding:0 1rem;font:16px/1.5 Georgia,serif;color:#030303;background:#fff}' +
  'h1{font-size:1.6rem;line-height:1.2}h2{margin:2rem 0 .5rem;font-size:1.1rem}table{width:100%;border-collapse:collapse}' +
  'th,td{padding:.4rem .6rem .4rem 0;border-bottom:1px solid #bbb;text-align:left;vertical-align:top}p{margin:.3rem 0}' +
  'tr{break-inside:avoid}@media print{body{margin:0;max-width:none}}';

const text = (value: string) => ({ type: 'text' as const, value });
const line = (tag: string, value: string) => element(tag, [text(value)]);

/** A proof as a page of its own, to hand to an editor or to print. */
export function proofReport({ title, when, findings, left, figures }: Reported): string {
  const must = findings.filter((f) => f.gravity === 'must').length;
  const counted = `${findings.length} ${findings.length === 1 ? 'finding' : 'findings'}`;
  const sum = findings.length
    ? `${counted}, ${must} of them must be fixed.`
    : left.length
      ? `${counted}: what was found and left as it is stands below.`
      : `${counted}: no check found anything.`;
  const grade = figures.levels ? `, grade ${figures.levels.kincaid.toFixed(1)}, reading ease ${figures.levels.ease.toFixed(0)}` : '';
  const table = <Row extends Finding>(caption: string, rows: readonly Row[], second: string, saysOf: (row: Row) => string) =>
    rows.length
      ? [
          line('h2', caption),
          element('table', [
            element('thead', [
              element(
                'tr',
                ['What', second, 'Kind'].map((head) => element('th', [text(head)], { scope: 'col' })),
              ),
            ]),
            element(
              'tbody',
              rows.map((f) => element('tr', [line('td', f.says), line('td', saysOf(f)), line('td', KINDS[f.kind])])),
            ),
          ]),
        ]
      : [];
  const open = (caption: string, gravity: Gravity) =>
    table(
      caption,
      findings.filter((f) => f.gravity === gravity),
      'What to do',
      ({ hint }) => hint,
    );
  const body = [
    line('h1', `Proof of “${title || 'Untitled'}”`),
    line('p', `${when}. ${figures.words.toLocaleString('en')} words, ${figures.minutes} min${grade}.`),
    line('p', sum),
    ...open('Must be fixed', 'must'),
    ...open('Worth a look', 'look'),
    ...table('Left as they are', left, 'Why', ({ reason }) => reason || 'No reason was given.'),
  ];
  const head = [
    element('meta', [], { charSet: 'utf-8' }),
    element('meta', [], { name: 'viewport', content: 'width=device-width, initial-scale=1' }),
    line('title', `Proof of ${title || 'Untitled'}`),
    line('style', STYLE),
  ];
  return `${toHtml({
    type: 'root',
    children: [{ type: 'doctype' }, element('html', [element('head', head), element('body', body)], { lang: 'en' })],
  })}\n`;
}
