<!-- One clip of the page: the stretch that plays, its still, how it is shown and where it stands. -->
<script lang="ts">
  import { clipPlaces } from '@even-page/core/dress';
  import type { ClipAttrs } from '@even-page/core/post/pictures';
  import { showTime } from '@even-page/core/language/times';
  import { refusalOf } from '$lib/ask-server.ts';
  import { changeBlock, moveAfter, takeOutBlock } from '../page/picture-commands.ts';
  import type { Piece } from '../piece.svelte.ts';
  import { frameOf } from './frame.ts';

  let { piece, chosen }: { piece: Piece; chosen: ClipAttrs } = $props();

  let player = $state<HTMLVideoElement>();
  let sorry = $state('');

  const source = $derived(piece.material.sources.find((s) => s.recording && chosen.address === `/recordings/${s.recording.digest}`));
  const found = $derived(piece.dress.clips[chosen.address]);
  const kind = $derived(source ? (source.recording!.isVideo ? 'video' : 'audio') : found?.kind);
  // Through the server, so that its frames can be taken and nobody else hears of it.
  const playable = $derived(
    source ? chosen.address : found && found.kind !== 'frame' ? `/clips/media?address=${encodeURIComponent(chosen.address)}` : '',
  );
  const places = $derived.by(() => {
    void piece.page.tick;
    return clipPlaces(piece.page.doc, source && { source: source.id, startMs: chosen.start * 1000 });
  });

  const change = (attrs: Partial<ClipAttrs>) => piece.page.apply(changeBlock(chosen.id, attrs));

  /** Seconds from words as people write a time: 3, 0:03, 1:02:03.5. Null when they are none. */
  function secondsOf(words: string): number | null {
    const parts = words.trim().split(':');
    if (!/^\d+(?::\d{1,2}){0,2}(?:\.\d+)?$/.test(words.trim())) return null;
    return parts.reduce((sum, part) => sum * 60 + Number(part), 0);
  }

  function setTime(name: 'start' | 'end', seconds: number | null) {
    sorry = '';
    if (seconds === null) return void (sorry = 'A time is minutes and seconds, such as 0:03.');
    const { start, end }: { start: number; end: number } = { start: chosen.start, end: chosen.end, [name]: Math.round(seconds * 10) / 10 };
    if (end && end <= start) return void (sorry = 'A clip ends after it begins.');
    change({ start, end });
  }

  const typed = (name: 'start' | 'end', field: HTMLInputElement) => setTime(name, field.value.trim() ? secondsOf(field.value) : 0);

  function key(event: KeyboardEvent) {
    const name = { s: 'start', e: 'end' }[event.key] as 'start' | 'end' | undefined;
    if (!name || !player || event.ctrlKey || event.metaKey || event.altKey) return;
    event.preventDefault();
    setTime(name, player.currentTime);
  }

  async function takeFrame(use: 'still' | 'page' | 'cover') {
    sorry = await refusalOf(async () => {
      const file = await frameOf(player!, `${chosen.title || 'clip'} at ${showTime(player!.currentTime * 1000)}`);
      const picture = await piece.dress.made(file);
      if (use === 'still') change({ poster: picture.src });
      else if (use === 'page') piece.dress.place(picture);
      else {
        piece.details.cover = picture.src;
        piece.details.design = undefined;
      }
    });
  }
</script>

<div class="bar soft">
  <h2>{chosen.title || 'Clip without a title'}</h2>
  <button class="quiet end" onclick={() => piece.page.apply(takeOutBlock(chosen.id))}>Take it out</button>
