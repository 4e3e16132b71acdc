<!-- The picture stock, searched by words: those of the section under the caret to begin with. -->
<script lang="ts">
  import { LICENCES, type LicenceName, pictureWords } from '@even-page/core/dress';
  import { plainText } from '@even-page/core/post/sections';
  import { askServer, json, refusalOf } from '$lib/ask-server.ts';
  import { count, figure } from '$lib/parts/sizes.ts';
  import type { Piece } from '../piece.svelte.ts';
  import type { Picture } from '$lib/pictures/known.ts';

  let { piece, place, onend }: { piece: Piece; place: () => number | undefined; onend: () => void } = $props();

  type Offered = {
    id: string;
    title: string;
    maker: string;
    rights: { licence: LicenceName };
    width: number;
    height: number;
    thumb: string;
  };
  type Found = { total: number; page: number; pages: number; pictures: Offered[] };

  const section = $derived(piece.page.sections[piece.page.sectionHere] ?? piece.page.sections[0]);
  const fitting = $derived.by(() => {
    void piece.page.tick;
    if (!section) return '';
    const { doc } = piece.page;
    return pictureWords(section.heading, plainText(doc.cut(section.from, Math.min(section.to, doc.content.size)))).join(' ');
  });

  let words = $state('');
  let asked = $state('');
  let found = $state.raw<Found | null>(null);
  let sorry = $state('');
  let busy = $state('');

  let turn = 0;
  async function search(of: string, page = 1) {
    const own = ++turn;
    asked = of;
    sorry = await refusalOf(async () => {
      const answer = await askServer<Found>(`/stock?${new URLSearchParams({ words: of, page: String(page) })}`);
      if (own === turn) found = answer;
    });
    if (sorry) found = null;
  }

  // What fits the section the writer is at, as long as nobody asked for anything else.
  let isOwn = $state(false);
  $effect(() => {
    if (isOwn) return;
    words = fitting;
    void search(fitting);
  });

  async function take(id: string) {
    busy = id;
    sorry = await refusalOf(async () => {
      const { picture } = await askServer<{ picture: Picture }>('/stock', json('POST', { id, words: asked, page: found!.page }));
      piece.dress.place(picture, place());
      onend();
    });
    busy = '';
  }
</script>

<div class="scroll" role="region" aria-label="Picture stock">
  <form
    class="ask"
    onsubmit={(e) => {
      e.preventDefault();
      isOwn = true;
      void search(words.trim());
    }}
  >
    <input class="entry" type="search" aria-label="Words to search the stock for" placeholder="What should be seen?" bind:value={words} />
    <button class="quiet">Search</button>
  </form>
  <p class="note" role="status">
    {#if sorry}{sorry}
    {:else if !found}Searching…
    {:else if !found.total}Nothing in the stock fits “{asked}”. Try fewer or plainer words.
    {:else}{count(found.total, 'picture')}{!isOwn && section
        ? ` for “${section.heading || 'the introduction'}”`
        : asked
          ? ` for “${asked}”`
          : ''}{found.pages > 1 ? `, page ${found.page} of ${found.pages}` : ''}
    {/if}
  </p>
  {#if found?.total}
    <ul>
      {#each found.pictures as offer (offer.id)}
        <li>
          <img src="/stock/thumb?{new URLSearchParams({ address: offer.thumb })}" alt="" loading="lazy" />
          <b>{offer.title}</b>
          <span class="muted small"
            >{offer.maker}; {LICENCES[offer.rights.licence].says}; {figure(offer.width)} × {figure(offer.height)}</span
          >
          <button class="quiet" disabled={!!busy} onclick={() => void take(offer.id)} aria-label="Put {offer.title} onto the page"
            >{busy === offer.id ? 'Fetching…' : 'Put it in'}</button
          >
        </li>
      {/each}
    </ul>
    {#if found.pages > 1}
      <p class="pages">
        <button class="quiet" disabled={found.page === 1} onclick={() => void search(asked, found!.page - 1)}>Before</button>
        <button class="quiet" disabled={found.page === found.pages} onclick={() => void search(asked, found!.page + 1)}>More</button>
      </p>
    {/if}
  {/if}
</div>

<style>
  .ask {
    display: flex;
    gap: 8px;
    padding: 12px 20px 2px;
  }
  .ask input {
    flex: 1;
    min-width: 0;
  }
  ul {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
    gap: 16px 12px;
    margin: 0;
    padding: 6px 20px 16px;
    list-style: none;
  }
  li {
    display: grid;
    grid-template-rows: auto auto 1fr auto;
    gap: 3px;
    justify-items: start;
  }
  img {
    width: 100%;
    aspect-ratio: 4/3;
    object-fit: cover;
    background: var(--paper-2);
    border: 1px solid var(--hair);
  }
  li button {
    margin-top: 2px;
  }
  .pages {
    display: flex;
    gap: 8px;
    padding: 0 20px 20px;
  }
</style>
