<!-- One idea: its notes, links, pictures, subject and the day it is wished for; five titles for it. -->
<script lang="ts">
  import { type Idea, ideaSchema } from '@even-page/core/write';
  import { ValidationError } from 'yup';
  import FileChooser from '$lib/parts/FileChooser.svelte';
  import type { ListedIdea } from './ideas.svelte.ts';
  import Proposed from './Proposed.svelte';

  let {
    idea,
    drafter,
    titles,
    onkeep,
    onremove,
  }: {
    idea: ListedIdea;
    drafter: string;
    titles: readonly string[];
    onkeep: (change: Partial<Idea>, files?: File[]) => void;
    onremove: () => void;
  } = $props();

  let sorry = $state('');
  let isSure = $state(false);
  let asking = $state(false);

  const { line, notes, subject, links, pictures, wishedFor } = $derived(idea);

  function keep(change: Partial<Idea>, files: File[] = []) {
    try {
      ideaSchema.validateSync({ line, notes, subject, links, pictures, wishedFor, ...change });
      onkeep(change, files);
      sorry = '';
    } catch (cause) {
      if (!(cause instanceof ValidationError)) throw cause;
      sorry = cause.message;
    }
  }
</script>

<div class="form">
  <div class="field">
    <label for="line-{idea.id}">Idea</label>
    <input id="line-{idea.id}" class="line" value={line} maxlength="300" onchange={(e) => keep({ line: e.currentTarget.value })} />
    <small></small>
  </div>
  <div class="field">
    <label for="notes-{idea.id}">Notes</label>
    <textarea id="notes-{idea.id}" class="line" rows="2" value={notes} onchange={(e) => keep({ notes: e.currentTarget.value })}></textarea>
    <small></small>
  </div>
  <div class="field">
    <label for="links-{idea.id}">Links</label>
    <textarea
      id="links-{idea.id}"
      class="line"
      rows={Math.max(1, links.length)}
      value={links.join('\n')}
      placeholder="https://, one a line"
      onchange={(e) =>
        keep({
          links: e.currentTarget.value
            .split('\n')
            .map((l) => l.trim())
            .filter(Boolean),
        })}></textarea>
    <small></small>
  </div>
  <div class="field">
    <label for="subject-{idea.id}">Subject</label>
    <input id="subject-{idea.id}" class="line" value={subject} maxlength="120" onchange={(e) => keep({ subject: e.currentTarget.value })} />
    <small></small>
  </div>
  <div class="field">
    <label for="day-{idea.id}">Wished for</label>
    <input
      id="day-{idea.id}"
      class="entry day"
      type="date"
      value={wishedFor ?? ''}
      onchange={(e) => keep({ wishedFor: e.currentTarget.value || null })}
    />
    <small></small>
  </div>
  {#if pictures.length}
    <div class="pictures">
      {#each pictures as src (src)}<img {src} alt="" loading="lazy" />{/each}
    </div>
  {/if}
  {#if sorry}<p class="sorry" role="alert">{sorry}</p>{/if}
  {#if asking}
    <Proposed
      task="titles"
      about={line}
      {drafter}
      {titles}
      phrase={subject}
      onkeep={(title) => keep({ line: title, notes: [notes, line].filter(Boolean).join('\n') })}
      keepSays="Use"
    />
  {/if}
  <div class="acts">
    <FileChooser label="Pictures of the idea" accept="image/*" onfiles={(files) => keep({}, files)}>
      {#snippet children(choose)}<button class="quiet" onclick={choose}>Add a picture</button>{/snippet}
    </FileChooser>
    {#if drafter}<button class="quiet" onclick={() => (asking = true)}>Five titles</button>{/if}
    {#if isSure}
      <span class="muted small">Take it out for good?</span>
      <button class="quiet" onclick={onremove}>Take it out</button>
      <button class="quiet" onclick={() => (isSure = false)}>Not now</button>
    {:else}
      <button class="word end" onclick={() => (isSure = true)}>Take it out</button>
    {/if}
  </div>
</div>

<style>
  .form {
    padding: 4px 0 14px;
  }
  .form :global(.field) {
    grid-template-columns: 84px minmax(0, 1fr) 0;
    padding: 6px 16px;
  }
  @media (max-width: 600px) {
    .form :global(.field) {
      grid-template-columns: minmax(0, 1fr) 0;
    }
  }
  .day {
    max-width: 170px;
  }
  .pictures {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    padding: 8px 16px;
  }
  img {
    height: 72px;
    border-radius: 3px;
  }
  .sorry {
    margin: 6px 16px;
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 8px 10px;
    padding: 8px 16px 0;
  }
  .end {
    margin-left: auto;
  }
</style>
