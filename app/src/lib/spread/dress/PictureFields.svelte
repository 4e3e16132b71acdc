<!-- One picture of the page: what it says, how it stands, what it weighs, and whose it is. -->
<script lang="ts">
  import { altFaults, coverWarning, proposedFileName } from '@even-page/core/dress';
  import { isSafeAddress } from '@even-page/core/post/address';
  import { picturesOf, type PictureAttrs } from '@even-page/core/post/pictures';
  import { ALIGNS, isSize, SIZES, widthOf } from '@even-page/core/post/placement';
  import { refusalOf } from '$lib/ask-server.ts';
  import Chips from '$lib/parts/Chips.svelte';
  import FileChooser from '$lib/parts/FileChooser.svelte';
  import { figure, sayBytes } from '$lib/parts/sizes.ts';
  import { besideNext, changeBlock, outOfRow, placeOfBlock, takeOutBlock } from '../page/picture-commands.ts';
  import type { Piece } from '../piece.svelte.ts';
  import AltHelp from './AltHelp.svelte';
  import FocusPoint from './FocusPoint.svelte';
  import Rights from '$lib/parts/RightsFields.svelte';
  import Weight from './Weight.svelte';

  let { piece, chosen, others }: { piece: Piece; chosen: PictureAttrs; others: readonly PictureAttrs[] } = $props();

  let sorry = $state('');
  let comparing = $state(false);

  const facts = $derived(piece.dress.pictures[chosen.src]);
  const sending = $derived(piece.dress.sending(chosen.src));
  const faults = $derived(
    altFaults(
      chosen,
      others.map((other) => other.alt),
    ),
  );
  const phrase = $derived(piece.details.brief?.phrases?.[0] ?? piece.details.title);
  const proposed = $derived(proposedFileName(chosen.alt, phrase));
  const isCover = $derived(piece.details.cover === chosen.src);
  const isInRow = $derived.by(() => {
    void piece.page.tick;
    const place = placeOfBlock(piece.page.doc, chosen.id);
    return !!place && piece.page.doc.resolve(place.pos).parent.type.name === 'pictureRow';
  });
  const canJoin = $derived.by(() => {
    void piece.page.tick;
    return !!piece.page.view && besideNext(chosen.id)(piece.page.view.state);
  });

  const change = (attrs: Partial<PictureAttrs>) => piece.page.apply(changeBlock(chosen.id, attrs));

  const SIZE_NAMES = Object.keys(SIZES) as (keyof typeof SIZES)[];
  const named = <T extends string>(names: readonly T[]) => names.map((name) => ({ name, label: name as string }));

  function lead(field: HTMLInputElement) {
    const href = field.value.trim();
    const isRight = !href || isSafeAddress(href);
    sorry = isRight ? '' : 'This is no web address: it begins with https:// or http://.';
    if (isRight) change({ href });
  }

  function sized(field: HTMLInputElement) {
    const width = Math.round(Number(field.value));
    sorry = isSize(width) ? '' : 'A width is 16 to 4,000 pixels.';
    if (isSize(width)) change({ size: width });
  }

  async function replaceWith([file]: File[]) {
    if (!file) return;
    sorry = await refusalOf(async () => void change({ src: (await piece.dress.made(file)).src }));
  }

  const makeCover = () => {
    piece.details.cover = chosen.src;
    piece.details.design = undefined;
  };

  // What is said of it here goes with the picture when it is used again.
  const keepAlt = () =>
    void refusalOf(async () => {
      if (facts && !facts.alt && chosen.alt.trim()) await piece.dress.change(chosen.src, { alt: chosen.alt.trim() });
    });
  const canLead = (href: string): 'nothing' | 'full' | 'address' => (!href ? 'nothing' : href === chosen.src ? 'full' : 'address');
  let leads = $derived(canLead(chosen.href));
  const allAt = $derived(picturesOf(piece.page.doc).filter((p) => p.src === chosen.src).length);
</script>

