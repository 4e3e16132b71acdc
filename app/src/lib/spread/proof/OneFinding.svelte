<!-- One finding: what it is, why it matters, and what can be done about it at once. -->
<script lang="ts">
  import { type Origin, originLabel } from '@even-page/core/post/schema';
  import type { Finding } from '@even-page/core/proof';
  import type { House } from '@even-page/core/tidy';
  import { askServer, json, refusalOf } from '$lib/ask-server.ts';
  import Gravity from '$lib/parts/Gravity.svelte';
  import type { Piece } from '../piece.svelte.ts';

  let {
    piece,
    finding,
    isOpen,
    isLeft = false,
    onopen,
  }: { piece: Piece; finding: Finding; isOpen: boolean; isLeft?: boolean; onopen: () => void } = $props();

  // So many letters of what was said tell whether it is that.
  const MOST_SAID = 220;
  // The oldest go first.
  const MOST_LEFT = 1000;

  let leaving = $state(false);
  let why = $state('');
  let sorry = $state('');

  const { place } = $derived(finding);
  const detail = $derived(place && 'detail' in place ? place.detail : null);
  const reason = $derived(piece.details.left?.find(({ key }) => key === finding.key)?.why);
  const isName = $derived(finding.check === 'name nobody said' && !!finding.words);
  const isWord = $derived(finding.check === 'spelling' && !!finding.words);

  // What the place rests on, in the words of the material.
  const said = $derived.by(() => {
    if (!isOpen || !place || !('block' in place)) return null;
    const origins: Origin[] = [];
    piece.page.doc.descendants((node) => void (node.attrs.id === place.block && origins.push(...((node.attrs.origins ?? []) as Origin[]))));
    const [origin] = origins;
    const source = piece.material.sources.find(({ id }) => id === origin?.source)?.source;
    if (!origin || !source || !piece.proofing.heldAgainst.includes(origin.source)) return null;
    const text = source.passages
      .slice(origin.first, origin.last + 1)
      .map((passage) => passage.text)
      .join(' ');
    return { origins, label: originLabel(origins), text: text.length > MOST_SAID ? `${text.slice(0, MOST_SAID)}…` : text };
  });

  /** Goes to where a detail is written. */
  function writeDetail() {
    if (detail === 'title' || detail === 'standfirst') {
      document.querySelector<HTMLElement>(`textarea[aria-label="${detail === 'title' ? 'Title' : 'Standfirst'}"]`)?.focus();
    } else if (detail === 'cover') {
      piece.dressView = 'cover';
      piece.goTo('dress');
    } else {
      piece.goTo('send');
      setTimeout(() => document.getElementById(`detail-${detail}`)?.focus());
    }
  }

  const ofCheck = $derived(isOpen ? piece.proofing.findings.filter(({ check }) => check === finding.check) : []);
  // The same slip in other places.
  const alike = $derived(ofCheck.filter(({ words, fix }) => words === finding.words && fix?.label === finding.fix?.label));
  const allPlaces = $derived(alike.length === 2 ? 'both places' : `all ${alike.length} places`);
  const canMendAlike = $derived(alike.length > 1 && !!finding.fix && 'text' in finding.fix);

  function fix(findings: readonly Finding[]) {
    sorry = '';
    if (finding.fix && 'detail' in finding.fix) piece.details[finding.fix.detail] = finding.fix.value;
    else if (!piece.page.mend(findings)) sorry = 'The page has changed there. Look again in a moment.';
  }

  function leave(findings: readonly Finding[]) {
    const left = findings.map(({ key }) => ({ key, why: why.trim() }));
    piece.details.left = [...(piece.details.left ?? []), ...left].slice(-MOST_LEFT);
  }

  const takeUp = () => (piece.details.left = piece.details.left?.filter(({ key }) => key !== finding.key));

  /** Changes House style as it stands now, whoever changed it since. */
  async function houseRule(change: (house: House) => Partial<House>) {
    sorry = await refusalOf(async () => {
      const house = await askServer<House>('/house', { headers: { accept: 'application/json' } });
      const changed = { ...house, ...change(house) };
      await askServer('/house', json('PUT', changed));
      piece.material.house = changed;
      piece.proofing.soon();
    });
  }
