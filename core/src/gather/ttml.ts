import { Complaint } from '../complaint.ts';
import type { Format } from './format.ts';
import type { Passage } from './source.ts';
import { onceSaid } from './rolling.ts';
import { splitSpeaker } from './speaker.ts';
import { descendants, elements, parseXml, textOf, type XmlElement } from './xml.ts';

/** Timed text (W3C TTML 1 and 2, and DFXP before it): paragraphs with begin, end or duration; agents are voices. */
export const ttml: Format = {
  kind: 'captions-ttml',
  label: 'captions',
  extensions: ['ttml', 'dfxp', 'xml'],
  readings: [],
  // The root names its namespace; HTML has an obsolete element of the same name.
  fits: ({ text }) => /^\s*(?:<[?!][^>]*>\s*)*<(?:\w+:)?tt\s[^>]*\bxmlns/i.test(text().slice(0, 4000)),
  read: ({ text }) => {
    const root = parseXml(text());
    const clock = clockOf(root);
    const names = new Map(
      descendants(root, 'agent').map((agent) => [agent.attrs.id ?? '', descendants(agent, 'name').map(textOf).join(' ').trim()]),
    );
    const passages: Passage[] = [];
    const walk = (node: XmlElement, from: number, agent: string) => {
      const begin = node.attrs.begin === undefined ? from : from + clock(node.attrs.begin);
      const end =
        node.attrs.end !== undefined
          ? from + clock(node.attrs.end)
          : node.attrs.dur !== undefined
            ? begin + clock(node.attrs.dur)
            : undefined;
      const voice = node.attrs.agent ?? agent;
      if (node.name !== 'p') return elements(node).forEach((child) => walk(child, begin, voice));
      const inner = elements(node, 'span').filter((span) => span.attrs.begin !== undefined);
      const startMs = node.attrs.begin === undefined && inner[0] ? begin + clock(inner[0].attrs.begin!) : begin;
      const last = inner.at(-1)?.attrs.end;
      const endMs = end ?? (last === undefined ? undefined : begin + clock(last));
      const said = splitSpeaker(
        lines(node)
          .replace(/[ \t]+/g, ' ')
          .replace(/ ?\n ?/g, '\n')
          .trim(),
      );
      const given = names.get(voice);
      if (!said.text) return;
      passages.push({
        ...(given ? { text: said.text, speaker: given } : said),
        startMs: Math.round(startMs),
        ...(endMs === undefined ? {} : { endMs: Math.round(Math.max(startMs, endMs)) }),
      });
    };
    for (const body of elements(root, 'body')) walk(body, 0, '');
    if (!passages.length)
      throw new Complaint('No captions with words were found in this file: open it in a text editor to see what it holds.');
    const title = descendants(root, 'title').map(textOf).join(' ').trim();
    return { source: { kind: 'captions-ttml', passages: onceSaid(passages), ...(title ? { title } : {}) } };
  },
};

// The white space of the file is none of the words; a break is a line.
function lines(node: XmlElement): string {
  return node.children
    .map((child) =>
      typeof child === 'string' ? child.replace(/\s+/g, ' ') : child.name === 'br' ? '\n' : child.name === 'metadata' ? '' : lines(child),
    )
    .join('');
}

/** Reads the time expressions of a document as milliseconds (TTML 2, section 12.3.1). */
function clockOf({ attrs }: XmlElement): (time: string) => number {
  const multiplier = /^(\d+) (\d+)$/.exec(attrs.frameRateMultiplier ?? '');
  const frameRate = Number(attrs.frameRate ?? 30) * (multiplier ? Number(multiplier[1]) / Number(multiplier[2]) : 1);
  const tickRate = Number(attrs.tickRate ?? (attrs.frameRate ? frameRate : 1));
  const unit: Record<string, number> = { h: 3_600_000, m: 60_000, s: 1000, ms: 1, f: 1000 / frameRate, t: 1000 / tickRate };
  return (time) => {
    const offset = /^(\d+(?:\.\d+)?)(h|ms|m|s|f|t)$/.exec(time.trim());
    if (offset) return Number(offset[1]) * unit[offset[2]!]!;
    const clock = /^(\d+):(\d{2}):(\d{2})(?:(\.\d+)|:(\d+)(?:\.\d+)?)?$/.exec(time.trim());
    if (!clock) return 0;
    const [, h, m, s, fraction = '0', frames = '0'] = clock;
    return (Number(h) * 3600 + Number(m) * 60 + Number(s) + Number(fraction)) * 1000 + (Number(frames) * 1000) / frameRate;
  };
}