<div class="bar soft">
  <h2>{chosen.alt || (chosen.isDecorative ? 'Only adorns' : 'Picture without words')}</h2>
  {#if facts}<span class="muted small size">{figure(facts.width)} × {figure(facts.height)}{allAt > 1 ? `, here ${allAt} times` : ''}</span
    >{/if}
  <button class="quiet end" onclick={() => piece.page.apply(takeOutBlock(chosen.id))}>Take it out</button>
</div>
{#if sending}
  <div class="field" role="status">
    <span class="label">On its way</span>
    <span>
      {#if sending.state === 'failed'}{sending.says}{:else}{sayBytes(sending.sent)} of {sayBytes(sending.size)}{/if}
      <progress max={sending.size} value={sending.sent} aria-label="How far it is"></progress>
    </span>
    <small
      >{#if sending.state === 'sending'}<button class="word" onclick={() => void piece.dress.uploads.pause(sending.key)}>Pause</button
        >{:else}<button class="word" onclick={() => piece.dress.uploads.resume(sending.key)}
          >{sending.state === 'failed' ? 'Try again' : 'Go on'}</button
        >{/if}</small
    >
  </div>
{/if}
{#if sorry}<p class="sorry" role="alert">{sorry}</p>{/if}
<div class="field">
  <label for="picture-alt">Says</label>
  <span>
    <textarea
      id="picture-alt"
      class="line"
      rows="1"
      disabled={chosen.isDecorative}
      placeholder={chosen.isDecorative ? 'It only adorns: screen readers pass it by' : 'What is seen, for readers who cannot see it'}
      value={chosen.alt}
      aria-describedby="picture-alt-faults"
      oninput={(e) => change({ alt: e.currentTarget.value })}
      onblur={keepAlt}></textarea>
    <span id="picture-alt-faults"
      >{#each faults as fault (fault)}<span class="fault">{fault}</span>{/each}</span
    >
    <AltHelp
      isDecorative={chosen.isDecorative}
      onchoose={(isDecorative) => change(isDecorative ? { isDecorative, alt: '' } : { isDecorative })}
    />
  </span>
  <small class:look={chosen.alt.length > 150}>{chosen.alt.length || ''}</small>
</div>
<div class="field">
  <label for="picture-caption">Caption</label>
  <span>
    <textarea
      id="picture-caption"
      class="line"
      rows="1"
      placeholder="What stands under it, if anything"
      value={chosen.caption}
      oninput={(e) => change({ caption: e.currentTarget.value })}></textarea>
    {#if facts?.credit}<span class="muted small">and “{facts.credit}”, which is written by itself</span>{/if}
  </span>
  <small></small>
</div>
{#if isInRow}
  <div class="field">
    <span class="label">Stands</span>
    <span
      >in a row, cut to one shape around what must be seen. <button class="word" onclick={() => piece.page.apply(outOfRow(chosen.id))}
        >Out of the row</button
      ></span
    >
    <small></small>
  </div>
{:else}
  <div class="field">
    <span class="label">Size</span>
    <span class="together">
      <Chips
        label="Size"
        isOne
        choices={named(SIZE_NAMES)}
        chosen={SIZE_NAMES.filter((name) => name === chosen.size)}
        onchoose={([size]) => change({ size })}
      />
      <label class="px"
        ><input
          class="entry"
          type="number"
          min="16"
          max="4000"
          aria-label="Width in pixels"
          value={widthOf(chosen.size)}
          onchange={(e) => sized(e.currentTarget)}
        /> px</label
      >
    </span>
    <small></small>
  </div>
  <div class="field">
    <span class="label">Stands</span>
    <span class="together">
      <Chips label="Stands" isOne choices={named(ALIGNS)} chosen={[chosen.align]} onchoose={([align]) => change({ align })} />
    </span>
    <small></small>
  </div>
{/if}
{#if canJoin}
  <div class="field">
    <span class="label"></span>
    <span><button class="word" onclick={() => piece.page.apply(besideNext(chosen.id))}>Put it in a row with the next</button></span>
    <small></small>
  </div>
{/if}
<div class="field">
  <span class="label">Leads to</span>
  <span>
    <Chips
      label="Leads to"
      isOne
      choices={[
        { name: 'nothing', label: 'nothing' },
        { name: 'full', label: 'the full picture' },
        { name: 'address', label: 'an address' },
      ]}
      chosen={[leads]}
      onchoose={([to]) => {
        leads = to!;
        if (to !== 'address') change({ href: to === 'full' ? chosen.src : '' });
      }}
    />
    {#if leads === 'address'}
      <input
        class="line below"
        type="url"
        aria-label="The address it leads to"
        placeholder="https://"
        value={canLead(chosen.href) === 'address' ? chosen.href : ''}
        onchange={(e) => lead(e.currentTarget)}
      />
    {/if}
  </span>
  <small></small>
</div>
{#if facts}
  <div class="field">
    <span class="label">Weight</span>
    <span
      >{sayBytes(facts.originalBytes)} <span class="muted">became</span> <b>{sayBytes(facts.bytes)}</b>
      <span class="muted">WebP, quality {facts.quality}</span></span
    >
    <small
      ><button class="word" aria-expanded={comparing} onclick={() => (comparing = !comparing)}>{comparing ? 'close' : 'compare'}</button
      ></small
    >
  </div>
  {#if comparing}<Weight {piece} {facts} />{/if}
  <details>
    <summary>Whose it is <span class="muted">{facts.rights.licence === 'unknown' ? 'nobody said' : facts.credit || 'said'}</span></summary>
    <Rights rights={facts.rights} onchange={(rights) => refusalOf(() => piece.dress.change(chosen.src, { rights }))} />
  </details>
  <details>
    <summary>What must be seen <span class="muted">when it is cut to a shape</span></summary>
    <FocusPoint src={chosen.src} focus={facts.focus} onchange={(focus) => refusalOf(() => piece.dress.change(chosen.src, { focus }))} />
  </details>
{/if}
<details>
  <summary>File name and title</summary>
  <div class="field">
    <label for="picture-file">File name</label>
    <span>
      <input
        id="picture-file"
        class="line mono"
        placeholder={proposed || 'picture'}
        value={chosen.fileName}
        onchange={(e) => change({ fileName: proposedFileName(e.currentTarget.value, '') })}
      />
      {#if proposed && proposed !== chosen.fileName}<button class="word small" onclick={() => change({ fileName: proposed })}
          >Use {proposed}</button
        >{/if}
    </span>
    <small>.webp</small>
  </div>
  <div class="field">
    <label for="picture-title">Title</label>
    <input
      id="picture-title"
      class="line"
      placeholder="Shown when the pointer rests on it, if anything"
      value={chosen.title}
      onchange={(e) => change({ title: e.currentTarget.value })}
    />
    <small></small>
  </div>
</details>
<div class="acts">
  <FileChooser label="Choose the picture that takes its place" accept="image/*" onfiles={(files) => void replaceWith(files)}>
    {#snippet children(choose)}<button class="quiet" onclick={choose}>Replace</button>{/snippet}
  </FileChooser>
  {#if isCover}<span class="muted">This is the cover.</span>
  {:else if facts}<button class="quiet" onclick={makeCover}>Make it the cover</button>{#if coverWarning(facts)}<span class="fault"
        >{coverWarning(facts)}</span
      >{/if}{/if}
</div>

<style>
  .soft {
    border-top: 1px solid var(--hair);
    border-bottom-style: dotted;
  }
  .soft {
    flex-wrap: nowrap;
  }
  .soft h2 {
    flex: 1;
    min-width: 0;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .field:has(textarea) {
    align-items: start;
  }
  textarea {
    display: block;
  }
  .sorry {
    margin: 8px 20px;
  }
  .size,
  .soft button {
    flex: none;
  }
  .fault {
    display: block;
    margin-top: 3px;
    color: var(--brass);
    font-size: 14px;
  }
  .together {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 6px 12px;
  }
  .px {
    color: var(--faded);
    font-size: 14px;
  }
  .px input {
    width: 76px;
  }
  .below {
    margin-top: 8px;
  }
  progress {
    display: block;
    width: 100%;
    height: 4px;
    margin-top: 6px;
    accent-color: var(--bottle);
  }
  details {
    border-top: 1px dotted var(--hair);
  }
  summary {
    padding: 8px 20px;
    cursor: pointer;
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 8px 12px;
    padding: 12px 20px 16px;
    border-top: 1px dotted var(--hair);
  }
</style>
