import { NodeSelection } from 'prosemirror-state';
import type { PageInHand } from '../page/page-in-hand.svelte.ts';

/** The id of the block of a kind that is selected on the page; empty when none is. Follows the caret where it is read. */
export function selectedBlock(page: PageInHand, kind: string): string {
  void page.caretTick;
  const selection = page.view?.state.selection;
  return selection instanceof NodeSelection && selection.node.type.name === kind ? (selection.node.attrs.id as string) : '';
}
