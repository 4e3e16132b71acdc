import { wordCount } from '../language/words.ts';
import { schema, type Origin, type PostNode } from '../post/schema.ts';
import { turnIn, turnOf, voiceAt } from '../post/turns.ts';
import { paragraphText, type ProseSentence } from '../tidy/index.ts';
import { originOf, type SourceProse } from './propose-sections.ts';

/** Sentences of one paragraph of the material that feed the same sections; none yet when `feeds` is empty. */
export type Stretch = { source: string; sentences: ProseSentence[]; text: string; words: number; feeds: string[]; speaker?: string };

/** Which sections each passage of a source feeds: the ids of their headings, or `lead`. */
export type Fed = ReadonlyMap<string, ReadonlyMap<number, readonly string[]>>;

/** The ties of one block of the page: the section it stands in, and its origin marks. */
export type Ties = { section: string; origins: Origin[] };

/** The ties of a page, block by block. */
export function tiesOf(doc: PostNode): Ties[] {
  let section = 'lead';
  return doc.children.map((block) => {
    if (block.type === schema.nodes.heading && block.attrs.level <= 2) section = block.attrs.id as string;
    return { section, origins: originsIn(block) };
  });
}

/** The origin marks of a block and of all inside it; a block without words says nothing that was said. */
function originsIn(block: PostNode): Origin[] {
  const own = block.content.size ? ((block.attrs.origins ?? []) as Origin[]) : [];
  return block.isTextblock ? own : [...own, ...block.children.flatMap(originsIn)];
}

/** Which passages feed which sections of a page, by its ties. */
export function fedBy(ties: readonly Ties[]): Fed {
  const fed = new Map<string, Map<number, string[]>>();
  for (const { section, origins } of ties) {
    for (const { source, first, last } of origins) {
      const passages = fed.get(source) ?? new Map<number, string[]>();
      fed.set(source, passages);
      for (let n = first; n <= last; n++) {
        const sections = passages.get(n) ?? [];
        if (!sections.includes(section)) passages.set(n, [...sections, section]);
      }
    }
  }
  return fed;
}

/** The material in stretches, in its order, each with the sections it feeds. */
export function stretchesOf(materials: readonly SourceProse[], fed: Fed): Stretch[] {
  return materials.flatMap(({ source, paragraphs }) => {
    const passages = fed.get(source);
    // A sentence feeds the sections that hold all of its passages.
    const feedsOf = ({ first, last }: ProseSentence) => {
      let feeds = passages?.get(first) ?? [];
      for (let n = first + 1; n <= last && feeds.length; n++) feeds = feeds.filter((id) => passages!.get(n)?.includes(id));
      return feeds;
    };
    return paragraphs.flatMap((paragraph) => {
      const found: { sentences: ProseSentence[]; feeds: readonly string[] }[] = [];
      for (const sentence of paragraph.sentences) {
        const feeds = feedsOf(sentence);
        const open = found.at(-1);
        if (open && open.feeds.join() === feeds.join()) open.sentences.push(sentence);
        else found.push({ sentences: [sentence], feeds });
      }
      return found.map(({ sentences, feeds }): Stretch => {
        const text = paragraphText({ sentences });
        const { speaker } = paragraph;
        return { source, sentences, text, words: wordCount(text), feeds: [...feeds], ...(speaker ? { speaker } : {}) };
      });
    });
  });
}

/**
 * What is put on the page when a stretch feeds a section: a paragraph tied to its passages, and the position in the
 * document, behind the paragraphs of the section that come from earlier in the same source, else at its end. Null when
 * there is no such section. `section` is the id of a heading of any level, or `lead`. Where the page says who speaks and
 * another spoke last, the paragraph opens with the name, and `resumes` is what the one behind it opens with then.
 */
export function feeding(
  doc: PostNode,
  section: string,
  { source, sentences, text, speaker }: Stretch,
): { at: number; paragraph: PostNode; resumes: PostNode[] } | null {
  const origin = originOf(source, sentences);
  const at = placeIn(doc, section, origin);
  if (at === null) return null;
  const voice = voiceAt(doc, at);
  const isOther = speaker !== undefined && voice !== null && voice !== speaker;
  const next = doc.nodeAt(at);
  return {
    at,
    paragraph: schema.node('paragraph', { origins: [origin] }, [...(isOther ? turnOf(speaker) : []), schema.text(text)]),
    resumes: isOther && next?.type === schema.nodes.paragraph && !turnIn(next) ? turnOf(voice) : [],
  };
}

function placeIn(doc: PostNode, section: string, { source, first }: Origin): number | null {
  let isInside = section === 'lead';
  let start: number | null = isInside ? 0 : null;
  let after: number | null = null;
  let end = 0;
  let isTold = false;
  doc.forEach((block, pos) => {
    const next = pos + block.nodeSize;
    if (block.type === schema.nodes.heading) {
      isInside = block.attrs.id === section;
      if (isInside) start = end = next;
      return;
    }
    if (!isInside) return;
    end = next;
    const own = originsIn(block).filter((o) => o.source === source);
    isTold ||= own.length > 0;
    if (own.some((o) => o.first <= first)) after = next;
  });
  if (start === null) return null;
  return isTold ? (after ?? start) : Math.max(start, end);
}
