<!-- The four answers that say what counts here, which the brief has too; and what the page is held against. -->
<script lang="ts">
  import { type OwnBrief, PURPOSES, READERS, TEXTS } from '@even-page/core/post/brief';
  import Chips from '$lib/parts/Chips.svelte';
  import type { Piece } from '../piece.svelte.ts';

  let { piece }: { piece: Piece } = $props();

  const brief = $derived(piece.details.brief ?? {});
  const named = <T extends string>(names: readonly T[]) => names.map((name) => ({ name, label: name }));
  const say = (more: Partial<OwnBrief>) => {
    piece.details.brief = { ...piece.details.brief, ...more };
    piece.proofing.soon();
  };
  const sources = $derived(piece.material.sources.map(({ id, name }) => ({ name: id, label: name })));
  const isFormal = $derived(!!brief.tones?.includes('formal'));
</script>

<details>
  <summary>What counts here</summary>
  <dl>
    <dt>Who reads it</dt>
    <dd>
      <Chips
        label="Who reads it"
        isOne
        choices={named(READERS)}
        chosen={brief.know ? [brief.know] : []}
        onchoose={([know]) => say({ know })}
      />
    </dd>
    <dt>How formal</dt>
    <dd>
      <Chips
        label="How formal"
        isOne
        choices={named(['formal', 'not formal'])}
        chosen={brief.tones ? [isFormal ? 'formal' : 'not formal'] : []}
        onchoose={([choice]) => {
          const others = (brief.tones ?? []).filter((tone) => tone !== 'formal');
          say({ tones: choice === 'formal' ? [...others, 'formal'] : others });
        }}
      />
    </dd>
    <dt>What it is</dt>
    <dd>
      <Chips
        label="What kind of text"
        isOne
        choices={named(TEXTS)}
        chosen={brief.text ? [brief.text] : []}
        onchoose={([text]) => say({ text })}
      />
    </dd>
    <dt>It should</dt>
    <dd>
      <Chips label="What it should do" choices={named(PURPOSES)} chosen={brief.purposes ?? []} onchoose={(purposes) => say({ purposes })} />
    </dd>
    {#if sources.length > 1}
      <dt>Held against</dt>
      <dd>
        <Chips
          label="What the page is held against"
          choices={sources}
          chosen={piece.proofing.heldAgainst}
          onchoose={(witnesses) => {
            piece.details.witnesses = witnesses;
            piece.proofing.soon();
          }}
        />
      </dd>
    {/if}
  </dl>
</details>

<style>
  details {
    border-bottom: 1px solid var(--hair);
  }
  summary {
    padding: 11px 20px;
    color: var(--faded);
    cursor: pointer;
  }
  dl {
    display: grid;
    grid-template-columns: 108px minmax(0, 1fr);
    gap: 8px 12px;
    padding: 0 20px 14px;
  }
  dt {
    padding-top: 4px;
    color: var(--faded);
  }
  dd {
    margin: 0;
  }
</style>
