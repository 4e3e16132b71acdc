import type { Piece } from '../piece.svelte.ts';

const QUIET_MS = 500;

/**
 * What is found on the page, looked for when the page has been quiet for a moment.
 * @param pieceHere gives the piece in hand
 * @param look is given the page as JSON
 * @returns what was found last and the page it was found on; null before the first answer
 */
export function foundOnPage<T>(
  pieceHere: () => Piece,
  look: (doc: object) => Promise<T>,
): { readonly last: { doc: Piece['doc']; what: T } | null } {
  let last = $state.raw<{ doc: Piece['doc']; what: T } | null>(null);
  $effect(() => {
    const piece = pieceHere();
    void piece.pageTick;
    const timer = setTimeout(async () => {
      const { doc } = piece;
      const what = await look(doc.toJSON() as object);
      if (piece.doc === doc) last = { doc, what };
    }, QUIET_MS);
    return () => clearTimeout(timer);
  });
  return {
    get last() {
      return last;
    },
  };
}
