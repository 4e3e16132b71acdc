import type { PostNode } from '../../../post/schema.ts';
import type { GuardCheck } from '../finding.ts';

/** The links of a page: each address once, with the words it is on. */
function linksIn(doc: PostNode): Map<string, string> {
  const found = new Map<string, string>();
  doc.descendants((node) => {
    const mark = node.marks.find((m) => m.type.name === 'link');
    if (mark && node.isText) found.set(mark.attrs.href as string, `${found.get(mark.attrs.href as string) ?? ''}${node.text}`);
    return true;
  });
  return found;
}

const bare = (address: string): string => address.replace(/^https?:\/\/(?:www\.)?/, '').replace(/\/$/, '');

/** Links that were there and are gone, links that were asked for, and links nobody gave. */
export const links: GuardCheck = ({ doc, was, others, asked }) => {
  const now = linksIn(doc);
  const before = linksIn(was);
  const there = new Set([...now.keys()].map(bare));
  const elsewhere = new Set(others.flatMap((other) => [...linksIn(other).keys()].map(bare)));
  const none = { check: 'links', block: null, from: 0, to: 0 } as const;
  const gone = asked.keepLinks ? [...before].filter(([address]) => !there.has(bare(address))) : [];
  const wanted = asked.links.map((line) => /^(?:(.*)\s)?(\S+)$/.exec(line.trim())!).filter(Boolean);
  return [
    ...gone.map(([address, words]) => ({
      ...none,
      gravity: 'look' as const,
      says: `The link on “${words}” is gone`,
      hint: `It led to ${bare(address)}.`,
      fix: { label: 'Put it back' as const, link: { address, words } },
    })),
    ...[...now]
      .filter(
        ([address]) => !before.has(address) && !elsewhere.has(bare(address)) && !asked.links.some((line) => line.includes(bare(address))),
      )
      .map(([address, words]) => ({
        ...none,
        gravity: 'must' as const,
        says: `Nobody gave the link on “${words}”`,
        hint: `It leads to ${bare(address)}. Open it before you take it, or take it off.`,
      })),
    ...wanted
      .filter(([, , address]) => !there.has(bare(address!)) && !elsewhere.has(bare(address!)))
      .map(([, words, address]) => ({
        ...none,
        gravity: 'look' as const,
        says: `The link to ${bare(address!)} is not in yet`,
        hint: 'The brief asks for it somewhere in the post.',
        fix: { label: 'Put it back' as const, link: { address: address!, words: words ?? bare(address!) } },
      })),
  ];
};
