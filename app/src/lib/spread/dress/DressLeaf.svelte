<!-- Dress: what should readers see? The pictures of the page, with what they say to those who cannot see them. -->
<script lang="ts">
  import { NodeSelection } from 'prosemirror-state';
  import { isSafeAddress } from '@even-page/core/post/address';
  import { picturesOf, type PictureAttrs } from '@even-page/core/post/pictures';
  import { askServer, json, Refused } from '$lib/ask-server.ts';
  import FileChooser from '$lib/parts/FileChooser.svelte';
  import Gravity from '$lib/parts/Gravity.svelte';
  import { count, sayBytes } from '$lib/parts/sizes.ts';
  import type { Picture } from '../piece-data.ts';
  import type { Piece } from '../piece.svelte.ts';

  let { piece }: { piece: Piece } = $props();

  let busy = $state(false);
  let sorry = $state('');
  let chosenId = $state('');

  const pictures = $derived.by(() => {
    void piece.page.tick;
    return picturesOf(piece.page.doc);
  });
  // The picture selected on the page, or the one chosen here.
  const selectedOnPage = $derived.by(() => {
    void piece.page.caretTick;
    const selection = piece.page.view?.state.selection;
    return selection instanceof NodeSelection && selection.node.type.name === 'picture' ? (selection.node.attrs.id as string) : '';
  });
  const chosen = $derived(pictures.find((p) => p.id === (selectedOnPage || chosenId)) ?? pictures[0]);
  const weight = $derived(chosen && piece.page.pictures[chosen.src]);

  async function add(files: readonly File[]) {
    if (!files.length) return;
    busy = true;
    sorry = '';
    const before = new Set(pictures.map((p) => p.id));
    try {
      await piece.bringPictures(files, placeForPicture());
      chosenId = pictures.find((p) => !before.has(p.id))?.id ?? '';
    } catch (cause) {
      if (!(cause instanceof Refused)) throw cause;
      sorry = cause.message;
    } finally {
      busy = false;
    }
  }

  // Where the writer is; a first picture goes after the first paragraph (common practice, no source).
  function placeForPicture(): number | undefined {
    if (pictures.length || piece.page.view?.state.selection.from !== 1) return undefined;
    return piece.page.doc.firstChild!.nodeSize;
  }

  // Pictures that stand on another site: it may take them away, and sees who reads the page.
  const elsewhere = $derived(pictures.filter((p) => /^https?:/i.test(p.src)));

  async function bringIn() {
    busy = true;
    sorry = '';
    const failed: string[] = [];
    for (const { id, src } of elsewhere) {
      try {
        const { pictures: found } = await askServer<{ pictures: Picture[] }>(
          `/pieces/${piece.id}/pictures`,
          json('POST', { address: src }),
        );
        piece.page.pictures = { ...piece.page.pictures, [found[0]!.src]: found[0]! };
        change(id, { src: found[0]!.src });
      } catch (cause) {
        if (!(cause instanceof Refused)) throw cause;
        failed.push(cause.message);
      }
    }
    sorry = failed.length ? `${count(failed.length, 'picture')} could not be brought in. ${failed[0]}` : '';
    busy = false;
  }

  function change(id: string, attrs: Partial<PictureAttrs>) {
    const { view } = piece.page;
    if (!view) return;
    view.state.doc.descendants((node, pos) => {
      if (node.attrs.id !== id) return !node.isTextblock;
      view.dispatch(view.state.tr.setNodeMarkup(pos, null, { ...node.attrs, ...attrs }));
      return false;
    });
    chosenId = id;
  }

  function lead(id: string, field: HTMLInputElement) {
    const href = field.value.trim();
    const isRight = !href || isSafeAddress(href);
    sorry = isRight ? '' : 'This is no web address: it begins with https:// or http://.';
    if (isRight) change(id, { href });
  }

  function takeOut(id: string) {
    const { view } = piece.page;
    view?.state.doc.descendants((node, pos) => {
      if (node.attrs.id === id) view.dispatch(view.state.tr.delete(pos, pos + node.nodeSize));
      return !node.isTextblock;
    });
  }
</script>

