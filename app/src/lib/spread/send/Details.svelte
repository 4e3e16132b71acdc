<!-- The details of the post: title, slug, description, summary, byline, category, tags. -->
<script lang="ts">
  import { TagsInput } from '@skeletonlabs/skeleton-svelte';
  import { slugOf } from '@even-page/core/language/slug';
  import { DESCRIPTION_LENGTH, detailsSchema, SUMMARY_LENGTH } from '@even-page/core/post/details';
  import { proposeDescription } from '@even-page/core/send';
  import type { Piece } from '../piece.svelte.ts';

  /** @prop slugSorry what is wrong with the slug as it is typed; empty when nothing is */
  let { piece, slugSorry = $bindable() }: { piece: Piece; slugSorry: string } = $props();

  const details = $derived(piece.details);
  // As typed: it goes into the details as soon as it can be a slug.
  let slug = $derived(details.slug);
  $effect(() => {
    slugSorry = sentenceFor(slug);
  });
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
</script>

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
          piece.details.description = proposeDescription(details.standfirst, piece.page.doc, DESCRIPTION_LENGTH);
        }}>offer</button
      >{/if}
  </small>
</div>
<div class="field">
  <label for="detail-summary">Summary</label>
  <textarea
    id="detail-summary"
    class="line"
    rows="2"
    maxlength="1000"
    bind:value={piece.details.summary}
    placeholder="For lists and feeds: two or three sentences"></textarea>
  <small>
    {#if details.summary}{details.summary.length}<span class="sr"> characters</span>{:else if piece.page.hasWords}<button
        class="word"
        aria-label="offer a summary"
        onclick={() => {
          piece.details.summary = proposeDescription(details.standfirst, piece.page.doc, SUMMARY_LENGTH);
        }}>offer</button
      >{/if}
  </small>
</div>
<div class="field">
  <label for="detail-byline">Byline</label>
  <input id="detail-byline" class="line" maxlength="120" bind:value={piece.details.byline} placeholder="Who wrote it" />
  <small>
    {#if !details.byline && piece.material.house.byline}<button
        class="word"
        aria-label="offer the usual byline"
        onclick={() => {
          piece.details.byline = piece.material.house.byline;
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

<style>
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
