/**
 * How many letters of an element's text stand before the point that was clicked; null when it lies elsewhere.
 */
export function lettersBefore(element: Element, event: MouseEvent): number | null {
  const caret = document.caretPositionFromPoint?.(event.clientX, event.clientY) ?? olderCaret(event);
  if (!caret || !element.contains(caret.offsetNode)) return null;
  const range = document.createRange();
  range.selectNodeContents(element);
  range.setEnd(caret.offsetNode, caret.offset);
  return range.toString().length;
}

// Browsers that do not know the standard's name for it yet.
function olderCaret(event: MouseEvent): { offsetNode: Node; offset: number } | null {
  const range = document.caretRangeFromPoint?.(event.clientX, event.clientY);
  return range ? { offsetNode: range.startContainer, offset: range.startOffset } : null;
}
