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
  {#if now.state === 'working' && !now.says}
    <p class="muted" role="status">
      {now.job ? `The transcriber is listening: ${Math.round(now.progress * 100)} %.` : 'The recording is on its way to the transcriber.'}
      You can play it meanwhile.
    </p>
    <progress max="1" value={now.progress} aria-label="How far the transcriber is"></progress>
  {:else}
    <p role="alert">{now.says}</p>
    <p class="muted">
      The recording is kept and plays. {now.state === 'working' ? 'It is asked again by itself, each time a little later.' : ''}
      <button class="word" onclick={() => ask(`/sources/${source.id}/transcribing`, 'POST')}
        >{now.state === 'working' ? 'Ask now' : 'Ask the transcriber again'}</button
      >
    </p>
  {/if}
</div>

<style>
  progress {
    appearance: none;
    width: 100%;
    height: 4px;
    background: var(--hair);
  }
  progress::-webkit-progress-bar {
    background: var(--hair);
  }
  progress::-webkit-progress-value {
    background: var(--bottle);
  }
  progress::-moz-progress-bar {
    background: var(--bottle);
  }
</style>
