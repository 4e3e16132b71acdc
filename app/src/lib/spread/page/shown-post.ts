import { contentOf } from '@even-page/core/send';
import { pageInTheme, plainTheme } from '@even-page/core/theme';
import figures from '../../../../../docs/outlet.css?raw';
import type { Piece } from '../piece.svelte.ts';

const PLAIN = plainTheme(figures);

/**
 * The post as readers will see it, a whole document: the same words an outlet gets, in the theme of that outlet. Safe to show: it is made
 * of the post's own nodes, whose addresses are checked.
 */
export function shownPost({ page, details, dress, material, shown }: Piece): string {
  const html = contentOf(details.standfirst, page.doc, { ...dress.dress(), paid: material.house.paid });
  return pageInTheme(shown.known?.theme ?? PLAIN, { title: details.title || 'Untitled', html });
}
