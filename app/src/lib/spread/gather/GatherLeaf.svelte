<!-- Gather: what have I got? The material, and the words of the source that is open. -->
<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { invalidateAll } from '$app/navigation';
  import { askServer, form, json, pasted, Refused } from '$lib/ask-server.ts';
  import { broughtBy, isForField, pastedRich } from '$lib/clipboard.ts';
  import Ask from '$lib/parts/Ask.svelte';
  import FileChooser from '$lib/parts/FileChooser.svelte';
  import { count } from '$lib/parts/sizes.ts';
  import type { Piece } from '../piece.svelte.ts';
  import OpenSource from './OpenSource.svelte';
  import SourceItem from './SourceItem.svelte';
  import Sending from './Sending.svelte';
  import UseAgain from './UseAgain.svelte';
  import { isRecording, type KeptUpload } from '$lib/kept-uploads.ts';
  import { Uploads } from '$lib/uploads.svelte.ts';

  let { piece }: { piece: Piece } = $props();

  let asking = $state<'paste' | 'fetch' | 'again' | null>(null);
  let text = $state('');
  // What the clipboard held beside the plain words, as long as they stay as pasted.
  let rich = $state<{ text: string; html: string } | null>(null);
  let address = $state('');
  let busy = $state('');
  let sorry = $state('');
  // What was done, when the list does not say it by itself.
  let told = $state('');

  let turn: Promise<void> = Promise.resolve();

  const words = $derived(piece.material.sources.reduce((sum, s) => sum + s.words, 0));
  const open = $derived(piece.material.sources.find((s) => s.id === piece.material.openSource));

  /** Does something with the material on the server, then shows what it came to; the source it opened, if a new one. */
  function change(says: string, work: () => Promise<unknown>, done = ''): Promise<void> {
    return busy ? Promise.resolve() : (turn = carryOut(says, work, done));
  }

  async function carryOut(says: string, work: () => Promise<unknown>, done = ''): Promise<void> {
    busy = says;
    sorry = told = '';
    const before = new Set(piece.material.sources.map((s) => s.id));
    try {
      await piece.saver.save();
      await work();
      await invalidateAll();
      piece.material.openSource = piece.material.sources.find((s) => !before.has(s.id))?.id ?? piece.material.openSource;
      told = done;
      asking = null;
      text = address = '';
      rich = null;
    } catch (cause) {
      if (!(cause instanceof Refused)) throw cause;
      sorry = cause.message;
    } finally {
      busy = '';
    }
  }

  // What arrives while something else is done comes after it: nothing brought is passed over.
  const inTurn = (says: string, work: () => Promise<unknown>): Promise<void> =>
    (turn = turn.catch(() => {}).then(() => carryOut(says, work)));

  const material = $derived(`/pieces/${piece.id}/material`);
  const takeIn = async (upload: string, { file }: KeptUpload) =>
    void (await askServer(`/pieces/${piece.id}/recordings`, json('POST', { upload, name: file.name })));
  const uploads = untrack(() => new Uploads(piece.id, 'recording', takeIn, () => inTurn('Reading', async () => {})));
  onMount(() => {
    void uploads.begin();
    return () => uploads.end();
  });

  async function bring(files: readonly File[]) {
    for (const file of files.filter(isRecording)) void uploads.send(file);
    const others = files.filter((file) => !isRecording(file));
    if (others.length) await bringFiles(others);
    else asking = null;
  }
  const bringFiles = (files: readonly File[]) =>
    inTurn(files.length === 1 ? `Reading ${files[0]!.name}` : 'Reading', () => askServer(material, form('material', files)));
  const fetchFrom = (url: string) => change('Fetching', () => askServer(material, json('POST', { address: url })));
  const useAgain = (source: string) => change('Adding', () => askServer(material, json('POST', { source })));

  function take(data: DataTransfer | null) {
    const brought = broughtBy(data);
    if (brought) void ('address' in brought ? fetchFrom(brought.address) : bring(brought.files));
  }

  function ondrop(event: DragEvent) {
    event.preventDefault();
    take(event.dataTransfer);
  }

  function onpaste(event: ClipboardEvent) {
    if (!asking && !isForField(event)) take(event.clipboardData);
  }

  function keepRich(event: ClipboardEvent) {
    const html = event.clipboardData?.getData('text/html') ?? '';
    // The field holds the pasted words a moment later.
    if (html && !text) setTimeout(() => (rich = { text, html }));
  }

  const addPasted = () => bring([rich && rich.text === text ? pastedRich(rich.html) : pasted(text)]);
</script>

<svelte:window {onpaste} />

