<!-- Sources that are here already: one of them can feed this piece too. -->
<script lang="ts">
  import { askServer, Refused } from '$lib/ask-server.ts';
  import Ask from '$lib/parts/Ask.svelte';
  import { count } from '$lib/parts/sizes.ts';

  let { open = $bindable(), here, onchoose }: { open: boolean; here: readonly string[]; onchoose: (id: string) => void } = $props();

  type Listed = { id: string; name: string; words: number };

  let find = $state('');
  let found = $state.raw<Listed[] | null>(null);
  let sorry = $state('');

  $effect(() => {
    if (!open) return;
    const wanted = find;
    const timer = setTimeout(() => void look(wanted), 150);
    return () => clearTimeout(timer);
  });

  async function look(wanted: string) {
    try {
      const { sources } = await askServer<{ sources: Listed[] }>(`/sources?find=${encodeURIComponent(wanted)}`);
      if (wanted === find) found = sources;
      sorry = '';
    } catch (cause) {
      if (!(cause instanceof Refused)) throw cause;
      sorry = cause.message;
    }
  }

  const others = $derived(found?.filter((s) => !here.includes(s.id)) ?? []);
</script>

<Ask bind:open title="Use a source again">
  <label class="sr" for="find-source">Find a source by its name</label>
  <input id="find-source" type="search" bind:value={find} placeholder="Find by name" />
  {#if sorry}<p role="alert">{sorry}</p>{/if}
  <ul>
    {#each others as source (source.id)}
      <li>
        <button onclick={() => onchoose(source.id)}><b>{source.name}</b> <span class="muted">{count(source.words, 'word')}</span></button>
      </li>
    {:else}
      {#if found}<li class="muted">No other source {find ? 'of that name' : 'is here yet'}.</li>{/if}
    {/each}
  </ul>
</Ask>

<style>
  input {
    width: 100%;
    padding: 8px 12px;
    border: 1px solid var(--hair);
    border-radius: 3px;
    background: var(--leaf);
    color: var(--ink);
  }
  ul {
    margin: 10px 0 0;
    padding: 0;
    list-style: none;
    max-height: 320px;
    overflow-y: auto;
  }
  li {
    border-bottom: 1px solid var(--hair);
  }
  li.muted {
    padding: 10px 4px;
    border: 0;
  }
  button {
    display: flex;
    gap: 12px;
    justify-content: space-between;
    width: 100%;
    padding: 9px 4px;
    text-align: left;
  }
  button:hover {
    background: var(--bottle-tint);
  }
  b {
    font-weight: 600;
    overflow-wrap: anywhere;
  }
</style>
