<!-- The words of one paragraph with the repairs and marks in them, each to take or to put back. -->
<script lang="ts">
  import { type Edit, repairKind } from '@even-page/core/tidy';
  import { seen } from './seen.ts';
  import type { Segment } from './segments.ts';

  let {
    segments,
    hit,
    matches,
    isTaken,
    toggle,
  }: {
    segments: readonly Segment[];
    /** The find that is looked at. */
    hit: number;
    /** Whether a repair is of the kind that is shown. */
    matches: (edit: Edit) => boolean;
    isTaken: (edit: Edit) => boolean;
    toggle: (edit: Edit) => void;
  } = $props();

  const markOf = (s: Segment) => s.over.find((o) => o.mark && matches(o.mark))?.mark;
  const hitOf = (s: Segment) => s.over.find((o) => o.hit !== undefined)?.hit;

  const onEnter = (edit: Edit) => (event: KeyboardEvent) => {
    if (event.key !== 'Enter' && event.key !== ' ') return;
    event.preventDefault();
    toggle(edit);
  };

  const HINTS = ['Click to take it', 'Taken: click to put it back'] as const;
  const hint = (edit: Edit) => (repairKind(edit.kind).hints ?? HINTS)[isTaken(edit) ? 1 : 0];
</script>

{#snippet words(s: Segment)}
  {#if !s.edit}<span data-at={s.from}>{s.text}</span>{:else if matches(s.edit)}<span
      class="edit live {s.edit.kind}"
      class:taken={s.taken}
      role="button"
      tabindex="-1"
      aria-pressed={s.taken}
      aria-label="{s.edit.reason}: {s.taken ? 'taken' : 'proposed'}"
      title="{s.edit.reason}. {hint(s.edit)}"
      onclick={() => toggle(s.edit)}
      onkeydown={onEnter(s.edit)}
      >{#if s.taken}<span class="gone"></span>{:else if s.edit.before}<span class="gone"
          >{s.edit.before.trim() ? s.edit.before.replace(/\s+/g, ' ') : seen(s.edit.before)}</span
        >{/if}{#if s.edit.after.trim()}{#if s.edit.after.startsWith(' ')}{' '}{/if}<span class="put">{s.edit.after.trim()}</span
        >{:else if s.edit.after}{' '}{/if}{#if s.edit.after === '\n\n'}<span class="para-mark">¶</span>{/if}</span
    >{:else}<span class="edit">{s.taken ? s.edit.after.replace(/\s+/g, ' ') : s.edit.before}</span>{/if}
{/snippet}

{#each segments as s, n (n)}{@const mark = markOf(s)}{@const found = hitOf(s)}{#if mark && !s.edit}<span
      class="over live {mark.kind}"
      class:taken={isTaken(mark)}
      class:hit={found !== undefined}
      data-hit={found}
      role="button"
      tabindex="-1"
      aria-pressed={isTaken(mark)}
      aria-label="{mark.reason}: {s.text}"
      title="{mark.reason}. {hint(mark)}"
      onclick={() => toggle(mark)}
      onkeydown={onEnter(mark)}><span data-at={s.from}>{s.text}</span></span
    >{:else if found !== undefined}<span class="hit" class:here={found === hit} data-hit={found}>{@render words(s)}</span
    >{:else}{@render words(s)}{/if}{/each}

<style>
  .live {
    cursor: pointer;
    border-radius: 2px;
  }
  .live:hover {
    background: var(--brass-tint);
  }
  .gone {
    color: var(--faded);
    text-decoration: line-through;
    text-decoration-color: var(--rust);
    text-decoration-thickness: 1.5px;
  }
  .put,
  .para-mark {
    color: var(--bottle);
    background: var(--bottle-tint);
    border-radius: 2px;
    padding: 0 1px;
    font-weight: 600;
  }
  .taken:not(.sentences, .paragraphs) .gone {
    border-left: 2px solid color-mix(in srgb, var(--bottle) 60%, transparent);
  }
  .taken .put {
    background: none;
    font-weight: inherit;
    color: inherit;
    border-bottom: 1px solid var(--bottle);
  }
  .taken .para-mark {
    background: none;
    opacity: 0.6;
  }
  :is(.sentences, .paragraphs) .gone {
    font-size: 12px;
    text-decoration: none;
    color: var(--bottle);
    opacity: 0.7;
  }
  .over {
    cursor: pointer;
    border-radius: 2px;
  }
  .over.suspect {
    text-decoration: underline dotted var(--brass) 2px;
    text-underline-offset: 4px;
    background: var(--brass-tint);
  }
  .over.suspect.taken {
    background: none;
  }
  .over.asides:not(.taken) {
    color: var(--faded);
    font-style: italic;
    text-decoration: line-through;
    text-decoration-color: var(--faded);
    text-decoration-thickness: 1px;
  }
  .over.asides.taken {
    border-bottom: 1px dotted var(--faded);
  }
  .over:hover {
    background: var(--brass-tint);
  }
  .hit {
    background: var(--slate-tint);
    box-shadow: 0 0 0 1px var(--slate);
    border-radius: 2px;
  }
  .hit.here {
    background: var(--brass-tint);
    box-shadow: 0 0 0 2px var(--brass);
  }
</style>
