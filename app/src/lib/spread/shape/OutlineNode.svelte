<!-- One heading in the outline: its number, its name or the field that renames it, and how long it is. -->
<script lang="ts">
  import ChevronDown from '@lucide/svelte/icons/chevron-down';
  import ChevronRight from '@lucide/svelte/icons/chevron-right';
  import Grip from '@lucide/svelte/icons/grip-vertical';
  import { rowName, type OutlineRow } from './outline-rows.ts';

  let {
    row,
    weight,
    longest,
    here,
    isFolded,
    renaming,
    onfold,
    ongo,
    onrename,
    onrenamed,
    ondrag,
  }: {
    row: OutlineRow;
    /** How it stands out among the sections, in words; empty when it does not. */
    weight: string;
    /** The words of the longest branch. */
    longest: number;
    here: boolean;
    isFolded: boolean;
    renaming: boolean;
    onfold: () => void;
    ongo: () => void;
    onrename: () => void;
    /** Told of the new name, or of null when it stays. */
    onrenamed: (name: string | null) => void;
    ondrag: (isBegun: boolean) => void;
  } = $props();

  // In whole hundredths: a word more moves one bar, not all of them.
  const share = (words: number) => Math.round((100 * words) / longest);
</script>

<div class="node">
  {#if row.id === 'lead'}<span class="grip"></span>{:else}
    <span
      class="grip"
      draggable="true"
      role="presentation"
      title="Drag to move"
      ondragstart={(e) => {
        ondrag(true);
        e.dataTransfer!.effectAllowed = 'move';
        e.dataTransfer!.setData('text/plain', row.heading);
      }}
      ondragend={() => ondrag(false)}><Grip size={14} /></span
    >{/if}
  {#if row.number >= 0}<span class="number" class:here>{row.number + 1}</span>{:else}<span class="number deep"></span>{/if}
  <span class="name">
    {#if row.children}<button class="fold" tabindex="-1" aria-label="{isFolded ? 'Unfold' : 'Fold'} “{rowName(row)}”" onclick={onfold}
        >{#if isFolded}<ChevronRight size={15} />{:else}<ChevronDown size={15} />{/if}</button
      >{/if}
    {#if renaming}
      <input
        class="entry rename"
        aria-label="Heading"
        value={row.heading}
        onblur={(e) => renaming && onrenamed(e.currentTarget.value)}
        onkeydown={(e) => {
          if (e.key === 'Enter') e.currentTarget.blur();
          if (e.key === 'Escape') onrenamed(null);
        }}
      />
    {:else}
      <button tabindex="-1" class="head" ondblclick={onrename} onclick={ongo}> <b class:role={!row.heading}>{rowName(row)}</b></button>
    {/if}
  </span>
  <span class="aim" aria-hidden="true"
    ><i class:odd={!!weight} style="width:{share(row.all)}%"></i>{#if row.target}<em style="left:{share(row.target)}%"></em>{/if}</span
  >
  <span class="mono n" class:odd={!!weight}>{row.all}{row.target ? ` / ${row.target}` : ''}{weight ? ` ${weight}` : ''}</span>
</div>

<style>
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
  .deep {
    width: 10px;
    height: 10px;
    margin-left: 6px;
    border-width: 1.5px;
  }
  .number.here {
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
  :global(li:hover) > .node > .grip,
  :global(li:focus-within) > .node > .grip {
    opacity: 1;
  }
  @media (max-width: 600px) {
    .node {
      grid-template-columns: 14px 24px minmax(0, 1fr) auto;
    }
    .aim {
      display: none;
    }
  }
</style>
