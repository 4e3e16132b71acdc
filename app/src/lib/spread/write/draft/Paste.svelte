<!-- An answer that was fetched by hand from any service: pasted, kept as a round, filed by its headings. -->
<script lang="ts">
  import type { Drafting } from './drafting.svelte.ts';

  let { drafting, ondone }: { drafting: Drafting; ondone: () => void } = $props();

  let text = $state('');
  const isWhole = $derived(drafting.target.kind === 'whole');

  async function keep() {
    await drafting.paste(text);
    if (!drafting.sorry) ondone();
  }
</script>

<div class="paste">
  <label for="answer"
    >{isWhole ? 'The answer, with its headings: each part goes to the section it belongs to' : 'The answer for this section'}</label
  >
  <textarea
    class="entry"
    id="answer"
    rows="12"
    bind:value={text}
    {@attach (field) => (field as HTMLTextAreaElement).focus()}
    placeholder="Paste what the service answered. Its numbers of passages become origin marks."></textarea>
  <div class="acts">
    <button class="act" disabled={!text.trim()} onclick={() => void keep()}>Keep it as a round</button>
    <button class="quiet" onclick={ondone}>Not now</button>
  </div>
</div>

<style>
  .paste {
    display: grid;
    gap: 8px;
    padding: 14px 20px;
  }
  textarea {
    width: 100%;
    padding: 8px 10px;
    font: 16px/1.55 var(--serif);
    resize: vertical;
  }
  .acts {
    display: flex;
    gap: 10px;
  }
</style>
