<!-- Lists hidden in the prose of the page: each shown as it would be, written with one click. -->
<script lang="ts">
  import { withIds } from '@even-page/core/post/ids';
  import { withList, type HiddenList, type ListForm } from '@even-page/core/shape/lists';
  import { newBlockId } from '$lib/block-id.ts';
  import { count } from '$lib/parts/sizes.ts';
  import { core } from '$lib/workers/core.ts';
  import type { Piece } from '../piece.svelte.ts';

  let { piece }: { piece: Piece } = $props();

  const QUIET_MS = 500;
  const SAYS: Record<HiddenList['kind'], string> = { counted: 'Counted off', steps: 'Steps', alike: 'Said alike' };
  const FORMS: Record<ListForm, string> = { numbers: 'Numbered list', bullets: 'Bulleted list', table: 'Table' };
  let found = $state.raw<{ doc: Piece['doc'] | null; lists: HiddenList[] }>({ doc: null, lists: [] });
  let isOpen = $state(false);

  // Looked for when the page has been quiet for a moment.
  $effect(() => {
    void piece.pageTick;
    const timer = setTimeout(async () => {
      const { doc } = piece;
      const lists = await core().lists(doc.toJSON() as object);
      if (piece.doc === doc) found = { doc, lists };
    }, QUIET_MS);
    return () => clearTimeout(timer);
  });

  function write(list: HiddenList, form: ListForm) {
    // The places are those of the page that was looked through.
    if (piece.doc === found.doc) piece.replacePage(withIds(withList(piece.doc, list, form), newBlockId));
  }

  const go = ({ from }: HiddenList) => piece.goToBlock(found.doc!.child(from.block).attrs.id as string);
</script>

{#if found.lists.length}
  <div class="head">
    <button class="word" aria-expanded={isOpen} onclick={() => (isOpen = !isOpen)}
      >{count(found.lists.length, 'list')} hidden in the prose</button
    >
  </div>
  {#if isOpen}
    <ul>
      {#each found.lists as list (`${list.from.block}:${list.from.at}`)}
        <li>
          <button class="said" onclick={() => go(list)}>
            <b>{SAYS[list.kind]}</b>
            {#if list.lead}<span class="muted">{list.lead}</span>{/if}
            {#each list.items as item, i (i)}<span class="point">{item}</span>{/each}
          </button>
          <div>
            {#each list.forms as form (form)}<button class="quiet" onclick={() => write(list, form)}>{FORMS[form]}</button>{/each}
          </div>
        </li>
      {/each}
    </ul>
  {/if}
{/if}

<style>
  .head {
    padding: 8px 20px;
    border-bottom: 1px solid var(--hair);
    font-size: 14px;
  }
  li {
    display: grid;
    gap: 8px;
    padding: 10px 20px;
    border-bottom: 1px solid var(--hair);
  }
  .said {
    display: grid;
    gap: 2px;
    text-align: left;
  }
  .point {
    padding-left: 16px;
    border-left: 2px solid var(--hair);
    font: 15px/1.5 var(--serif);
  }
  li div {
    display: flex;
    gap: 8px;
    font-size: 14px;
  }
</style>
