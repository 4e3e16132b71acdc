<!-- What can be done with one heading of the outline: its note, the words wanted, and its place. -->
<script lang="ts">
  import type { Command } from 'prosemirror-state';
  import { indentBranch, joinPart, moveBranchBy, noteHeading, removeBranch } from '../page/outline-commands.ts';
  import type { OutlineRow } from './outline-rows.ts';

  let {
    row,
    canSplit,
    run,
    remove,
    onrename,
    onsplit,
  }: {
    row: OutlineRow;
    canSplit: boolean;
    /** Runs a command on the page. */
    run: (command: Command) => void;
    /** The same for one that takes the heading off. */
    remove: (command: Command) => void;
    onrename: () => void;
    onsplit: () => void;
  } = $props();
</script>

<div class="more">
  <label
    >Note<input
      class="entry"
      value={row.note}
      maxlength="500"
      placeholder="What should go in here"
      onchange={(e) => run(noteHeading(row.id, { note: e.currentTarget.value.trim() }))}
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
      onchange={(e) => run(noteHeading(row.id, { target: Math.max(0, Math.round(Number(e.currentTarget.value) || 0)) }))}
    /></label
  >
  <div class="acts">
    <button class="word" title="F2" onclick={onrename}>Rename</button>
    <button class="word" title="Alt Shift ↑" onclick={() => run(moveBranchBy(row.id, -1))}>Up</button>
    <button class="word" title="Alt Shift ↓" onclick={() => run(moveBranchBy(row.id, 1))}>Down</button>
    <button class="word" title="Alt Shift →" onclick={() => run(indentBranch(row.id, 1))}>In</button>
    <button class="word" title="Alt Shift ←" onclick={() => run(indentBranch(row.id, -1))}>Out</button>
    <button class="word" disabled={!canSplit} onclick={onsplit}>Split</button>
    <button class="word" onclick={() => remove(joinPart(row.id))}>Join with the one above</button>
    <button class="word rust" title="Delete" onclick={() => remove(removeBranch(row.id))}>Remove</button>
  </div>
</div>

<style>
  .entry {
    width: 100%;
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
    .more {
      margin-left: 44px;
    }
  }
</style>
