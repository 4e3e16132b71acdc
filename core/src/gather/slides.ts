import { strFromU8 } from 'fflate';
import { postFromHtml } from '../post/html.ts';
import { pathsIn, unpack } from './archive.ts';
import { draftOf, plainWords } from './draft.ts';
import type { Format } from './format.ts';
import { plainPassages } from './plain-text.ts';
import { isZip } from './raw.ts';
import { descendants, elements, parseXml, textOf, type XmlElement } from './xml.ts';
import { STRUCTURE_OR_PLAIN } from './readings.ts';
import { escaped } from '../language/escaped.ts';

const SLIDE = /^ppt\/slides\/slide(\d+)\.xml$/;

/** Slides (ECMA-376, PresentationML): each is a heading with its points, and what is said to it below. */
export const slides: Format = {
  kind: 'slides',
  label: 'slides',
  extensions: ['pptx', 'odp'],
  readings: STRUCTURE_OR_PLAIN,
  fits: ({ bytes }) => isZip(bytes) && pathsIn(bytes).some((path) => SLIDE.test(path)),
  read: ({ bytes }, reading) => {
    const entries = unpack(bytes, (path) => /^ppt\/(?:slides|notesSlides)\//.test(path));
    const numbers = Object.keys(entries)
      .flatMap((path) => SLIDE.exec(path)?.[1] ?? [])
      .map(Number)
      .sort((a, b) => a - b);
    const part = (path: string) => (entries[path] ? parseXml(strFromU8(entries[path])) : null);
    const html = numbers.map((n) => {
      const notes = /notesSlides\/(notesSlide\d+\.xml)/.exec(
        entries[`ppt/slides/_rels/slide${n}.xml.rels`] ? strFromU8(entries[`ppt/slides/_rels/slide${n}.xml.rels`]!) : '',
      );
      return slideOf(part(`ppt/slides/slide${n}.xml`)!, notes ? part(`ppt/notesSlides/${notes[1]}`) : null, n);
    });
    const doc = postFromHtml(html.join(''));
    if (reading === 'plain') return { source: { kind: 'slides', passages: plainPassages(plainWords(doc)) } };
    return draftOf('slides', doc);
  },
};

/** What a shape of a slide is for: its title, its number, or its words. */
const placeOf = (shape: XmlElement): string => descendants(shape, 'ph')[0]?.attrs.type ?? '';

function slideOf(slide: XmlElement, notes: XmlElement | null, n: number): string {
  const shapes = descendants(slide, 'sp');
  const title = shapes
    .filter((shape) => /^(?:title|ctrTitle)$/.test(placeOf(shape)))
    .flatMap(linesOf)
    .map(({ text }) => text)
    .join(' ');
  const points = shapes.filter((shape) => !/^(?:title|ctrTitle|sldNum|dt|ftr)$/.test(placeOf(shape))).flatMap(linesOf);
  const said = notes
    ? descendants(notes, 'sp')
        .filter((shape) => placeOf(shape) === 'body')
        .flatMap(linesOf)
        .map(({ text }) => `<p>${escaped(text)}</p>`)
        .join('')
    : '';
  const tables = descendants(slide, 'tbl').map((table) => {
    const rows = descendants(table, 'tr').map(
      (row) =>
        `<tr>${elements(row, 'tc')
          .map((cell) => `<td>${escaped(descendants(cell, 't').map(textOf).join(' '))}</td>`)
          .join('')}</tr>`,
    );
    return `<table>${rows.join('')}</table>`;
  });
  return `<h2>${escaped(title || `Slide ${n}`)}</h2>${listOf(points)}${tables.join('')}${said}`;
}

type Point = { text: string; level: number };

const linesOf = (shape: XmlElement): Point[] =>
  descendants(shape, 'p').flatMap((paragraph) => {
    const text = paragraph.children
      .map((child) => (typeof child === 'string' ? '' : child.name === 'br' ? ' ' : descendants(child, 't').map(textOf).join('')))
      .join('')
      .trim();
    return text ? [{ text, level: Number(elements(paragraph, 'pPr')[0]?.attrs.lvl ?? 0) }] : [];
  });

/** Points as a list, those of a deeper level inside the one before them. */
function listOf(points: readonly Point[]): string {
  if (!points.length) return '';
  const level = Math.min(...points.map((p) => p.level));
  let html = '';
  for (let at = 0; at < points.length;) {
    let end = at + 1;
    while (end < points.length && points[end]!.level > level) end++;
    html += `<li><p>${escaped(points[at]!.text)}</p>${listOf(points.slice(at + 1, end))}</li>`;
    at = end;
  }
  return `<ul>${html}</ul>`;
}
