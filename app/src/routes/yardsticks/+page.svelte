<!-- Yardsticks: the phrases people look for, which of them have a piece, and what is found for each. -->
<script lang="ts">
  import { goto, invalidateAll } from '$app/navigation';
  import { askServer, form, json, Refused } from '$lib/ask-server.ts';
  import FileChooser from '$lib/parts/FileChooser.svelte';
  import FindField from '$lib/parts/FindField.svelte';
  import Gravity from '$lib/parts/Gravity.svelte';
  import { sayWhen } from '$lib/parts/moments.ts';
  import { count, figure } from '$lib/parts/sizes.ts';

  let { data } = $props();

  const SHOWN_AT_FIRST = 100;
  const SHOWN_COLUMNS = 3;

  let phrase = $state('');
  let find = $state('');
  let order = $state('');
  let has = $state<'' | 'piece' | 'none'>('');
  let most = $state(SHOWN_AT_FIRST);
  let says = $state('');
  let sorry = $state('');

  const columns = $derived([...new Set(data.yardsticks.flatMap((y) => Object.keys(y.columns)))]);
  const shownColumns = $derived(columns.slice(0, SHOWN_COLUMNS));
  const written = $derived(data.yardsticks.filter((y) => y.pieces.length).length);
  const numberIn = (cell = '') => Number(cell.replace(/[^\d.-]/g, '') || NaN);
  const found = $derived.by(() => {
    const words = find.trim().toLowerCase();
    const all = data.yardsticks.filter(
      (y) =>
        (!words || `${y.phrase} ${Object.values(y.columns).join(' ')}`.toLowerCase().includes(words)) &&
        (!has || (has === 'piece') === y.pieces.length > 0),
    );
    if (order === 'phrase') return all.toSorted((a, b) => a.phrase.localeCompare(b.phrase, 'en', { sensitivity: 'base', numeric: true }));
    if (!order) return all;
    // The largest figures first; what is no figure goes by its letters, behind them.
    return all.toSorted((a, b) => {
      const [x, y] = [a.columns[order] ?? '', b.columns[order] ?? ''];
      const [m, n] = [numberIn(x), numberIn(y)];
      if (Number.isNaN(m) && Number.isNaN(n)) return x.localeCompare(y);
      return Number.isNaN(m) ? 1 : Number.isNaN(n) ? -1 : n - m;
    });
  });
  const shown = $derived(found.slice(0, most));

  async function asking(work: () => Promise<void>) {
    says = sorry = '';
    try {
      await work();
    } catch (cause) {
      if (!(cause instanceof Refused)) throw cause;
      sorry = cause.message;
    }
  }

  const add = (event: SubmitEvent) => {
    event.preventDefault();
    void asking(async () => {
      const { id } = await askServer<{ id: string }>('/yardsticks', json('POST', { phrase }));
      await goto(`/yardsticks/${id}`);
    });
  };

  const bringTable = ([file]: File[]) =>
    asking(async () => {
      if (!file) return;
      const { taken } = await askServer<{ taken: number }>('/yardsticks/table', form('table', [file]));
      says = `${count(taken, 'phrase')} taken in.`;
      await invalidateAll();
    });
</script>

<svelte:head><title>Yardsticks · Even Page</title></svelte:head>

