<!-- The draft held against what is found for its main phrase today. -->
<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { schema } from '@even-page/core/post/schema';
  import { plainHeading } from '@even-page/core/language/plain-heading';
  import { roomAt } from '@even-page/core/yardstick';
  import { showTime } from '@even-page/core/language/times';
  import Chips from '$lib/parts/Chips.svelte';
  import Gravity from '$lib/parts/Gravity.svelte';
  import { count } from '$lib/parts/sizes.ts';
  import type { Piece } from '../piece.svelte.ts';
  import Strip from './Strip.svelte';
  import type { YardstickInHand } from './yardstick-in-hand.svelte.ts';

  let { piece, yardstick }: { piece: Piece; yardstick: YardstickInHand } = $props();

  const LOOK_AFTER_MS = 200;
  const SHOWN_AT_FIRST = 20;

  let show = $state<'missing' | 'treated' | 'crammed'>('missing');
  let phrase = $state(untrack(() => yardstick.phrase));
  let addresses = $state('');
  let most = $state(SHOWN_AT_FIRST);
  let timer: ReturnType<typeof setTimeout> | undefined;

  onMount(() => {
    void yardstick.load();
    return () => clearTimeout(timer);
  });
  $effect(() => {
    void piece.page.tick;
    void piece.details.title;
    untrack(() => {
      clearTimeout(timer);
      timer = setTimeout(() => void yardstick.look(), LOOK_AFTER_MS);
    });
  });

  const { kept, said, stand, taken } = $derived(yardstick);
  const treated = $derived(new Set(stand?.treated));
  const missing = $derived(said?.matters.filter(({ id }) => !treated.has(id)) ?? []);
  const matters = $derived(show === 'treated' ? (said?.matters.filter(({ id }) => treated.has(id)) ?? []) : missing);
  const crammed = $derived(stand?.terms.filter((term) => term.state === 'crammed') ?? []);
  const unused = $derived(stand?.terms.filter((term) => term.state === 'missing') ?? []);
  const headings = $derived.by(() => {
    void piece.page.tick;
    return new Set(piece.page.doc.children.filter((b) => b.type.name === 'heading').map((b) => plainHeading(b.textContent)));
  });
  const inBrief = $derived(new Set(piece.details.brief?.phrases));
  const room = $derived(
    kept?.pages.flatMap((p) => {
      const why = roomAt(
        p.page,
        kept.pages.map(({ page }) => page),
        new Date(p.readAt).toISOString(),
      );
      return why.length ? [{ ...p, why }] : [];
    }) ?? [],
  );

  function setPhrase(event: SubmitEvent) {
    event.preventDefault();
    yardstick.phrase = phrase.trim();
    void yardstick.load();
  }

  function readPages(event: SubmitEvent) {
    event.preventDefault();
    const named = addresses.split(/\s+/).filter(Boolean);
    if (named.length) void yardstick.make(named);
  }

  /** Puts a heading of one's own for a matter behind the last section that is no standing part. */
  function intoOutline(matter: (typeof missing)[number]) {
    const { doc } = piece.page;
    let at = doc.content.size;
    for (let n = doc.childCount - 1, pos = at; n >= 0; n--) {
      pos -= doc.child(n).nodeSize;
      if (!doc.child(n).attrs.part) break;
      at = pos;
    }
    const spoken = yardstick.spoken[matter.id];
    const note = [
      `${matter.pages.length} of ${taken.length} pages treat it: ${matter.words.slice(0, 5).join(', ')}`,
      spoken?.startMs === undefined ? '' : `said at ${showTime(spoken.startMs)}`,
    ];
    piece.page.insertBlocks(
      [schema.nodes.heading.create({ level: 2, note: note.filter(Boolean).join('; ') }, schema.text(matter.own))],
      at,
    );
  }

  function intoBrief(term: string) {
    piece.details.brief = { ...piece.details.brief, phrases: [...(piece.details.brief?.phrases ?? []), term], unusedToQuestions: true };
  }

  function under(matter: (typeof missing)[number]): string {
    const spoken = yardstick.spoken[matter.id];
    return [
      `${matter.pages.length} of ${count(taken.length, 'page')}${matter.headed ? `, ${matter.headed} as a heading` : ''}`,
      spoken
        ? (spoken.startMs === undefined ? 'in your material' : `said at ${showTime(spoken.startMs)}`) +
          (show === 'missing' ? ', not used yet' : '')
        : '',
    ]
      .filter(Boolean)
      .join('; ');
  }
</script>

