<!-- One yardstick: the pages that are found for a phrase, measured; which of them drafts are held against, and what they treat. -->
<script lang="ts">
  import { goto, invalidateAll } from '$app/navigation';
  import { PAGE_KINDS, roomAt } from '@even-page/core/yardstick';
  import { askServer, form, json, Refused } from '$lib/ask-server.ts';
  import Ask from '$lib/parts/Ask.svelte';
  import FileChooser from '$lib/parts/FileChooser.svelte';
  import { sayWhen } from '$lib/parts/moments.ts';
  import { count, figure } from '$lib/parts/sizes.ts';
  import { core } from '$lib/workers/core.ts';
  import type { SentYardstick } from '$lib/workers/core/proofing.ts';

  let { data } = $props();

  const SHOWN_MATTERS = 40;

  let addresses = $state('');
  let busy = $state('');
  let says = $state('');
  let sorry = $state('');
  let left = $state.raw<readonly string[]>([]);
  let asksToRemove = $state(false);
  let said = $state.raw<SentYardstick | null>(null);

  const { id, phrase, columns, pages, pieces } = $derived(data.yardstick);
  const taken = $derived(pages.filter((page) => !page.isOut));
  const all = $derived(pages.map(({ page }) => page));

  $effect(() => {
    const reading = taken.map(({ page }) => page);
    void core()
      .measureAgainst(id, reading)
      .then((found) => (said = found));
  });

  async function asking(doing: string, work: () => Promise<unknown>) {
    says = sorry = '';
    left = [];
    busy = doing;
    try {
      await work();
      await invalidateAll();
    } catch (cause) {
      if (!(cause instanceof Refused)) throw cause;
      sorry = cause.message;
    } finally {
      busy = '';
    }
  }

  const bring = (path: string, init: ReturnType<typeof json>) =>
    asking('Reading the pages …', async () => {
      const brought = await askServer<{ taken: number; left: string[] }>(`/yardsticks/${id}/${path}`, init);
      says = `${count(brought.taken, 'page')} read.`;
      left = brought.left;
      addresses = '';
    });

  function add(event: SubmitEvent) {
    event.preventDefault();
    // HTML itself may be pasted too.
    const body = /^\s*</.test(addresses) ? { html: addresses } : { addresses: addresses.split(/\s+/).filter(Boolean) };
    void bring('pages', json('POST', body));
  }

  const decide = (page: (typeof pages)[number]) =>
    asking('', () => askServer(`/yardsticks/${id}/pages/${page.id}`, json('PUT', { isOut: !page.isOut })));
  const takeAway = (page: (typeof pages)[number]) =>
    asking('', () => askServer(`/yardsticks/${id}/pages/${page.id}`, { method: 'DELETE' }));

  async function remove() {
    asksToRemove = false;
    try {
      await askServer(`/yardsticks/${id}`, { method: 'DELETE' });
      await goto('/yardsticks');
    } catch (cause) {
      if (!(cause instanceof Refused)) throw cause;
      sorry = cause.message;
    }
  }

  /** What changed on a page since it was read the time before. */
  function changeOf({ page, before }: (typeof pages)[number]): string {
    if (!before) return '';
    const told = (['words', 'headings', 'pictures'] as const).flatMap((name) => {
      const more = page.figures[name] - before[name];
      return more ? [`${more > 0 ? '+' : '−'}${figure(Math.abs(more))} ${name}`] : [];
    });
    return told.join(', ') || 'unchanged';
  }
</script>

<svelte:head><title>{phrase} · Yardsticks · Even Page</title></svelte:head>

<main
  class="shelf-screen"
  ondragover={(event) => event.preventDefault()}
  ondrop={(event) => {
    event.preventDefault();
    const files = [...(event.dataTransfer?.files ?? [])];
    if (files.length) void bring('pages', form('page', files));
  }}