<main class="shelf-screen narrower">
  <header>
    <h1>Yardsticks</h1>
    <span class="muted">{figure(data.yardsticks.length)}{written ? `, ${figure(written)} with a piece` : ''}</span>
    <span class="end">
      <FileChooser label="Choose a table of phrases" accept=".csv,.tsv,.txt,text/csv" onfiles={(files) => void bringTable(files)}>
        {#snippet children(choose)}<button class="word" onclick={choose}>Bring in a table</button>{/snippet}
      </FileChooser>
      {#if data.yardsticks.length}<a class="word" href="/yardsticks/table" download>Take them along</a>{/if}
    </span>
  </header>
  <form onsubmit={add}>
    <label class="sr" for="new-phrase">A phrase people look for</label>
    <input id="new-phrase" bind:value={phrase} maxlength="120" placeholder="Which words do people look for?" autocomplete="off" />
    <button class="act" disabled={phrase.trim().length < 2}>Keep</button>
  </form>
  {#if sorry}<p class="sorry" role="alert">{sorry}</p>{/if}
  {#if says}<p class="muted small" role="status">{says}</p>{/if}
  {#if data.yardsticks.length > 1}
    <div class="order">
      <FindField bind:value={find} label="Find a phrase" />
      <select class="entry" aria-label="Which phrases" bind:value={has}>
        <option value="">all phrases</option>
        <option value="piece">with a piece</option>
        <option value="none">without a piece</option>
      </select>
      <select class="entry" aria-label="Order of the phrases" bind:value={order}>
        <option value="">newest first</option>
        <option value="phrase">by name</option>
        {#each columns as name (name)}<option value={name}>by {name}</option>{/each}
      </select>
    </div>
  {/if}
  {#if !data.yardsticks.length}
    <p class="empty">
      Nothing here yet. Keep a phrase that people look for, and Even Page reads the pages they find: what those treat, how long they are,
      and where there is room for yours. A table of phrases with any columns can be brought in too.
    </p>
  {:else if !found.length}
    <p class="empty">
      No phrase fits. <button class="word" onclick={() => ([find, has] = ['', ''])}>Show all</button>
    </p>
  {:else}
    <table>
      <thead>
        <tr>
          <th scope="col">Phrase</th>
          {#each shownColumns as name (name)}<th scope="col" class="extra">{name}</th>{/each}
          <th scope="col">Pages</th>
          <th scope="col">Piece</th>
        </tr>
      </thead>
      <tbody>
        {#each shown as { id, phrase, columns, pages, taken, readAt, pieces } (id)}
          <tr>
            <td><a href="/yardsticks/{id}">{phrase}</a></td>
            {#each shownColumns as name (name)}<td class="extra">{columns[name] ?? ''}</td>{/each}
            <td class="muted">{pages ? `${taken} of ${pages}${readAt ? `, ${sayWhen(readAt)}` : ''}` : ''}</td>
            <td>
              {#each pieces.slice(0, 2) as piece (piece.id)}
                <a href="/pieces/{piece.id}"
                  >{#if piece.isMain}<Gravity gravity="fine" />{/if}
                  {piece.title}</a
                >
              {/each}
            </td>
          </tr>
        {/each}
      </tbody>
    </table>
    {#if found.length > most}
      <p class="more">
        <button class="quiet" onclick={() => (most += SHOWN_AT_FIRST)}>Show more</button>
        <span class="muted small">{figure(most)} of {count(found.length, 'phrase')}</span>
      </p>
    {/if}
  {/if}
</main>

<style>
  td a {
    display: inline-block;
    padding-block: 4px;
  }
  .end {
    display: flex;
    gap: 16px;
    margin-left: auto;
  }
  form {
    display: flex;
    gap: 10px;
    margin-bottom: 14px;
  }
  form input {
    flex: 1;
    min-width: 0;
    padding: 10px 14px;
    border: 1px solid var(--hair);
    border-radius: 3px;
    background: var(--leaf);
    font: 17px var(--serif);
  }
  .order {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 8px 14px;
    padding-bottom: 10px;
  }
  table {
    width: 100%;
    border-collapse: collapse;
  }
  th {
    color: var(--faded);
    font-size: 14px;
    font-weight: 400;
    text-align: left;
  }
  th,
  td {
    padding: 9px 14px 9px 0;
    border-bottom: 1px solid var(--hair);
    vertical-align: baseline;
    overflow-wrap: anywhere;
  }
  td:first-child a {
    color: var(--ink);
    font-weight: 600;
    text-decoration: none;
  }
  td:first-child a:hover {
    text-decoration: underline;
  }
  .empty,
  .more {
    margin-top: 18px;
  }
  @media (max-width: 700px) {
    .extra {
      display: none;
    }
  }
</style>
