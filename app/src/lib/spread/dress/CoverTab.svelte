<!-- The cover: made from a template, live, or one of the pictures; and how the post looks where it is shared. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { coverSvg, PALETTES, TEMPLATES, type TemplateName } from '@even-page/core/dress';
  import type { CoverDesign } from '@even-page/core/post/cover-design';
  import { clipsOf, picturesOf } from '@even-page/core/post/pictures';
  import { refusalOf } from '$lib/ask-server.ts';
  import Chips from '$lib/parts/Chips.svelte';
  import type { Piece } from '../piece.svelte.ts';
  import { CoverTemplates } from './cover-templates.svelte.ts';
  import { coverFile, coverPicture, measureWords } from './cover-drawing.ts';
  import CutOut from './CutOut.svelte';
  import ShareCard from './ShareCard.svelte';

  let { piece }: { piece: Piece } = $props();

  const house = $derived(piece.material.house.colours);
  const palettes = $derived({ ...(house ? { House: house } : {}), ...PALETTES });
  const kept = new CoverTemplates();
  void kept.begin();

  const ours = (addresses: readonly string[]) => [...new Set(addresses)].filter((src) => src.startsWith('/pictures/'));
  const doc = $derived((void piece.page.tick, piece.page.doc));
  const pictures = $derived(ours(picturesOf(doc).map((p) => p.src)));
  const stills = $derived(ours(clipsOf(doc).map((clip) => clip.poster)));
  const onPage = $derived(ours([...pictures, ...stills]));

  // The one in hand: what the piece's cover was made of, or a first try.
  let design = $state<CoverDesign>(
    untrack(
      () =>
        piece.details.design ?? {
          template: onPage.length ? 'facing-leaves' : 'leaf',
          size: 'cover',
          title: piece.details.title,
          byline: '',
          colours: house ?? PALETTES.Paper!,
          pictures: onPage.slice(0, 1).map((src) => ({ src, focus: { x: 0.5, y: 0.5 }, isCutOut: false })),
        },
    ),
  );
  const template = $derived(TEMPLATES[design.template as TemplateName] ?? TEMPLATES.leaf);
  let sorry = $state('');
  let busy = $state('');
  let cutting = $state<number | null>(null);
  let name = $state('');

  let isFontReady = $state(false);
  $effect(() => {
    void document.fonts.load('640 40px "Literata Variable"').then(() => (isFontReady = true));
  });
  $effect(() => void piece.dress.learnOf(design.pictures.map((p) => p.src)));

  const drawnAs = (of: CoverDesign): string => {
    void isFontReady;
    const pictures = of.pictures.flatMap((p) => {
      const facts = piece.dress.pictures[p.src];
      return facts ? [coverPicture(p, facts)] : [];
    });
    return coverSvg(of, pictures, measureWords);
  };
  const svg = $derived(drawnAs(design));
  const isOld = $derived(!!piece.details.design && piece.details.design.title !== piece.details.title && !!piece.details.title);

  const choose = (src: string) => {
    const chosen = design.pictures.some((p) => p.src === src)
      ? design.pictures.filter((p) => p.src !== src)
      : [...design.pictures, { src, focus: piece.dress.pictures[src]?.focus ?? { x: 0.5, y: 0.5 }, isCutOut: false }];
    design.pictures = chosen.slice(-Math.max(1, template.pictures));
  };

  const drawn = (format: 'webp' | 'png', of: CoverDesign = design) =>
    coverFile($state.snapshot(of), piece.dress.pictures, format, piece.details.slug || piece.details.title || 'cover');

  async function use() {
    busy = 'cover';
    sorry = await refusalOf(async () => {
      const wide: CoverDesign = { ...$state.snapshot(design), size: 'cover' };
      const picture = await piece.dress.made(await drawn('png', wide));
      await piece.dress.change(picture.src, { alt: piece.details.title, rights: { ...picture.rights, licence: 'own' } });
      piece.details.cover = picture.src;
      piece.details.design = $state.snapshot(design);
    });
    busy = '';
  }

  async function takeAlong(format: 'webp' | 'png') {
    sorry = await refusalOf(async () => {
      const file = await drawn(format);
      const link = document.createElement('a');
      link.href = URL.createObjectURL(file);
      link.download = file.name;
      link.click();
      setTimeout(() => URL.revokeObjectURL(link.href), 1000);
    });
  }

  async function again() {
    design.title = piece.details.title;
    await use();
  }
</script>

