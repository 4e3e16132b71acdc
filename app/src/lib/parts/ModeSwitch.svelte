<!-- Day and lamp. The choice is kept in a cookie, so that the server already sends the right one. -->
<script lang="ts">
  import Lightbulb from '@lucide/svelte/icons/lightbulb';
  import LightbulbOff from '@lucide/svelte/icons/lightbulb-off';
  import { MODE_COOKIE, type Mode } from '$lib/theme/mode.ts';

  let { mode }: { mode: Mode } = $props();
  let chosen = $derived(mode);

  function turn() {
    chosen = chosen === 'dark' ? 'light' : 'dark';
    document.documentElement.dataset.mode = chosen;
    document.cookie = `${MODE_COOKIE}=${chosen}; path=/; max-age=31536000; samesite=lax`;
  }
</script>

<button class="head-word" onclick={turn} title={chosen === 'dark' ? 'Back to daylight' : 'Work by lamplight'}>
  {#if chosen === 'dark'}<LightbulbOff size={15} aria-hidden="true" />Day{:else}<Lightbulb size={15} aria-hidden="true" />Lamp{/if}
</button>
