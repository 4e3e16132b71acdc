<!-- Gather: what have I got? The material, and the words of the source that is open. -->
<script lang="ts">
  import AudioLines from '@lucide/svelte/icons/audio-lines';
  import FileText from '@lucide/svelte/icons/file-text';
  import NotebookText from '@lucide/svelte/icons/notebook-text';
  import { invalidateAll } from '$app/navigation';
  import { isTimed } from '@even-page/core/gather/source';
  import { askServer, form, pasted, Refused } from '$lib/ask-server.ts';
  import Ask from '$lib/parts/Ask.svelte';
  import FileChooser from '$lib/parts/FileChooser.svelte';
  import { count, sayBytes } from '$lib/parts/sizes.ts';
  import type { Piece, SourceInHand } from '../piece.svelte.ts';
  import Passages from './Passages.svelte';

  let { piece }: { piece: Piece } = $props();

  const KINDS: Record<SourceInHand['source']['kind'], string> = {
    'captions-srt': 'captions',
    'captions-vtt': 'captions',
    'timed-text': 'time-marked text',
    markdown: 'draft in Markdown',
    text: 'plain text',
  };
  let pasting = $state(false);
  let text = $state('');
  let busy = $state(false);
  let sorry = $state('');

  const words = $derived(piece.sources.reduce((sum, s) => sum + s.words, 0));
  const open = $derived(piece.sources.find((s) => s.id === piece.openSource));

  function describe(s: SourceInHand): string {
    const minutes = s.durationMs === null ? '' : `${Math.max(1, Math.round(s.durationMs / 60_000))} min, `;
    const voices = new Set(s.source.passages.map((p) => p.speaker).filter(Boolean)).size;
    return `${minutes}${KINDS[s.source.kind]}; ${count(s.words, 'word')}${voices > 1 ? `; ${voices} voices` : ''}; ${sayBytes(s.bytes)}`;
  }

  async function bring(files: readonly File[]) {
    if (!files.length || busy) return;
    busy = true;
    sorry = '';
    try {
      await piece.saver.save();
      await askServer(`/pieces/${piece.id}/material`, form('material', files));
      await invalidateAll();
      piece.openSource = piece.sources.at(-1)?.id ?? null;
      pasting = false;
      text = '';
    } catch (cause) {
      if (!(cause instanceof Refused)) throw cause;
      sorry = cause.message;
    } finally {
      busy = false;
    }
  }

  function ondrop(event: DragEvent) {
    event.preventDefault();
    void bring([...(event.dataTransfer?.files ?? [])]);
  }
</script>

<div class="leaf-body" role="region" aria-label="Material" ondragover={(e) => e.preventDefault()} {ondrop}>
  <div class="bar">
    <h2>Material</h2>
    <span class="muted">{count(piece.sources.length, 'source')}, {count(words, 'word')}</span>
    <div class="end">
      {#if busy}<span class="muted" role="status">Reading…</span>{/if}
      <button class="quiet" onclick={() => (pasting = true)}>Paste</button>
      <FileChooser label="Add material" onfiles={bring}>
        {#snippet children(choose)}<button class="act" onclick={choose}>Add</button>{/snippet}
      </FileChooser>
    </div>
  </div>
  {#if sorry && !pasting}<p class="sorry" role="alert">{sorry}</p>{/if}
  {#if piece.sources.length}
    <div>
      {#each piece.sources as s (s.id)}
        <button
          class="item"
          class:on={s.id === piece.openSource}
          aria-pressed={s.id === piece.openSource}
          onclick={() => (piece.openSource = s.id)}
        >
          {#if isTimed(s.source)}<AudioLines size={17} aria-hidden="true" />{:else if s.source.kind === 'markdown'}<NotebookText
              size={17}
              aria-hidden="true"
            />{:else}<FileText size={17} aria-hidden="true" />{/if}
          <span
            ><b>{s.name}</b>
            <span class="says">{describe(s)}</span></span
          >
          <span class="go">{s.id === piece.openSource ? '' : 'open'}</span>
        </button>
      {/each}
    </div>
    {#if open}
      <div class="bar soft">
        <span class="muted small">The words as they came. They are kept so, whatever happens later.</span>
        {#if piece.leftToTidy}<button class="word end" onclick={() => piece.goTo('tidy')}>Go on to Tidy</button>{/if}
      </div>
      <Passages {piece} source={open} />
    {/if}
  {:else}
    <div class="lines">
      <p class="muted">
        No material yet. Add captions, a transcript, notes or a draft, drop a file here, or paste the words. Or write straight onto the
        page.
      </p>
    </div>
  {/if}
</div>

<Ask bind:open={pasting} title="Paste material">
  <label class="sr" for="paste-words">The words</label>
  <textarea id="paste-words" bind:value={text} rows="10" placeholder="A transcript with or without times, notes, Markdown"></textarea>
  {#if sorry}<p class="sorry" role="alert">{sorry}</p>{/if}
  {#snippet actions()}
    <button class="act" disabled={!text.trim() || busy} onclick={() => bring([pasted(text)])}>Add these words</button>
  {/snippet}
</Ask>

<style>
  .sorry {
    margin: 12px 20px;
  }
  .soft {
    border-bottom-style: dotted;
  }
  textarea {
    width: 100%;
    padding: 10px 12px;
    border: 1px solid var(--hair);
    border-radius: 3px;
    background: var(--leaf);
    color: var(--ink);
    font: 15px/1.5 var(--serif);
  }
</style>
