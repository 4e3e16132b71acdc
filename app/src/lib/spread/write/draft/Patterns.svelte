<!-- Briefs kept under a name: begin from one, or keep this one. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import type { OwnBrief } from '@even-page/core/post/brief';
  import { patternOf } from '@even-page/core/write';
  import { askServer, json, refusalOf } from '$lib/ask-server.ts';
  import type { Piece } from '../../piece.svelte.ts';
  import type { Drafting } from './drafting.svelte.ts';

  let { piece, drafting }: { piece: Piece; drafting: Drafting } = $props();

  type Pattern = { id: string; name: string; brief: OwnBrief };
  let patterns = $state.raw<Pattern[]>([]);
  let naming = $state(false);
  let says = $state('');
  let sorry = $state('');

  onMount(() => void attempt(load));

  async function load() {
    patterns = (await askServer<{ patterns: Pattern[] }>('/patterns')).patterns;
  }

  async function attempt(work: () => Promise<void>) {
    sorry = '';
    sorry = await refusalOf(work);
  }

  const keep = (name: string) =>
    attempt(async () => {
      naming = false;
      if (!name.trim()) return;
      const { title } = piece.detailsNow();
      const about = [
        title,
        ...piece.page.sections.map((s) => s.heading),
        drafting.brief?.brief.subject ?? '',
        drafting.brief?.brief.phrase ?? '',
      ];
      const { brief, emptied } = patternOf(piece.detailsNow().brief ?? {}, name.trim(), about);
      await askServer('/patterns', json('POST', { name: name.trim(), brief }));
      says = `Kept as “${name.trim()}”${emptied.length ? `, without ${emptied.join(', ')}` : ''}.`;
      await load();
    });

  function begin(id: string) {
    const pattern = patterns.find((p) => p.id === id);
    if (!pattern) return;
    const left = ['subject', 'main phrase', 'phrases to use', 'links that must be in', 'what each section must be'];
    drafting.say({ ...pattern.brief });
    says = `Begun from “${pattern.name}”. Left empty, for they belonged to another piece: ${left.join(', ')}.`;
  }

  const forget = (id: string) =>
    attempt(async () => {
      await askServer(`/patterns/${id}`, { method: 'DELETE' });
      await load();
    });
  const begun = $derived(piece.details.brief?.pattern?.name);
</script>

<div class="patterns">
  {#if patterns.length}
    <label class="muted"
      >Pattern <select
        class="entry"
        value={patterns.find((p) => p.name === begun)?.id ?? ''}
        onchange={(e) => begin(e.currentTarget.value)}
      >
        <option value="">none</option>
        {#each patterns as pattern (pattern.id)}<option value={pattern.id}>{pattern.name}</option>{/each}
      </select></label
    >
    {#if begun}
      {@const own = patterns.find((p) => p.name === begun)}
      {#if own}<button class="word small" onclick={() => void forget(own.id)}>Forget this pattern</button>{/if}
    {/if}
  {/if}
  {#if naming}
    <input
      class="entry"
      aria-label="Name of the pattern"
      maxlength="80"
      placeholder="For example: an evening talk"
      onkeydown={(e) => {
        if (e.key === 'Enter') void keep(e.currentTarget.value);
        if (e.key === 'Escape') naming = false;
      }}
      {@attach (field) => (field as HTMLInputElement).focus()}
    />
    <button class="word small" onclick={() => (naming = false)}>Not now</button>
  {:else}
    <button class="word small end" onclick={() => (naming = true)}>Keep as pattern</button>
  {/if}
  {#if says}<span class="muted small says" role="status">{says}</span>{/if}
  {#if sorry}<span class="small says" role="alert">{sorry}</span>{/if}
</div>

<style>
  .patterns {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 6px 14px;
    padding: 8px 20px 2px;
  }
  .says {
    flex-basis: 100%;
  }
</style>
