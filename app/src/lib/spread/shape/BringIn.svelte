<!-- An outline or a draft from elsewhere: pasted or from a file, shown as a plan, then put onto the page with one click. -->
<script lang="ts">
  import { wordCount } from '@even-page/core/language/words';
  import { postFromHtml } from '@even-page/core/post/html';
  import { withIds } from '@even-page/core/post/ids';
  import { docFromJSON, schema } from '@even-page/core/post/schema';
  import { outlineOf } from '@even-page/core/post/sections';
  import { type Incoming, incomingFrom, incomingFromText } from '@even-page/core/shape';
  import { newBlockId } from '$lib/block-id.ts';
  import FileChooser from '$lib/parts/FileChooser.svelte';
  import { count } from '$lib/parts/sizes.ts';
  import { core } from '$lib/workers/core.ts';
  import type { Plan } from '$lib/workers/core.worker.ts';
  import type { Piece } from '../piece.svelte.ts';

  let { piece, open = $bindable() }: { piece: Piece; open: boolean } = $props();

  let plan = $state.raw<Plan | null>(null);
  let says = $state('');

  const outline = $derived.by(() => {
    void piece.page.tick;
    return outlineOf(piece.page.doc).filter((p) => p.id !== 'lead' || piece.page.hasWords);
  });
  const homeless = $derived(plan?.planned.filter((p) => !p.match).length ?? 0);
  const wordsOf = ({ blocks }: Plan['parts'][number]) =>
    blocks.reduce<number>((sum, b) => sum + wordCount(schema.nodeFromJSON(b).textContent), 0);
  const HOW = { same: 'the same heading', near: 'says the same', content: 'by what it says' } as const;

  async function take(read: () => Incoming[] | Promise<Incoming[]>) {
    says = '';
    try {
      const parts = (await read()).map((part) => ({ ...part, blocks: part.blocks.map((b) => b.toJSON() as object) }));
      if (!parts.length) says = 'There is nothing in it to put onto the page.';
      else {
        const found = await core().plan(piece.page.doc.toJSON() as object, parts);
        // A page with nothing on it has no homes: all of a draft is new.
        plan = piece.page.hasWords ? found : { ...found, planned: found.planned.map(({ match }) => ({ match, filing: { to: 'new' } })) };
      }
    } catch (cause) {
      says = cause instanceof Error ? cause.message : 'This could not be read.';
    }
  }

  function pasted(event: ClipboardEvent) {
    const html = event.clipboardData?.getData('text/html');
    const text = event.clipboardData?.getData('text/plain') ?? '';
    event.preventDefault();
    void take(() => (html && /<(?:h[1-6]|ul|ol)[\s>]/i.test(html) ? incomingFrom(postFromHtml(html)) : incomingFromText(text)));
  }

  async function files([file]: File[]) {
    if (!file) return;
    await take(async () => (await import('./read-outline-file.ts')).readOutlineFile(file));
  }

  function file(n: number, value: string) {
    const filing: Plan['planned'][number]['filing'] = value === 'new' || value === 'nowhere' ? { to: value } : { to: 'below', home: value };
    plan = { ...plan!, planned: plan!.planned.map((p, i) => (i === n ? { ...p, filing } : p)) };
  }

  async function carryOut() {
    const before = piece.page.doc;
    const done = await core().carryOut(before.toJSON() as object, plan!);
    // What was typed meanwhile is not written over.
    if (piece.page.doc !== before) return;
    piece.page.replacePage(withIds(docFromJSON(done), newBlockId));
    close();
  }

  function close() {
    plan = null;
    says = '';
    open = false;
  }

  const goes = $derived(plan?.planned.filter((p) => p.filing.to !== 'nowhere').length ?? 0);
  const nameOf = (id: string) => outline.find((p) => p.id === id)?.heading || 'Introduction';
</script>

<section class="bring" aria-label="An outline or a draft from elsewhere">
  {#if !plan}
    <textarea
      class="entry"
      rows="3"
      aria-label="Paste an outline or a draft"
      placeholder="Paste an outline or a draft here: headings, a list, lines set in, or a whole text"
      onpaste={pasted}
      onchange={(e) => void take(() => incomingFromText(e.currentTarget.value))}></textarea>
    <div class="acts">
      <FileChooser label="Choose an outline or a draft" accept=".opml,.md,.txt,.html,.docx,.odt,.rtf" onfiles={(f) => void files(f)}>
        {#snippet children(choose)}<button class="quiet" onclick={choose}>Choose a file</button>{/snippet}
      </FileChooser>
      <button class="quiet" onclick={close}>Not now</button>
      {#if says}<span class="muted" role="status">{says}</span>{/if}
    </div>
  {:else}
    <p>
      {#if plan.isDraft}
        {count(plan.parts.length, 'part')}{homeless && piece.page.hasWords ? `, ${homeless} without a home on the page` : ''}. Each goes to
        the end of the section named beside it.
      {:else}
        {count(plan.parts.length, 'heading')}: {count(goes, 'new one')}. What the page has already stays as it is.
      {/if}
    </p>
    <ol aria-label="The plan">
      {#each plan.parts as part, n (n)}
        {@const { match, filing } = plan.planned[n]!}
        <li style="--in:{part.level - 2}">
          <span class="what"
            ><b class:role={!part.heading}>{part.heading || 'Before the first heading'}</b>
            {#if plan.isDraft}<span class="mono muted">{wordsOf(part)}</span>{/if}</span
          >
          {#if plan.isDraft || match?.how !== 'same'}
            <select
              class="entry"
              aria-label="Where “{part.heading || 'what stands before the first heading'}” goes"
              onchange={(e) => file(n, e.currentTarget.value)}
            >
              {#if plan.isDraft}
                {#each outline as home (home.id)}
                  <option value={home.id} selected={filing.to === 'below' && filing.home === home.id}
                    >{home.heading || 'Introduction'}{match?.home === home.id ? `, ${HOW[match.how]}` : ''}</option
                  >
                {/each}
              {/if}
              <option value="new" selected={filing.to === 'new'}>{plan.isDraft ? 'A section of its own' : 'New, here'}</option>
              <option value="nowhere" selected={filing.to === 'nowhere'}
                >{!match
                  ? plan.isDraft
                    ? 'No home yet: leave it out'
                    : 'Leave it out'
                  : plan.isDraft
                    ? 'Leave it out'
                    : `Says what “${nameOf(match.home)}” says`}</option
              >
            </select>
          {:else}
            <span class="muted">is there</span>
          {/if}
        </li>
      {/each}
    </ol>
    <div class="acts">
      <button class="act" disabled={!goes} onclick={() => void carryOut()}
        >{plan.isDraft ? `File ${count(goes, 'part')}` : `Add ${count(goes, 'heading')}`}</button
      >
      <button class="quiet" onclick={close}>Not now</button>
      <span class="muted small">Undo (Ctrl Z) takes it back.</span>
    </div>
  {/if}
</section>

<style>
  .bring {
    display: grid;
    gap: 10px;
    padding: 12px 20px;
    border-bottom: 1px solid var(--hair);
    background: color-mix(in srgb, var(--paper) 40%, var(--leaf));
  }
  textarea {
    width: 100%;
    padding: 8px 10px;
  }
  p {
    margin: 0;
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 8px;
  }
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    align-items: center;
    gap: 10px;
    min-height: 34px;
    padding-left: calc(var(--in) * 20px);
    border-bottom: 1px dotted var(--hair);
  }
  .what {
    overflow-wrap: anywhere;
  }
  .role {
    font-weight: 450;
    font-style: italic;
    color: var(--faded);
  }
</style>
