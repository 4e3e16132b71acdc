<!-- A new outlet: a blog that speaks Micropub, with its address and access token. -->
<script lang="ts">
  import { askServer, json, Refused } from '$lib/ask-server.ts';
  import Ask from '$lib/parts/Ask.svelte';
  import type { Outlet } from '../piece-data.ts';
  import type { Piece } from '../piece.svelte.ts';

  let { piece }: { piece: Piece } = $props();

  let open = $state(false);
  let busy = $state(false);
  let sorry = $state('');
  let outlet = $state({ name: '', endpoint: '', token: '' });

  async function add(event: SubmitEvent) {
    event.preventDefault();
    busy = true;
    sorry = '';
    try {
      await askServer('/outlets', json('POST', outlet));
      piece.outlets = (await askServer<{ outlets: Outlet[] }>('/outlets')).outlets;
      outlet = { name: '', endpoint: '', token: '' };
      open = false;
    } catch (cause) {
      if (!(cause instanceof Refused)) throw cause;
      sorry = cause.message;
    } finally {
      busy = false;
    }
  }
</script>

<button class="quiet" onclick={() => (open = true)}>Add an outlet</button>

<Ask bind:open title="Add an outlet">
  <form onsubmit={add}>
    <p>A blog that speaks Micropub, the W3C’s standard for publishing. Its settings name the address and make the token.</p>
    <label for="outlet-name">Name</label>
    <input id="outlet-name" class="line" bind:value={outlet.name} placeholder="Hall blog" />
    <label for="outlet-endpoint">Micropub address</label>
    <input id="outlet-endpoint" class="line" bind:value={outlet.endpoint} placeholder="https://" inputmode="url" />
    <label for="outlet-token">Access token</label>
    <input id="outlet-token" class="line" bind:value={outlet.token} autocomplete="off" />
    {#if sorry}<p class="sorry" role="alert">{sorry}</p>{/if}
    <button class="act" disabled={busy}>{busy ? 'Asking the blog…' : 'Try it and add it'}</button>
  </form>
</Ask>

<style>
  form {
    display: grid;
    gap: 6px;
  }
  label {
    margin-top: 6px;
  }
  input {
    color: var(--ink);
  }
  button.act {
    justify-self: start;
    margin-top: 10px;
  }
</style>
