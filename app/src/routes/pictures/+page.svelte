<!-- Pictures: all there are, found by words, use, licence, size and colour. -->
<script lang="ts">
  import { invalidateAll } from '$app/navigation';
  import { COLOURS, LICENCE_NAMES, LICENCES } from '@even-page/core/dress';
  import { askServer, form, refusalOf } from '$lib/ask-server.ts';
  import FileChooser from '$lib/parts/FileChooser.svelte';
  import FindField from '$lib/parts/FindField.svelte';
  import { count, figure } from '$lib/parts/sizes.ts';
  import Views from '$lib/parts/Views.svelte';
  import OnePicture from '$lib/pictures/OnePicture.svelte';

  let { data } = $props();

  const ORDERS = [
    { name: 'newest', label: 'Newest' },
    { name: 'name', label: 'By name' },
    { name: 'heavy', label: 'Heaviest' },
  ] as const;
  const SHOWN_AT_FIRST = 60;

  let find = $state('');
  let order = $state<(typeof ORDERS)[number]['name']>('newest');
  let used = $state('');
  let licence = $state('');
  let colour = $state('');
  let least = $state(0);
  let most = $state(SHOWN_AT_FIRST);
  let open = $state('');
  let says = $state('');
  let sorry = $state('');
  let gone = $state('');

  const found = $derived.by(() => {
    const words = find.trim().toLowerCase().split(/\s+/).filter(Boolean);
    const all = data.pictures.filter((p) => {
      const text = `${p.name} ${p.alt} ${p.credit} ${p.uses.map((u) => u.title).join(' ')}`.toLowerCase();
      return (
        words.every((word) => text.includes(word)) &&
        (!used || (used === 'used') === p.uses.length > 0) &&
        (!licence || p.rights.licence === licence) &&
        (!colour || p.colour === colour) &&
        p.width >= least
      );
    });
    if (order === 'name')
      all.sort((a, b) => (a.alt || a.name).localeCompare(b.alt || b.name, 'en', { sensitivity: 'base', numeric: true }));
    if (order === 'heavy') all.sort((a, b) => b.bytes - a.bytes);
    return all;
  });
  const shown = $derived(found.slice(0, most));
  const isNarrowed = $derived(!!(find.trim() || used || licence || colour || least));

  async function add(files: readonly File[]) {
    says = 'Making them light…';
    let [taken, refused] = [0, [] as string[]];
    sorry = await refusalOf(async () => {
      // One after the other, so that a picture that cannot be taken holds up no other.
      for (const file of files) {
        const answer = await askServer<{ pictures: unknown[]; sorry: string[] }>('/pictures', form('picture', [file]));
        taken += answer.pictures.length;
        refused = [...refused, ...answer.sorry];
      }
    });
    says = `${count(taken, 'picture')} taken in.`;
    sorry ||= refused.join(' ');
    await invalidateAll();
  }

  async function putAway(src: string) {
    sorry = await refusalOf(async () => {
      await askServer(src, { method: 'DELETE' });
      gone = src;
      open = '';
      await invalidateAll();
    });
  }

  async function bringBack() {
    sorry = await refusalOf(async () => {
      await askServer(`${gone}/back`, { method: 'POST' });
      gone = '';
      await invalidateAll();
    });
  }

  const all = () => {
    find = used = licence = colour = '';
    least = 0;
  };
</script>

<svelte:head><title>Pictures · Even Page</title></svelte:head>

<main
  class="shelf-screen"
  ondragover={(e) => e.preventDefault()}
  ondrop={(e) => {
    e.preventDefault();
    void add([...(e.dataTransfer?.files ?? [])]);
  }}
