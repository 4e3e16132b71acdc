<!-- Send: where does it go, and when? The details of the post, the outlets, and files to take along. -->
<script lang="ts">
  import ExternalLink from '@lucide/svelte/icons/external-link';
  import { TagsInput } from '@skeletonlabs/skeleton-svelte';
  import { slugOf } from '@even-page/core/language/slug';
  import { DESCRIPTION_LENGTH, detailsSchema } from '@even-page/core/post/details';
  import { proposeDescription } from '@even-page/core/send';
  import { askServer, json, Refused } from '$lib/ask-server.ts';
  import Ask from '$lib/parts/Ask.svelte';
  import Gravity from '$lib/parts/Gravity.svelte';
  import { sayWhen } from '$lib/parts/moments.ts';
  import type { Outlet, Posting } from '../piece-data.ts';
  import type { Piece } from '../piece.svelte.ts';
  import AddOutlet from './AddOutlet.svelte';
  import { takeAlong } from './take-along.ts';

  let { piece }: { piece: Piece } = $props();

  let asking = $state<Outlet | null>(null);
  // An outlet that may have the post and cannot be asked, and the address the writer found there.
  let unsure = $state<{ outlet: Outlet; says: string } | null>(null);
  let foundAt = $state('');
  let busy = $state('');
  let sorry = $state('');
  let went = $state<{ url: string; says: string } | null>(null);

  const details = $derived(piece.details);
  const must = $derived(piece.proofing.findings.filter((f) => f.gravity === 'must'));
  // As typed: it goes into the details as soon as it can be a slug.
  let slug = $derived(details.slug);
  const slugSorry = $derived(sentenceFor(slug));
  const published = $derived(piece.postings.length > 0);
  const offered = $derived(slugOf(details.title));
  const length = $derived(details.description.length);
  const { least, most } = DESCRIPTION_LENGTH;

  function sentenceFor(slug: string): string {
    try {
      detailsSchema.validateSyncAt('slug', { slug });
      return '';
    } catch (cause) {
      return (cause as Error).message;
    }
  }

  function setSlug(value: string) {
    slug = value;
    if (sentenceFor(value)) return;
    piece.details.slug = value;
  }

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

  const take = (to: 'md' | 'html') => takeAlong(to, piece.detailsNow(), piece.page.doc);
</script>

