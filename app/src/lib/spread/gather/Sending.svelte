<!-- The recordings on their way up: how far each is, and what can be done with it. -->
<script lang="ts">
  import Upload from '@lucide/svelte/icons/upload';
  import { sayBytes } from '$lib/parts/sizes.ts';
  import type { Uploads } from '$lib/uploads.svelte.ts';

  let { uploads }: { uploads: Uploads } = $props();

  const says = { sending: 'goes on after a reload', paused: 'paused', failed: '' };
</script>

{#each uploads.sending as one (one.key)}
  <div class="sending">
    <Upload size={17} aria-hidden="true" />
    <div>
      <b>{one.name}</b>
      <span class="says" role="status">{sayBytes(one.sent)} of {sayBytes(one.size)}; {one.says || says[one.state]}</span>
      <progress max={one.size} value={one.sent} aria-label="How far {one.name} is"></progress>
    </div>
    {#if one.state === 'sending'}<button class="word" onclick={() => void uploads.pause(one.key)}>Pause</button>{:else}<button
        class="word"
        onclick={() => uploads.resume(one.key)}>Go on</button
      >{/if}
    <button class="word" onclick={() => void uploads.giveUp(one.key)}>Give up</button>
  </div>
{/each}

<style>
  .sending {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr) auto auto;
    gap: 12px;
    align-items: center;
    padding: 10px 20px;
    border-bottom: 1px solid var(--hair);
  }
  b {
    display: block;
    font-weight: 600;
    overflow-wrap: anywhere;
  }
  .says {
    color: var(--faded);
    font-size: 14px;
  }
  progress {
    display: block;
    width: 100%;
    height: 4px;
    margin-top: 6px;
    accent-color: var(--bottle);
  }
</style>