<div class="scroll" role="region" aria-label="Cover">
  {#if isOld}
    <p class="note">
      The title has changed since this cover was drawn.
      <button class="word" disabled={!!busy} onclick={() => void again()}>Draw it again with the new title</button>
    </p>
  {/if}
  <!-- Safe to show as it is: it is drawn from templates, with its words escaped. -->
  <div class="sheet" role="img" aria-label="The cover: {design.title}" class:tall={design.size !== 'cover'}>
    <!-- eslint-disable-next-line svelte/no-at-html-tags -->
    {@html svg}
  </div>
  {#if sorry}<p class="sorry" role="alert">{sorry}</p>{/if}
  <div class="acts">
    <button class="act" disabled={!!busy} onclick={() => void use()}>{busy ? 'Drawing…' : 'Make it the cover'}</button>
    <span class="muted">Take it along as</span>
    <button class="word" onclick={() => void takeAlong('webp')}>WebP</button>
    <button class="word" onclick={() => void takeAlong('png')}>PNG</button>
  </div>
  <div class="templates" role="radiogroup" aria-label="Template">
    {#each Object.entries(TEMPLATES) as [key, { says }] (key)}
      <button role="radio" aria-checked={design.template === key} aria-label={says} title={says} onclick={() => (design.template = key)}>
        <!-- eslint-disable-next-line svelte/no-at-html-tags -->
        {@html drawnAs({ ...design, template: key, size: 'cover' })}
        <span>{says}</span>
      </button>
    {/each}
  </div>
  <div class="field">
    <label for="cover-title">Title</label>
    <textarea id="cover-title" class="line" rows="1" maxlength="300" bind:value={design.title}></textarea>
    <small></small>
  </div>
  <div class="field">
    <label for="cover-byline">Byline</label>
    <input id="cover-byline" class="line" maxlength="200" placeholder="Who it is by, or the hall, if anything" bind:value={design.byline} />
    <small></small>
  </div>
  <div class="field">
    <span class="label">Colours</span>
    <Chips
      label="Colours"
      isOne
      choices={Object.keys(palettes).map((name) => ({ name, label: name }))}
      chosen={Object.keys(palettes).filter(
        (name) => JSON.stringify(palettes[name as keyof typeof palettes]) === JSON.stringify(design.colours),
      )}
      onchoose={([name]) => (design.colours = { ...palettes[name as keyof typeof palettes]! })}
    />
    <small></small>
  </div>
  <div class="field">
    <span class="label">Shape</span>
    <Chips
      label="Shape"
      isOne
      choices={[
        { name: 'cover', label: 'wide 1200 × 630' },
        { name: 'square', label: 'square' },
        { name: 'tall', label: 'tall' },
      ]}
      chosen={[design.size as 'cover']}
      onchoose={([size]) => (design.size = size!)}
    />
    <small></small>
  </div>
  {#if template.pictures}
    <div class="field">
      <span class="label">{template.pictures === 1 ? 'Picture' : 'Pictures'}</span>
      <span>
        {#if onPage.length || design.pictures.length}
          <span class="pics">
            {#each [...new Set([...onPage, ...design.pictures.map((p) => p.src)])] as src (src)}
              <button
                aria-pressed={design.pictures.some((p) => p.src === src)}
                aria-label={piece.dress.pictures[src]?.alt || 'Picture without words'}
                onclick={() => choose(src)}><img src="{src}?as=small" alt="" /></button
              >
            {/each}
          </span>
          {#each design.pictures.slice(0, template.pictures) as p, n (p.src)}
            <button class="word" onclick={() => (cutting = n)}
              >Take the background away{design.pictures.length > 1 ? ` (${n + 1})` : ''}</button
            >
          {/each}
        {:else}<span class="muted">There is no picture on the page yet.</span>{/if}
      </span>
      <small></small>
    </div>
  {/if}
  <details>
    <summary
      >Templates you kept {#if kept.list.length}<span class="muted">{kept.list.length}</span>{/if}</summary
    >
    {#each kept.list as one (one.id)}
      <div class="item">
        <span></span><b>{one.name}</b>
        <span>
          <button class="word" onclick={() => (design = { ...one.design, title: design.title, pictures: design.pictures })}>Use</button>
          <button class="word" onclick={async () => (sorry = await kept.remove(one.id))}>Take out</button>
        </span>
      </div>
    {/each}
    <form
      class="keep"
      onsubmit={async (e) => {
        e.preventDefault();
        sorry = await kept.keep(name, $state.snapshot(design));
        if (!sorry) name = '';
      }}
    >
      <input class="entry" aria-label="A name for this template" placeholder="A name for this one" maxlength="80" bind:value={name} />
      <button class="quiet" disabled={!name.trim()}>Keep</button>
    </form>
  </details>
  <ShareCard {piece} still={stills[0]} first={pictures[0]} />
</div>
{#if cutting !== null && design.pictures[cutting]}
  <CutOut
    src={design.pictures[cutting]!.src}
    name={piece.dress.pictures[design.pictures[cutting]!.src]?.name ?? 'picture'}
    onend={async (file) => {
      const n = cutting!;
      cutting = null;
      if (file)
        sorry = await refusalOf(async () => {
          const picture = await piece.dress.made(file);
          design.pictures[n] = { ...design.pictures[n]!, src: picture.src, isCutOut: true };
        });
    }}
  />
{/if}

<style>
  .sheet {
    margin: 14px 20px 10px;
    border: 1px solid var(--hair);
  }
  .sheet.tall {
    width: min(260px, 100% - 40px);
  }
  .sheet :global(svg),
  .templates :global(svg) {
    display: block;
    width: 100%;
    height: auto;
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 8px 10px;
    padding: 0 20px 12px;
  }
  .templates {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(112px, 1fr));
    gap: 10px;
    padding: 12px 20px;
    border-block: 1px dotted var(--hair);
  }
  .templates button {
    display: grid;
    gap: 3px;
    text-align: left;
    font-size: 13px;
    color: var(--faded);
  }
  .templates :global(svg) {
    border: 1px solid var(--hair);
  }
  .templates button[aria-checked='true'] {
    color: var(--ink);
  }
  .templates button[aria-checked='true'] :global(svg) {
    outline: 2px solid var(--bottle);
    outline-offset: 2px;
  }
  .pics {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    margin-bottom: 6px;
  }
  .pics button {
    width: 72px;
    aspect-ratio: 4/3;
    border: 1px solid var(--hair);
    overflow: hidden;
  }
  .pics button[aria-pressed='true'] {
    outline: 2px solid var(--bottle);
    outline-offset: 2px;
  }
  .pics img {
    width: 100%;
    height: 100%;
    object-fit: cover;
  }
  details {
    border-top: 1px dotted var(--hair);
  }
  summary {
    padding: 8px 20px;
    cursor: pointer;
  }
  .keep {
    display: flex;
    gap: 8px;
    padding: 8px 20px 14px;
  }
  .keep input {
    flex: 1;
    min-width: 0;
  }
  .sorry {
    margin: 0 20px 10px;
  }
</style>
