import { diffWordsWithSpace } from 'diff';
import type { Source } from '../gather/index.ts';
import { plainText } from '../post/sections.ts';
import type { Origin, PostNode } from '../post/schema.ts';
import { applyEdits, type Edit } from './edit.ts';
import { flowOf, passageAt } from './flow.ts';

/** A change of words on the page: the stretch [from, to) of document positions becomes `text`. */
export type PageChange = { from: number; to: number; text: string };

/**
 * What taking or dropping edits of a draft changes on its page. A block is changed only when it still says what
 * its passage said before; what the writer has rewritten stays. Changes come last first, ready to be applied.
 */
export function draftChanges(
  doc: PostNode,
  sourceId: string,
  source: Source,
  before: readonly Edit[],
  after: readonly Edit[],
): PageChange[] {
  const said = passageTexts(source, before);
  const says = passageTexts(source, after);
  const changes: PageChange[] = [];
  doc.descendants((node, pos) => {
    if (!node.isTextblock) return true;
    const [origin, more] = (node.attrs.origins ?? []) as Origin[];
    if (!origin || more || origin.source !== sourceId || origin.first !== origin.last) return false;
    const old = said[origin.first];
    const now = says[origin.first];
    if (old === undefined || now === undefined || old === now || plainText(node) !== old) return false;
    changes.push(...differences(old, now, pos + 1));
    return false;
  });
  return changes.reverse();
}

function passageTexts(source: Source, edits: readonly Edit[]): string[] {
  const flow = flowOf(source);
  return source.passages.map((p, i) => {
    const start = flow.starts[i]!;
    const own = edits
      .filter((e) => passageAt(flow, e.from) === i && e.to <= start + p.text.length)
      .map((e) => ({ ...e, from: e.from - start, to: e.to - start }));
    return own.length ? applyEdits({ text: p.text, starts: [0] }, own).text : p.text;
  });
}

// Word by word, so that bold and links between two repairs stay.
function differences(old: string, now: string, offset: number): PageChange[] {
  const changes: PageChange[] = [];
  let at = offset;
  let open: PageChange | null = null;
  for (const part of diffWordsWithSpace(old, now)) {
    if (!part.added && !part.removed) {
      at += part.value.length;
      open = null;
      continue;
    }
    if (!open) changes.push((open = { from: at, to: at, text: '' }));
    if (part.added) open.text += part.value;
    else {
      at += part.value.length;
      open.to = at;
    }
  }
  return changes;
}
