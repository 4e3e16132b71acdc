<!-- The post as readers will see it, in the theme of its outlet: at the width of a phone, a tablet, a desktop, or all beside each other. -->
<script lang="ts">
  import { type Comfort, SCREENS } from '@even-page/core/theme';
  import { Refused } from '$lib/ask-server.ts';
  import { measureComfort, stickingOut } from './measure-comfort.ts';
  import type { Piece } from '../piece.svelte.ts';
  import PostFrame from './PostFrame.svelte';
  import { shownPost } from './shown-post.ts';
  import TakeTheme from './TakeTheme.svelte';

  let { piece }: { piece: Piece } = $props();

  type Width = (typeof SCREENS)[number]['name'] | 'All three';
  // Between screens that stand beside each other.
  const GAP = 14;

  let width = $state<Width>('Phone');
  let room = $state(0);
  let sorry = $state('');
  const { shown } = $derived(piece);
  const screens = $derived(SCREENS.filter(({ name }) => width === 'All three' || name === width));
  const wanted = $derived(screens.reduce((sum, { px }) => sum + px, 0));
  const scale = $derived(Math.min(1, (room - 2 - GAP * (screens.length - 1)) / wanted));
  $effect(() => {
    void piece.page.tick;
    void piece.dress.learn(piece.page.doc);
  });
  $effect(() => {
    shown.load().catch((cause: unknown) => {
      if (!(cause instanceof Refused)) throw cause;
      sorry = cause.message;
    });
  });
  const html = $derived.by(() => {
    void piece.page.tick;
    return shownPost(piece);
  });

  let measured = $state.raw<ReturnType<typeof measureComfort> | null>(null);
  let wide = $state.raw<Record<number, Comfort['wide']>>({});
  function look(px: number, doc: Document) {
    const blocks = piece.page.doc.childCount;
    measured = measureComfort(doc, blocks);
    wide = { ...wide, [px]: stickingOut(doc, blocks) };
  }
  const tooWide = $derived(screens.flatMap(({ px }) => wide[px] ?? []));
</script>

<div class="bar widths">
  <div role="radiogroup" aria-label="Width of the screen" class="chips">
    {#each [...SCREENS, { name: 'All three', px: 0 }] as const as { name, px } (name)}
      <button class="chip" role="radio" aria-checked={width === name} onclick={() => (width = name)}
        >{name}{#if px}&nbsp;<span class="mono muted">{px}</span>{/if}</button
      >
    {/each}
  </div>
  {#if piece.outlets.length}
    <span class="theme">
      <label for="shown-as" class="muted small">as on</label>
      <select id="shown-as" class="entry" bind:value={shown.outlet}>
        {#each piece.outlets as { id, name } (id)}<option value={id}>{name}</option>{/each}
        <option value="">a plain page</option>
      </select>
      {#if shown.outlet && shown.known}<TakeTheme {shown} />{/if}
    </span>
  {/if}
</div>
{#if sorry}<p class="sorry small" role="alert">{sorry}</p>{/if}
<!-- What scrolls must be reached by key. -->
<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div class="ground" role="region" aria-label="The post as readers see it" tabindex="0">
  <div class="room" style="gap:{GAP}px" bind:clientWidth={room}>
    {#if room}
      {#each screens as { px } (px)}
        <PostFrame {html} {px} {scale} name={shown.name} onshown={(doc) => look(px, doc)} />
      {/each}
    {/if}
  </div>
</div>
{#if measured}
  <p class="figures small" role="status">
    Lines {measured.spacing.toFixed(2)} apart, text {Number(measured.size.toFixed(1))} px, contrast {measured.contrast.toFixed(1)} to 1,
    {tooWide.length ? `“${tooWide[0]!.words}” too wide` : 'nothing too wide'}{scale < 1 ? `; drawn at ${Math.round(scale * 100)} %` : ''}.
  </p>
{/if}

<style>
  .widths {
    flex: none;
    border-bottom-style: dotted;
  }
  .chips,
  .theme {
    display: flex;
    align-items: center;
    gap: 8px;
  }
  .theme {
    margin-inline-start: auto;
  }
  .ground {
    flex: 1;
    min-height: 0;
    overflow-y: auto;
    padding: 18px 20px;
    background: var(--paper-2);
  }
  .room {
    display: flex;
    align-items: flex-start;
    justify-content: center;
  }
  .figures {
    padding: 6px 20px;
    border-top: 1px solid var(--hair);
    color: var(--faded);
  }
  .sorry {
    padding: 6px 20px;
  }
</style>
