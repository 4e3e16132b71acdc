<!-- The account: what one press did, in counts, each a way to where it can be looked at; and what wants the writer. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { showTime } from '@even-page/core/language/times';
  import { LEAST_NEEDED } from '@even-page/core/shape';
  import { editKey, flowOf, passageAt } from '@even-page/core/tidy';
  import Gravity from '$lib/parts/Gravity.svelte';
  import { count, figure } from '$lib/parts/sizes.ts';
  import type { Step } from '$lib/steps.ts';
  import type { Piece } from './piece.svelte.ts';

  let { piece }: { piece: Piece } = $props();

  // What was taken back is shown until another leaf stands here.
  let last = untrack(() => piece.making.made!);
  const made = $derived.by(() => (last = piece.making.made ?? last));

  const TOLD = { you: 'told to “you”', we: 'told by “we”', i: 'told as it was said', 'as-said': 'as said' } as const;
  const KINDS = {
    sentences: 'marks',
    paragraphs: 'paragraphs',
    fillers: 'fillers',
    doubled: 'doubled',
    names: 'names',
    spacing: 'spacing',
    junk: 'junk',
  } as const;
  const MOST_TO_HEAR = 3;

  const making = $derived(piece.making);
  const account = $derived(made.account);
  const took = $derived([...made.took.values()].flat());
  const kinds = $derived(
    Object.entries(KINDS)
      .map(([kind, label]) => ({ label, n: took.filter((e) => e.kind === kind).length }))
      .filter(({ n }) => n)
      .map(({ label, n }) => `${label} ${figure(n)}`)
      .join(', '),
  );
  const outWords = $derived(
    account.out
      .map(({ reason, words }) => `${reason === LEAST_NEEDED ? 'least needed' : reason.toLowerCase()} ${figure(words)}`)
      .join(', '),
  );
  const filled = $derived([...made.filled, ...(account.lists ? [count(account.lists, 'list') + ' of steps'] : [])].join(', '));
  const toHear = $derived(
    piece.material.sources.flatMap((s) => {
      const heard = new Set(s.edits.map(editKey));
      const flow = flowOf(s.source);
      return (s.proposed ?? [])
        .filter((e) => e.kind === 'suspect' && !heard.has(editKey(e)))
        .map((edit) => {
          const passage = passageAt(flow, edit.from);
          return { source: s.id, passage, edit, startMs: s.source.passages[passage]?.startMs };
        });
    }),
  );
  let showsOut = $state(false);
  let showsFacts = $state(false);
  const toConfirm = $derived(made.facts.reduce((sum, fact) => sum + fact.says.length, 0));
  const hasKeyPoints = $derived.by(() => {
    void piece.page.tick;
    return piece.page.doc.children.some((block) => block.attrs.part === 'keyPoints');
  });
  let words = $state(0);
  let says = $state('');
  const wanted = $derived(words || account.words);
  const wants = $derived(
    account.unsure.length + Math.min(MOST_TO_HEAR, toHear.length) + (made.facts.length ? 1 : 0) + (made.leftOut.length ? 1 : 0),
  );

  const go = (step: Step) => {
    making.shown = false;
    piece.goTo(step);
  };
</script>

