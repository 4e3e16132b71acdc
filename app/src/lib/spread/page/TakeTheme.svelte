<!-- Has the theme of an outlet read from one of its posts. -->
<script lang="ts">
  import { refusalOf } from '$lib/ask-server.ts';
  import Ask from '$lib/parts/Ask.svelte';
  import type { ShownTheme } from './shown-theme.svelte.ts';

  let { shown }: { shown: ShownTheme } = $props();

  let open = $state(false);
  let busy = $state(false);
  let sorry = $state('');
  let address = $state('');
  const known = $derived(shown.known!);

  async function take(event: SubmitEvent) {
    event.preventDefault();
    busy = true;
    sorry = await refusalOf(() => shown.take(address));
    busy = false;
    open = !!sorry;
  }
</script>

<button
  class="word"
  onclick={() => {
    address = known.from;
    sorry = '';
    open = true;
  }}>{known.theme ? 'Read its theme again' : 'Read its theme'}</button
>
{#each known.notes as note (note)}<span class="small muted" role="status">{note}</span>{/each}

<Ask bind:open title="Read the theme of the outlet">
  <form onsubmit={take}>
    <p>Colours, letters and widths are read from a post that stands there, so that this view looks as its readers will see it.</p>
    <label for="theme-from">Address of a post</label>
    <input id="theme-from" class="line" bind:value={address} placeholder="https://" inputmode="url" />
    {#if sorry}<p class="sorry" role="alert">{sorry}</p>{/if}
    <button class="act" disabled={busy || !address.trim()}>{busy ? 'Reading…' : 'Read it'}</button>
  </form>
</Ask>

<style>
  form {
    display: grid;
    gap: 6px;
  }
  button.act {
    justify-self: start;
    margin-top: 10px;
  }
</style>
