<!-- Rounds: a place of the page, what a drafter proposes for it, what the guard has to say, and what came before. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import type { TaskName } from '@even-page/core/write';
  import { sayWhen } from '$lib/parts/moments.ts';
  import { count } from '$lib/parts/sizes.ts';
  import type { Piece } from '../../piece.svelte.ts';
  import type { Round } from '../../piece-data.ts';
  import type { Drafting } from './drafting.svelte.ts';
  import Parts from './Parts.svelte';
  import Paste from './Paste.svelte';
  import Proposal from './Proposal.svelte';
  import SideBySide from './SideBySide.svelte';
  import { TASK_SAYS } from './said.ts';
  import { selectedWords } from './target.ts';

  let { piece, drafting }: { piece: Piece; drafting: Drafting } = $props();

  let pasting = $state(false);
  let comparing = $state.raw<[Round, Round] | null>(null);
  let marked = $state<string[]>([]);

  onMount(() => {
    if (drafting.target.kind === 'section' && !drafting.rounds?.length) {
      const here = piece.page.sections[Math.max(0, piece.page.sectionHere)];
      // A page with nothing on it is drafted as a whole.
      drafting.turnTo(here ? { kind: 'section', id: here.id } : { kind: 'whole' });
    }
    if (!drafting.brief) drafting.soon();
  });

  const { target } = $derived(drafting);
  const sections = $derived(piece.page.sections);
  const section = $derived(target.kind === 'section' ? sections.find((s) => s.id === target.id) : undefined);
  const aim = $derived(drafting.brief?.outline.find((p) => p.id === section?.id)?.words ?? 0);
  const own = $derived(drafting.roundsOf(target));
  const shown = $derived(drafting.shown);
  const earlier = $derived(own.filter((r) => r.id !== shown?.id));
  const running = $derived(drafting.running);
  const isHere = $derived(running && JSON.stringify(running.target) === JSON.stringify(target));

  const selected = $derived.by(() => {
    void piece.page.caretTick;
    return selectedWords(piece.page);
  });
  const value = $derived(target.kind === 'section' ? target.id : target.kind);

  function choose(name: string) {
    pasting = false;
    marked = [];
    if (name === 'whole') drafting.turnTo({ kind: 'whole' });
    else if (name === 'words') drafting.turnToSelection();
    else {
      drafting.turnTo({ kind: 'section', id: name });
      const n = sections.findIndex((s) => s.id === name);
      if (n >= 0) piece.page.goToSection(n);
    }
  }

  const REWRITES: readonly TaskName[] = ['shorter', 'longer', 'simpler'];
  const OF_ALL: readonly TaskName[] = ['outline', 'introduction', 'conclusion', 'questions', 'check'];
  const FORMS: readonly TaskName[] = ['list', 'steps', 'table', 'join', 'voice'];
  const canRewrite = $derived(target.kind !== 'whole' && (!!shown || (section?.words ?? 0) > 0 || target.kind === 'words'));
  const cannotAsk = $derived(!!running || !drafting.drafter);
  const says = (round: Round) =>
    `${round.wish ? `“${round.wish}”` : TASK_SAYS[round.task]}${round.drafter === 'by hand' ? ', by hand' : ''}, ${
      round.taken ? `${round.taken === 'part' ? 'a part ' : ''}taken ${sayWhen(new Date(round.takenAt!))}` : ended(round)
    }`;
  const ended = (round: Round) =>
    ({ working: 'broken off', done: sayWhen(new Date(round.askedAt)), stopped: 'stopped', failed: 'failed' })[round.state];
  const number = (round: Round) => own.length - own.indexOf(round);

  function mark(id: string) {
    marked = marked.includes(id) ? marked.filter((m) => m !== id) : [...marked, id].slice(-2);
  }
  function sideBySide() {
    const [a, b] = marked.map((id) => own.find((r) => r.id === id));
    if (a && b) comparing = [a, b];
  }
</script>

