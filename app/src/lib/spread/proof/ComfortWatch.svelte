<!-- Measures, out of sight, how the post reads in the theme of its outlet on each screen, when nothing has changed for a while. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { SCREENS } from '@even-page/core/theme';
  import { measureComfort, stickingOut } from '../page/measure-comfort.ts';
  import { shownPost } from '../page/shown-post.ts';
  import type { Piece } from '../piece.svelte.ts';

  let { piece }: { piece: Piece } = $props();

  const AFTER_MS = 1500;
  let frame = $state<HTMLIFrameElement>();
  let html = $state('');

  // Without an answer it is measured on a plain page.
  onMount(() => void piece.shown.load().catch(() => {}));

  $effect(() => {
    void [piece.page.tick, piece.details.title, piece.details.standfirst, piece.shown.known];
    const timer = setTimeout(() => (html = shownPost(piece)), AFTER_MS);
    return () => clearTimeout(timer);
  });

  function measure() {
    const doc = frame?.contentDocument;
    if (!frame || !doc?.body) return;
    const { style } = frame;
    const blocks = piece.page.doc.childCount;
    const wide = SCREENS.flatMap(({ px }) => {
      style.width = `${px}px`;
      return stickingOut(doc, blocks);
    });
    // What sticks out of several screens is told once, for the widest.
    const last = new Map(wide.map((spot) => [`${spot.block} ${spot.words}`, spot]));
    style.width = `${SCREENS[0].px}px`;
    piece.proofing.learnComfort({ ...measureComfort(doc, blocks), outlet: piece.shown.name, wide: [...last.values()] });
  }
</script>

<!-- Not before there is something to measure: no server writes what listens to its loading. -->
{#if html}
  <iframe
    bind:this={frame}
    title="The post, measured"
    aria-hidden="true"
    tabindex="-1"
    sandbox="allow-same-origin"
    srcdoc={html}
    onload={measure}
  ></iframe>
{/if}

<style>
  iframe {
    position: fixed;
    left: -3000px;
    width: 390px;
    height: 800px;
    border: 0;
    visibility: hidden;
  }
</style>
