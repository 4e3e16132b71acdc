<!-- Takes a plain background away, and mends what it took too much or too little of with a brush. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { brush, cutOut } from '@even-page/core/dress';
  import Ask from '$lib/parts/Ask.svelte';
  import Chips from '$lib/parts/Chips.svelte';

  let { src, name, onend }: { src: string; name: string; onend: (file: File | null) => void } = $props();

  let open = $state(true);
  let canvas = $state<HTMLCanvasElement>();
  let tolerance = $state(12);
  let radius = $state(18);
  let tool = $state<'away' | 'back'>('away');
  let sorry = $state('');
  let pixels: ImageData | null = null;
  let stays: Uint8ClampedArray | null = null;

  onMount(async () => {
    const image = new Image();
    image.src = `${src}?as=large`;
    await image.decode().catch(() => (sorry = 'The picture could not be fetched: try again in a moment.'));
    if (!canvas || !image.naturalWidth) return;
    canvas.width = image.naturalWidth;
    canvas.height = image.naturalHeight;
    const context = canvas.getContext('2d', { willReadFrequently: true })!;
    context.drawImage(image, 0, 0);
    pixels = context.getImageData(0, 0, canvas.width, canvas.height);
    cut();
  });

  function cut() {
    if (!pixels) return;
    stays = cutOut(pixels, tolerance);
    show();
  }

  function show() {
    if (!pixels || !stays || !canvas) return;
    const shown = new ImageData(new Uint8ClampedArray(pixels.data), pixels.width, pixels.height);
    for (let i = 0; i < stays.length; i++) shown.data[i * 4 + 3] = stays[i]!;
    canvas.getContext('2d')!.putImageData(shown, 0, 0);
  }

  function dab(event: PointerEvent) {
    if (!event.buttons || !pixels || !stays || !canvas) return;
    const { left, top, width } = canvas.getBoundingClientRect();
    const scale = canvas.width / width;
    const at = { x: (event.clientX - left) * scale, y: (event.clientY - top) * scale, radius: radius * scale };
    brush(stays, pixels.width, pixels.height, { ...at, stays: tool === 'away' ? 0 : 255 });
    show();
  }

  async function use() {
    const blob = await new Promise<Blob | null>((done) => canvas!.toBlob(done, 'image/png'));
    onend(blob && new File([blob], `${name.replace(/\.\w+$/, '')} cut out.png`, { type: 'image/png' }));
  }

  $effect(() => {
    if (!open) onend(null);
  });
</script>

<Ask bind:open title="Take the background away" isWide>
  <div class="board">
    <canvas bind:this={canvas} onpointerdown={dab} onpointermove={dab} aria-label="The picture. The brush is drawn over it."></canvas>
  </div>
  {#if sorry}<p class="sorry" role="alert">{sorry}</p>{/if}
  <label class="row"
    >How much goes <input type="range" min="2" max="45" bind:value={tolerance} oninput={cut} /> <b class="mono">{tolerance}</b></label
  >
  <div class="row">
    <span>Brush</span>
    <Chips
      label="Brush"
      isOne
      choices={[
        { name: 'away', label: 'takes away' },
        { name: 'back', label: 'brings back' },
      ]}
      chosen={[tool]}
      onchoose={([one]) => (tool = one!)}
    />
    <label>size <input type="range" min="4" max="60" bind:value={radius} /></label>
  </div>
  {#snippet actions()}<button class="act" onclick={() => void use()}>Use it so</button>{/snippet}
</Ask>

<style>
  .board {
    display: grid;
    place-items: center;
    background: repeating-conic-gradient(var(--paper-2) 0 25%, var(--leaf) 0 50%) 0 0 / 20px 20px;
  }
  canvas {
    max-width: 100%;
    max-height: 46vh;
    touch-action: none;
    cursor: crosshair;
  }
  .row {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 8px 12px;
    margin-top: 10px;
  }
  input[type='range'] {
    accent-color: var(--bottle);
  }
</style>
