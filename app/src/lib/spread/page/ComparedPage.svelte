<!-- Two versions on the page itself: what was put in, taken out and moved, and one section at a time to bring back. -->
<script lang="ts">
  import { changedWords, compare, type Compared } from '@even-page/core/write';
  import { sectionsOf } from '@even-page/core/post/sections';
  import { count } from '$lib/parts/sizes.ts';
  import type { Piece } from '../piece.svelte.ts';

  let { piece, was, is }: { piece: Piece; was: Piece['page']['doc']; is: Piece['page']['doc'] | null } = $props();

  const now = $derived.by(() => {
    void piece.page.tick;
    return is ?? piece.page.doc;
  });
  const blocks = $derived(compare(was, now));
  const changed = $derived(changedWords(blocks));
  const theirs = $derived(new Set(sectionsOf(was).map((s) => s.id)));
  const isChanged = (section: string) => blocks.some((b) => b.section === section && b.how !== 'same' && b.how !== 'moved');
  // The first block of each section that differs and that the older version has.
  const firsts = $derived(
    new Set(
      blocks.flatMap((block, i): Compared[] =>
        blocks.findIndex((b) => b.section === block.section) === i && theirs.has(block.section) && isChanged(block.section) ? [block] : [],
      ),
    ),
  );
  const TAGS: Record<string, string> = { blockquote: 'blockquote', codeBlock: 'pre' };
  const tagOf = ({ type, level }: Compared) => (type === 'heading' ? `h${level}` : (TAGS[type] ?? 'p'));
  const SAYS = { new: 'new', gone: 'taken out', moved: 'moved', changed: '', same: '' } as const;
</script>

<div class="bar">
  <span role="status">{count(changed.put, 'word')} put in, {count(changed.taken, 'word')} taken out</span>
  <button class="quiet end" onclick={() => (piece.page.comparing = null)}>Back to the page</button>
</div>
<!-- A scrolled text must be reachable by keyboard. -->
<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div class="sheet" tabindex="0" role="region" aria-label="What changed">
  <div class="page">
    {#each blocks as block, i (i)}
      {#if firsts.has(block)}
        <p class="back">
          <button class="word" onclick={() => piece.page.bringBackSection(was, block.section)}>Bring this section back</button>
        </p>
      {/if}
      <svelte:element this={tagOf(block)} class="block {block.how}">
        {#if SAYS[block.how]}<small>{SAYS[block.how]}</small>{/if}
        {#each block.words as words, w (w)}{#if words.how === 'new'}<ins>{words.text}</ins>{:else if words.how === 'gone'}<del
              >{words.text}</del
            >{:else}{words.text}{/if}{/each}
      </svelte:element>
    {/each}
  </div>
</div>

<style>
  .sheet {
    flex: 1;
    min-height: 0;
    overflow-y: auto;
    padding: 20px 30px 30vh 64px;
  }
  .block {
    position: relative;
    white-space: pre-line;
  }
  ins {
    background: var(--bottle-tint);
    text-decoration: underline;
    text-decoration-color: var(--bottle);
    text-underline-offset: 3px;
  }
  del {
    color: var(--rust);
    background: var(--rust-tint);
  }
  small {
    position: absolute;
    right: calc(100% + 10px);
    width: 50px;
    text-align: right;
    font: 13px/27px var(--sans);
    color: var(--faded);
  }
  .back {
    margin: 14px 0 0;
    text-align: right;
    font: 14px var(--sans);
  }
  @media (max-width: 600px) {
    .sheet {
      padding: 16px 16px 30vh 58px;
    }
  }
</style>