{#if !yardstick.phrase}
  <form class="ask" onsubmit={setPhrase}>
    <label for="main-phrase">Which words would people look for to find this post?</label>
    <input id="main-phrase" class="line" bind:value={phrase} maxlength="120" placeholder="sharpening a kitchen knife" />
    <button class="act" disabled={phrase.trim().length < 2}>Hold it against what they find</button>
  </form>
{:else if yardstick.isBusy && !stand}
  <p class="note" role="status">Reading the pages …</p>
{:else if !taken.length}
  <form class="ask" onsubmit={readPages}>
    <p>Nothing to hold it against yet for <b>{yardstick.phrase}</b>.</p>
    <p class="muted">A yardstick is a handful of pages that people find today: what they treat, how long they are, where yours stands.</p>
    <div>
      <button type="button" class="act" disabled={yardstick.isBusy} onclick={() => void yardstick.make()}>Ask the result list</button>
    </div>
    <label for="reference">or name the pages, one a line</label>
    <textarea id="reference" rows="3" bind:value={addresses} placeholder="https://" spellcheck="false"></textarea>
    <div><button class="quiet" disabled={!addresses.trim() || yardstick.isBusy}>Read these pages</button></div>
    {#if yardstick.sorry}<p class="sorry" role="alert">{yardstick.sorry}</p>{/if}
    {#each yardstick.left as sentence (sentence)}<p class="muted small">{sentence}</p>{/each}
  </form>
{:else if stand && said}
  <p class="stand">
    Treats <b>{treated.size} of {said.matters.length}</b> matters. The middle page treats {Math.round(stand.matters.middle)}, the best {stand
      .matters.most}.
    {#if treated.size >= stand.matters.most}More is of no use.{/if}
  </p>
  <div class="strips">
    {#each stand.strips as strip (strip.measure)}<Strip {strip} />{/each}
  </div>
  <div class="bar">
    <h2>Matters</h2>
    <Chips
      label="Which matters"
      isOne
      choices={[
        { name: 'missing', label: `missing ${missing.length}` },
        { name: 'treated', label: `treated ${treated.size}` },
        { name: 'crammed', label: `too often ${crammed.length}` },
      ]}
      chosen={[show]}
      onchoose={([one]) => (show = one!)}
    />
  </div>
  {#if show === 'crammed'}
    {#each crammed as term (term.key)}
      <div class="item">
        <Gravity gravity="look" /><span
          ><b>{term.text}</b>
          <span class="says">{count(term.draft, 'time')} here; on the pages {term.spread.least} to {term.spread.most}</span></span
        >
      </div>
    {:else}
      <p class="note">No term stands here more often than on any page.</p>
    {/each}
  {:else}
    {#each matters.slice(0, most) as matter (matter.id)}
      <div class="item">
        <Gravity gravity={show === 'missing' ? 'look' : 'fine'} /><span
          ><b>{matter.name}</b>
          <span class="says">{under(matter)}</span></span
        >
        {#if show === 'missing'}
          {#if headings.has(plainHeading(matter.own))}<span class="muted small">in the outline</span>
          {:else}<button class="word" title="As “{matter.own}”" onclick={() => intoOutline(matter)}>into outline</button>{/if}
        {/if}
      </div>
    {:else}
      <p class="note">{show === 'missing' ? 'Nothing is missing that several pages treat.' : 'None yet.'}</p>
    {/each}
    {#if matters.length > most}
      <p class="note"><button class="word" onclick={() => (most += SHOWN_AT_FIRST)}>Show more</button></p>
    {/if}
  {/if}
  {#if unused.length}
    <details>
      <summary>{count(unused.length, 'term')} of the pages not used here</summary>
      {#each unused.slice(0, 40) as term (term.key)}
        <div class="item">
          <Gravity gravity="look" /><span
            ><b>{term.text}</b>
            <span class="says">{term.pages} of {count(taken.length, 'page')}{term.headings ? `, ${term.headings} in a heading` : ''}</span
            ></span
          >
          {#if inBrief.has(term.text)}<span class="muted small">in the brief</span>
          {:else}<button class="word" onclick={() => intoBrief(term.text)}>into the brief</button>{/if}
        </div>
      {/each}
    </details>
  {/if}
  {#if said.links.length}
    <details>
      <summary>{count(said.links.length, 'place')} that most pages link to</summary>
      {#each said.links.slice(0, 20) as link (link.address)}
        <p class="note"><a href={link.address} target="_blank" rel="noreferrer">{link.address}</a> from {count(link.pages, 'page')}</p>
      {/each}
    </details>
  {/if}
  {#if room.length}
    <details>
      <summary>Room: {count(room.length, 'page')} a better one could come in for</summary>
      {#each room as { id, page, why } (id)}<p class="note">{page.title || 'A page'}: {why.join('; ')}</p>{/each}
    </details>
  {/if}
  {#if yardstick.sorry}<p class="sorry" role="alert">{yardstick.sorry}</p>{/if}
  {#each yardstick.left as sentence (sentence)}<p class="note">{sentence}</p>{/each}
{:else}
  <p class="note">{yardstick.sorry}</p>
{/if}

<style>
  .ask {
    display: grid;
    gap: 10px;
    justify-items: start;
    padding: 18px 20px;
  }
  .ask p {
    margin: 0;
  }
  input,
  textarea {
    width: 100%;
  }
  .stand {
    margin: 0;
    padding: 12px 20px;
    border-bottom: 1px solid var(--hair);
    font-family: var(--serif);
    font-size: 16px;
  }
  .strips {
    padding: 8px 0;
    border-bottom: 1px solid var(--hair);
  }
  h2 {
    font-size: 15px;
    font-weight: 600;
  }
  details {
    border-top: 1px solid var(--hair);
  }
  summary {
    padding: 11px 20px;
    color: var(--faded);
    cursor: pointer;
  }
</style>
