<!-- The outline of the page as a tree: the same headings as on the page and the spine, moved, indented and renamed here. -->
<script lang="ts">
  import type { Command } from 'prosemirror-state';
  import { tick } from 'svelte';
  import { SvelteSet } from 'svelte/reactivity';
  import { isBody, weightOf } from '@even-page/core/shape';
  import { indentBranch, moveBranch, moveBranchBy, removeBranch, renameHeading, splitPart } from '../page/outline-commands.ts';
  import type { Piece } from '../piece.svelte.ts';
  import { PASSAGES } from './feeding.ts';
  import OutlineForm from './OutlineForm.svelte';
  import OutlineNode from './OutlineNode.svelte';
  import { outlineRows, rowName, unfolded, type OutlineRow } from './outline-rows.ts';

  let { piece }: { piece: Piece } = $props();

  const folded = new SvelteSet<string>();
  let opened = $state<string | null>(null);
  let renaming = $state<string | null>(null);
  let focused = $state<string | null>(null);
  let dragged = $state<string | null>(null);
  /** Where what is dragged would go: onto a row, or before it; the end is `null`. */
  let over = $state<{ id: string | null; into: boolean } | null>(null);
  let tree = $state<HTMLElement>();

  const rows = $derived.by(() => {
    void piece.page.tick;
    return outlineRows(piece.page.doc, piece.page.sections);
  });
  const shown = $derived(unfolded(rows, folded));
  const body = $derived(piece.page.sections.filter(isBody).map((s) => s.words));
  const longest = $derived(Math.max(1, ...rows.map((r) => Math.max(r.all, r.target))));
  const here = $derived(piece.page.sections[piece.page.sectionHere]?.id);

  function go(row: OutlineRow) {
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

  function renamed(id: string, name: string | null) {
    renaming = null;
    if (name === null) void focus(id);
    else void run(renameHeading(id, name), id);
  }

  // A tree item holds no field: while one is renamed it is none.
  const roleOf = (row: OutlineRow) => (renaming === row.id ? 'none' : 'treeitem');

  const fold = (id: string) => void (folded.has(id) ? folded.delete(id) : folded.add(id));

  async function split(row: OutlineRow) {
    await run(splitPart(row.id, `${row.heading}, continued`), row.id);
    const at = rows.findIndex((r) => r.id === row.id);
    const next = rows[at + 1];
    if (next) {
      opened = next.id;
      await rename(next.id);
    }
  }

  const canSplit = (id: string) => !!piece.page.view && splitPart(id, 'x')(piece.page.view.state);

  async function remove(row: OutlineRow, command: Command) {
    const at = shown.findIndex((r) => r.id === row.id);
    await run(command, (shown[at + 1] ?? shown[at - 1])?.id ?? '');
    opened = null;
  }

  function keys(event: KeyboardEvent, row: OutlineRow) {
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

  function dragOver(event: DragEvent, row: OutlineRow | null) {
    const passages = bringsPassages(event);
    if (!passages && !dragged) return;
    if (passages && !row) return;
    if (!passages && row?.id === 'lead') return;
    event.preventDefault();
    over = { id: row?.id ?? null, into: passages };
  }

  function drop(event: DragEvent, row: OutlineRow | null) {
    event.preventDefault();
    if (bringsPassages(event)) piece.page.feed(row!.id, piece.page.carried);
    else if (dragged) void run(moveBranch(dragged, row?.id ?? null), dragged);
    over = dragged = null;
  }
</script>

<ol role="tree" aria-label="Outline of the page" bind:this={tree}>
  {#each shown as row, i (row.id)}
    {@const weight = row.number >= 0 && isBody(row) ? weightOf(piece.page.sections[row.number]!.words, body) : ''}
    <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
    <li
      role={roleOf(row)}
      aria-posinset={row.place}
      aria-setsize={row.siblings}
      aria-level={Math.max(1, row.level - 1)}
      aria-expanded={row.children ? !folded.has(row.id) : undefined}
      aria-selected={here === row.id}
      aria-label="{rowName(row)}, {row.all} words{row.target ? ` of ${row.target}` : ''}"
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
      <OutlineNode
        {row}
        {weight}
        {longest}
        here={here === row.id}
        isFolded={folded.has(row.id)}
        renaming={renaming === row.id}
        onfold={() => fold(row.id)}
        ongo={() => go(row)}
        onrename={() => row.id !== 'lead' && void rename(row.id)}
        onrenamed={(name) => renamed(row.id, name)}
        ondrag={(isBegun) => (isBegun ? (dragged = row.id) : (over = dragged = null))}
      />
      {#if row.note && opened !== row.id}<p class="noted">{row.note}</p>{/if}
    </li>
    {#if opened === row.id}
      <li role="none" style="--in:{Math.max(0, row.level - 2)}">
        <OutlineForm
          {row}
          canSplit={canSplit(row.id)}
          run={(command) => void run(command, row.id)}
          remove={(command) => void remove(row, command)}
          onrename={() => void rename(row.id)}
          onsplit={() => void split(row)}
        />
      </li>
    {/if}
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
  .noted {
    margin: -4px 0 6px 50px;
    font-size: 14px;
    font-style: italic;
    color: var(--faded);
  }
</style>
