<!-- Find and replace in the words of a source as they read with the repairs taken. -->
<script lang="ts">
  import { applyEdits, type Edit, flowOf, type FoundWords, replaceMatch } from '@even-page/core/tidy';
  import FindBar from '$lib/parts/FindBar.svelte';
  import type { SourceInHand } from '../piece-data.ts';
  import type { Piece } from '../piece.svelte.ts';
  import type { Over } from './segments.ts';

  let {
    piece,
    source,
    hits = $bindable(),
    at = $bindable(),
    selected,
    onclose,
  }: {
    piece: Piece;
    source: SourceInHand;
    hits: Over[];
    at: number;
    /** The stretch of the source's flow that is selected on the leaf, if one is. */
    selected: () => { from: number; to: number } | null;
    onclose: () => void;
  } = $props();

  let matches = $state.raw<readonly FoundWords[]>([]);

  const edits = $derived(source.edits.filter((e) => e.before !== e.after));
  const tidied = $derived(applyEdits(flowOf(source.source), edits));

  $effect(() => {
    hits = matches.map((match, hit) => {
      const { take } = replaceMatch(tidied, edits, match);
      return { from: take.from, to: take.to, hit };
    });
  });

  function replace(chosen: readonly FoundWords[]): number {
    const take: Edit[] = [];
    const drop: Edit[] = [];
    for (const match of chosen) {
      const change = replaceMatch(tidied, edits, match);
      // Two matches inside one repair cannot both be made of it at once.
      if (take.some((e) => e.from < change.take.to && change.take.from < e.to)) continue;
      take.push(change.take);
      drop.push(...change.drop);
    }
    piece.changeEdits(source.id, take, drop);
    return take.length;
  }

  function inSelection(): readonly FoundWords[] {
    const range = selected();
    return range ? matches.filter((_, i) => hits[i]!.from >= range.from && hits[i]!.to <= range.to) : [];
  }
</script>

<FindBar text={tidied.text} bind:matches bind:at onreplace={replace} selected={inSelection} {onclose} />