>
  <header>
    <h1>Pictures</h1>
    <span class="muted">{figure(data.pictures.length)}</span>
    <span class="muted end" role="status">{says}</span>
    <FileChooser label="Choose pictures" accept="image/*" onfiles={(files) => void add(files)}>
      {#snippet children(choose)}<button class="act" onclick={choose}>Add</button>{/snippet}
    </FileChooser>
  </header>
  {#if sorry}<p class="sorry" role="alert">{sorry}</p>{/if}
  {#if gone}<p class="note">Put away. <button class="word" onclick={() => void bringBack()}>Bring it back</button></p>{/if}
  {#if data.pictures.length}
    <div class="order">
      <FindField bind:value={find} label="Find a picture" />
      <span class="end"><Views views={ORDERS} bind:open={order} label="Order of the pictures" /></span>
    </div>
    <div class="order kinds">
      <select class="entry" aria-label="Use" bind:value={used}>
        <option value="">used or not</option><option value="used">used on a page</option><option value="unused">used nowhere</option>
      </select>
      <select class="entry" aria-label="Licence" bind:value={licence}>
        <option value="">any licence</option>
        {#each LICENCE_NAMES as name (name)}<option value={name}>{LICENCES[name].says}</option>{/each}
      </select>
      <select class="entry" aria-label="Size" bind:value={least}>
        <option value={0}>any size</option><option value={960}>wide enough for a cover</option><option value={2000}
          >2,000 pixels and wider</option
        >
      </select>
      <select class="entry" aria-label="Colour" bind:value={colour}>
        <option value="">any colour</option>
        {#each COLOURS as name (name)}<option>{name}</option>{/each}
      </select>
    </div>
    {#if !found.length}<p class="empty">No picture fits. <button class="word" onclick={all}>Show all</button></p>
    {:else if isNarrowed}<p class="muted small">{count(found.length, 'picture')} of {figure(data.pictures.length)}</p>{/if}
    <ul>
      {#each shown as picture (picture.src)}
        <li class:on={open === picture.src}>
          <button aria-expanded={open === picture.src} onclick={() => (open = open === picture.src ? '' : picture.src)}>
            <img src="{picture.src}?as=small" alt="" loading="lazy" />
            <b>{picture.alt || picture.name}</b>
            <span class="muted small"
              >{figure(picture.width)} × {figure(picture.height)}{picture.uses.length
                ? `, in ${count(picture.uses.length, 'piece')}`
                : ''}</span
            >
          </button>
          {#if open === picture.src}<OnePicture
              {picture}
              others={data.pictures}
              onaway={() => void putAway(picture.src)}
              onopen={(src) => (open = src)}
            />{/if}
        </li>
      {/each}
    </ul>
    {#if found.length > most}
      <p class="more">
        <button class="quiet" onclick={() => (most += SHOWN_AT_FIRST)}>Show more</button>
        <span class="muted small">{count(most, 'picture')} of {figure(found.length)}</span>
      </p>
    {/if}
  {:else}
    <p class="empty">
      Nothing here yet. Add pictures, or drop them here: each is made light at once and can be put onto any page. Those of your pieces come
      here by themselves.
    </p>
  {/if}
</main>

<style>
  .end {
    margin-left: auto;
  }
  .order select {
    max-width: 176px;
  }
  .order {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 8px 12px;
  }
  .kinds {
    padding: 10px 0 12px;
    border-bottom: 1px solid var(--hair);
  }
  ul {
    display: grid;
    grid-auto-flow: dense;
    grid-template-columns: repeat(auto-fill, minmax(min(170px, 44%), 1fr));
    gap: 20px 16px;
    margin: 16px 0 0;
    padding: 0;
    list-style: none;
  }
  li.on {
    display: grid;
    grid-column: 1 / -1;
    grid-template-columns: minmax(0, 300px) minmax(0, 1fr);
    gap: 0 24px;
    align-items: start;
    padding-block: 14px;
    border-block: 1px solid var(--hair);
  }
  @media (max-width: 700px) {
    li.on {
      grid-template-columns: minmax(0, 1fr);
    }
  }
  li > button {
    display: grid;
    gap: 3px;
    width: 100%;
    text-align: left;
  }
  li b {
    font-weight: 600;
    overflow-wrap: anywhere;
  }
  img {
    width: 100%;
    aspect-ratio: 4/3;
    object-fit: cover;
    background: var(--paper-2);
    border: 1px solid var(--hair);
  }
  li > button:hover img {
    border-color: var(--bottle);
  }
  .empty,
  .more {
    margin-top: 18px;
  }
  .note {
    padding-inline: 0;
  }
</style>