</div>
{#if sorry}<p class="sorry" role="alert">{sorry}</p>{/if}
{#if playable}
  <!-- svelte-ignore a11y_no_static_element_interactions -->
  <div class="player" onkeydown={key}>
    <!-- svelte-ignore a11y_media_has_caption -->
    <video
      bind:this={player}
      src={playable}
      controls
      preload="metadata"
      class:sound={kind === 'audio'}
      aria-label="The clip. S sets its start, E its end."
    ></video>
    <div class="marks">
      <button class="quiet" onclick={() => player && setTime('start', player.currentTime)}>Start here <kbd>S</kbd></button>
      <button class="quiet" onclick={() => player && setTime('end', player.currentTime)}>End here <kbd>E</kbd></button>
      {#if kind === 'video'}
        <span class="frame"
          >This frame: <button class="word" onclick={() => void takeFrame('still')}>as its still</button>,
          <button class="word" onclick={() => void takeFrame('page')}>onto the page</button>,
          <button class="word" onclick={() => void takeFrame('cover')}>as the cover</button></span
        >
      {/if}
    </div>
  </div>
{:else if kind === 'frame'}
  <p class="note">
    It is played by {found?.provider || 'its host'}, in a frame of its own.
    <a href={chosen.address} target="_blank" rel="noreferrer">Open it</a>
    to see at what time it should start.
  </p>
{:else}
  <p class="note">
    Nobody was asked what plays this clip: readers get a link.
    <button class="word" onclick={async () => (sorry = await refusalOf(async () => void (await piece.dress.lookUp(chosen.address))))}
      >Ask now</button
    >
  </p>
{/if}
<div class="field">
  <label for="clip-start">Plays from</label>
  <span class="times">
    <input id="clip-start" class="entry mono" value={showTime(chosen.start * 1000)} onchange={(e) => typed('start', e.currentTarget)} />
    <label for="clip-end">to</label>
    <input
      id="clip-end"
      class="entry mono"
      value={chosen.end ? showTime(chosen.end * 1000) : ''}
      placeholder="its end"
      onchange={(e) => typed('end', e.currentTarget)}
    />
  </span>
  <small></small>
</div>
<div class="field">
  <label for="clip-title">Title</label>
  <input
    id="clip-title"
    class="line"
    placeholder="What it is called"
    value={chosen.title}
    oninput={(e) => change({ title: e.currentTarget.value })}
  />
  <small></small>
</div>
<div class="field">
  <label for="clip-caption">Caption</label>
  <input
    id="clip-caption"
    class="line"
    placeholder="What stands under it, if anything"
    value={chosen.caption}
    oninput={(e) => change({ caption: e.currentTarget.value })}
  />
  <small></small>
</div>
<div class="field">
  <span class="label">Readers</span>
  <span class="checks">
    <label
      ><input type="checkbox" checked={chosen.isPrivate} onchange={(e) => change({ isPrivate: e.currentTarget.checked })} /> load nothing before
      they press play</label
    >
    {#if kind !== 'frame'}<label
        ><input type="checkbox" checked={chosen.hasControls} onchange={(e) => change({ hasControls: e.currentTarget.checked })} /> have the player’s
        controls</label
      >{/if}
  </span>
  <small></small>
</div>
<div class="field">
  <span class="label">Put it</span>
  <span class="places">
    {#each places as place (place.after)}
      <button class="word" onclick={() => piece.page.apply(moveAfter(chosen.id, place.after)) && piece.page.goToBlock(chosen.id)}
        >{place.why}</button
      >
    {/each}
  </span>
  <small></small>
</div>

<style>
  .soft {
    border-top: 1px solid var(--hair);
    border-bottom-style: dotted;
  }
  .soft h2 {
    min-width: 0;
    overflow-wrap: anywhere;
  }
  .sorry {
    margin: 8px 20px;
  }
  .player {
    padding: 12px 20px 4px;
  }
  video {
    display: block;
    width: 100%;
    max-height: 260px;
    background: #1a1a17;
    border-radius: 2px;
  }
  video.sound {
    height: 54px;
    background: none;
  }
  .marks {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 6px 8px;
    margin-top: 8px;
  }
  .frame {
    font-size: 14px;
    color: var(--faded);
  }
  kbd {
    padding: 0 4px;
    border: 1px solid var(--hair);
    border-radius: 2px;
    font: 12px/16px var(--mono);
  }
  .times {
    display: flex;
    align-items: center;
    gap: 8px;
  }
  .times input {
    width: 90px;
  }
  .times label {
    color: var(--faded);
  }
  .checks,
  .places {
    display: grid;
    gap: 4px;
    justify-items: start;
  }
  .places button {
    text-align: left;
  }
  input[type='checkbox'] {
    accent-color: var(--bottle);
  }
</style>
