<!-- Where a link leads. With nothing selected the address itself becomes its words. -->
<script lang="ts">
  import { isSafeAddress } from '@even-page/core/post/address';
  import { schema } from '@even-page/core/post/schema';
  import Ask from '$lib/parts/Ask.svelte';
  import type { Piece } from '../piece.svelte.ts';
  import { removeLink } from './commands.ts';

  let { piece, open = $bindable() }: { piece: Piece; open: boolean } = $props();

  const { link } = schema.marks;
  let address = $state('');
  let sorry = $state('');
  const standing = $derived(open ? currentLink() : null);

  $effect(() => {
    if (!open) return;
    address = standing ?? '';
    sorry = '';
  });

  function currentLink(): string | null {
    const selection = piece.page.view?.state.selection;
    const mark = selection?.$from.marks().find((m) => m.type === link) ?? selection?.$to.nodeBefore?.marks.find((m) => m.type === link);
    return (mark?.attrs.href as string | undefined) ?? null;
  }

  function put(event: SubmitEvent) {
    event.preventDefault();
    let href = address.trim();
    if (/^[\w-]+(?:\.[\w-]+)+(?:\/|$)/.test(href)) href = `https://${href}`;
    else if (/^[^\s@/]+@[^\s@/]+\.[^\s@/]+$/.test(href)) href = `mailto:${href}`;
    if (!href || !isSafeAddress(href)) {
      sorry = 'A link leads to a web address, such as https://larkfield.example/stones, or to a mail address.';
      return;
    }
    const view = piece.page.view!;
    const { state } = view;
    const { from, to, empty } = state.selection;
    const mark = link.create({ href });
    view.dispatch(empty ? state.tr.insert(from, schema.text(href, [mark])) : state.tr.removeMark(from, to, link).addMark(from, to, mark));
    close();
  }

  function takeOut() {
    piece.page.run(removeLink);
    close();
  }

  function close() {
    open = false;
    setTimeout(() => piece.page.view?.focus());
  }
</script>

<Ask bind:open title="Link">
  <form onsubmit={put}>
    <label for="link-address">Where does it lead?</label>
    <input id="link-address" class="line" bind:value={address} placeholder="https://" autocomplete="off" />
    {#if sorry}<p class="sorry" role="alert">{sorry}</p>{/if}
    <div>
      <button class="act">Put the link in</button>
      {#if standing}<button type="button" class="quiet" onclick={takeOut}>Take the link out</button>{/if}
    </div>
  </form>
</Ask>

<style>
  form {
    display: grid;
    gap: 8px;
    color: var(--ink);
  }
  div {
    display: flex;
    gap: 10px;
    margin-top: 6px;
  }
</style>
