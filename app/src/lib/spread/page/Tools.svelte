<!-- The tools of the page: what is needed all the time in view, the rest under "More". -->
<script lang="ts">
  import Bold from '@lucide/svelte/icons/bold';
  import Image from '@lucide/svelte/icons/image';
  import Italic from '@lucide/svelte/icons/italic';
  import Link from '@lucide/svelte/icons/link';
  import List from '@lucide/svelte/icons/list';
  import { Menu, Portal } from '@skeletonlabs/skeleton-svelte';
  import { toggleMark } from 'prosemirror-commands';
  import { redo, undo } from 'prosemirror-history';
  import type { Command, EditorState } from 'prosemirror-state';
  import { addColumnAfter, addRowAfter, deleteColumn, deleteRow, deleteTable } from 'prosemirror-tables';
  import { schema } from '@even-page/core/post/schema';
  import FileChooser from '$lib/parts/FileChooser.svelte';
  import type { Piece } from '../piece.svelte.ts';
  import {
    insertRule,
    insertTable,
    isInside,
    moveBlock,
    moveSection,
    pullQuote,
    toAuthor,
    toggleBox,
    toggleHeading,
    toggleList,
  } from './commands.ts';

  let { piece, onlink, onpictures }: { piece: Piece; onlink: () => void; onpictures: (files: File[]) => void } = $props();

  const { nodes, marks } = schema;

  const here = $derived.by(() => {
    void piece.page.caretTick;
    const state = piece.page.view?.state;
    if (!state) return { level: 0, strong: false, emphasis: false, link: false, bullets: false };
    const set = state.storedMarks ?? state.selection.$from.marks();
    const { parent } = state.selection.$from;
    return {
      level: parent.type === nodes.heading ? (parent.attrs.level as number) : 0,
      strong: !!marks.strong.isInSet(set),
      emphasis: !!marks.emphasis.isInSet(set),
      link: !!marks.link.isInSet(set),
      bullets: isInside(state, nodes.bulletList),
    };
  });

  type Item = { name: string; label: string; keys?: string; command: Command };
  const inTable = (state: EditorState) => isInside(state, nodes.table);
  const inQuotation = (state: EditorState) => isInside(state, nodes.blockquote);
  // Groups; those that belong to a place show only there.
  const MORE: readonly { when?: (state: EditorState) => boolean; items: readonly Item[] }[] = [
    {
      when: inTable,
      items: [
        { name: 'row', label: 'Row below', command: addRowAfter },
        { name: 'column', label: 'Column after', command: addColumnAfter },
        { name: 'no-row', label: 'Remove row', command: deleteRow },
        { name: 'no-column', label: 'Remove column', command: deleteColumn },
        { name: 'no-table', label: 'Remove table', command: deleteTable },
      ],
    },
    {
      when: ({ selection: { $from } }) => $from.parent.type === nodes.paragraph && ($from.parent.attrs.origins as unknown[]).length > 0,
      items: [{ name: 'wording', label: 'Turn: as said, as written', command: () => (void piece.turnWording(), true) }],
    },
    { when: inQuotation, items: [{ name: 'author', label: 'Author of the quotation', command: toAuthor }] },
    {
      items: [
        { name: 'h3', label: 'Heading, level 3', keys: '###', command: toggleHeading(3) },
        { name: 'h4', label: 'Heading, level 4', keys: '####', command: toggleHeading(4) },
        { name: 'numbers', label: 'Numbered list', keys: '1.', command: toggleList(nodes.orderedList) },
        { name: 'quotation', label: 'Quotation', keys: '>', command: toggleBox(nodes.blockquote) },
        { name: 'pull', label: 'Pull quote', command: pullQuote },
        { name: 'note', label: 'Note box', command: toggleBox(nodes.note) },
        { name: 'table', label: 'Table', command: insertTable },
        { name: 'rule', label: 'Rule', keys: '---', command: insertRule },
      ],
    },
    {
      items: [
        { name: 'highlight', label: 'Highlight', keys: '== ==', command: toggleMark(marks.highlight) },
        { name: 'strike', label: 'Strikethrough', keys: '~~ ~~', command: toggleMark(marks.strikethrough) },
        { name: 'code', label: 'Code', keys: '` `', command: toggleMark(marks.code) },
      ],
    },
    {
      items: [
        { name: 'block-up', label: 'Move block up', keys: 'Alt ↑', command: moveBlock(-1) },
        { name: 'block-down', label: 'Move block down', keys: 'Alt ↓', command: moveBlock(1) },
        { name: 'up', label: 'Move section up', keys: 'Alt Shift ↑', command: moveSection(-1) },
        { name: 'down', label: 'Move section down', keys: 'Alt Shift ↓', command: moveSection(1) },
      ],
    },
    {
      items: [
        { name: 'find', label: 'Find and replace', keys: 'Alt R', command: () => (piece.page.finding = true) },
        { name: 'rewrite', label: 'Rewrite the selected words', keys: 'Alt W', command: () => (void piece.rewriteSelected(), true) },
        { name: 'alone', label: 'Alone with the page', keys: 'Alt A', command: () => (piece.alone = true) },
        { name: 'undo', label: 'Undo', keys: 'Ctrl Z', command: undo },
        { name: 'redo', label: 'Redo', keys: 'Ctrl Shift Z', command: redo },
      ],
    },
  ];
  const more = $derived.by(() => {
    void piece.page.caretTick;
    const state = piece.page.view?.state;
    return MORE.filter(({ when }) => !when || (state && when(state)));
  });

  // A menu that closes gives the focus to its trigger in the next frame; the page takes it back after that.
  function choose(name: string) {
    piece.page.run(MORE.flatMap((g) => g.items).find((m) => m.name === name)!.command);
    // The bar of find and replace has the focus for itself.
    requestAnimationFrame(() => requestAnimationFrame(() => piece.page.finding || piece.page.view?.focus()));
  }

  // Pressing a tool must not take the selection away from the page.
  const hold = (event: MouseEvent) => event.preventDefault();
