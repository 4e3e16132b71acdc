<!-- Ideas: one line in two seconds, from anywhere; made for the phone first. -->
<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { goto, invalidateAll } from '$app/navigation';
  import { nearDoubles } from '@even-page/core/write';
  import { askServer, form, Refused } from '$lib/ask-server.ts';
  import IdeaForm from '$lib/ideas/IdeaForm.svelte';
  import { ideaOf, Ideas, type ListedIdea } from '$lib/ideas/ideas.svelte.ts';
  import Proposed from '$lib/ideas/Proposed.svelte';
  import FileChooser from '$lib/parts/FileChooser.svelte';
  import FindField from '$lib/parts/FindField.svelte';
  import Gravity from '$lib/parts/Gravity.svelte';
  import { sayWhen } from '$lib/parts/moments.ts';
  import { count, figure } from '$lib/parts/sizes.ts';
  import Views from '$lib/parts/Views.svelte';

  let { data } = $props();

  const ideas = new Ideas();
  $effect.pre(() => {
    const known = data.ideas;
    untrack(() => ideas.take(known));
  });

  const ORDERS = [
    { name: 'newest', label: 'Newest' },
    { name: 'wished', label: 'Wished for' },
    { name: 'title', label: 'By name' },
  ] as const;
  const SHOWN_AT_FIRST = 60;

  let line = $state('');
  let find = $state('');
  let order = $state<(typeof ORDERS)[number]['name']>('newest');
  let open = $state<string | null>(null);
  let subject = $state<string | null>(null);
  let asked = $state('');
  let says = $state('');
  let most = $state(SHOWN_AT_FIRST);
  const drafter = $derived(data.drafters[0]?.id ?? '');

  onMount(() => {
    const end = ideas.begin();
    // So that the list opens without a network too; it sees to this screen alone.
    void navigator.serviceWorker?.register('/service-worker.js', { scope: '/ideas', type: 'module' }).catch(() => undefined);
    return end;
  });

  const waiting = $derived(ideas.list.filter((i) => i.isWaiting).length);
  const written = $derived(ideas.list.filter((i) => i.publishedAt).length);
  const found = $derived.by(() => {
    const words = find.trim().toLowerCase();
    const all = words ? ideas.list.filter((i) => `${i.line} ${i.notes} ${i.subject}`.toLowerCase().includes(words)) : [...ideas.list];
    if (order === 'title') all.sort((a, b) => a.line.localeCompare(b.line, 'en', { sensitivity: 'base', numeric: true }));
    if (order === 'wished') all.sort((a, b) => (a.wishedFor ?? '9').localeCompare(b.wishedFor ?? '9'));
    return all;
  });
  const shown = $derived(found.slice(0, most));
  const near = $derived(
    nearDoubles(
      shown.map((i) => (i.pieceId ? '' : i.line)),
      data.written,
    ),
  );

  function add(event: Event) {
    event.preventDefault();
    const words = line.trim();
    if (!words) return;
    line = '';
    void ideas.add(ideaOf(words));
  }

  async function start(idea: ListedIdea) {
    const id = await ideas.start(idea);
    if (id) await goto(`/pieces/${id}`);
  }

  async function bringTable([file]: File[]) {
    if (!file) return;
    says = ideas.sorry = '';
    try {
      const { taken, left } = await askServer<{ taken: number; left: string[] }>('/ideas/table', form('table', [file]));
      says = [`${count(taken, 'idea')} taken in.`, ...left.slice(0, 5)].join(' ');
      await invalidateAll();
    } catch (cause) {
      if (!(cause instanceof Refused)) throw cause;
      ideas.sorry = cause.message;
    }
  }

  function under(idea: ListedIdea, n: number): string {
    const when = sayWhen(idea.createdAt);
    if (idea.isWaiting) return `${when}; waits for the network`;
    if (idea.publishedAt) return `written, out since ${sayWhen(idea.publishedAt)}`;
    const parts = [
      idea.pieceId ? 'a piece is begun' : when,
      idea.wishedFor
        ? `for ${new Date(`${idea.wishedFor}T12:00`).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' })}`
        : '',
      idea.subject,
      idea.links.length ? count(idea.links.length, 'link') : '',
      idea.pictures.length ? count(idea.pictures.length, 'picture') : '',
      near[n] ? `near “${near[n]}”` : '',
    ];
    return parts.filter(Boolean).join('; ');
  }
  const all = $derived([...data.written, ...ideas.list.map((i) => i.line)]);
</script>

<svelte:head><title>Ideas · Even Page</title></svelte:head>

