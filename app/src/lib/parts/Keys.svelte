<!-- The shortcuts, listed under "?". -->
<script lang="ts">
  import Ask from './Ask.svelte';

  let { open = $bindable() }: { open: boolean } = $props();

  const KEYS: readonly [string, string][] = [
    ['Alt 1 to Alt 7', 'Gather, Tidy, Shape, Write, Dress, Proof, Send'],
    ['Alt 0', 'Turn between the two leaves on a narrow screen'],
    ['Alt [ and Alt ]', 'Fold the left or the right leaf'],
    ['Alt A', 'Alone with the page; Esc brings everything else back'],
    ['Alt R', 'Find and replace on the page'],
    ['Alt W', 'Rewrite the selected words'],
    ['Alt ↑ and ↓', 'Move the block or the list item you are in up or down'],
    ['Alt Shift ↑ and ↓', 'Move the section you are in up or down'],
    ['Alt O', 'Show the passage a paragraph came from'],
    ['Alt Shift O', 'Play it; so does Alt and a click on its mark'],
    ['Alt and a click', 'Play the recording from that word'],
    ['Alt P', 'Play and pause'],
    ['Alt , and Alt .', 'Five seconds back and on'],
    ['Alt - and Alt =', 'Slower and faster'],
    ['↑ ↓, then Enter', 'In Gather: from passage to passage, play it; ← → word by word'],
    ['Ctrl B, Ctrl I, Ctrl K', 'Bold, italic, link'],
    ['## and a space', 'A heading; ### and #### for smaller ones'],
    ['- or 1. and a space', 'A list; > and a space for a quotation'],
    ['Ctrl Z, Ctrl Shift Z', 'Undo, redo'],
    ['↑ ↓, F2, Delete', 'In the outline: from heading to heading, rename, remove'],
    ['Alt Shift ← and →', 'In the outline: a heading out or in'],
    ['1 to 9', 'On a passage in Shape: let it feed that section'],
    ['↑ ↓, then Enter', 'In Tidy: from repair to repair, take it or put it back'],
    ['Alt N, Alt Shift N', 'In Proof: the next finding, the one before'],
    ['?', 'This list'],
  ];
</script>

<Ask bind:open title="Keys" isWide>
  <dl>
    {#each KEYS as [keys, does] (does)}
      <div>
        <dt class="mono">{keys}</dt>
        <dd>{does}</dd>
      </div>
    {/each}
  </dl>
</Ask>

<style>
  dl {
    columns: 2 380px;
    column-gap: 32px;
    margin: 14px 0 0;
  }
  div {
    display: grid;
    grid-template-columns: 180px minmax(0, 1fr);
    gap: 14px;
    padding: 4px 0;
    break-inside: avoid;
  }
  @media (max-width: 600px) {
    div {
      grid-template-columns: minmax(0, 1fr);
      gap: 0;
    }
  }
  dt {
    color: var(--slate);
    padding-top: 2px;
  }
  dd {
    margin: 0;
    color: var(--ink);
  }
</style>
