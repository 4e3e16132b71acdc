<!-- The pictures of the page, what each says and how it stands, and where the page has nothing to rest the eye. -->
<script lang="ts">
  import { stretchesWithoutRest } from '@even-page/core/dress';
  import { picturesOf } from '@even-page/core/post/pictures';
  import { Refused, refusalOf } from '$lib/ask-server.ts';
  import Gravity from '$lib/parts/Gravity.svelte';
  import { count } from '$lib/parts/sizes.ts';
  import { changeBlock } from '../page/picture-commands.ts';
  import type { Piece } from '../piece.svelte.ts';
  import { selectedBlock } from './chosen-block.ts';
  import PictureFields from './PictureFields.svelte';
  import Resting from './Resting.svelte';

  let { piece, onfiles }: { piece: Piece; onfiles: (files: readonly File[]) => void } = $props();

  let busy = $state(false);
  let sorry = $state('');
  let chosenId = $state('');

  const pictures = $derived.by(() => {
    void piece.page.tick;
    return picturesOf(piece.page.doc);
  });
  const stretches = $derived.by(() => {
    void piece.page.tick;
    return stretchesWithoutRest(piece.page.doc);
  });
  // The picture selected on the page, or the one chosen here.
  const selected = $derived(selectedBlock(piece.page, 'picture'));
  $effect(() => {
    if (selected) chosenId = selected;
  });
  const chosen = $derived(pictures.find((p) => p.id === (selected || chosenId)) ?? pictures[0]);

  // Pictures that stand on another site: it may take them away, and sees who reads the page.
  const elsewhere = $derived(pictures.filter((p) => /^https?:/i.test(p.src)));

  async function bringIn() {
    busy = true;
    sorry = '';
    const failed: string[] = [];
    for (const { id, src } of elsewhere) {
      try {
        piece.page.apply(changeBlock(id, { src: (await piece.dress.fetched({ address: src })).src }));
      } catch (cause) {
        if (!(cause instanceof Refused)) throw cause;
        failed.push(cause.message);
      }
    }
    sorry = failed.length ? `${count(failed.length, 'picture')} could not be brought in. ${failed[0]}` : '';
    busy = false;
  }

  let address = $state('');

  async function fromAddress() {
    busy = true;
    sorry = await refusalOf(async () => {
      chosenId = piece.dress.place(await piece.dress.fetched({ address: address.trim() }));
      address = '';
    });
    busy = false;
  }

  const shown = (src: string): string => piece.dress.of(src)?.url ?? (src.startsWith('/pictures/') ? `${src}?as=small` : src);
</script>

<div
  class="scroll"
  role="region"
  aria-label="Pictures"
  ondragover={(e) => e.preventDefault()}
  ondrop={(e) => {
    e.preventDefault();
    onfiles([...(e.dataTransfer?.files ?? [])]);
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
          aria-label="Picture {i + 1}: {p.alt || (p.isDecorative ? 'only adorns' : 'no alternative text')}"
          onclick={() => {
            chosenId = p.id;
            piece.page.goToBlock(p.id);
          }}
        >
          <img src={shown(p.src)} alt="" loading="lazy" />
          {#if !p.alt.trim() && !p.isDecorative}<span class="must"><Gravity gravity="must" /></span>{/if}
        </button>
      {/each}
    </div>
    {#if chosen}{#key chosen.id}<PictureFields {piece} {chosen} others={pictures.filter((p) => p !== chosen)} />{/key}{/if}
  {:else}
    <p class="note">
      No picture yet. Add one, drop it here or onto the page, or paste it. It goes where the caret is on the page; the first one sits best
      after the first paragraph.
    </p>
  {/if}
  <details>
    <summary>From a web address</summary>
    <form
      onsubmit={(e) => {
        e.preventDefault();
        void fromAddress();
      }}
    >
      <input class="entry" type="url" aria-label="The web address of a picture" placeholder="https://" bind:value={address} />
      <button class="quiet" disabled={busy || !address.trim()}>{busy ? 'Fetching…' : 'Fetch it'}</button>
    </form>
  </details>
  <Resting {piece} {stretches} />
</div>

<style>
  .sorry {
    margin: 12px 20px;
  }
  .pics {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(104px, 1fr));
    gap: 10px;
    max-height: 232px;
    padding: 14px 20px;
    overflow-y: auto;
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
  details {
    border-top: 1px dotted var(--hair);
  }
  summary {
    padding: 8px 20px;
    cursor: pointer;
  }
  form {
    display: flex;
    gap: 8px;
    padding: 2px 20px 12px;
  }
  form input {
    flex: 1;
    min-width: 0;
  }
  .must {
    position: absolute;
    left: 6px;
    bottom: 6px;
  }
</style>
