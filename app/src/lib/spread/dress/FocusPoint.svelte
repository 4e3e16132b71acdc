<!-- The point of a picture that is never cut off, and the shapes cut around it. -->
<script lang="ts">
  import { type Focus, SHAPES } from '@even-page/core/dress';

  let { src, focus, onchange }: { src: string; focus: Focus; onchange: (focus: Focus) => Promise<string> } = $props();

  let sorry = $state('');
  let held = $state.raw<Focus | null>(null);
  const at = $derived(held ?? focus);
  let box: HTMLElement;

  const within = (n: number) => Math.min(1, Math.max(0, n));

  function point(event: PointerEvent): Focus {
    const { left, top, width, height } = box.getBoundingClientRect();
    return { x: within((event.clientX - left) / width), y: within((event.clientY - top) / height) };
  }

  async function letGo(to: Focus) {
    held = to;
    sorry = await onchange(to);
    held = null;
  }

  const STEP = 0.04;
  const STEPS: Record<string, [number, number]> = {
    ArrowLeft: [-STEP, 0],
    ArrowRight: [STEP, 0],
    ArrowUp: [0, -STEP],
    ArrowDown: [0, STEP],
  };

  function walk(event: KeyboardEvent) {
    const step = STEPS[event.key];
    if (!step) return;
    event.preventDefault();
    void letGo({ x: within(at.x + step[0]), y: within(at.y + step[1]) });
  }

  const CUTS = [
    { name: 'cover and share', ...SHAPES.cover },
    { name: 'in a row', ...SHAPES.row },
    { name: 'square', ...SHAPES.square },
  ];
</script>

<div class="focus">
  <button
    class="whole"
    bind:this={box}
    aria-label="The point that must be seen: {Math.round(at.x * 100)} % from the left, {Math.round(
      at.y * 100,
    )} % from the top. Arrow keys move it."
    onkeydown={walk}
    onpointerdown={(e) => {
      box.setPointerCapture(e.pointerId);
      held = point(e);
    }}
    onpointermove={(e) => held && e.buttons && (held = point(e))}
    onpointerup={(e) => held && void letGo(point(e))}
  >
    <img src="{src}?as=medium" alt="" draggable="false" />
    <span class="point" style="left:{at.x * 100}%; top:{at.y * 100}%"></span>
  </button>
  <div class="cuts">
    {#each CUTS as cut (cut.name)}
      <figure>
        <div
          style="aspect-ratio:{cut.width}/{cut.height}; background-image:url('{src}?as=medium'); background-position:{at.x * 100}% {at.y *
            100}%"
        ></div>
        <figcaption>{cut.name}</figcaption>
      </figure>
    {/each}
  </div>
</div>
{#if sorry}<p class="sorry" role="alert">{sorry}</p>{/if}

<style>
  .focus {
    display: grid;
    grid-template-columns: minmax(0, 1.4fr) minmax(0, 1fr);
    gap: 14px;
    padding: 6px 20px 14px;
  }
  .whole {
    position: relative;
    align-self: start;
    touch-action: none;
    cursor: crosshair;
  }
  .whole img {
    display: block;
    width: 100%;
  }
  .point {
    position: absolute;
    width: 26px;
    height: 26px;
    margin: -13px 0 0 -13px;
    border: 3px solid var(--leaf);
    border-radius: 50%;
    box-shadow:
      0 0 0 2px var(--bottle),
      inset 0 0 0 2px var(--bottle);
    pointer-events: none;
  }
  .cuts {
    display: grid;
    gap: 8px;
    align-content: start;
  }
  .cuts div {
    background-size: cover;
    border: 1px solid var(--hair);
  }
  figcaption {
    color: var(--faded);
    font-size: 13px;
  }
  .sorry {
    margin: 0 20px 10px;
  }
</style>
