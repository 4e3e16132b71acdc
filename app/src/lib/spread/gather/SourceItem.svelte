<!-- One source in the list: what it is, how long, how it was read. -->
<script lang="ts">
  import AudioLines from '@lucide/svelte/icons/audio-lines';
  import Film from '@lucide/svelte/icons/film';
  import FileText from '@lucide/svelte/icons/file-text';
  import ListTree from '@lucide/svelte/icons/list-tree';
  import Mail from '@lucide/svelte/icons/mail';
  import NotebookText from '@lucide/svelte/icons/notebook-text';
  import Table from '@lucide/svelte/icons/table';
  import { isTimed } from '@even-page/core/gather';
  import { count, sayBytes } from '$lib/parts/sizes.ts';
  import type { SourceInHand } from '../piece-data.ts';
  import type { Piece } from '../piece.svelte.ts';

  let { piece, source }: { piece: Piece; source: SourceInHand } = $props();

  const ICONS: Record<string, typeof FileText> = {
    markdown: NotebookText,
    mail: Mail,
    opml: ListTree,
    csv: Table,
  };
  const Icon = $derived(
    source.recording?.isVideo ? Film : isTimed(source.source) || source.recording ? AudioLines : (ICONS[source.source.kind] ?? FileText),
  );
  let item: HTMLElement;
  $effect(() => {
    if (isOpen) item.scrollIntoView({ block: 'nearest' });
  });

  const isOpen = $derived(source.id === piece.material.openSource);

  const says = $derived.by(() => {
    const minutes = source.durationMs === null ? '' : `${Math.max(1, Math.round(source.durationMs / 60_000))} min, `;
    const voices = new Set(source.source.passages.map((p) => p.speaker).filter(Boolean)).size;
    return `${minutes}${piece.material.kinds[source.source.kind]?.label}; ${count(source.words, 'word')}${voices > 1 ? `; ${voices} voices` : ''}; ${sayBytes(source.bytes)}`;
  });
</script>

<button bind:this={item} class="item" class:on={isOpen} aria-pressed={isOpen} onclick={() => (piece.material.openSource = source.id)}>
  <Icon size={17} aria-hidden="true" />
  <span
    ><b>{source.name}</b>
    <span class="says">{says}</span></span
  >
  <span class="go">{isOpen ? '' : 'open'}</span>
</button>
