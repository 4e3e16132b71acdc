<!-- What an alternative text should say, by what the picture is on its page. -->
<script lang="ts">
  import { type Role, ROLES } from '@even-page/core/dress';

  let { isDecorative, onchoose }: { isDecorative: boolean; onchoose: (isDecorative: boolean) => void } = $props();

  let role = $state<Role | ''>('');
</script>

<details>
  <summary class="word small">What should it say?</summary>
  <label class="small"
    >What is it here?
    <select class="entry" aria-label="What is it here?" bind:value={role} onchange={() => role && onchoose(ROLES[role].isEmpty)}>
      <option value="">Choose what fits first</option>
      {#each Object.entries(ROLES) as [name, { asks }] (name)}<option value={name}>{asks}</option>{/each}
    </select>
  </label>
  {#if role}<p class="small">{ROLES[role].advice}</p>{/if}
</details>
{#if isDecorative}<button class="word small" onclick={() => onchoose(false)}>It does say something</button>{/if}

<style>
  details {
    margin-top: 4px;
  }
  summary {
    width: fit-content;
    cursor: pointer;
  }
  label {
    display: grid;
    gap: 4px;
    margin-top: 6px;
  }
  p {
    margin: 6px 0 0;
  }
</style>