<div class="bar">
  <h2>Pictures</h2>
  <span class="muted">{count(pictures.length, 'picture')} on the page</span>
  <div class="end">
    {#if busy}<span class="muted" role="status">Taking it in…</span>{/if}
    <FileChooser label="Choose pictures" accept="image/*" onfiles={add}>
      {#snippet children(choose)}<button class="act" onclick={choose}>Add</button>{/snippet}
    </FileChooser>
  </div>
</div>
<div
  class="scroll"
  role="region"
  aria-label="Pictures"
  ondragover={(e) => e.preventDefault()}
  ondrop={(e) => {
    e.preventDefault();
    void add([...(e.dataTransfer?.files ?? [])]);
  }}
>
  {#if sorry}<p class="sorry" role="alert">{sorry}</p>{/if}
  {#if elsewhere.length}
    <p class="note">
      {count(elsewhere.length, 'picture')}
      {elsewhere.length === 1 ? 'stands' : 'stand'} on another site, which may take {elsewhere.length === 1 ? 'it' : 'them'} away.
      <button class="word" disabled={busy} onclick={() => void bringIn()}>Bring {elsewhere.length === 1 ? 'it' : 'them'} in</button>
    </p>
  {/if}
  {#if pictures.length}
    <div class="pics">
      {#each pictures as p, i (p.id)}
        <button
          class:on={p.id === chosen?.id}
          aria-pressed={p.id === chosen?.id}
          aria-label="Picture {i + 1}: {p.alt || 'no alternative text'}"
          onclick={() => {
            chosenId = p.id;
            piece.page.goToBlock(p.id);
          }}
        >
          <img src={p.src} alt="" />
          {#if !p.alt.trim()}<span class="must"><Gravity gravity="must" /></span>{/if}
        </button>
      {/each}
    </div>
    {#if chosen}
      {#key chosen.id}
        <div class="bar soft">
          <h2>{chosen.alt || 'Picture without words'}</h2>
          {#if weight}<span class="muted small">{weight.width} × {weight.height}</span>{/if}
          <button class="quiet end" onclick={() => takeOut(chosen.id)}>Take it out</button>
        </div>
        <div class="field">
          <label for="picture-alt">Says</label>
          <textarea
            id="picture-alt"
            class="line"
            rows="1"
            placeholder="What is seen, for readers who cannot see it"
            value={chosen.alt}
            oninput={(e) => change(chosen.id, { alt: e.currentTarget.value })}></textarea>
          <small>{chosen.alt.length || ''}</small>
        </div>
        <div class="field">
          <label for="picture-caption">Caption</label>
          <textarea
            id="picture-caption"
            class="line"
            rows="1"
            placeholder="What stands under it, if anything"
            value={chosen.caption}
            oninput={(e) => change(chosen.id, { caption: e.currentTarget.value })}></textarea>
          <small></small>
        </div>
        <div class="field">
          <label for="picture-href">Leads to</label>
          <input
            id="picture-href"
            class="line"
            type="url"
            placeholder="A web address, if a click on it leads anywhere"
            value={chosen.href}
            onchange={(e) => lead(chosen.id, e.currentTarget)}
          />
          <small></small>
        </div>
        {#if weight}
          <div class="field">
            <span class="label">Weight</span>
            <span
              >{sayBytes(weight.originalBytes)} <span class="muted">became</span> <b>{sayBytes(weight.bytes)}</b>
              <span class="muted">WebP, quality 72</span></span
            >
            <small></small>
          </div>
        {/if}
      {/key}
    {/if}
  {:else}
    <p class="note">
      No picture yet. Add one, drop it here or onto the page, or paste it. It goes where the caret is on the page; the first one sits best
      after the first paragraph.
    </p>
  {/if}
</div>

<style>
  .sorry {
    margin: 12px 20px;
  }
  .pics {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(140px, 1fr));
    gap: 12px;
    padding: 14px 20px;
  }
  .pics button {
    position: relative;
    aspect-ratio: 4/3;
    background: var(--paper-2);
    border: 1px solid var(--hair);
    overflow: hidden;
  }
  .pics button.on {
    outline: 2px solid var(--bottle);
    outline-offset: 2px;
  }
  .pics img {
    width: 100%;
    height: 100%;
    object-fit: cover;
  }
  .must {
    position: absolute;
    left: 6px;
    bottom: 6px;
  }
  .soft {
    border-top: 1px solid var(--hair);
    border-bottom-style: dotted;
  }
  .soft h2 {
    min-width: 0;
    overflow-wrap: anywhere;
  }
</style>
