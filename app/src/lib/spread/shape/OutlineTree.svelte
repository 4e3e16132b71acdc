<!-- The outline of the page as a tree: the same headings as on the page and the spine, moved, indented and renamed here. -->
<script lang="ts">
  import ChevronDown from '@lucide/svelte/icons/chevron-down';
  import ChevronRight from '@lucide/svelte/icons/chevron-right';
  import Grip from '@lucide/svelte/icons/grip-vertical';
  import type { Command } from 'prosemirror-state';
  import { tick } from 'svelte';
  import { SvelteSet } from 'svelte/reactivity';
  import { branchEnd, outlineOf, type Section } from '@even-page/core/post/sections';
  import { isBody, weightOf } from '@even-page/core/shape';

  import {
    indentBranch,
    joinPart,
    moveBranch,
    moveBranchBy,
    noteHeading,
    removeBranch,
    renameHeading,
    splitPart,
  } from '../page/outline-commands.ts';
  import type { Piece } from '../piece.svelte.ts';
  import { PASSAGES } from './feeding.ts';

  let { piece }: { piece: Piece } = $props();

  type Row = Section & { children: boolean; all: number; note: string; target: number; number: number };

  const folded = new SvelteSet<string>();
  let opened = $state<string | null>(null);
  let renaming = $state<string | null>(null);
  let focused = $state<string | null>(null);
  let dragged = $state<string | null>(null);
  /** Where what is dragged would go: onto a row, or before it; the end is `null`. */
  let over = $state<{ id: string | null; into: boolean } | null>(null);
  let tree = $state<HTMLElement>();

  const rows = $derived.by((): Row[] => {
    void piece.page.tick;
    const parts = outlineOf(piece.page.doc);
    return parts.map((part, i) => {
      const end = branchEnd(parts, i);
      const { note = '', target = 0 } = (part.id === 'lead' ? {} : piece.page.doc.nodeAt(part.from)!.attrs) as {
        note?: string;
        target?: number;
      };
      const all = parts.slice(i, part.id === 'lead' ? i + 1 : end).reduce((sum, p) => sum + p.words, 0);
      return {
        ...part,
        children: part.id !== 'lead' && end > i + 1,
        all,
        note,
        target,
        number: piece.page.sections.findIndex((s) => s.id === part.id),
      };
    });
  });
  const shown = $derived.by(() => {
    const under: Row[] = [];
    return rows.filter((row) => {
      while (under.length && under.at(-1)!.level >= row.level) under.pop();
      const isHidden = under.some((r) => folded.has(r.id));
      under.push(row);
      return !isHidden;
    });
  });
  const body = $derived(piece.page.sections.filter(isBody).map((s) => s.words));
  const longest = $derived(Math.max(1, ...rows.map((r) => Math.max(r.all, r.target))));
  const here = $derived(piece.page.sections[piece.page.sectionHere]?.id);

  const nameOf = (row: Row) => row.heading || (row.id === 'lead' ? 'Introduction' : 'Heading without words');

  function go(row: Row) {
    focused = row.id;
    opened = row.id === 'lead' ? null : row.id;
    if (row.number >= 0) piece.page.goToSection(row.number);
    else piece.page.goToBlock(row.id);
  }

  // The tree keeps the focus; the page's own selection stays for what was selected there.
  async function run(command: Command, id: string) {
    if (!piece.page.view) return;
    command(piece.page.view.state, piece.page.view.dispatch, piece.page.view);
    await focus(id);
  }

  async function focus(id: string | null | undefined) {
    if (!id) return;
    focused = id;
    await tick();
    tree?.querySelector<HTMLElement>(`[data-row="${id}"]`)?.focus();
  }

  async function rename(id: string) {
    renaming = id;
    await tick();
    tree?.querySelector<HTMLInputElement>('input.rename')?.select();
  }

  async function split(row: Row) {
    await run(splitPart(row.id, `${row.heading}, continued`), row.id);
    const at = rows.findIndex((r) => r.id === row.id);
    const next = rows[at + 1];
    if (next) {
      opened = next.id;
      await rename(next.id);
    }
  }

  const canSplit = (id: string) => !!piece.page.view && splitPart(id, 'x')(piece.page.view.state);

  async function remove(row: Row, command: Command) {
    const at = shown.findIndex((r) => r.id === row.id);
    await run(command, (shown[at + 1] ?? shown[at - 1])?.id ?? '');
    opened = null;
  }

  function keys(event: KeyboardEvent, row: Row) {
    if (event.target !== event.currentTarget) return;
    const at = shown.findIndex((r) => r.id === row.id);
    const moving = event.altKey && event.shiftKey;
    const acts: Record<string, () => unknown> = moving
      ? {
          ArrowUp: () => run(moveBranchBy(row.id, -1), row.id),
          ArrowDown: () => run(moveBranchBy(row.id, 1), row.id),
          ArrowLeft: () => run(indentBranch(row.id, -1), row.id),
          ArrowRight: () => run(indentBranch(row.id, 1), row.id),
        }
      : {
          ArrowUp: () => focus(shown[at - 1]?.id),
          ArrowDown: () => focus(shown[at + 1]?.id),
          Home: () => focus(shown[0]?.id),
          End: () => focus(shown.at(-1)?.id),
          ArrowLeft: () =>
            row.children && !folded.has(row.id) ? folded.add(row.id) : focus(shown.slice(0, at).findLast((r) => r.level < row.level)?.id),
          ArrowRight: () => (row.children && folded.has(row.id) ? folded.delete(row.id) : focus(shown[at + 1]?.id)),
          Enter: () => go(row),
          ' ': () => (opened = opened === row.id || row.id === 'lead' ? null : row.id),
          F2: () => row.id !== 'lead' && rename(row.id),
          Delete: () => row.id !== 'lead' && remove(row, removeBranch(row.id)),
        };
    const act = event.ctrlKey || event.metaKey ? undefined : acts[event.key];
    if (!act) return;
    event.preventDefault();
    void act();
  }

  const bringsPassages = (event: DragEvent) => !!event.dataTransfer?.types.includes(PASSAGES);

  function dragOver(event: DragEvent, row: Row | null) {
    const passages = bringsPassages(event);
    if (!passages && !dragged) return;
    if (passages && !row) return;
    if (!passages && row?.id === 'lead') return;
    event.preventDefault();
    over = { id: row?.id ?? null, into: passages };
  }

  function drop(event: DragEvent, row: Row | null) {
    event.preventDefault();
    if (bringsPassages(event)) piece.page.feed(row!.id, piece.page.carried);
    else if (dragged) void run(moveBranch(dragged, row?.id ?? null), dragged);
    over = dragged = null;
  }
