import type { Edit } from './edit.ts';
import type { Finder } from './finder.ts';

type Found = Omit<Edit, 'before'>;

/** What office programs and keyboards leave behind: uneven quotes, odd capitals in addresses, numbers that do not count on. */
export const junk: Finder = (material) => [...quotes(material), ...addresses(material), ...numbers(material)];

/** Quotes made even, to the kind House style asks for. */
const quotes: Finder = ({ flow, house }) => {
  const found: Found[] = [];
  const put = (from: number, after: string) => {
    if (flow.text[from] !== after) found.push({ kind: 'junk', from, to: from + 1, after, reason: 'Quotes of one kind' });
  };
  for (const m of flow.text.matchAll(/["“”„‟'‘’‚‛]/g)) {
    const before = flow.text[m.index - 1] ?? ' ';
    const after = flow.text[m.index + 1] ?? ' ';
    const isDouble = /["“”„‟]/.test(m[0]);
    if (!house.curlyQuotes) put(m.index, isDouble ? '"' : "'");
    // A straight mark after a figure is feet, inches, minutes or seconds.
    else if (!/\d/.test(before) || !/["']/.test(m[0])) {
      const opens = /[\s([{—–/-]/.test(before) && /\S/.test(after);
      const isCut = !isDouble && opens && /^(?:\d\ds?|tis|twas|em|til|cause|n)\b/i.test(flow.text.slice(m.index + 1, m.index + 7));
      put(m.index, isDouble ? (opens ? '“' : '”') : opens && !isCut ? '‘' : '’');
    }
  }
  // Even already, or too few to speak of a habit: apostrophes alone are left as they are typed.
  const isMixed = /["']/.test(flow.text) && /[“”‘’]/.test(flow.text);
  return isMixed ? found : [];
};

/** Web and mail addresses with odd capitals, as a program that begins sentences leaves them. */
const addresses: Finder = ({ flow }) =>
  Array.from(flow.text.matchAll(/\b(?:https?:\/\/)?(?:www\.|[a-z0-9][\w.+-]*@)[a-z0-9-]+(?:\.[a-z0-9-]+)+|\bhttps?:\/\/[a-z0-9.-]+/gi))
    .filter((m) => m[0] !== m[0].toLowerCase())
    .map((m) => ({
      kind: 'junk' as const,
      from: m.index,
      to: m.index + m[0].length,
      after: m[0].toLowerCase(),
      reason: 'An address has no capitals',
    }));

const LINE_NUMBER = /(?<=^|\n)[ \t]*(\d{1,3})([.)])[ \t]+(?=\S)/g;

/** List numbers typed by hand that do not count on: 1, 2, 4. */
const numbers: Finder = ({ flow }) => {
  const lines = Array.from(flow.text.matchAll(LINE_NUMBER), (m) => ({
    at: m.index + m[0].indexOf(m[1]!),
    text: m[1]!,
    value: Number(m[1]),
    mark: m[2]!,
  }));
  const found: Found[] = [];
  let expected = 0;
  let last = -1;
  for (const line of lines) {
    // Another list begins with 1, or far away.
    if (line.value === 1 || last < 0 || line.at - last > 400) expected = line.value;
    else expected++;
    if (line.value !== expected && Math.abs(line.value - expected) <= 2)
      found.push({
        kind: 'junk',
        from: line.at,
        to: line.at + line.text.length,
        after: String(expected),
        reason: 'Numbers of a list count on',
      });
    else expected = line.value;
    last = line.at;
  }
  return found;
};
