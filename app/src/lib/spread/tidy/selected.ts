/** The stretch of a source that is selected on the leaf, by whole paragraphs' offsets; null when nothing is. */
export function selectedStretch(list: HTMLElement | undefined): { from: number; to: number } | null {
  const selection = getSelection();
  if (!list || !selection || selection.isCollapsed || !selection.rangeCount) return null;
  const range = selection.getRangeAt(0);
  if (!list.contains(range.commonAncestorContainer) && !range.intersectsNode(list)) return null;
  const paragraphs = [...list.querySelectorAll<HTMLElement>('[data-from]')];
  const inside = paragraphs.filter((p) => range.intersectsNode(p));
  const [first, last] = [inside[0], inside.at(-1)];
  if (!first || !last) return null;
  const next = paragraphs[paragraphs.indexOf(last) + 1];
  return { from: Number(first.dataset.from), to: next ? Number(next.dataset.from) : Infinity };
}