{#snippet done(says: string, rest: string, step: Step, label: string)}
  <li class="row">
    <Gravity gravity="fine" />
    <div>
      <b>{says}</b>{#if rest}<span class="rest">{rest}</span>{/if}
    </div>
    <button class="word" onclick={() => go(step)}>{label}</button>
  </li>
{/snippet}

<div class="bar">
  <h2>Account</h2>
  <span class="muted"
    >made in {made.seconds.toFixed(1)} s from {piece.material.sources.length === 1
      ? piece.material.sources[0]!.name
      : count(piece.material.sources.length, 'source')}</span
  >
  <div class="end acts">
    <button class="quiet" onclick={() => making.takeBack()}>Take it all back</button>
  </div>
</div>
<div class="scroll">
  <ul aria-label="What was done">
    {#if took.length}{@render done(`${count(took.length, 'repair')} taken`, kinds, 'tidy', 'Tidy')}{/if}
    {#if account.person !== 'as-said'}{@render done(
        `As written, ${TOLD[account.person]}`,
        `${figure(account.changed)} of ${count(account.sentences, 'sentence')} changed; each can be turned back`,
        'tidy',
        'Tidy',
      )}{/if}
    {@render done(
      `${count(account.sections, 'section')}, ${figure(account.words)} of ${count(account.said, 'word')}`,
      outWords && `left out: ${outWords}`,
      'shape',
      'Shape',
    )}
    {#if filled || made.titles.length > 1}
      <li class="row">
        <Gravity gravity="fine" />
        <div>
          <b>{filled ? filled.charAt(0).toUpperCase() + filled.slice(1) : 'Title'}</b>
          {#if filled}<span class="rest">from the opening and from what was counted</span>{/if}
          {#if made.titles.length > 1}
            <span class="choices" role="group" aria-label="Titles for this page">
              {#each made.titles as title (title)}<button
                  class="chip"
                  aria-pressed={title === piece.details.title}
                  onclick={() => making.entitle(title)}>{title}</button
                >{/each}
            </span>
          {/if}
        </div>
        <button class="word" onclick={() => go('write')}>Write</button>
      </li>
    {/if}
  </ul>
  <div class="again">
    <label
      >Length <input type="number" min="50" step="50" value={wanted} oninput={(e) => (words = Number(e.currentTarget.value))} /> words</label
    >
    <button class="quiet" disabled={!!making.busy || wanted < 1} onclick={() => void making.make(wanted)}>Make it again</button>
    <button class="word" disabled={!!making.busy} onclick={() => void making.make('all')}>All of it</button>
    {#if account.sections > 2 && !hasKeyPoints}
      <button class="word" onclick={async () => (says = (await making.addKeyPoints()) ? '' : 'No sentence says enough by itself.')}
        >Add key points</button
      >
      {#if says}<span class="muted" role="status">{says}</span>{/if}
    {/if}
    {#if making.sorry}<span class="sorry" role="alert">{making.sorry}</span>{/if}
    {#if making.busy}<span class="muted" role="status">{making.busy}…</span>{/if}
  </div>
  {#if wants}
    <h3>Wants you <span class="muted">{wants}</span></h3>
    <ul aria-label="What wants you">
      {#each account.unsure as { heading, headings }, i (i)}
        <li class="row">
          <Gravity gravity="look" />
          <div>
            <b>“{heading}” is no sure heading</b>
            <span class="choices" role="group" aria-label="Headings for this section">
              {#each headings as choice (choice)}<button
                  class="chip"
                  aria-pressed={choice === heading}
                  onclick={() => making.head(heading, choice)}>{choice}</button
                >{/each}
            </span>
          </div>
        </li>
      {/each}
      {#each toHear.slice(0, MOST_TO_HEAR) as { source, passage, edit, startMs } (editKey(edit))}
        <li class="row">
          <Gravity gravity="look" />
          <div>
            <b>Listen again{startMs === undefined ? '' : `: ${showTime(startMs)}`}</b>
            <span class="rest">“{edit.before.replace(/\s+/g, ' ').slice(0, 90)}”</span>
          </div>
          <button
            class="word"
            onclick={() => {
              go('tidy');
              piece.material.openSource = source;
              piece.material.shownPassage = { source, passage };
            }}>show</button
          >
        </li>
      {/each}
      {#if made.facts.length}
        <li class="row">
          <Gravity gravity="look" />
          <div>
            <b>{figure(toConfirm)} {toConfirm === 1 ? 'figure or name' : 'figures and names'} to confirm</b>
            <span class="rest">what is heard is easily misheard</span>
          </div>
          <button class="word" aria-expanded={showsFacts} onclick={() => (showsFacts = !showsFacts)}>{showsFacts ? 'close' : 'show'}</button
          >
        </li>
        {#if showsFacts}
          <li>
            <ul class="outs" aria-label="To confirm">
              {#each made.facts as fact (`${fact.source} ${fact.sentence.from}`)}
                <li>
                  <span class="mono slate">{fact.sentence.startMs === undefined ? '' : showTime(fact.sentence.startMs)}</span>
                  <span class="said"><b>{fact.says.join(', ')}</b><small>{fact.sentence.text}</small></span>
                  <span class="ways">
                    <button
                      class="word"
                      onclick={() => {
                        go('tidy');
                        piece.material.openSource = fact.source;
                        piece.material.shownPassage = { source: fact.source, passage: fact.sentence.first };
                      }}>show</button
                    >
                    <button class="word" onclick={() => making.confirm(fact)}>confirm</button>
                  </span>
                </li>
              {/each}
            </ul>
          </li>
        {/if}
      {/if}
      {#if made.leftOut.length}
        <li class="row">
          <Gravity gravity="look" />
          <div>
            <b>{count(made.leftOut.length, 'sentence')} left out</b>
            <span class="rest"
              >{account.out
                .map((o) => o.reason.toLowerCase())
                .slice(0, 3)
                .join(', ')}</span
            >
          </div>
          <button class="word" aria-expanded={showsOut} onclick={() => (showsOut = !showsOut)}>{showsOut ? 'close' : 'show'}</button>
        </li>
      {/if}
    </ul>
    {#if showsOut}
      <ul class="outs" aria-label="Left out">
        {#each made.leftOut as out (`${out.source} ${out.sentence.from}`)}
          <li>
            <span class="mono slate">{out.sentence.startMs === undefined ? '' : showTime(out.sentence.startMs)}</span>
            <span class="said">{out.sentence.wording?.said ?? out.sentence.text}<small>{out.reason}</small></span>
            <button class="word" onclick={() => making.bringBack(out)}>bring back</button>
          </li>
        {/each}
      </ul>
    {/if}
  {/if}
  <p class="note">
    Everything can be looked at and changed on the page. <button class="word" onclick={() => (making.shown = false)}
      >Close the account</button
    >
  </p>
</div>

<style>
  ul {
    border-bottom: 1px solid var(--hair);
  }
  .row {
    display: grid;
    grid-template-columns: 22px minmax(0, 1fr) auto;
    gap: 12px;
    align-items: start;
    padding: 12px 20px;
    border-bottom: 1px solid var(--hair);
  }
  .row:last-child {
    border-bottom: 0;
  }
  .row b {
    font-weight: 600;
  }
  .rest {
    display: block;
    margin-top: 2px;
    font-size: 14px;
    color: var(--faded);
    overflow-wrap: anywhere;
  }
  h3 {
    padding: 12px 20px;
    border-bottom: 1px solid var(--hair);
    font-weight: 600;
  }
  .choices {
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
    margin-top: 6px;
  }
  .again {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 8px 14px;
    padding: 10px 20px;
    border-bottom: 1px solid var(--hair);
    font-size: 14px;
  }
  .again input {
    width: 88px;
    margin-inline: 4px;
    padding: 4px 8px;
    border: 1px solid var(--hair);
    border-radius: 3px;
    background: var(--leaf);
    color: var(--ink);
  }
  .outs li {
    display: grid;
    grid-template-columns: 44px minmax(0, 1fr) auto;
    gap: 12px;
    align-items: baseline;
    padding: 5px 20px;
    content-visibility: auto;
    contain-intrinsic-size: auto 34px;
  }
  .ways {
    display: flex;
    gap: 12px;
  }
  .said {
    font: 15px/1.45 var(--serif);
    color: var(--faded);
  }
  .said small {
    display: block;
    font: 13px var(--sans);
  }
  .slate {
    color: var(--slate);
    text-align: right;
  }
  .note {
    padding: 12px 20px;
  }
</style>
