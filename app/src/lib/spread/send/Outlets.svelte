<!-- The outlets of the house, and where the post stands: publishing asks once, changes go out without asking. -->
<script lang="ts">
  import ExternalLink from '@lucide/svelte/icons/external-link';
  import { slugOf } from '@even-page/core/language/slug';
  import { askServer, json, Refused } from '$lib/ask-server.ts';
  import Ask from '$lib/parts/Ask.svelte';
  import Gravity from '$lib/parts/Gravity.svelte';
  import { sayWhen } from '$lib/parts/moments.ts';
  import type { Outlet, Posting } from '../piece-data.ts';
  import type { Piece } from '../piece.svelte.ts';
  import AddOutlet from './AddOutlet.svelte';

  /** @prop isReady whether the details are such that the post can go */
  let { piece, isReady }: { piece: Piece; isReady: boolean } = $props();

  let asking = $state<Outlet | null>(null);
  // An outlet that may have the post and cannot be asked, and the address the writer found there.
  let unsure = $state<{ outlet: Outlet; says: string } | null>(null);
  let foundAt = $state('');
  let busy = $state('');
  let sorry = $state('');
  let went = $state<{ url: string; says: string } | null>(null);

  const details = $derived(piece.details);
  const offered = $derived(slugOf(details.title));
  const must = $derived(piece.proofing.findings.filter((f) => f.gravity === 'must'));

  const posting = (outlet: Outlet) => piece.postings.find((p) => p.outletId === outlet.id);

  const isCurrent = (sent: Posting) => sent.version === piece.saver.version && piece.saver.isSaved;

  function stateOf(outlet: Outlet): string {
    const sent = posting(outlet);
    if (!sent) return 'new; asks once';
    return `sent ${sayWhen(sent.sentAt)}, ${isCurrent(sent) ? 'as it is here' : 'changed since'}`;
  }

  async function send(outlet: Outlet, seen?: { address: string | null }) {
    asking = unsure = null;
    busy = outlet.id;
    sorry = '';
    went = null;
    try {
      if (!piece.details.slug && offered) {
        piece.details.slug = offered;
      }
      await piece.saver.save();
      if (!piece.saver.isSaved)
        throw new Refused('The last change is not saved yet, so nothing was sent. Try again when the head line says it is saved.', 0);
      const sent = await askServer<{ url: string; first: boolean; sentAt: string; version: number }>(
        `/pieces/${piece.id}/publish`,
        json('POST', { outlet: outlet.id, ...(seen ? { seen } : {}) }),
      );
      piece.postings = [
        ...piece.postings.filter((p) => p.outletId !== outlet.id),
        { outletId: outlet.id, outlet: outlet.name, url: sent.url, version: sent.version, sentAt: new Date(sent.sentAt) },
      ];
      went = { url: sent.url, says: sent.first ? `Published on ${outlet.name}.` : `The change is on ${outlet.name}.` };
    } catch (cause) {
      if (!(cause instanceof Refused)) throw cause;
      const isUnsure = cause.status === 409 && (cause.body as { asks?: boolean } | null)?.asks;
      if (isUnsure) [unsure, foundAt] = [{ outlet, says: cause.message }, ''];
      else sorry = cause.message;
    } finally {
      busy = '';
    }
  }
</script>

<div class="bar soft">
  <h2>Outlets</h2>
  <span class="end"><AddOutlet {piece} /></span>
</div>
{#if must.length}
  <button class="item" onclick={() => piece.goTo('proof')}>
    <Gravity gravity="must" /><span
      ><b>{must.length === 1 ? '1 thing' : `${must.length} things`} should be fixed first</b>
      <span class="says">{must[0]!.says}</span></span
    ><span class="go">show</span>
  </button>
{/if}
{#each piece.outlets as outlet (outlet.id)}
  {@const sent = posting(outlet)}
  <div class="outlet">
    <div>
      <b>{outlet.name}</b> <span class="muted">{stateOf(outlet)}</span>
      {#if sent}<p>
          <a class="word" href={sent.url} target="_blank" rel="noopener"
            >{sent.url.replace(/^https?:\/\//, '')} <ExternalLink size={13} aria-label="opens in a new window" /></a
          >
        </p>{/if}
    </div>
    <button
      class={sent && isCurrent(sent) ? 'quiet' : 'act'}
      disabled={!!busy || !isReady || !details.title.trim()}
      onclick={() => (sent ? void send(outlet) : (asking = outlet))}
    >
      {busy === outlet.id ? 'Sending…' : !sent ? 'Publish' : isCurrent(sent) ? 'Send again' : 'Send the change'}
    </button>
  </div>
{:else}
  <p class="note">No outlet yet. Add a blog that speaks Micropub, or take the post along as a file.</p>
{/each}
{#if went}<p class="went" role="status">
    <Gravity gravity="fine" /><span>{went.says} <a class="word" href={went.url} target="_blank" rel="noopener">Open it</a></span>
  </p>{/if}
{#if sorry}<p class="sorry place" role="alert">{sorry}</p>{/if}

<Ask open={asking !== null} title="Publish “{details.title}”?">
  <p>
    It goes to {asking?.name} and can be read there at once, as <span class="mono">{details.slug || offered}</span>. Later changes are sent
    without asking.
  </p>
  {#if must.length}
    <ul class="must">
      {#each must.slice(0, 3) as { key, says } (key)}<li>{says}</li>{/each}
      {#if must.length > 3}<li>and {must.length - 3} more that Proof found</li>{/if}
    </ul>
  {/if}
  {#snippet actions()}<button class="act" onclick={() => asking && send(asking)}>Publish</button>{/snippet}
</Ask>

<Ask open={unsure !== null} title="Is “{details.title}” on {unsure?.outlet.name ?? ''} already?">
  <p>{unsure?.says}</p>
  <p class="seen">
    <label for="found-at">If it is there, its address</label>
    <input id="found-at" class="line" type="url" placeholder="https://" bind:value={foundAt} />
  </p>
  {#snippet actions()}
    <button class="act" disabled={!foundAt.trim()} onclick={() => unsure && send(unsure.outlet, { address: foundAt.trim() })}
      >It is there</button
    >
    <button class="quiet" onclick={() => unsure && send(unsure.outlet, { address: null })}>It is not there: publish</button>
  {/snippet}
</Ask>

<style>
  .must {
    margin: 12px 0 0;
    color: var(--rust);
  }
  .seen {
    margin-top: 12px;
  }
  .soft {
    border-top: 1px solid var(--hair);
    border-bottom-style: dotted;
  }
  .outlet {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 12px;
    align-items: center;
    padding: 10px 20px;
    border-bottom: 1px solid var(--hair);
  }
  .outlet b {
    font-weight: 600;
  }
  .outlet a {
    display: inline-flex;
    align-items: center;
    gap: 4px;
    font-size: 14px;
    overflow-wrap: anywhere;
  }
  .went {
    display: flex;
    gap: 8px;
    padding: 10px 20px;
    background: var(--bottle-tint);
  }
  .went a {
    text-decoration: underline;
  }
  .place {
    margin: 12px 20px;
  }
</style>
