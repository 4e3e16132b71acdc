<!-- A part of the screen that is fetched when it is opened. -->
<script lang="ts" generics="Props extends Record<string, unknown>">
  import type { Component } from 'svelte';

  let { part, props }: { part: () => Promise<{ default: Component<Props> }>; props: Props } = $props();
</script>

{#await part() then { default: Part }}
  <Part {...props} />
{:catch}
  <p class="note" role="alert">This could not be fetched from the server. Your words are safe; try again when the server answers.</p>
{/await}
