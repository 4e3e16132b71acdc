<!-- The player at the foot of the working side: the recording, where it is, and its keys. -->
<script lang="ts">
  import Pause from '@lucide/svelte/icons/pause';
  import Play from '@lucide/svelte/icons/play';
  import { showTime } from '@even-page/core/language/times';
  import type { Piece } from '../piece.svelte.ts';
  import { STEP_S } from './player.svelte.ts';

  let { piece }: { piece: Piece } = $props();

  const player = $derived(piece.player);
  const recording = $derived(player.source!.recording!);
  let media = $state<HTMLMediaElement>();
  let lengthMs = $state(0);
  let frame = 0;

  $effect(() => {
    player.attach(media ?? null);
    return () => player.attach(null);
  });

  // While it plays, the word that is spoken is looked up at each frame.
  function follow() {
    if (media) player.time = media.currentTime * 1000;
    frame = media && !media.paused ? requestAnimationFrame(follow) : 0;
  }

  function onplay() {
    player.playing = true;
    player.sorry = '';
    cancelAnimationFrame(frame);
    follow();
  }

  function onkeydown(event: KeyboardEvent) {
    if (!event.altKey || event.ctrlKey || event.metaKey) return;
    const act = {
      KeyP: () => player.toggle(),
      Comma: () => player.jump(-STEP_S),
      Period: () => player.jump(STEP_S),
      Minus: () => player.faster(-1),
      Equal: () => player.faster(1),
    }[event.code];
    if (!act) return;
    event.preventDefault();
    act();
  }

  const listeners = {
    onplay,
    onpause: () => (player.playing = false),
    onseeked: () => media && (player.time = media.currentTime * 1000),
    ondurationchange: () => media && (lengthMs = Number.isFinite(media.duration) ? media.duration * 1000 : 0),
    onerror: () => (player.sorry = 'This browser cannot play this recording. Its words are here all the same.'),
  };
</script>

<svelte:window {onkeydown} />

<div class="player" role="region" aria-label="Player of {player.source!.name}">
  {#if recording.isVideo}
    <!-- The words stand beside it, lit as they are spoken. -->
    <video bind:this={media} src="/recordings/{recording.digest}" preload="metadata" {...listeners}></video>
  {:else}
    <audio bind:this={media} src="/recordings/{recording.digest}" preload="metadata" {...listeners}></audio>
  {/if}
  <div class="row">
    <button
      class="act"
      aria-label={player.playing ? 'Pause (Alt P)' : 'Play (Alt P)'}
      title={player.playing ? 'Pause (Alt P)' : 'Play (Alt P)'}
      onclick={() => player.toggle()}
      >{#if player.playing}<Pause size={16} />{:else}<Play size={16} />{/if}</button
    >
    <button class="word" title="5 seconds back (Alt ,)" onclick={() => player.jump(-STEP_S)}>−5 s</button>
    <button class="word" title="5 seconds on (Alt .)" onclick={() => player.jump(STEP_S)}>+5 s</button>
    <input
      type="range"
      min="0"
      max={lengthMs}
      step="100"
      value={player.time}
      aria-label="Place in the recording"
      aria-valuetext="{showTime(player.time)} of {showTime(lengthMs)}"
      oninput={(e) => media && (media.currentTime = Number(e.currentTarget.value) / 1000)}
    />
    <span class="mono time">{showTime(player.time)} / {showTime(lengthMs)}</span>
    <button class="word" title="Slower (Alt -)" aria-label="Slower" onclick={() => player.faster(-1)}>−</button>
    <span class="mono speed" aria-live="polite">{player.speed}×</span>
    <button class="word" title="Faster (Alt =)" aria-label="Faster" onclick={() => player.faster(1)}>+</button>
  </div>
  {#if player.sorry}<p role="alert">{player.sorry}</p>{:else}<p class="muted hint">Alt and a click on a word plays from there.</p>{/if}
</div>

<style>
  .player {
    display: grid;
    gap: 6px;
    padding: 10px 20px;
    border-top: 1px solid var(--hair);
    background: var(--leaf);
    box-shadow: var(--shadow);
  }
  video {
    max-height: 190px;
    max-width: 100%;
    justify-self: center;
    border-radius: 2px;
    background: var(--paper-2);
  }
  .row {
    display: flex;
    align-items: center;
    gap: 10px;
  }
  .act {
    display: grid;
    place-items: center;
    width: 34px;
    padding: 0;
  }
  input {
    flex: 1;
    min-width: 60px;
    accent-color: var(--bottle);
  }
  .time,
  .speed {
    font-size: 13px;
    color: var(--slate);
    white-space: nowrap;
  }
  p {
    margin: 0;
    font-size: 13px;
  }
  @media (max-width: 600px) {
    .hint {
      display: none;
    }
  }
</style>
