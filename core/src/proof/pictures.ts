import type { Check, Finding } from './finding.ts';

/** Every picture says what is seen on it (WCAG 2.2, 1.1.1). */
export const pictureText: Check = {
  name: 'alternative text',
  run: ({ doc }) => {
    const found: Omit<Finding, 'check'>[] = [];
    doc.descendants((node) => {
      if (node.type.name === 'picture' && !node.attrs.alt.trim()) {
        found.push({
          gravity: 'must',
          place: { block: node.attrs.id as string },
          says: 'A picture has no alternative text',
          hint: 'Say what is seen on it, for readers who cannot see it.',
        });
      }
      return !node.isTextblock;
    });
    return found;
  },
};
