<script lang="ts">
  import { goto } from '$app/navigation';
  import { askServer, Refused } from '$lib/ask-server.ts';
  import BringIn from '$lib/desk/BringIn.svelte';
  import MiniSpine from '$lib/desk/MiniSpine.svelte';
  import FindField from '$lib/parts/FindField.svelte';
  import Gravity from '$lib/parts/Gravity.svelte';
  import { sayWhen } from '$lib/parts/moments.ts';
  import { count, figure } from '$lib/parts/sizes.ts';
  import Views from '$lib/parts/Views.svelte';
  import { STEPS } from '$lib/steps.ts';

  let { data } = $props();

  type Row = Omit<(typeof data.rows)[number], 'touchedAt'> & { touchedAt: Date | string };
  const VIEWS = [
    { name: 'touched', label: 'Last touched' },
    { name: 'step', label: 'Step' },
    { name: 'title', label: 'Title' },
  ] as const;
  const TYPING_MS = 150;

  let order = $derived(data.order);
  let find = $derived(data.find);
  // The first rows come with the page; the rest as the Desk is scrolled.
  let more = $derived.by<Row[]>(() => (void data, []));
  let fetching = $state(false);
  let sorry = $state('');
  let typing: ReturnType<typeof setTimeout> | undefined;
  const rows = $derived([...data.rows, ...more]);

  const label = (row: Row) => STEPS.find((s) => s.name === row.step)!.label;
  const words = (row: Row) => (row.words ? count(row.words, 'word') : row.saidWords ? `${count(row.saidWords, 'word')} said` : 'empty');
  const query = (from?: number) => {
    const wanted = { ...(order === 'touched' ? {} : { order }), ...(find.trim() ? { find } : {}), ...(from ? { from: String(from) } : {}) };
    return Object.keys(wanted).length ? `?${new URLSearchParams(wanted)}` : '';
  };

  const ask = () => void goto(`/${query()}`, { replaceState: true, keepFocus: true, noScroll: true });
  function look() {
    clearTimeout(typing);
    typing = setTimeout(ask, TYPING_MS);
  }

  async function fetchMore() {
    if (fetching || rows.length >= data.found) return;
    fetching = true;
    sorry = '';
    try {
      const next = await askServer<{ rows: Row[] }>(`/pieces${query(rows.length)}`);
      const known = new Set(rows.map((row) => row.id));
      more = [...more, ...next.rows.filter((row) => !known.has(row.id))];
    } catch (cause) {
      if (!(cause instanceof Refused)) throw cause;
      sorry = cause.message;
    } finally {
      fetching = false;
    }
  }

  /** Fetches on as soon as the end of the rows comes into sight. */
  function atEnd(end: HTMLElement) {
    const watch = new IntersectionObserver(([seen]) => seen!.isIntersecting && void fetchMore(), { rootMargin: '400px' });
    watch.observe(end);
    return () => watch.disconnect();
  }
</script>

<svelte:head><title>Desk · Even Page</title></svelte:head>

<main>
  <BringIn />
  <div class="lead">
    <h1>On the desk</h1>
    <span class="muted">{count(data.total, 'piece')}</span>
    {#if data.total > 1}
      <div class="order">
        <FindField bind:value={find} label="Find a piece by its title" oninput={look} />
        <Views views={VIEWS} bind:open={() => order, (wanted) => ((order = wanted), ask())} label="Order of the pieces" />
      </div>
    {/if}
  </div>
  {#if !data.total}
    <p class="empty">Nothing here yet. Drop a caption file on this page, or paste a transcript: a piece is made of it and opens at once.</p>
  {:else if !rows.length}
    <p class="empty">
      No piece has “{data.find.trim()}” in its title. <button class="word" onclick={() => ((find = ''), ask())}>Show all</button>
    </p>
  {/if}
  <ul>
    {#each rows as row (row.id)}
      <li>
        <a href="/pieces/{row.id}">
          <div>
            <h2>{row.title}</h2>
            <div class="next"><Gravity gravity={row.next.gravity} /><span><b>{row.next.says}</b>{row.next.rest}</span></div>
          </div>
          <MiniSpine words={row.sectionWords} />
          <div class="step">{label(row)}<small>{words(row)}</small></div>
          <time datetime={new Date(row.touchedAt).toISOString()}>{sayWhen(new Date(row.touchedAt))}</time>
        </a>
      </li>
    {/each}
  </ul>
  {#if rows.length < data.found}
    <p class="more" {@attach atEnd}>
      {#if sorry}<span role="alert">{sorry}</span>{/if}
      <button class="quiet" disabled={fetching} onclick={fetchMore}>Show more</button>
      <span class="muted small">{count(rows.length, 'piece')} of {figure(data.found)}</span>
    </p>
  {/if}
</main>

<style>
  main {
    width: 1120px;
    max-width: calc(100vw - 40px);
    margin: 0 auto;
    padding: 26px 0 40px;
  }
  .lead {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 4px 20px;
    margin: 30px 0 6px;
  }
  h1 {
    font: 650 26px/1.2 var(--serif);
    letter-spacing: -0.01em;
  }
  .order {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 6px 24px;
    margin-left: auto;
  }
  .empty {
    max-width: 60ch;
    padding: 18px 4px;
    color: var(--faded);
  }
  .more {
    display: flex;
    align-items: center;
    gap: 14px;
    padding: 18px 4px;
  }
  li a {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 210px 116px 84px;
    gap: 26px;
    align-items: center;
    padding: 15px 4px;
    border-bottom: 1px solid var(--hair);
    color: var(--ink);
    text-decoration: none;
  }
  li a:hover {
    background: color-mix(in srgb, var(--leaf) 60%, transparent);
  }
  li a:hover h2 {
    color: var(--bottle);
  }
  h2 {
    margin: 0 0 3px;
    font: 600 18px/1.3 var(--serif);
    overflow-wrap: anywhere;
  }
  .next {
    display: flex;
    gap: 8px;
    color: var(--faded);
  }
  .next b {
    color: var(--ink);
    font-weight: 550;
  }
  .step {
    font-weight: 600;
  }
  .step small {
    display: block;
    font-weight: 450;
    font-size: 13px;
    color: var(--faded);
  }
  time {
    color: var(--faded);
    text-align: right;
    font-size: 14px;
  }
  @media (max-width: 760px) {
    main {
      max-width: calc(100vw - 24px);
      padding-top: 12px;
    }
    .order {
      margin-left: 0;
    }
    li a {
      grid-template-columns: minmax(0, 1fr) auto;
      gap: 4px 16px;
    }
    li a > :global(:nth-child(2)) {
      display: none;
    }
    li a > :first-child {
      grid-column: 1 / -1;
    }
  }
</style>
