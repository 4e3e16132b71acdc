/** How wide words are in pixels, set in the serif of covers. */
export type Measure = (words: string, size: number, weight: number) => number;

/** A place for words: how high its lines are as a part of their size, and the sizes they may have. */
export type TextBox = { width: number; height: number; weight: number; leading: number; most: number };

/** Words set in lines: their size in pixels, and the lines. */
export type SetText = { size: number; lines: string[] };

// Below this nobody reads a cover; words that fit at no size are set in it, and cut.
const LEAST = 10;

/**
 * Words as large as they fit a place, in as many lines as they need; a word that is wider than the place is broken. Nothing
 * ever stands outside: where not even the least size fits, the last line ends with an ellipsis.
 */
export function fitted(words: string, box: TextBox, measure: Measure): SetText {
  const text = words.replace(/\s+/g, ' ').trim();
  if (!text) return { size: box.most, lines: [] };
  const fits = (size: number) => {
    const lines = wrapped(text, size, box, measure);
    // A word is only broken where no smaller size keeps it whole.
    return (
      lines.length * size * box.leading <= box.height &&
      (size <= LEAST || text.split(' ').every((w) => measure(w, size, box.weight) <= box.width))
    );
  };
  let [low, high] = [LEAST, Math.max(LEAST, Math.floor(box.most))];
  while (low < high) {
    const middle = Math.ceil((low + high) / 2);
    if (fits(middle)) low = middle;
    else high = middle - 1;
  }
  const lines = wrapped(text, low, box, measure);
  const room = Math.max(1, Math.floor(box.height / (low * box.leading)));
  if (lines.length > room) lines.splice(room - 1, Infinity, ellipsis(lines[room - 1]!, low, box, measure));
  return { size: low, lines: evened(lines, low, box, measure) };
}

function wrapped(text: string, size: number, { width, weight }: TextBox, measure: Measure): string[] {
  const lines: string[] = [];
  let line = '';
  for (const word of text.split(' ').flatMap((w) => broken(w, size, width, weight, measure))) {
    const longer = line ? `${line} ${word}` : word;
    if (line && measure(longer, size, weight) > width) {
      lines.push(line);
      line = word;
    } else line = longer;
  }
  return line ? [...lines, line] : lines;
}

function broken(word: string, size: number, width: number, weight: number, measure: Measure): string[] {
  if (measure(word, size, weight) <= width) return [word];
  const parts: string[] = [];
  let part = '';
  for (const letter of word) {
    if (part && measure(part + letter, size, weight) > width) {
      parts.push(part);
      part = letter;
    } else part += letter;
  }
  return [...parts, part];
}

function ellipsis(line: string, size: number, { width, weight }: TextBox, measure: Measure): string {
  let cut = line;
  while (cut && measure(`${cut}…`, size, weight) > width) cut = cut.slice(0, -1);
  return `${cut.trimEnd()}…`;
}

/** The same number of lines, none much longer than the others: wrapped to the narrowest width that needs no more. */
function evened(lines: string[], size: number, box: TextBox, measure: Measure): string[] {
  if (lines.length < 2 || lines.at(-1)!.endsWith('…')) return lines;
  let best = lines;
  for (let width = box.width * 0.95; width > box.width / 2; width *= 0.95) {
    const narrower = wrapped(lines.join(' '), size, { ...box, width }, measure);
    if (narrower.length > lines.length || narrower.join(' ') !== lines.join(' ')) break;
    best = narrower;
  }
  return best;
}
