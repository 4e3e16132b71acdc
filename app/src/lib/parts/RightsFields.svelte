<!-- Whose a picture is, and what its licence asks. -->
<script lang="ts">
  import { LICENCE_NAMES, LICENCES, type LicenceName, type Rights, rightsWanting } from '@even-page/core/dress';

  let { rights, onchange }: { rights: Rights; onchange: (rights: Rights) => Promise<string> } = $props();

  let sorry = $state('');
  const licence = $derived(LICENCES[rights.licence]);
  const wanting = $derived(rightsWanting(rights));

  async function set(change: Partial<Rights>) {
    sorry = await onchange({ ...rights, ...change });
  }

  const FIELDS = [
    { name: 'credit', label: 'Credit', hint: 'Who is named under it' },
    { name: 'source', label: 'Found at', hint: 'Where it comes from' },
    { name: 'holder', label: 'Holder', hint: 'Who holds the rights' },
  ] as const;
</script>

{#if sorry}<p class="sorry" role="alert">{sorry}</p>{/if}
<div class="field">
  <label for="rights-licence">Licence</label>
  <span>
    <select
      id="rights-licence"
      class="entry"
      value={rights.licence}
      onchange={(e) => void set({ licence: e.currentTarget.value as LicenceName })}
    >
      {#each LICENCE_NAMES as name (name)}<option value={name}>{LICENCES[name].says}</option>{/each}
    </select>
    <span class="asks">{licence.asks}</span>
    {#if wanting}<span class="asks look">{wanting}.</span>{/if}
  </span>
  <small></small>
</div>
{#each FIELDS as { name, label, hint } (name)}
  <div class="field">
    <label for="rights-{name}">{label}</label>
    <input
      id="rights-{name}"
      class="line"
      placeholder={hint}
      value={rights[name]}
      onchange={(e) => void set({ [name]: e.currentTarget.value })}
    />
    <small></small>
  </div>
{/each}

<style>
  .sorry {
    margin: 8px 20px;
  }
  .asks {
    display: block;
    margin-top: 4px;
    color: var(--faded);
    font-size: 14px;
  }
  .look {
    color: var(--brass);
  }
</style>
