<!-- Lists hidden in the prose of the page: each shown as it would be, written with one click. -->
<script lang="ts">
  import { withIds } from '@even-page/core/post/ids';
  import { type HiddenList, type ListForm, withList } from '@even-page/core/shape';
  import { newBlockId } from '$lib/block-id.ts';
  import { count } from '$lib/parts/sizes.ts';
  import type { Piece } from '../piece.svelte.ts';
  import Offer from './Offer.svelte';

  let { piece, doc, lists }: { piece: Piece; /** The page they were found on. */ doc: Piece['page']['doc']; lists: readonly HiddenList[] } =
    $props();

  const SAYS: Record<HiddenList['kind'], string> = { counted: 'Counted off', steps: 'Steps', alike: 'Said alike' };
  const FORMS: Record<ListForm, string> = { numbers: 'Numbered list', bullets: 'Bulleted list', table: 'Table' };

  function write(list: HiddenList, form: ListForm) {
    // The places are those of the page that was looked through.
    if (piece.page.doc === doc) piece.page.replacePage(withIds(withList(piece.page.doc, list, form), newBlockId));
  }

  const go = ({ from }: HiddenList) => piece.page.goToBlock(doc.child(from.block).attrs.id as string);
</script>

{#if lists.length}
  <Offer label="{count(lists.length, 'list')} hidden in the prose">
    {#each lists as list (`${list.from.block}:${list.from.at}`)}
      <li>
        <button class="said" onclick={() => go(list)}>
          <b>{SAYS[list.kind]}</b>
          {#if list.lead}<span class="muted">{list.lead}</span>{/if}
          {#each list.items as item, i (i)}<span class="point">{item}</span>{/each}
        </button>
        <div class="acts">
          {#each list.forms as form (form)}<button class="quiet" onclick={() => write(list, form)}>{FORMS[form]}</button>{/each}
        </div>
      </li>
    {/each}
  </Offer>
{/if}

<style>
  .said {
    display: grid;
    gap: 2px;
  }
  .point {
    padding-left: 16px;
    border-left: 2px solid var(--hair);
    font: 15px/1.5 var(--serif);
  }
</style>
