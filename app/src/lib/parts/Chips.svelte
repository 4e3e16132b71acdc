<!-- Plain choices in a row: one, or several. -->
<script lang="ts" generics="T extends string">
  let {
    choices,
    chosen,
    onchoose,
    label,
    isOne = false,
  }: {
    choices: readonly { name: T; label: string }[];
    chosen: readonly T[];
    onchoose: (chosen: T[]) => void;
    label: string;
    /** Whether choosing one takes the others back. */ isOne?: boolean;
  } = $props();

  const toggle = (name: T) => onchoose(isOne ? [name] : chosen.includes(name) ? chosen.filter((c) => c !== name) : [...chosen, name]);
</script>

<span class="chips" role="group" aria-label={label}>
  {#each choices as { name, label: shown } (name)}
    <button class="chip" aria-pressed={chosen.includes(name)} onclick={() => toggle(name)}>{shown}</button>
  {/each}
</span>

<style>
  .chips {
    display: inline-flex;
    flex-wrap: wrap;
    gap: 4px 6px;
    max-width: 100%;
  }
  .chip {
    max-width: 100%;
    overflow-wrap: anywhere;
    white-space: normal;
    text-align: left;
  }
</style>
