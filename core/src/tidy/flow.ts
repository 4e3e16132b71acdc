import { isTimed, type Source } from '../gather/index.ts';

/** The words of a source in one string, so that repairs can run across its passages. Offsets are UTF-16. */
export type Flow = {
  text: string;
  /** Where each passage starts in `text`. */
  starts: number[];
};

/** The flow of a source: cues follow one another on lines of their own, other passages stand as paragraphs. */
export function flowOf(source: Source): Flow {
  const starts: number[] = [];
  const usual = isTimed(source) ? '\n' : '\n\n';
  let text = '';
  source.passages.forEach((passage, i) => {
    const before = source.passages[i - 1];
    if (before) text += before.after ?? usual;
    starts.push(text.length);
    text += passage.text;
  });
  return { text, starts };
}

/** The stretches of a flow between blank lines, each of one passage or of several lines. */
export function blocksOf({ text, starts }: Flow, { passages }: Source): { from: number; to: number }[] {
  const found: { from: number; to: number }[] = [];
  passages.forEach((passage, i) => {
    const to = starts[i]! + passage.text.length;
    const open = found.at(-1);
    if (open && text.slice(open.to, starts[i]) === '\n') open.to = to;
    else found.push({ from: starts[i]!, to });
  });
  return found;
}

/** The number of the passage that holds an offset of the flow; the white space after a passage belongs to it. */
export function passageAt(flow: Flow, offset: number): number {
  let low = 0;
  let high = flow.starts.length - 1;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (flow.starts[middle]! <= offset) low = middle;
    else high = middle - 1;
  }
  return low;
}
