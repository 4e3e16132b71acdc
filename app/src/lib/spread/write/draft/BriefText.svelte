<!-- The brief as text: for a person, or for any service by hand. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import type { BriefPart } from '@even-page/core/write';
  import { slugOf } from '@even-page/core/language/slug';
  import { askServer } from '$lib/ask-server.ts';
  import { count, figure } from '$lib/parts/sizes.ts';
  import { core } from '$lib/workers/core.ts';
  import type { Piece } from '../../piece.svelte.ts';
  import type { Drafting } from './drafting.svelte.ts';

  let { piece, drafting, onback }: { piece: Piece; drafting: Drafting; onback: () => void } = $props();

  let text = $state.raw<{ one: BriefPart; steps: BriefPart[] } | null>(null);
  let at = $state(-1);
  let says = $state('');

  const part = $derived(text && (at < 0 ? text.one : text.steps[at]!));
  let limit = $state.raw<{ unit: string; most: number } | null>(null);
  // Services count in words or letters; what another unit comes to only they know.
  const used = $derived(
    !limit || !part ? '' : limit.unit === 'words' ? figure(part.words) : limit.unit === 'letters' ? figure(part.text.length) : '',
  );
  const isTooMuch = $derived(
    !!limit &&
      !!part &&
      ((limit.unit === 'words' && part.words > limit.most) || (limit.unit === 'letters' && part.text.length > limit.most)),
  );

  onMount(() => {
    if (drafting.drafter)
      void askServer<{ limit: typeof limit }>(`/drafters/limit?drafter=${drafting.drafter}`)
        .then((told) => (limit = told.limit))
        .catch(() => undefined);
  });
  onMount(
    () =>
      void core()
        .briefText(drafting.ground())
        .then((found) => (text = found)),
  );

  async function copy() {
    try {
      await navigator.clipboard.writeText(part!.text);
      says = 'Copied';
    } catch {
      says = 'The browser does not let it be copied: select the text and copy it by hand.';
    }
  }

  function file() {
    const link = document.createElement('a');
    link.href = URL.createObjectURL(new Blob([part!.text], { type: 'text/markdown' }));
    link.download = `brief-${slugOf(piece.details.title) || 'piece'}.md`;
    link.click();
    setTimeout(() => URL.revokeObjectURL(link.href), 1000);
  }
</script>

<div class="bar">
  <label
    >As text <select class="entry" bind:value={at} onchange={() => (says = '')}>
      <option value={-1}>in one</option>
      {#each text?.steps ?? [] as step, n (n)}<option value={n}>{n + 1}. {step.name}</option>{/each}
    </select></label
  >
  {#if part}<span class="muted small" class:over={isTooMuch}
      >{count(part.words, 'word')}{limit
        ? `; ${drafting.drafterName} takes ${used && limit.unit !== 'words' ? `${used} of ` : ''}${figure(limit.most)} ${limit.unit}`
        : ''}{isTooMuch ? ': too much at once, send it in steps' : ''}</span
    >{/if}
  <span class="muted small" role="status">{says}</span>
  <button class="quiet end" onclick={onback}>Back</button>
</div>
{#if !part}
  <p class="note" role="status">Writing the brief…</p>
{:else}
  <!-- A scrolled text must be reachable by keyboard. -->
  <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
  <div class="scroll" tabindex="0" role="region" aria-label="The brief as text">
    <pre>{part.text}</pre>
  </div>
  <div class="acts">
    <button class="act" onclick={() => void copy()}>Copy</button>
    <button class="quiet" onclick={file}>As a file</button>
    {#if at >= 0 && at < text!.steps.length - 1}
      <button class="quiet" onclick={() => ((at += 1), (says = ''))}>Next step</button>
    {/if}
    <span class="muted small hint">Paste it into any service; paste its answer under Rounds.</span>
  </div>
{/if}

<style>
  .over {
    color: var(--brass);
    font-weight: 600;
  }
  pre {
    margin: 0;
    padding: 16px 20px;
    white-space: pre-wrap;
    overflow-wrap: anywhere;
    font: 13px/1.55 var(--mono);
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 8px 12px;
    padding: 12px 20px;
    border-top: 1px solid var(--hair);
  }
</style>