{#snippet tasks(label: string, all: readonly TaskName[])}
  <select
    class="entry"
    aria-label={label}
    disabled={cannotAsk}
    value=""
    onchange={(e) => {
      const task = e.currentTarget.value as TaskName;
      e.currentTarget.value = '';
      void drafting.ask(task);
    }}
  >
    <option value="" disabled>{label}</option>
    {#each all as task (task)}<option value={task}>{TASK_SAYS[task]}</option>{/each}
  </select>
{/snippet}

<div class="bar">
  <label
    ><span class="sr">What is drafted</span>
    <select class="entry place" {value} onchange={(e) => choose(e.currentTarget.value)}>
      {#each sections as s, n (s.id)}<option value={s.id}>{n + 1}. {s.heading || 'Opening'}</option>{/each}
      <option value="words" disabled={!selected && target.kind !== 'words'}>the words selected on the page</option>
      <option value="whole">the whole post</option>
    </select></label
  >
  {#if section}
    <span class="muted small">{count(section.words, 'word')} now{aim ? `, aim ${aim}` : ''}</span>
  {/if}
  <span class="end">
    {#if piece.drafters.length > 1}
      <label
        ><span class="sr">Drafter</span>
        <select class="entry" bind:value={drafting.drafter}>
          {#each piece.drafters as d (d.id)}<option value={d.id}>{d.name}</option>{/each}
        </select></label
      >
    {:else}<span class="muted small">{drafting.drafterName}{shown?.seconds ? `, ${shown.seconds.toFixed(1)} s` : ''}</span>{/if}
  </span>
</div>

<div class="scroll">
  {#if drafting.sorry}<p class="note sorry" role="alert">{drafting.sorry}</p>{/if}
  {#if drafting.left > 0}
    <div class="bar" role="status">
      <span>Drafting one by one, {drafting.left} to go</span><button class="quiet end" onclick={() => drafting.stop()}>Stop</button>
    </div>
  {/if}
  {#if isHere && running}
    <div class="bar">
      <span role="status">{running.text ? 'Writing…' : 'Asked, waiting for the first words…'}</span>
      {#if !drafting.left}<button class="quiet end" onclick={() => drafting.stop()}>Stop</button>{/if}
    </div>
    <p class="coming words">{running.text.replace(/\s*\[(?:p\d+|none)[^\]]*\]/gi, '')}</p>
  {:else if pasting}
    <Paste {drafting} ondone={() => (pasting = false)} />
  {:else if shown}
    {#key `${shown.id}:${drafting.part}`}
      {#if shown.task === 'check'}
        <p class="coming words">{shown.answer || shown.notes.join(' ')}</p>
      {:else if target.kind === 'whole' && drafting.part === null}
        <Parts {piece} {drafting} round={shown} />
      {:else}
        <Proposal {piece} {drafting} round={shown} />
      {/if}
    {/key}
  {:else if !drafting.rounds}
    <p class="note" role="status">Fetching the rounds…</p>
  {:else}
    <p class="note">
      {#if target.kind === 'whole'}Nothing was drafted for the whole post yet. One section at a time gives longer and deeper text.
      {:else if target.kind === 'words'}The words you selected: choose what should become of them.
      {:else}Nothing was proposed for “{section?.heading || 'the opening'}” yet. A draft stands here first, never on the page by itself.{/if}
    </p>
  {/if}
  {#if !isHere && !pasting}
    <div class="asks">
      {#if target.kind !== 'words'}
        <button
          class={shown ? 'quiet' : 'act'}
          disabled={cannotAsk}
          onclick={() => void drafting.ask(target.kind === 'whole' ? 'whole' : 'section')}
          >{shown ? 'Another' : target.kind === 'whole' ? 'Draft the whole post' : 'Draft this section'}</button
        >
      {/if}
      {#if canRewrite}
        {#each REWRITES as task (task)}
          <button class="quiet" disabled={cannotAsk} onclick={() => void drafting.ask(task)}>{TASK_SAYS[task]}</button>
        {/each}
        {@render tasks('In another form', FORMS)}
      {/if}
      {#if target.kind === 'whole'}
        {@render tasks('For the whole post', OF_ALL)}
      {/if}
      {#if target.kind === 'section' && !shown && sections.length > 1}
        <button class="quiet" disabled={cannotAsk} onclick={() => void drafting.draftAll()}>Draft all {sections.length}</button>
      {/if}
      <button class="word end" onclick={() => (pasting = true)}>Paste an answer</button>
    </div>
    {#if canRewrite}
      <form
        class="wish"
        onsubmit={(e) => {
          e.preventDefault();
          const field = e.currentTarget.elements.namedItem('wish') as HTMLInputElement;
          if (field.value.trim()) void drafting.ask('own', target, field.value.trim());
        }}
      >
        <label for="wish" class="muted">Ask for</label>
        <input class="line" id="wish" name="wish" maxlength="1000" placeholder="a change, in your own words" />
        <button class="quiet" disabled={cannotAsk}>Ask</button>
      </form>
    {/if}
    {#if !piece.drafters.length}
      <p class="note">No drafter is set up: add one under House, or copy the brief as text, ask any service, and paste its answer.</p>
    {/if}
  {/if}
  {#if earlier.length}
    <section aria-label="Rounds">
      <div class="bar">
        <h2>Rounds</h2>
        {#if marked.length === 2}<button class="quiet end" onclick={sideBySide}>Side by side</button>
        {:else if own.length > 1}<span class="muted small end">mark two to see them side by side</span>{/if}
      </div>
      <ol>
        {#each own as round (round.id)}
          <li class:on={round.id === shown?.id}>
            <input
              type="checkbox"
              checked={marked.includes(round.id)}
              onchange={() => mark(round.id)}
              aria-label="Mark round {number(round)}"
            />
            <button
              class="round"
              aria-pressed={round.id === shown?.id}
              onclick={() => ((drafting.chosen = round.id), (drafting.part = null))}>{number(round)}. {says(round)}</button
            >
            <span class="muted small">{round.drafter}</span>
          </li>
        {/each}
      </ol>
    </section>
  {/if}
</div>
{#if comparing}<SideBySide {piece} {drafting} rounds={comparing} onclose={() => (comparing = null)} />{/if}

<style>
  .place {
    max-width: 260px;
  }
  .coming {
    padding: 12px 20px;
    white-space: pre-line;
  }
  .sorry {
    margin: 0;
  }
  .asks {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    align-items: center;
    padding: 12px 20px 6px;
  }
  .end {
    margin-left: auto;
  }
  .wish {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr) auto;
    gap: 12px;
    align-items: baseline;
    padding: 6px 20px 14px;
  }
  section {
    border-top: 1px solid var(--hair);
  }
  li {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr) auto;
    gap: 10px;
    align-items: baseline;
    padding: 5px 20px;
    border-bottom: 1px solid var(--hair);
  }
  li.on {
    background: var(--bottle-tint);
  }
  li input {
    accent-color: var(--bottle);
  }
  .round {
    text-align: left;
    overflow-wrap: anywhere;
  }
  .round:hover {
    color: var(--bottle);
  }
</style>
