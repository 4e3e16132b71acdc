<!-- Where a recording was published. What is said there goes before guesses made from its words. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { askServer, json, Refused } from '$lib/ask-server.ts';
  import { schema } from '@even-page/core/post/schema';
  import type { SourceInHand } from '../piece-data.ts';
  import type { Piece } from '../piece.svelte.ts';

  let { piece, source }: { piece: Piece; source: SourceInHand } = $props();

  let published = $state(untrack(() => source.published ?? { title: '', description: '', address: '' }));
  let says = $state('');

  async function save() {
    try {
      await askServer(`/sources/${source.id}/published`, json('PUT', published));
      says = 'Kept.';
    } catch (cause) {
      if (!(cause instanceof Refused)) throw cause;
      says = cause.message;
    }
  }

  function useFor(field: 'title' | 'description') {
    piece.details[field] = published[field];
    says = field === 'title' ? 'It is the title of the page.' : 'It is the description of the page.';
  }

  function putLink() {
    const { view } = piece.page;
    if (!view) return;
    const { state } = view;
    const words = schema.text(published.title || published.address, [schema.marks.link.create({ href: published.address })]);
    const at = state.selection.$to.depth ? state.selection.$to.after(1) : state.doc.content.size;
    view.dispatch(state.tr.insert(at, schema.node('paragraph', null, [words])).scrollIntoView());
    says = 'A link to it stands on the page.';
  }
</script>

<details class="published">
  <summary>Published as</summary>
  <div class="grid">
    <label for="published-title">Title</label>
    <input id="published-title" bind:value={published.title} onchange={save} />
    <button class="word" disabled={!published.title} onclick={() => useFor('title')}>Use as title</button>
    <label for="published-description">Description</label>
    <textarea id="published-description" rows="2" bind:value={published.description} onchange={save}></textarea>
    <button class="word" disabled={!published.description} onclick={() => useFor('description')}>Use as description</button>
    <label for="published-address">Address</label>
    <input id="published-address" type="url" bind:value={published.address} onchange={save} placeholder="https://" />
    <button class="word" disabled={!/^https?:/i.test(published.address)} onclick={putLink}>Put a link on the page</button>
  </div>
  <p class="muted" role="status">{says}</p>
</details>

<style>
  .published {
    padding: 6px 20px;
    border-bottom: 1px dotted var(--hair);
    font-size: 14px;
  }
  summary {
    min-height: 26px;
    cursor: pointer;
    color: var(--faded);
  }
  .grid {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr) auto;
    gap: 6px 12px;
    align-items: center;
    padding-top: 4px;
  }
  input,
  textarea {
    padding: 4px 8px;
    border: 1px solid var(--hair);
    border-radius: 3px;
    background: var(--leaf);
    color: var(--ink);
    font: 15px/1.4 var(--serif);
  }
  button:disabled {
    opacity: 0.5;
  }
  p {
    margin: 4px 0 0;
    min-height: 18px;
  }
</style>
