<!-- The versions of the piece: named, compared on the page itself, and brought back. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { docFromJSON } from '@even-page/core/post/schema';
  import { askServer, json, refusalOf } from '$lib/ask-server.ts';
  import { sayTime, sayWhen } from '$lib/parts/moments.ts';
  import type { Piece } from '../piece.svelte.ts';

  let { piece }: { piece: Piece } = $props();

  type Version = { version: number; savedAt: Date; savedBy: string; name: string | null };
  let versions = $state.raw<Version[] | null>(null);
  let says = $state('');
  let naming = $state<number | null>(null);

  onMount(() => {
    void load();
    return () => (piece.page.comparing = null);
  });

  async function load() {
    await attempt(async () => {
      const found = await askServer<(Omit<Version, 'savedAt'> & { savedAt: string })[]>(`/pieces/${piece.id}/versions`);
      versions = found.map((v) => ({ ...v, savedAt: new Date(v.savedAt) }));
    });
  }

  async function attempt(work: () => Promise<void>) {
    says = '';
    says = await refusalOf(work);
  }

  const read = async (version: number) => docFromJSON((await askServer<{ doc: object }>(`/pieces/${piece.id}/versions/${version}`)).doc);

  const name = (version: number, value: string) =>
    attempt(async () => {
      naming = null;
      await askServer(`/pieces/${piece.id}/versions/${version}`, json('PUT', { name: value }));
      await load();
    });

  const compare = (older: number, newer: number | null) =>
    attempt(async () => {
      piece.page.comparing = { older, newer, was: await read(older), is: newer === null ? null : await read(newer) };
    });

  const label = (v: Version) =>
    v.name ?? `${sayWhen(v.savedAt)}${sayWhen(v.savedAt) === sayTime(v.savedAt) ? '' : ` ${sayTime(v.savedAt)}`}`;
  const looked = $derived(piece.page.comparing);
  // The newest is the page as it stands.
  const others = $derived((versions ?? []).slice(1).filter((v) => looked && v.version > looked.older));
</script>

{#if says}<p class="note" role="alert">{says}</p>{/if}
{#if !versions}
  <p class="note" role="status">Fetching the versions…</p>
{:else}
  <p class="note">
    Every save is kept: all of the last hour, one an hour for a day, one a day after that. One with a name is kept for ever. Choose one to
    see on the page what has changed since.
  </p>
  <ol aria-label="Versions, the newest first">
    {#each versions as v, i (v.version)}
      {@const on = looked?.older === v.version}
      <li class:on>
        <button
          class="when"
          aria-pressed={on}
          disabled={i === 0}
          onclick={() => (on ? (piece.page.comparing = null) : void compare(v.version, null))}
        >
          <b class:named={!!v.name}>{label(v)}</b>
          <span class="muted small"
            >{i === 0 ? 'as it stands' : `${v.name ? `${sayWhen(v.savedAt)}, ` : ''}version ${v.version}, ${v.savedBy}`}</span
          >
        </button>
        {#if naming === v.version}
          <input
            class="entry"
            aria-label="Name of version {v.version}"
            value={v.name ?? ''}
            maxlength="80"
            placeholder="For example: as sent to Odile"
            onkeydown={(e) => {
              if (e.key === 'Enter') e.currentTarget.blur();
              if (e.key === 'Escape') naming = null;
            }}
            onblur={(e) => naming === v.version && void name(v.version, e.currentTarget.value)}
            {@attach (field) => (field as HTMLInputElement).focus()}
          />
        {:else}
          <button class="word small" onclick={() => (naming = v.version)}>{v.name ? 'Rename' : 'Name it'}</button>
        {/if}
        {#if on && looked}
          <div class="with">
            <label
              >Compared with
              <select class="entry" onchange={(e) => void compare(v.version, Number(e.currentTarget.value) || null)}>
                <option value="0" selected={looked.newer === null}>the page as it stands</option>
                {#each others as o (o.version)}
                  <option value={o.version} selected={looked.newer === o.version}>{label(o)}</option>
                {/each}
              </select></label
            >
            <button class="act" onclick={() => piece.page.bringBack(looked.was)}>Bring this version back</button>
          </div>
        {/if}
      </li>
    {/each}
  </ol>
{/if}

<style>
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    align-items: center;
    gap: 4px 12px;
    padding: 5px 20px;
    border-bottom: 1px solid var(--hair);
  }
  li.on {
    background: var(--bottle-tint);
  }
  .when {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    align-content: center;
    gap: 2px 10px;
    min-height: 30px;
    text-align: left;
    overflow-wrap: anywhere;
  }
  .when:not(:disabled):hover b {
    color: var(--bottle);
  }
  .when b {
    font-weight: 500;
  }
  .when .named {
    font-weight: 650;
  }
  input {
    font-size: 14px;
  }
  .with {
    grid-column: 1 / -1;
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 8px 14px;
    padding-bottom: 6px;
    font-size: 14px;
  }
</style>
