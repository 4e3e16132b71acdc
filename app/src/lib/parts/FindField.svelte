<!-- Words to look for in a list. -->
<script lang="ts">
  import Search from '@lucide/svelte/icons/search';

  let { value = $bindable(), label, oninput }: { value: string; label: string; oninput?: () => void } = $props();
</script>

<label
  ><Search size={15} aria-hidden="true" /><span class="sr">{label}</span><input
    type="search"
    placeholder="Find"
    bind:value
    {oninput}
  /></label
>

<style>
  label {
    display: flex;
    align-items: center;
    gap: 6px;
    color: var(--faded);
  }
  input {
    width: 130px;
    padding: 2px 0;
    border: 0;
    border-bottom: 1px solid var(--hair);
    background: none;
    color: var(--ink);
    font-size: 15px;
  }
  input::placeholder {
    color: var(--faded);
    opacity: 1;
  }
  input:focus {
    outline: none;
    box-shadow: none;
    border-color: var(--bottle);
  }
</style>
