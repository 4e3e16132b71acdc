<!-- How the transcriber stands with a recording that brought no words. -->
<script lang="ts">
  import { invalidateAll } from '$app/navigation';
  import { askServer, Refused } from '$lib/ask-server.ts';
  import type { SourceInHand } from '../piece-data.ts';

  let { source }: { source: SourceInHand } = $props();

  type Transcribing = NonNullable<SourceInHand['transcribing']>;

  const ASK_EVERY_MS = 1000;

  let latest = $state.raw<Transcribing>();
  const now = $derived(latest ?? source.transcribing!);

  $effect(() => {
    if (now.state !== 'working') return;
    const address = `/sources/${source.id}/transcribing`;
    const timer = setInterval(() => void ask(address), ASK_EVERY_MS);
    return () => clearInterval(timer);
  });

  async function ask(address: string, method = 'GET') {
    try {
      const { transcribing } = await askServer<{ transcribing: Transcribing | null }>(address, { method });
      latest = transcribing ?? undefined;
      if (transcribing?.state !== 'working') await invalidateAll();
    } catch (cause) {
      if (!(cause instanceof Refused)) throw cause;
      latest = { ...now, says: cause.message };
    }
  }
</script>

<div class="lines">
  {#if now.state === 'working'}
    <p class="muted" role="status">
      {now.says
        ? `${now.says} It is asked again by itself.`
        : now.job
          ? `The transcriber is listening: ${Math.round(now.progress * 100)} %.`
          : 'The recording is on its way to the transcriber.'}
      You can play the recording meanwhile.
    </p>
    <progress max="1" value={now.progress} aria-label="How far the transcriber is"></progress>
  {:else}
    <p role="alert">{now.says}</p>
    <p class="muted">
      The recording is kept and plays. <button class="word" onclick={() => ask(`/sources/${source.id}/transcribing`, 'POST')}
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
