import type { Check } from '../check.ts';

export const clipCaptions: Check = {
  name: 'clip without captions',
  kind: 'everyone',
  gravity: 'look',
  why: 'Who cannot hear it, or sits in a train, gets nothing from it.',
  source: 'WCAG 2.2, 1.2.2',
  run({ doc, captionless = [] }) {
    const found: { block: string; title: string }[] = [];
    doc.descendants((node) => {
      const { id, address, title } = node.attrs as { id: string; address: string; title: string };
      if (node.type.name === 'clip' && captionless.includes(address)) found.push({ block: id, title });
    });
    return found.map(({ block, title }) => ({
      place: { block },
      says: `“${title || 'A clip'}” has no captions`,
      hint: 'Bring its words in at Gather: a transcript of the recording becomes its captions.',
    }));
  },
};
