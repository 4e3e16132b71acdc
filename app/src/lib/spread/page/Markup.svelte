<!-- The post as Markdown or HTML, to look at, copy or take along as a file. -->
<script lang="ts">
  import Copy from '@lucide/svelte/icons/copy';
  import Download from '@lucide/svelte/icons/download';
  import { postToHtml } from '@even-page/core/post/html';
  import { markdownFile } from '@even-page/core/send/files';
  import type { Piece } from '../piece.svelte.ts';
  import { takeAlong } from '../send/take-along.ts';

  let { piece, to }: { piece: Piece; to: 'markdown' | 'html' } = $props();

  let copied = $state('');
  const text = $derived.by(() => {
    void piece.pageTick;
    return to === 'markdown' ? markdownFile($state.snapshot(piece.details), piece.doc) : postToHtml(piece.doc);
  });

  async function copy() {
    await navigator.clipboard.writeText(text);
    copied = to === 'markdown' ? 'The Markdown is on the clipboard' : 'The HTML is on the clipboard';
  }

  const save = () => takeAlong(to === 'markdown' ? 'md' : 'html', $state.snapshot(piece.details), piece.doc);
</script>

<div class="bar">
  <button class="quiet" onclick={copy}><Copy size={15} aria-hidden="true" />Copy</button>
  <button class="quiet" onclick={save}><Download size={15} aria-hidden="true" />Save as a file</button>
  <span class="muted small" role="status">{copied}</span>
</div>
<!-- A scrolled text must be reachable by keyboard. -->
<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<pre tabindex="0" aria-label={to === 'markdown' ? 'The post as Markdown' : 'The post as HTML'}>{text}</pre>

<style>
  .bar {
    border-bottom-style: dotted;
  }
  pre {
    flex: 1;
    min-height: 0;
    margin: 0;
    padding: 16px 30px;
    overflow: auto;
    font: 13px/1.6 var(--mono);
    white-space: pre-wrap;
    overflow-wrap: anywhere;
  }
</style>
