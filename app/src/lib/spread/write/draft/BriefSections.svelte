<!-- What each section must be: its form and length, what it must say, and which passages feed it. The headings are the page's own. -->
<script lang="ts">
  import { FORMS } from '@even-page/core/post/brief';
  import { count } from '$lib/parts/sizes.ts';
  import type { StandingBrief } from '$lib/workers/core/drafting.ts';
  import type { Piece } from '../../piece.svelte.ts';
  import type { Drafting } from './drafting.svelte.ts';

  let { piece, drafting, standing }: { piece: Piece; drafting: Drafting; standing: StandingBrief } = $props();

  let open = $state<string | null>(null);

  const isNoted = (id: string) => (piece.details.brief?.sections ?? []).some((s) => s.id === id && (s.form || s.passages));

  /** Leaves a passage out of what feeds a section, or takes it in again. */
  function feed(id: string, name: string, isFed: boolean) {
    const names = standing.outline.find((p) => p.id === id)!.passages.map((p) => standing.passages[p]!.name);
    drafting.saySection(id, { passages: isFed ? [...names, name] : names.filter((n) => n !== name) });
  }
</script>

<details class="sections">
  <summary>What each section must be</summary>
  {#each standing.outline as part (part.id)}
    {@const passages = part.passages}
    <div class="part" style:padding-left="{20 + 16 * Math.max(0, part.level - 2)}px">
      <button class="name" aria-expanded={open === part.id} onclick={() => (open = open === part.id ? null : part.id)}
        >{part.heading || 'Opening'}</button
      >
      <span class="muted small"
        >{part.form === 'paragraphs' ? '' : `${part.form}, `}{part.words ? `${count(part.words, 'word')}, ` : ''}{passages.length
          ? count(passages.length, 'passage')
          : 'no passage'}</span
      >
      {#if open === part.id}
        <div class="inner">
          <div class="line">
            <label
              >Form <select
                class="entry"
                value={part.form}
                onchange={(e) => drafting.saySection(part.id, { form: e.currentTarget.value as (typeof FORMS)[number] })}
              >
                {#each FORMS as form (form)}<option value={form}>{form}</option>{/each}
              </select></label
            >
            {#if part.form === 'table'}
              <label
                >of <input
                  class="entry"
                  value={part.of}
                  maxlength="200"
                  placeholder="stones by grit"
                  onchange={(e) => drafting.saySection(part.id, { of: e.currentTarget.value.trim() || undefined })}
                /></label
              >
            {/if}
            {#if part.id !== 'lead'}
              <label
                >Words <input
                  class="entry few"
                  type="number"
                  min="0"
                  value={part.words || ''}
                  placeholder="any"
                  onchange={(e) => piece.page.wantWords(part.id, Math.max(0, Math.round(Number(e.currentTarget.value)) || 0))}
                /></label
              >
            {/if}
          </div>
          {#if part.id !== 'lead'}
            <label class="says"
              >It must say <textarea
                class="entry"
                rows="2"
                maxlength="2000"
                value={part.says}
                onchange={(e) => piece.page.noteSection(part.id, e.currentTarget.value.trim())}></textarea></label
            >
          {/if}
          <p class="muted small">
            {passages.length
              ? isNoted(part.id)
                ? 'Fed by the passages you chose:'
                : 'Fed by these passages, as the page and its headings have it:'
              : 'No passage feeds it. Select words on the page and look for them in the material, or give it a note to look by.'}
          </p>
          {#each passages as id (id)}
            {@const passage = standing.passages[id]!}
            <label class="passage"
              ><input type="checkbox" checked onchange={() => feed(part.id, passage.name, false)} />
              <span class="mono">{passage.at}</span> <span>{passage.text}</span></label
            >
          {/each}
          {#if isNoted(part.id)}
            <button class="word small" onclick={() => drafting.saySection(part.id, { passages: undefined })}
              >As the page has it again</button
            >
          {/if}
        </div>
      {/if}
    </div>
  {/each}
</details>

<style>
  .sections {
    border-bottom: 1px solid var(--hair);
    border-top: 1px solid var(--hair);
  }
  summary {
    padding: 9px 20px;
    color: var(--slate);
  }
  .part {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 2px 12px;
    align-items: baseline;
    padding: 5px 20px;
  }
  .name {
    text-align: left;
    font-weight: 550;
  }
  .name:hover {
    color: var(--bottle);
  }
  .inner {
    grid-column: 1 / -1;
    display: grid;
    gap: 8px;
    padding: 4px 0 10px;
  }
  .line {
    display: flex;
    flex-wrap: wrap;
    gap: 6px 16px;
  }
  .few {
    width: 5em;
  }
  .says {
    display: grid;
    gap: 3px;
  }
  .says textarea {
    resize: vertical;
  }
  p {
    margin: 0;
  }
  .passage {
    display: grid;
    grid-template-columns: auto 44px minmax(0, 1fr);
    gap: 8px;
    font: 15px/1.5 var(--serif);
  }
  .passage input {
    margin-top: 5px;
    accent-color: var(--bottle);
  }
  .mono {
    padding-top: 3px;
    color: var(--slate);
  }
</style>
