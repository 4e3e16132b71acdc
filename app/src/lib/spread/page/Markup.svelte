<!-- The post as Markdown or HTML: to edit in step with the page, to copy or to take along as a file. -->
<script lang="ts">
  import Copy from '@lucide/svelte/icons/copy';
  import Download from '@lucide/svelte/icons/download';
  import { onMount } from 'svelte';
  import { blockAtOffset, fromMarkup, offsetOfBlock, toMarkup, type Markup } from '@even-page/core/post/markup';
  import type { Piece } from '../piece.svelte.ts';
  import { fileText, takeAlong } from '../send/take-along.ts';

  let { piece, to }: { piece: Piece; to: Markup } = $props();

  const QUIET_MS = 400;
  const NAME = { markdown: 'Markdown', html: 'HTML' } as const;
  let says = $state('');
  let left = $state.raw<string[]>([]);
  let place: HTMLElement;

  // The editor is fetched when a view of the markup is first opened, and stays as typed until it is left.
  onMount(() => {
    let editor: Awaited<ReturnType<(typeof import('./markup-editor.ts'))['markupEditor']>> | undefined;
    let timer: ReturnType<typeof setTimeout> | undefined;
    let waiting: string | null = null;
    let isGone = false;
    const as = to;
    const label = `The post as ${NAME[as]}`;
    const put = () => {
      clearTimeout(timer);
      if (waiting === null) return;
      const found = fromMarkup(waiting, as, piece.page.doc);
      left = found.left;
      piece.page.rewrite(found.doc);
      waiting = null;
    };
    void import('./markup-editor.ts').then(({ markupEditor }) => {
      if (isGone) return;
      const caret = piece.page.view!.state.selection.$from;
      editor = markupEditor(place, {
        text: toMarkup(piece.page.doc, as),
        cursor: offsetOfBlock(piece.page.doc, as, caret.index(0)),
        as,
        label,
        changed: (text) => {
          waiting = text;
          clearTimeout(timer);
          timer = setTimeout(put, QUIET_MS);
        },
      });
      editor.focus();
    });
    return () => {
      isGone = true;
      put();
      if (!editor) return;
      const block = blockAtOffset(editor.state.doc.toString(), as, editor.state.selection.main.head);
      editor.destroy();
      const id = piece.page.doc.maybeChild(block)?.attrs.id as string | undefined;
      if (id) requestAnimationFrame(() => piece.page.goToBlock(id));
    };
  });

  async function copy() {
    await navigator.clipboard.writeText(
      to === 'markdown' ? await fileText('md', piece.detailsNow(), piece.page.doc) : toMarkup(piece.page.doc, to),
    );
    says = `The ${NAME[to]} is on the clipboard`;
  }

  const save = () => takeAlong(to === 'markdown' ? 'md' : 'html', piece.detailsNow(), piece.page.doc);
</script>

<div class="bar">
  <button class="quiet" onclick={copy}><Copy size={15} aria-hidden="true" />Copy</button>
  <button class="quiet" onclick={save}><Download size={15} aria-hidden="true" />Save as a file</button>
  <span class="muted small" role="status">{says}</span>
</div>
{#if left.length}
  <p class="left" role="status">
    The page cannot hold {left.join(', ')}: the words stay, the rest is dropped when you leave this view.
  </p>
{/if}
<div class="place" bind:this={place}></div>

<style>
  .bar {
    border-bottom-style: dotted;
  }
  .left {
    margin: 0;
    padding: 8px 20px;
    border-bottom: 1px solid var(--hair);
    color: var(--brass);
  }
  .place {
    flex: 1;
    min-height: 0;
    overflow: hidden;
  }
</style>