<div class="bar"><h2>Details</h2></div>
<div class="scroll">
  <div class="field">
    <label for="detail-title">Title</label>
    <textarea id="detail-title" class="line" rows="1" maxlength="300" bind:value={piece.details.title}></textarea>
    <small></small>
  </div>
  <div class="field">
    <label for="detail-slug">Slug</label>
    <div>
      <input
        id="detail-slug"
        class="line mono"
        value={slug}
        placeholder={offered}
        oninput={(e) => setSlug(e.currentTarget.value)}
        aria-describedby={slugSorry ? 'slug-sorry' : undefined}
      />
      {#if slugSorry}<p id="slug-sorry" class="sorry small" role="alert">{slugSorry}</p>
      {:else if published}<p class="muted small">It is published: a new slug would break its link, so outlets keep the old one.</p>{/if}
    </div>
    <small
      >{#if offered && details.slug !== offered && !published}<button class="word" title="Use {offered}" onclick={() => setSlug(offered)}
          >offer</button
        >{/if}</small
    >
  </div>
  <div class="field">
    <label for="detail-description">Description</label>
    <textarea
      id="detail-description"
      class="line"
      rows="2"
      maxlength="1000"
      bind:value={piece.details.description}
      placeholder="What the post gives, in {least} to {most} characters"></textarea>
    <small class:look={length > 0 && (length < least || length > most)}>
      {#if length}{length}<span class="sr"> characters; {least} to {most} is best</span>{:else if piece.page.hasWords}<button
          class="word"
          onclick={() => {
            piece.details.description = proposeDescription(details.standfirst, piece.page.doc);
          }}>offer</button
        >{/if}
    </small>
  </div>
  <div class="field">
    <label for="detail-category">Category</label>
    <input id="detail-category" class="line" maxlength="80" bind:value={piece.details.category} />
    <small></small>
  </div>
  <div class="field">
    <span class="label" id="tags-label">Tags</span>
    <TagsInput
      value={details.tags}
      onValueChange={(e) => {
        piece.details.tags = [...e.value].sort((a, b) => a.localeCompare(b, 'en'));
      }}
      delimiter=","
      addOnPaste
      blurBehavior="add"
      maxLength={60}
      max={40}
    >
      <TagsInput.Control class="tags">
        <TagsInput.Context>
          {#snippet children(tagsInput)}
            {#each tagsInput().value as value, index (value)}
              <TagsInput.Item {value} {index}>
                <TagsInput.ItemPreview class="chip"
                  ><TagsInput.ItemText>{value}</TagsInput.ItemText><TagsInput.ItemDeleteTrigger aria-label="Take out {value}"
                    >×</TagsInput.ItemDeleteTrigger
                  ></TagsInput.ItemPreview
                >
                <TagsInput.ItemInput class="line" />
              </TagsInput.Item>
            {/each}
          {/snippet}
        </TagsInput.Context>
        <TagsInput.Input class="tag-input" aria-labelledby="tags-label" placeholder={details.tags.length ? '' : 'A word, then a comma'} />
      </TagsInput.Control>
      <TagsInput.HiddenInput />
    </TagsInput>
    <small>{details.tags.length > 1 ? 'a to z' : ''}</small>
  </div>

  <div class="bar soft">
    <h2>Outlets</h2>
    <span class="end"><AddOutlet {piece} /></span>
  </div>
  {#if must.length}
    <button class="item" onclick={() => piece.goTo('proof')}>
      <Gravity gravity="must" /><span
        ><b>{must.length === 1 ? '1 thing' : `${must.length} things`} must be fixed first</b>
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
        disabled={!!busy || must.length > 0 || !!slugSorry}
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

  <div class="bar soft"><h2>Take it along</h2></div>
  <div class="lines take">
    <button class="quiet" onclick={() => take('md')}>Markdown file</button>
    <button class="quiet" onclick={() => take('html')}>HTML file</button>
    <span class="muted small">Pictures go along in a ZIP. To copy instead, use the views of the page.</span>
  </div>
</div>

<Ask open={asking !== null} title="Publish “{details.title}”?">
  <p>
    It goes to {asking?.name} and can be read there at once, as <span class="mono">{details.slug || offered}</span>. Later changes are sent
    without asking.
  </p>
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
  .take {
    display: flex;
    flex-wrap: wrap;
    gap: 10px;
    align-items: center;
  }
  p.sorry {
    margin-top: 6px;
  }
  /* Skeleton draws a box around tags; here they stand on a line like every other value. */
  :global(.tags) {
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
    padding: 0 0 3px;
    border: 0;
    border-radius: 0;
    background: none;
    box-shadow: none;
    border-bottom: 1px solid color-mix(in srgb, var(--faded) 55%, transparent);
  }
  :global(.tags .line) {
    width: 120px;
  }
  :global(.tags:focus-within) {
    outline: none;
    border-color: var(--bottle);
    box-shadow: 0 1px var(--bottle);
  }
  :global(.tags .chip) {
    background: none;
    color: inherit;
    font-weight: 400;
  }
  :global(.tags .chip[data-highlighted]) {
    outline: 2px solid var(--bottle);
  }
  :global(.tag-input) {
    flex: 1;
    min-width: 90px;
    padding: 0 !important;
    font-size: 15px !important;
    border: 0;
    background: none;
    color: var(--ink);
  }
  :global(.tag-input:focus) {
    outline: none;
    box-shadow: none;
  }
  :global(.tag-input::placeholder) {
    color: var(--faded);
    font-style: italic;
  }
</style>