<div class="leaf-body" role="region" aria-label="Material" ondragover={(e) => e.preventDefault()} {ondrop}>
  <div class="bar">
    <h2>Material</h2>
    <span class="muted">{count(piece.material.sources.length, 'source')}, {count(words, 'word')}</span>
    <div class="end">
      {#if busy}<span class="muted" role="status">{busy}…</span>{/if}
      <button class="word" onclick={() => (asking = 'again')}>Use again</button>
      <button class="word" onclick={() => (asking = 'fetch')}>Fetch</button>
      <button class="quiet" onclick={() => (asking = 'paste')}>Paste</button>
      <FileChooser label="Add material" onfiles={bring}>
        {#snippet children(choose)}<button class="act" onclick={choose}>Add</button>{/snippet}
      </FileChooser>
    </div>
  </div>
  {#if piece.making.sorry}<p class="sorry" role="alert">{piece.making.sorry}</p>{/if}
  {#if sorry && !asking}<p class="sorry" role="alert">{sorry}</p>{/if}
  {#if words && !piece.making.made && !piece.page.hasWords}
    <div class="press">
      <p>The words tidied and as written, in sections with headings, at the length of a post. All of it can be taken back.</p>
      <button class="act" disabled={!!piece.making.busy} onclick={() => void piece.making.make()}
        >{piece.making.busy ? `${piece.making.busy}…` : 'Make a page of it'}</button
      >
    </div>
  {:else if piece.making.made}
    <p class="told">
      The page was made of this. <button class="word" onclick={() => (piece.making.shown = true)}>See the account</button>
    </p>
  {/if}
  {#if told}<p class="told" role="status">{told}</p>{/if}
  <Sending {uploads} />
  {#if piece.material.sources.length}
    <div class="items">
      {#each piece.material.sources as source (source.id)}<SourceItem {piece} {source} />{/each}
    </div>
    {#if open}<OpenSource {piece} source={open} {change} />{/if}
  {:else}
    <div class="lines">
      <p class="muted">
        No material yet. Drop a file here, or add, paste or fetch one: a recording, captions, a transcript, notes, a Word file, a PDF, a
        mail, an outline, a table. Or write straight onto the page.
      </p>
    </div>
  {/if}
</div>

<Ask bind:open={() => asking === 'paste', (is) => (asking = is ? 'paste' : null)} title="Paste material">
  <label class="sr" for="paste-words">The words</label>
  <textarea id="paste-words" bind:value={text} rows="10" placeholder="A transcript with or without times, notes, a draft" onpaste={keepRich}
  ></textarea>
  {#if rich && rich.text === text}<p class="muted small">
      Headings, lists, links and pictures come along. You can ask for plain words afterwards.
    </p>{/if}
  {#if sorry}<p class="sorry" role="alert">{sorry}</p>{/if}
  {#snippet actions()}
    <button class="act" disabled={!text.trim() || !!busy} onclick={addPasted}>Add these words</button>
  {/snippet}
</Ask>

<Ask bind:open={() => asking === 'fetch', (is) => (asking = is ? 'fetch' : null)} title="Fetch from a web address">
  <label for="fetch-address">Address of a page or a file</label>
  <input
    id="fetch-address"
    type="url"
    bind:value={address}
    placeholder="https://"
    onkeydown={(e) => e.key === 'Enter' && fetchFrom(address)}
  />
  {#if sorry}<p class="sorry" role="alert">{sorry}</p>{/if}
  {#snippet actions()}
    <button class="act" disabled={!address.trim() || !!busy} onclick={() => fetchFrom(address)}>{busy || 'Fetch'}</button>
  {/snippet}
</Ask>

<UseAgain
  bind:open={() => asking === 'again', (is) => (asking = is ? 'again' : null)}
  here={piece.material.sources.map((s) => s.id)}
  onchoose={useAgain}
/>

<style>
  .sorry {
    margin: 12px 20px;
  }
  .press {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: 16px;
    padding: 12px 20px;
    border-bottom: 1px solid var(--hair);
    background: var(--bottle-tint);
    font-size: 14px;
  }
  .told {
    padding: 8px 20px;
    background: var(--slate-tint);
    font-size: 14px;
  }
  .end {
    flex-wrap: wrap;
    justify-content: flex-end;
  }
  .items {
    max-height: 38%;
    overflow-y: auto;
    scrollbar-width: thin;
  }
  textarea,
  input {
    width: 100%;
    padding: 10px 12px;
    border: 1px solid var(--hair);
    border-radius: 3px;
    background: var(--leaf);
    color: var(--ink);
    font: 15px/1.5 var(--serif);
  }
  input {
    font-family: var(--sans);
    margin-top: 6px;
  }
</style>
