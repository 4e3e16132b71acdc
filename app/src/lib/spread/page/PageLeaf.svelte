<!-- The right leaf: the post itself, always there, always editable. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import Choices from '../saving/Choices.svelte';
  import OfferedWords from '../saving/OfferedWords.svelte';
  import Views from '$lib/parts/Views.svelte';
  import type { Piece } from '../piece.svelte.ts';
  import { createEditor } from './editor.ts';
  import Fetched from '$lib/parts/Fetched.svelte';
  import FindOnPage from './FindOnPage.svelte';
  import LinkAsk from './LinkAsk.svelte';
  import Tools from './Tools.svelte';

  let { piece }: { piece: Piece } = $props();

  const VIEWS = [
    { name: 'page', label: 'Page' },
    { name: 'reader', label: 'Reader’s view' },
    { name: 'markdown', label: 'Markdown' },
    { name: 'html', label: 'HTML' },
  ] as const;
  let view = $state<(typeof VIEWS)[number]['name']>('page');
  let place: HTMLElement;
  let sheet = $state<HTMLElement>();
  let linking = $state(false);

  function bringPictures(files: readonly File[], at?: number) {
    piece.dress.bring(files, at);
    piece.dressView = 'pictures';
    piece.goTo('dress');
  }

  // The line being written stays at mid-height.
  function middle() {
    const { view } = piece.page;
    if (!view || !sheet) return;
    const line = view.coordsAtPos(view.state.selection.head);
    const { top, height } = sheet.getBoundingClientRect();
    sheet.scrollTop += (line.top + line.bottom) / 2 - (top + height / 2);
  }

  $effect(() => {
    if (piece.alone) middle();
  });

  onMount(() => {
    const editor = createEditor(place, piece.page.doc, {
      changed: (steps, areTyped) => piece.page.changed(steps, areTyped),
      moved: (isTyped) => {
        piece.page.caretMoved(isTyped);
        if (piece.alone) middle();
      },
      markChosen: (origins) => piece.showOrigin(origins),
      playWanted: (origins) => piece.playOrigin(origins),
      pictureTaken: (file) => piece.dress.takeIn(file),
      picturesBrought: bringPictures,
      arriving: piece.dress,
      linkWanted: () => (linking = true),
    });
    piece.page.attach(editor);
    return () => {
      piece.page.attach(null);
      editor.destroy();
    };
  });

  function intoPage(event: KeyboardEvent) {
    if (event.key !== 'Enter') return;
    event.preventDefault();
    piece.page.view?.focus();
  }
</script>

<Choices saver={piece.saver} />
<OfferedWords saver={piece.saver} />
{#if piece.page.comparing}<Fetched
    part={() => import('./ComparedPage.svelte')}
    props={{ piece, was: piece.page.comparing.was, is: piece.page.comparing.is }}
  />{/if}
<div class="bar" hidden={!!piece.page.comparing || piece.alone}>
  <Views views={VIEWS} bind:open={view} label="Views of the page" />
  {#if view === 'page'}<Tools {piece} onlink={() => (linking = true)} onpictures={bringPictures} />{/if}
</div>
{#if piece.page.finding && view === 'page' && !piece.page.comparing}<FindOnPage {piece} onclose={() => (piece.page.finding = false)} />{/if}
<!-- The editor stays where it is while another view is looked at: caret and undo survive. -->
<div
  class="sheet"
  class:alone={piece.alone}
  bind:this={sheet}
  class:fed={piece.material.sources.length > 0}
  hidden={view !== 'page' || !!piece.page.comparing}
>
  <textarea
    class="title"
    rows="1"
    aria-label="Title"
    placeholder="Title"
    bind:value={piece.details.title}
    onkeydown={intoPage}
    maxlength="300"></textarea>
  <textarea
    class="standfirst"
    rows="1"
    aria-label="Standfirst"
    placeholder="Standfirst: one or two sentences that say what the post gives"
    bind:value={piece.details.standfirst}
    onkeydown={intoPage}
    maxlength="1000"></textarea>
  <div bind:this={place}></div>
</div>
{#if piece.page.comparing}<!-- The versions stand in its place. -->{:else if view === 'reader'}<Fetched
    part={() => import('./ReadersView.svelte')}
    props={{ piece }}
  />{:else if view !== 'page'}{#key view}<Fetched part={() => import('./Markup.svelte')} props={{ piece, to: view }} />{/key}{/if}
<LinkAsk {piece} bind:open={linking} />

<style>
  .sheet {
    flex: 1;
    min-height: 0;
    overflow-y: auto;
    padding: 20px 30px 40vh 64px;
    scrollbar-width: thin;
    scrollbar-color: var(--hair) transparent;
  }
  .bar[hidden],
  .sheet.alone {
    padding-block: 40vh 60vh;
  }
  .sheet[hidden] {
    display: none;
  }
  textarea {
    display: block;
    width: 100%;
    padding: 0;
    border: 0;
    background: none;
    color: inherit;
    resize: none;
    overflow: hidden;
    field-sizing: content;
  }
  textarea:focus {
    outline: none;
    box-shadow: none;
  }
  textarea::placeholder {
    color: var(--faded);
    opacity: 1;
  }
  .title {
    margin: 0 0 4px;
    padding-bottom: 4px;
    font: 650 30px/1.18 var(--serif);
    letter-spacing: -0.015em;
  }
  .standfirst {
    margin: 0 0 16px;
    font: italic 18px/27px var(--serif);
    color: var(--faded);
  }
  @media (max-width: 600px) {
    .sheet {
      padding: 16px 16px 30vh 58px;
    }
    .title {
      font-size: 26px;
    }
  }
</style>