</script>

<div class="tools" role="toolbar" aria-label="Tools of the page">
  <button
    class="h2"
    aria-pressed={here.level === 2}
    title="Heading (##)"
    aria-label="Heading"
    onmousedown={hold}
    onclick={() => piece.page.run(toggleHeading(2))}>H2</button
  >
  <button
    aria-pressed={here.strong}
    title="Bold (Ctrl B)"
    aria-label="Bold"
    onmousedown={hold}
    onclick={() => piece.page.run(toggleMark(marks.strong))}><Bold size={16} /></button
  >
  <button
    aria-pressed={here.emphasis}
    title="Italic (Ctrl I)"
    aria-label="Italic"
    onmousedown={hold}
    onclick={() => piece.page.run(toggleMark(marks.emphasis))}><Italic size={16} /></button
  >
  <button aria-pressed={here.link} title="Link (Ctrl K)" aria-label="Link" onmousedown={hold} onclick={onlink}><Link size={16} /></button>
  <button
    aria-pressed={here.bullets}
    title="Bulleted list (-)"
    aria-label="Bulleted list"
    onmousedown={hold}
    onclick={() => piece.page.run(toggleList(nodes.bulletList))}><List size={16} /></button
  >
  <FileChooser label="Choose pictures for the page" accept="image/*" onfiles={onpictures}>
    {#snippet children(choose)}
      <button title="Picture" aria-label="Picture" onmousedown={hold} onclick={choose}><Image size={16} /></button>
    {/snippet}
  </FileChooser>
  <Menu onSelect={(e) => choose(e.value)}>
    <Menu.Trigger class="more">More</Menu.Trigger>
    <Portal>
      <Menu.Positioner>
        <Menu.Content class="more-list wide">
          {#each more as { items } (items[0]!.name)}
            <div class="more-group">
              {#each items as item (item.name)}
                <Menu.Item value={item.name} class="more-item"
                  ><Menu.ItemText>{item.label}</Menu.ItemText><span class="mono muted">{item.keys}</span></Menu.Item
                >
              {/each}
            </div>
          {/each}
        </Menu.Content>
      </Menu.Positioner>
    </Portal>
  </Menu>
</div>

<style>
  .tools {
    display: flex;
    align-items: center;
    gap: 2px;
    margin-left: auto;
    color: var(--faded);
  }
  button {
    display: grid;
    place-items: center;
    min-width: 28px;
    height: 28px;
    border-radius: 3px;
  }
  button:hover,
  button[aria-pressed='true'] {
    background: var(--bottle-tint);
    color: var(--ink);
  }
  .h2 {
    font: 700 15px/1 var(--serif);
  }
  .tools :global(.more) {
    height: 28px;
    padding: 0 6px;
    border-radius: 3px;
  }
  .tools :global(.more:hover) {
    background: var(--bottle-tint);
    color: var(--ink);
  }
  :global(.more-list) {
    z-index: 30;
    min-width: 230px;
    padding: 5px 0;
    background: var(--leaf);
    border: 1px solid var(--hair);
    border-radius: 3px;
    box-shadow: var(--shadow);
  }
  :global(.more-list.wide) {
    columns: 2 240px;
    column-gap: 0;
    column-rule: 1px solid var(--hair);
    width: min(530px, calc(100vw - 24px));
    max-height: var(--available-height);
    padding: 0;
    overflow-y: auto;
  }
  :global(.more-list:focus) {
    outline: none;
  }
  .more-group {
    padding: 5px 0;
    break-inside: avoid;
    border-bottom: 1px solid var(--hair);
  }
  .more-group:last-child {
    border-bottom: 0;
  }
  :global(.more-item) {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 20px;
    padding: 5px 14px;
    cursor: pointer;
  }
  :global(.more-item[data-highlighted]) {
    background: var(--bottle-tint);
  }
</style>
