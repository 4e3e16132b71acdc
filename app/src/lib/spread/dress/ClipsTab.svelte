<!-- The clips of the page: put in by address or from the material, each with its stretch, its still and its place. -->
<script lang="ts">
  import { stretchOf } from '@even-page/core/post/media-fragment';
  import { clipsOf } from '@even-page/core/post/pictures';
  import { clipName } from '@even-page/core/post/blocks/clip';
  import { schema } from '@even-page/core/post/schema';
  import { showTime } from '@even-page/core/language/times';
  import { refusalOf } from '$lib/ask-server.ts';
  import { count } from '$lib/parts/sizes.ts';
  import type { Piece } from '../piece.svelte.ts';
  import { selectedBlock } from './chosen-block.ts';
  import { changeBlock } from '../page/picture-commands.ts';
  import { frameAt } from './frame.ts';
  import ClipFields from './ClipFields.svelte';

  let { piece }: { piece: Piece } = $props();

  let given = $state('');
  let busy = $state(false);
  let sorry = $state('');
  let chosenId = $state('');

  const clips = $derived.by(() => {
    void piece.page.tick;
    return clipsOf(piece.page.doc);
  });
  const selected = $derived(selectedBlock(piece.page, 'clip'));
  $effect(() => {
    if (selected) chosenId = selected;
  });
  const chosen = $derived(clips.find((c) => c.id === (selected || chosenId)) ?? clips[0]);
  const recordings = $derived(piece.material.sources.filter((s) => s.recording));

  const put = (attrs: { address: string; title: string; poster?: string; start?: number; end?: number }) => {
    chosenId = piece.page.insertBlocks([schema.nodes.clip.create(attrs)])[0]!;
  };

  // A second after its start a recording mostly shows what it is of.
  const STILL_AT = 1;

  async function putOwn(address: string, title: string, isVideo: boolean) {
    put({ address, title });
    if (!isVideo) return;
    const id = chosenId;
    sorry = await refusalOf(async () => {
      const { src } = await piece.dress.made(await frameAt(address, STILL_AT, title));
      piece.page.apply(changeBlock(id, { poster: src }));
    });
  }

  async function lookUp(event: SubmitEvent) {
    event.preventDefault();
    if (!given.trim()) return;
    busy = true;
    sorry = await refusalOf(async () => {
      const clip = await piece.dress.lookUp(given);
      put({ address: clip.address, title: clip.title, poster: clip.still, ...stretchOf(given.trim()) });
      given = '';
    });
    busy = false;
  }
</script>

<div class="scroll" role="region" aria-label="Clips">
  <form class="ask" onsubmit={lookUp}>
    <label for="clip-address">Address of a clip, or its embed code</label>
    <div>
      <input id="clip-address" class="entry" bind:value={given} placeholder="https://" autocomplete="off" />
      <button class="act" disabled={busy}>{busy ? 'Looking…' : 'Put it in'}</button>
    </div>
  </form>
  {#if sorry}<p class="sorry" role="alert">{sorry}</p>{/if}
  {#each recordings as source (source.id)}
    {@const address = `/recordings/${source.recording!.digest}`}
    <div class="item">
      <span></span>
      <span
        ><b>{source.published?.title || source.name}</b><span class="says"
          >your recording{source.durationMs ? `, ${showTime(source.durationMs)}` : ''}{source.words ? '; its captions go along' : ''}</span
        ></span
      >
      <button
        class="word"
        onclick={() => putOwn(address, source.published?.title || source.name.replace(/\.\w+$/, ''), source.recording!.isVideo)}
        >Put it in</button
      >
    </div>
  {/each}
  {#if clips.length}
    <p class="note">{count(clips.length, 'clip')} on the page</p>
    {#each clips as clip (clip.id)}
      <button
        class="item"
        class:on={clip.id === chosen?.id}
        aria-pressed={clip.id === chosen?.id}
        onclick={() => {
          chosenId = clip.id;
          piece.page.goToBlock(clip.id);
        }}
      >
        <span></span>
        <span><b>{clipName(clip)}</b></span>
        <span class="mono muted">{showTime(clip.start * 1000)}{clip.end ? ` to ${showTime(clip.end * 1000)}` : ''}</span>
      </button>
    {/each}
    {#if chosen}{#key chosen.id}<ClipFields {piece} {chosen} />{/key}{/if}
  {:else}
    <p class="note">
      No clip yet. Put in one from the web, or your own recording. It goes where the caret is; then it can be moved to where it serves best.
    </p>
  {/if}
</div>

<style>
  .ask {
    padding: 12px 20px;
    border-bottom: 1px solid var(--hair);
  }
  .ask label {
    display: block;
    margin-bottom: 5px;
    color: var(--faded);
  }
  .ask div {
    display: flex;
    gap: 8px;
  }
  .ask input {
    flex: 1;
    min-width: 0;
  }
  .sorry {
    margin: 10px 20px;
  }
</style>