</script>

<ol role="tree" aria-label="Outline of the page" bind:this={tree}>
  {#each shown as row, i (row.id)}
    {@const weight = row.number >= 0 && isBody(row) ? weightOf(piece.page.sections[row.number]!.words, body) : ''}
    <li
      role="treeitem"
      aria-level={Math.max(1, row.level - 1)}
      aria-expanded={row.children ? !folded.has(row.id) : undefined}
      aria-selected={here === row.id}
      aria-label="{nameOf(row)}, {row.all} words{row.target ? ` of ${row.target}` : ''}"
      data-row={row.id}
      tabindex={focused === row.id || (i === 0 && !shown.some((r) => r.id === focused)) ? 0 : -1}
      class:here={here === row.id}
      class:before={over?.id === row.id && !over.into}
      class:into={over?.id === row.id && over.into}
      class:lifted={dragged === row.id}
      style="--in:{Math.max(0, row.level - 2)}"
      onfocus={(e) => e.target === e.currentTarget && (focused = row.id)}
      onkeydown={(e) => keys(e, row)}
      ondragover={(e) => dragOver(e, row)}
      ondragleave={() => (over = null)}
      ondrop={(e) => drop(e, row)}
    >
      <div class="node">
        {#if row.id === 'lead'}<span class="grip"></span>{:else}
          <span
            class="grip"
            draggable="true"
            role="presentation"
            title="Drag to move"
            ondragstart={(e) => {
              dragged = row.id;
              e.dataTransfer!.effectAllowed = 'move';
              e.dataTransfer!.setData('text/plain', row.heading);
            }}
            ondragend={() => (over = dragged = null)}><Grip size={14} /></span
          >{/if}
        {#if row.number >= 0}<span class="number">{row.number + 1}</span>{:else}<span class="number deep"></span>{/if}
        <span class="name">
          {#if row.children}<button
              class="fold"
              tabindex="-1"
              aria-label="{folded.has(row.id) ? 'Unfold' : 'Fold'} “{nameOf(row)}”"
              onclick={() => (folded.has(row.id) ? folded.delete(row.id) : folded.add(row.id))}
              >{#if folded.has(row.id)}<ChevronRight size={15} />{:else}<ChevronDown size={15} />{/if}</button
            >{/if}
          {#if renaming === row.id}
            <input
              class="entry rename"
              aria-label="Heading"
              value={row.heading}
              onblur={(e) => {
                const words = e.currentTarget.value;
                if (renaming !== row.id) return;
                renaming = null;
                void run(renameHeading(row.id, words), row.id);
              }}
              onkeydown={(e) => {
                if (e.key === 'Enter') e.currentTarget.blur();
                if (e.key === 'Escape') {
                  renaming = null;
                  void focus(row.id);
                }
              }}
            />
          {:else}
            <button tabindex="-1" class="head" ondblclick={() => row.id !== 'lead' && rename(row.id)} onclick={() => go(row)}>
              <b class:role={!row.heading}>{nameOf(row)}</b></button
            >
          {/if}
        </span>
        <span class="aim" aria-hidden="true"
          ><i class:odd={!!weight} style="width:{(100 * row.all) / longest}%"></i>{#if row.target}<em
              style="left:{(100 * row.target) / longest}%"
            ></em>{/if}</span
        >
        <span class="mono n" class:odd={!!weight}>{row.all}{row.target ? ` / ${row.target}` : ''}{weight ? ` ${weight}` : ''}</span>
      </div>
      {#if row.note && opened !== row.id}<p class="noted">{row.note}</p>{/if}
      {#if opened === row.id}
        <div class="more">
          <label
            >Note<input
              class="entry"
              value={row.note}
              maxlength="500"
              placeholder="What should go in here"
              onchange={(e) => void run(noteHeading(row.id, { note: e.currentTarget.value.trim() }), '')}
            /></label
          >
          <label class="length"
            >Words wanted<input
              class="entry"
              type="number"
              min="0"
              max="20000"
              step="50"
              value={row.target || ''}
              onchange={(e) => void run(noteHeading(row.id, { target: Math.max(0, Math.round(Number(e.currentTarget.value) || 0)) }), '')}
            /></label
          >
          <div class="acts">
            <button class="word" title="F2" onclick={() => rename(row.id)}>Rename</button>
            <button class="word" title="Alt Shift ↑" onclick={() => run(moveBranchBy(row.id, -1), row.id)}>Up</button>
            <button class="word" title="Alt Shift ↓" onclick={() => run(moveBranchBy(row.id, 1), row.id)}>Down</button>
            <button class="word" title="Alt Shift →" onclick={() => run(indentBranch(row.id, 1), row.id)}>In</button>
            <button class="word" title="Alt Shift ←" onclick={() => run(indentBranch(row.id, -1), row.id)}>Out</button>
            <button class="word" disabled={!canSplit(row.id)} onclick={() => void split(row)}>Split</button>
            <button class="word" onclick={() => void remove(row, joinPart(row.id))}>Join with the one above</button>
            <button class="word rust" title="Delete" onclick={() => void remove(row, removeBranch(row.id))}>Remove</button>
          </div>
        </div>
      {/if}
    </li>
  {/each}
  <li
    role="none"
    class="end"
    class:before={over?.id === null && over !== null}
    ondragover={(e) => dragOver(e, null)}
    ondrop={(e) => drop(e, null)}
  ></li>
</ol>

<style>
  ol {
    padding: 6px 20px 4px 8px;
    border-bottom: 1px solid var(--hair);
  }
  li {
    position: relative;
    padding-left: calc(var(--in, 0) * 20px);
    border-radius: 3px;
  }
  li:focus-visible {
    outline-offset: -2px;
  }
  li.into {
    background: var(--bottle-tint);
    box-shadow: inset 0 0 0 2px var(--bottle);
  }
  li.before::before {
    content: '';
    position: absolute;
    inset: -1px 0 auto 22px;
    border-top: 2px solid var(--bottle);
  }
  li.lifted {
    opacity: 0.5;
  }
  .end {
    height: 8px;
  }
  .node {
    display: grid;
    grid-template-columns: 14px 24px minmax(0, 1fr) 80px 84px;
    align-items: center;
    gap: 6px;
    min-height: 36px;
    padding: 2px 0;
  }
  .grip {
    display: grid;
    place-items: center;
    width: 14px;
    height: 28px;
    color: var(--faded);
    opacity: 0;
    cursor: grab;
  }
  li:hover > .node > .grip,
  li:focus-within > .node > .grip {
    opacity: 1;
  }
  .deep {
    width: 10px;
    height: 10px;
    margin-left: 6px;
    border-width: 1.5px;
  }
  .here .number {
    background: var(--bottle);
    color: var(--leaf);
  }
  .name {
    display: flex;
    align-items: center;
    gap: 2px;
    min-width: 0;
  }
  .head {
    min-width: 0;
    line-height: 1.35;
    text-align: left;
    overflow-wrap: anywhere;
  }
  .head:hover b {
    color: var(--bottle);
  }
  .fold {
    display: grid;
    place-items: center;
    width: 20px;
    height: 24px;
    margin-left: -4px;
    color: var(--faded);
  }
  .entry {
    width: 100%;
  }
  .rename {
    font-weight: 600;
  }
  .role {
    font-weight: 450;
    font-style: italic;
    color: var(--faded);
  }
  .aim {
    position: relative;
    height: 5px;
    border-radius: 3px;
    background: var(--hair);
  }
  .aim i {
    display: block;
    height: 100%;
    border-radius: 3px;
    background: var(--bottle);
  }
  .aim i.odd {
    background: var(--brass);
  }
  .aim em {
    position: absolute;
    top: -3px;
    width: 2px;
    height: 11px;
    margin-left: -1px;
    background: var(--ink);
  }
  .n {
    color: var(--faded);
    text-align: right;
    white-space: nowrap;
  }
  .n.odd {
    color: var(--brass);
    font-weight: 600;
  }
  .noted {
    margin: -4px 0 6px 50px;
    font-size: 14px;
    font-style: italic;
    color: var(--faded);
  }
  .more {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 110px;
    gap: 8px 12px;
    margin: 2px 0 8px 50px;
    padding-bottom: 8px;
    border-bottom: 1px dotted var(--hair);
  }
  .more label {
    display: grid;
    gap: 2px;
    font-size: 13px;
    color: var(--faded);
  }
  .acts {
    grid-column: 1 / -1;
    display: flex;
    flex-wrap: wrap;
    gap: 4px 14px;
    font-size: 14px;
  }
  .acts button:disabled {
    opacity: 0.5;
    text-decoration: none;
    cursor: default;
  }
  .rust {
    color: var(--rust);
  }
  @media (max-width: 600px) {
    .node {
      grid-template-columns: 14px 24px minmax(0, 1fr) auto;
    }
    .aim {
      display: none;
    }
    .more {
      margin-left: 44px;
    }
  }
</style>
