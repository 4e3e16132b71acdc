<!-- Opens the browser's own file chooser from whatever control is put inside. -->
<script lang="ts">
  import { onMount, type Snippet } from 'svelte';

  let {
    label,
    accept,
    onfiles,
    children,
  }: { label: string; accept?: string; onfiles: (files: File[]) => void; children: Snippet<[choose: () => void]> } = $props();

  let input: HTMLInputElement;

  function chosen() {
    const files = [...(input.files ?? [])];
    // The same file may be chosen twice in a row.
    input.value = '';
    if (files.length) onfiles(files);
  }

  // A file can be chosen before the screen is awake.
  onMount(chosen);
</script>

{@render children(() => input.click())}
<input bind:this={input} type="file" {accept} multiple class="sr" tabindex="-1" aria-label={label} onchange={chosen} />
