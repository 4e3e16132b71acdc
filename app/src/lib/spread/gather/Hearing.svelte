<!-- What the transcriber is doing with a recording that brought no words. -->
<script lang="ts">
  import { invalidateAll } from '$app/navigation';
  import { askServer, Refused } from '$lib/ask-server.ts';
  import type { SourceInHand } from '../piece-data.ts';

  let { source }: { source: SourceInHand } = $props();

  type Hearing = NonNullable<SourceInHand['hearing']>;

  const ASK_EVERY_MS = 1000;

  let hearing = $state.raw<Hearing>();
  const now = $derived(hearing ?? source.hearing!);

  $effect(() => {
    const address = `/sources/${source.id}/hearing`;
    if (!source.hearing?.job) return;
    const timer = setInterval(() => void ask(address), ASK_EVERY_MS);
    return () => clearInterval(timer);
  });

  async function ask(address: string, method = 'GET') {
    try {
      const { hearing: next } = await askServer<{ hearing: Hearing | null }>(address, { method });
      hearing = next ?? undefined;
      if (!next?.job || method === 'POST') await invalidateAll();
    } catch (cause) {
      if (!(cause instanceof Refused)) throw cause;
      hearing = { job: now.job, progress: now.progress, says: cause.message };
    }
  }
</script>

<div class="lines">
  {#if now.job}
    <p class="muted" role="status">
      The transcriber is listening: {Math.round(now.progress * 100)} %. You can play the recording meanwhile.
    </p>
    <progress max="1" value={now.progress} aria-label="How far the transcriber is"></progress>
  {:else}
    <p role="alert">{now.says}</p>
    <p class="muted">
      The recording is kept and plays. <button class="word" onclick={() => ask(`/sources/${source.id}/hearing`, 'POST')}
        >Ask the transcriber again</button
      >
    </p>
  {/if}
</div>

<style>
  progress {
    width: 100%;
    height: 4px;
    accent-color: var(--bottle);
  }
</style>