>
  <header>
    <h1>{phrase}</h1>
    <span class="muted">{taken.length} of {count(pages.length, 'page')}</span>
    <span class="end">
      {#if pages.some((p) => p.address)}<button class="word" disabled={!!busy} onclick={() => void bring('again', json('POST', {}))}
          >Read them again</button
        >{/if}
      <button class="word" onclick={() => (asksToRemove = true)}>Take it away</button>
    </span>
  </header>
  {#if pieces.length || Object.keys(columns).length}
    <p class="muted">
      {#each pieces as piece (piece.id)}<a href="/pieces/{piece.id}">{piece.title}</a>{' '}{/each}
      {Object.entries(columns)
        .map(([name, cell]) => `${name}: ${cell}`)
        .join('; ')}
    </p>
  {/if}
  <form onsubmit={add}>
    <label class="sr" for="addresses">Addresses of pages, or HTML</label>
    <textarea
      id="addresses"
      rows={addresses.includes('\n') ? 4 : 1}
      bind:value={addresses}
      placeholder="Addresses of pages, one a line"
      spellcheck="false"></textarea>
    <button class={pages.length || !data.hasResultList ? 'act' : 'quiet'} disabled={!addresses.trim() || !!busy}>Read them</button>
    {#if data.hasResultList}
      <button type="button" class={pages.length ? 'quiet' : 'act'} disabled={!!busy} onclick={() => void bring('results', json('POST', {}))}
        >Ask the result list</button
      >
    {/if}
    <FileChooser label="Choose pages" accept=".html,.htm,text/html" onfiles={(files) => void bring('pages', form('page', files))}>
      {#snippet children(choose)}<button type="button" class="quiet" onclick={choose}>Choose files</button>{/snippet}
    </FileChooser>
  </form>
  <p class="muted small" role="status">{busy || says}</p>
  {#if sorry}<p class="sorry" role="alert">{sorry}</p>{/if}
  {#each left as sentence (sentence)}<p class="muted small">{sentence}</p>{/each}
  {#if !pages.length}
    <p class="empty">
      No pages yet. Name the addresses of what people find for these words, drop saved pages here, or ask the result list. Nothing about
      your pieces goes along.
    </p>
  {:else}
    <div class="wide">
      <table>
        <thead>
          <tr>
            <th scope="col">Page</th>
            <th scope="col">Words</th>
            <th scope="col" class="extra">Headings</th>
            <th scope="col" class="extra">Questions</th>
            <th scope="col" class="extra">Pictures</th>
            <th scope="col" class="extra">Links</th>
            <th scope="col" class="extra">Grade</th>
            <th scope="col" class="extra">Main text</th>
            <th scope="col"><span class="sr">In or out</span></th>
          </tr>
        </thead>
        <tbody>
          {#each pages as kept (kept.id)}
            {@const { page, address, isOut, because } = kept}
            {@const room = roomAt(page, all, new Date(kept.readAt).toISOString())}
            {@const change = changeOf(kept)}
            <tr class:out={isOut}>
              <td>
                {#if address}<a href={address} target="_blank" rel="noreferrer">{page.title || address}</a>{:else}<b
                    >{page.title || 'A page'}</b
                  >{/if}
                <small class="muted"
                  >{[
                    PAGE_KINDS[page.kind],
                    page.date ? `of ${page.date}` : '',
                    because && `${isOut ? 'left out: ' : ''}${because}`,
                    room.length && !because ? `room: ${room.join(', ')}` : '',
                    `read ${sayWhen(new Date(kept.readAt))}`,
                    change,
                  ]
                    .filter(Boolean)
                    .join('; ')}</small
                >
              </td>
              <td class="mono">{figure(page.figures.words)}</td>
              <td class="mono extra">{page.figures.headings}</td>
              <td class="mono extra">{page.figures.questions}</td>
              <td class="mono extra">{page.figures.pictures}</td>
              <td class="mono extra">{page.figures.linksInside}+{page.figures.linksOutside}</td>
              <td class="mono extra">{page.figures.grade?.toFixed(1) ?? '–'}</td>
              <td class="mono extra">{Math.round(page.mainShare * 100)}&nbsp;%</td>
              <td class="do">
                <button class="word" aria-label="{isOut ? 'Take in' : 'Leave out'} “{page.title}”" onclick={() => void decide(kept)}
                  >{isOut ? 'take in' : 'leave out'}</button
                >
                {#if isOut}<button class="word" aria-label="Take “{page.title}” away" onclick={() => void takeAway(kept)}>away</button>{/if}
              </td>
            </tr>
          {/each}
        </tbody>
      </table>
    </div>
    {#if said?.matters.length}
      <h2>What they treat</h2>
      <ul>
        {#each said.matters.slice(0, SHOWN_MATTERS) as matter (matter.id)}
          <li>
            <b>{matter.name}</b>
            <span class="muted small">{matter.pages.length} of {count(taken.length, 'page')}: {matter.words.slice(0, 5).join(', ')}</span>
          </li>
        {/each}
      </ul>
    {/if}
    {#if said?.links.length}
      <h2>Where most of them lead</h2>
      <ul>
        {#each said.links.slice(0, SHOWN_MATTERS) as link (link.address)}
          <li>
            <a href={link.address} target="_blank" rel="noreferrer">{link.address}</a>
            <span class="muted small">from {count(link.pages, 'page')}</span>
          </li>
        {/each}
      </ul>
    {/if}
  {/if}
</main>
<Ask bind:open={asksToRemove} title="Take this yardstick away?">
  <p>The phrase goes, with {count(pages.length, 'page')} read for it. Pieces stay as they are.</p>
  {#snippet actions()}<button class="act" onclick={() => void remove()}>Take it away</button>{/snippet}
</Ask>

<style>
  p a,
  td a,
  li a {
    display: inline-block;
    padding-block: 4px;
  }
  h2 {
    margin: 28px 0 6px;
    font: 640 18px/1.3 var(--serif);
  }
  .end {
    display: flex;
    gap: 16px;
    margin-left: auto;
  }
  form {
    display: flex;
    flex-wrap: wrap;
    gap: 10px;
    align-items: start;
  }
  textarea {
    flex: 1 1 320px;
    min-width: 0;
    padding: 7px 12px;
    border: 1px solid var(--hair);
    border-radius: 3px;
    background: var(--leaf);
    resize: none;
  }
  td .word + .word {
    margin-left: 12px;
  }
  .wide {
    overflow-x: auto;
  }
  table {
    width: 100%;
    border-collapse: collapse;
  }
  th {
    color: var(--faded);
    font-size: 14px;
    font-weight: 400;
    text-align: right;
    white-space: nowrap;
  }
  th,
  td {
    padding: 9px 0 9px 14px;
    border-bottom: 1px solid var(--hair);
    vertical-align: baseline;
  }
  td {
    text-align: right;
  }
  th:first-child,
  td:first-child {
    min-width: 240px;
    padding-left: 0;
    text-align: left;
    overflow-wrap: anywhere;
  }
  td:first-child a,
  td:first-child b {
    color: var(--ink);
    font-weight: 600;
  }
  td small {
    display: block;
    font-size: 14px;
  }
  .do {
    white-space: nowrap;
  }
  .out td:first-child a,
  .out td:first-child b {
    color: var(--faded);
    font-weight: 400;
    text-decoration: line-through;
  }
  @media (max-width: 700px) {
    .extra {
      display: none;
    }
    th:first-child,
    td:first-child {
      min-width: 0;
    }
  }
  .out .mono {
    color: var(--faded);
  }
  ul {
    margin: 0;
    padding: 0;
    list-style: none;
  }
  li {
    display: grid;
    padding: 7px 0;
    border-bottom: 1px solid var(--hair);
  }
</style>
