<!-- Ideas for a subject, or titles for an idea, from a drafter: each beside what is written already, kept by one press. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { briefSchema } from '@even-page/core/post/brief';
  import { terms } from '@even-page/core/language/terms';
  import { type DraftRequest, linesOf, nearDoubles } from '@even-page/core/write';
  import { json, Refused } from '$lib/ask-server.ts';
  import { newsFrom } from '$lib/news.ts';

  let {
    task,
    about,
    drafter,
    titles,
    phrase = '',
    onkeep,
    keepSays,
  }: {
    task: 'ideas' | 'titles';
    about: string;
    drafter: string;
    /** What is written already, or stands in the list. */ titles: readonly string[];
    /** Words a title should hold. */ phrase?: string;
    onkeep: (line: string) => void;
    keepSays: string;
  } = $props();

  // A search result shows about so many letters of a title (common practice, no source).
  const MOST_LETTERS = 60;

  let answer = $state('');
  let isOver = $state(false);
  let says = $state('');
  let kept = $state<string[]>([]);
  const stop = new AbortController();

  onMount(() => {
    void ask();
    return () => stop.abort();
  });

  async function ask() {
    const request: Partial<DraftRequest> = {
      task,
      text: about,
      brief: { ...briefSchema.cast({}), ...(phrase ? { phrase } : {}), words: 0 } as DraftRequest['brief'],
      written: titles.slice(0, 500).map((title) => title.slice(0, 300)),
    };
    try {
      const news = newsFrom<{ text: string } | { note: string } | { failed: string }>(
        '/drafts',
        json('POST', { drafter, request }),
        stop.signal,
      );
      for await (const told of news) {
        if ('text' in told) answer += told.text;
        else says = 'note' in told ? told.note : told.failed;
      }
    } catch (cause) {
      if (!(cause instanceof Refused)) throw cause;
      says = cause.message;
    }
    isOver = true;
  }

  const lines = $derived([...new Set(linesOf(answer))].slice(0, 12));
  const doubles = $derived(nearDoubles(lines, titles));
  const holds = (line: string) => {
    const own = new Set(terms(line));
    return terms(phrase).every((stem) => own.has(stem));
  };
</script>

<div class="proposed" role="region" aria-label={task === 'ideas' ? `Ideas for ${about}` : `Titles for ${about}`}>
  {#each lines as line, n (line)}
    <div class="row">
      <div>
        <b>{line}</b>
        <span class="muted small"
          >{task === 'titles'
            ? `${line.length} letters${line.length > MOST_LETTERS ? `, more than the ${MOST_LETTERS} a list of results shows` : ''}${phrase ? `, ${holds(line) ? 'holds' : 'without'} “${phrase}”` : ''}`
            : ''}{doubles[n] ? `${task === 'titles' ? ', ' : ''}near “${doubles[n]}”` : ''}</span
        >
      </div>
      {#if kept.includes(line)}<span class="muted small">kept</span>{:else}
        <button
          class="word"
          onclick={() => {
            kept = [...kept, line];
            onkeep(line);
          }}>{keepSays}</button
        >
      {/if}
    </div>
  {/each}
  {#if says}<p class="note" role="alert">{says}</p>{/if}
  {#if !isOver}<p class="note" role="status">{lines.length ? 'Writing…' : 'Asked, waiting for the first words…'}</p>
  {:else if !lines.length && !says}<p class="note">The drafter had nothing to propose for this.</p>{/if}
</div>

<style>
  .row {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 12px;
    align-items: baseline;
    padding: 8px 16px;
    border-bottom: 1px solid var(--hair);
  }
  .row b {
    display: block;
    font: 600 16px/1.35 var(--serif);
    overflow-wrap: anywhere;
  }
</style>