<main>
  <header>
    <h1>Ideas</h1>
    <span class="muted">{figure(ideas.list.length)}{written ? `, ${figure(written)} written` : ''}</span>
    <span class="muted end" role="status">{waiting ? `kept here, ${waiting} ${waiting === 1 ? 'waits' : 'wait'}` : ''}</span>
  </header>
  <form onsubmit={add}>
    <label class="sr" for="new-idea">A new idea</label>
    <input
      id="new-idea"
      bind:value={line}
      maxlength="2000"
      placeholder="What came to mind?"
      autocomplete="off"
      enterkeyhint="send"
      autocapitalize="sentences"
    />
    <button class="act" disabled={!line.trim()}>Keep</button>
  </form>
  {#if ideas.sorry}<p class="sorry" role="alert">{ideas.sorry}</p>{/if}
  {#if says}<p class="muted small" role="status">{says}</p>{/if}
  {#if ideas.list.length > 1}
    <div class="order">
      <FindField bind:value={find} label="Find an idea" />
      <Views views={ORDERS} bind:open={order} label="Order of the ideas" />
    </div>
  {/if}
  {#if !ideas.list.length}
    <p class="empty">
      Nothing here yet. Type a few words and press Enter: a title, a question somebody asked, a thing you saw. It works without a network
      too.
    </p>
  {:else if !found.length}
    <p class="empty">No idea has “{find.trim()}” in it. <button class="word" onclick={() => (find = '')}>Show all</button></p>
  {/if}
  {#if shown.length}
    <ul>
      {#each shown as idea, n (idea.id)}
        <li>
          <div class="row">
            <button class="idea" aria-expanded={open === idea.id} onclick={() => (open = open === idea.id ? null : idea.id)}>
              <b>{idea.line}</b>
              <span class="muted small">{under(idea, n)}</span>
            </button>
            {#if idea.isWaiting}<Gravity gravity="look" />
            {:else if idea.pieceId}
              {#if idea.publishedAt}<Gravity gravity="fine" />{/if}
              <a class="quiet" href="/pieces/{idea.pieceId}">Open</a>
            {:else}<button class="quiet" onclick={() => void start(idea)}>Start</button>{/if}
          </div>
          {#if open === idea.id}
            <IdeaForm
              {idea}
              {drafter}
              titles={data.written}
              onkeep={(change, files) => void ideas.change(idea.id, change, files)}
              onremove={() => {
                open = null;
                void ideas.remove(idea);
              }}
            />
          {/if}
        </li>
      {/each}
    </ul>
  {/if}
  {#if found.length > most}
    <p class="more">
      <button class="quiet" onclick={() => (most += SHOWN_AT_FIRST)}>Show more</button>
      <span class="muted small">{count(most, 'idea')} of {figure(found.length)}</span>
    </p>
  {/if}
  {#if subject !== null}
    <section aria-label="Ten ideas">
      <form
        onsubmit={(e) => {
          e.preventDefault();
          asked = subject!.trim();
        }}
      >
        <label class="sr" for="subject">A subject</label>
        <input
          id="subject"
          bind:value={subject}
          maxlength="200"
          placeholder="Ten ideas for which subject?"
          {@attach (field) => (field as HTMLInputElement).focus()}
        />
        <button class="act" disabled={!subject.trim() || !drafter}>Ask</button>
      </form>
      {#if asked}
        {#key asked}<Proposed
            task="ideas"
            about={asked}
            {drafter}
            titles={all}
            onkeep={(words) => void ideas.add({ ...ideaOf(words), subject: asked.slice(0, 120) })}
            keepSays="Keep"
          />{/key}
      {/if}
    </section>
  {/if}
  <div class="acts">
    {#if subject === null && drafter}<button class="quiet" onclick={() => (subject = '')}>Ten ideas for a subject</button>{/if}
    <FileChooser label="A table of ideas" accept=".csv,.tsv,.txt,text/csv" onfiles={(files) => void bringTable(files)}>
      {#snippet children(choose)}<button class="quiet" onclick={choose}>From a table</button>{/snippet}
    </FileChooser>
    {#if ideas.list.length}<a class="quiet" href="/ideas/table" download="ideas.csv" data-sveltekit-reload>As a table</a>{/if}
  </div>
</main>

<style>
  main {
    width: 720px;
    max-width: calc(100vw - 24px);
    margin: 0 auto;
    padding: 22px 0 60px;
  }
  header {
    display: flex;
    align-items: baseline;
    gap: 12px;
  }
  h1 {
    font: 650 26px/1.2 var(--serif);
    letter-spacing: -0.01em;
  }
  .end {
    margin-left: auto;
  }
  form {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 8px;
    margin: 14px 0;
  }
  form input {
    min-height: 48px;
    padding: 6px 14px;
    border: 1px solid var(--hair);
    border-radius: 3px;
    background: var(--leaf);
    color: var(--ink);
    font: 18px/1.4 var(--serif);
  }
  form input::placeholder {
    color: var(--faded);
    opacity: 1;
  }
  .order {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 6px 24px;
    margin-bottom: 6px;
  }
  .empty {
    padding: 14px 4px;
    color: var(--faded);
  }
  ul {
    border-top: 1px solid var(--hair);
  }
  li {
    border-bottom: 1px solid var(--hair);
    background: var(--leaf);
  }
  .row {
    display: flex;
    align-items: center;
    gap: 10px;
    padding-right: 12px;
  }
  .idea {
    flex: 1;
    min-width: 0;
    padding: 11px 4px 11px 16px;
    text-align: left;
  }
  .idea b {
    display: block;
    font-weight: 600;
    overflow-wrap: anywhere;
  }
  .idea:hover b {
    color: var(--bottle);
  }
  .more,
  .acts {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 8px 10px;
    padding: 14px 0;
  }
  .sorry {
    margin: 8px 0;
  }
</style>