</script>

{#if isLeft}
  <div class="item">
    <Gravity gravity={finding.gravity} /><span
      ><b>{finding.says}</b>
      <span class="says">{reason || finding.hint}</span></span
    ><button class="word" onclick={takeUp}>take up again</button>
  </div>
{:else}
  <button class="item" class:on={isOpen} aria-expanded={isOpen} onclick={onopen}>
    <Gravity gravity={finding.gravity} /><span
      ><b>{finding.says}</b>
      <span class="says">{finding.hint}</span></span
    ><span class="go">{place && !detail ? 'show' : ''}</span>
  </button>
  {#if isOpen}
    <div class="do">
      {#if leaving}
        <form
          onsubmit={(event) => {
            event.preventDefault();
            leave([finding]);
          }}
        >
          <!-- svelte-ignore a11y_autofocus -->
          <input
            class="line"
            aria-label="Why it stays"
            placeholder="Why it stays, if you want to say"
            maxlength="300"
            autofocus
            bind:value={why}
          />
          <button class="quiet">Leave it</button>
          {#if alike.length > 1}
            <button type="button" class="word" onclick={() => leave(alike)}>Leave it in {allPlaces}</button>
          {:else if ofCheck.length > 1}
            <button type="button" class="word" onclick={() => leave(ofCheck)}
              >{ofCheck.length === 2 ? 'Leave both' : `Leave all ${ofCheck.length} like it`}</button
            >
          {/if}
          <button type="button" class="word" onclick={() => (leaving = false)}>Cancel</button>
        </form>
      {:else}
        {#if detail}<button class="quiet" onclick={writeDetail}>{detail === 'cover' ? 'Make it' : 'Write it'}</button>{/if}
        {#if finding.fix}<button class="quiet" onclick={() => fix([finding])}>{finding.fix.label}</button>{/if}
        {#if canMendAlike}<button class="word" onclick={() => fix(alike)}>{finding.fix!.label} in {allPlaces}</button>{/if}
        <button class="word" onclick={() => (leaving = true)}>Leave it</button>
        {#if isName || isWord}
          <button class="word" onclick={() => void houseRule(({ names }) => ({ names: [...new Set([...names, finding.words])] }))}
            >{isName ? 'A name of the house' : 'A word of the house'}</button
          >
        {/if}
        <button class="word" onclick={() => void houseRule(({ unchecked }) => ({ unchecked: [...new Set([...unchecked, finding.check])] }))}
          >Not checked in this house</button
        >
      {/if}
      {#if sorry}<p class="sorry" role="alert">{sorry}</p>{/if}
      {#if said}
        <p class="why said">
          <button class="word mono" aria-label="Show what was said at {said.label}" onclick={() => piece.showOrigin(said.origins)}
            >{said.label}</button
          >
          {said.text}
        </p>
      {/if}
      <p class="why">{finding.why}</p>
    </div>
  {/if}
{/if}

<style>
  .do {
    display: flex;
    flex-wrap: wrap;
    gap: 6px 16px;
    align-items: center;
    padding: 8px 20px 11px 52px;
    border-bottom: 1px solid var(--hair);
    background: var(--bottle-tint);
    box-shadow: inset 3px 0 var(--bottle);
  }
  form {
    display: flex;
    flex: 1;
    flex-wrap: wrap;
    gap: 8px 12px;
    align-items: center;
  }
  input {
    flex: 1;
    min-width: 180px;
  }
  .said {
    font-family: var(--serif);
  }
  .why {
    flex-basis: 100%;
    margin: 0;
    color: var(--faded);
    font-size: 14px;
  }
</style>
