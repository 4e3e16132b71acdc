<!-- Places changed here and elsewhere at once: both are shown, the writer chooses. -->
<script lang="ts">
  import type { Choice } from '@even-page/core/post/merge';
  import { plainText } from '@even-page/core/post/sections';
  import { sideBySide } from '@even-page/core/post/side-by-side';
  import { count } from '$lib/parts/sizes.ts';
  import type { Saver } from './saver.svelte.ts';

  let { saver }: { saver: Saver } = $props();

  const NAMES = {
    title: 'Title',
    standfirst: 'Standfirst',
    slug: 'Slug',
    description: 'Description',
    summary: 'Summary',
    byline: 'Byline',
    category: 'Category',
    tags: 'Tags',
    words: 'Words wanted',
    brief: 'Brief',
    cover: 'Cover',
    design: 'What the cover is made of',
    left: 'Findings left as they are',
    witnesses: 'What the page is held against',
  } as const;

  function words(choice: Choice, side: 'mine' | 'theirs'): string {
    if (choice.kind === 'block') return choice[side] ? plainText(choice[side]) || choice[side].type.name : '';
    const value = choice[side];
    // A brief is shown as what was said in it.
    if (typeof value === 'object' && value && !Array.isArray(value))
      return Object.entries(value)
        .flatMap(([name, said]) =>
          typeof said === 'string' ? [`${name}: ${said}`] : Array.isArray(said) ? [`${name}: ${said.length}`] : [],
        )
        .join('; ');
    return [value ?? []].flat().join(', ');
  }
  const compared = (choice: Choice) => sideBySide(words(choice, 'mine'), words(choice, 'theirs'));
  const key = (choice: Choice) => (choice.kind === 'block' ? choice.id : choice.name);
</script>

{#if saver.choices.length}
  <section aria-label="Choose between two changes" aria-live="polite">
    <h2>{count(saver.choices.length, 'place')} changed here and elsewhere</h2>
    <p class="muted small">Nothing is lost: choose what stands. Until then the page is kept in this browser and not sent.</p>
    {#each saver.choices as choice (key(choice))}
      {@const shown = compared(choice)}
      <div class="choice">
        {#each ['mine', 'theirs'] as const as side (side)}
          <div>
            <h3>{side === 'mine' ? 'Here' : 'Elsewhere'}{choice.kind === 'detail' ? `: ${NAMES[choice.name]}` : ''}</h3>
            {#if words(choice, side)}
              <p class="words">
                {#each shown[side] as { text, own }, i (i)}{#if own}<mark>{text}</mark>{:else}{text}{/if}{/each}
              </p>
            {:else}<p class="words none">taken out</p>{/if}
            <button class="quiet" onclick={() => saver.choose(choice, side)}>Keep this</button>
            {#if side === 'theirs' && choice.kind === 'block' && choice.mine && choice.theirs}
              <button class="word" onclick={() => saver.choose(choice, 'both')}>Keep both</button>
            {/if}
          </div>
        {/each}
      </div>
    {/each}
  </section>
{/if}

<style>
  section {
    max-height: 46%;
    overflow-y: auto;
    padding: 14px 30px 6px;
    border-bottom: 1px solid var(--brass);
    background: var(--brass-tint);
    color: var(--ink);
  }
  section > .muted {
    color: var(--ink);
  }
  h2 {
    font-weight: 650;
  }
  .choice {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 20px;
    padding: 12px 0;
  }
  .choice + .choice {
    border-top: 1px solid var(--hair);
  }
  h3 {
    font-size: 13px;
    font-weight: 600;
  }
  .words {
    margin: 2px 0 8px;
    font: 16px/24px var(--serif);
    overflow-wrap: anywhere;
  }
  mark {
    background: var(--leaf);
    color: inherit;
    box-shadow: inset 0 -2px var(--brass);
  }
  .word {
    margin-left: 12px;
  }
  .none {
    font-style: italic;
  }
  @media (max-width: 600px) {
    section {
      padding-inline: 16px;
    }
    .choice {
      grid-template-columns: 1fr;
    }
  }
</style>
