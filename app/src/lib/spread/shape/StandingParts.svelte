<!-- Parts a post often has besides its sections, each made of what stands on the page with one click. -->
<script lang="ts">
  import { isSafeAddress } from '@even-page/core/post/address';
  import { withIds } from '@even-page/core/post/ids';
  import { docFromJSON } from '@even-page/core/post/schema';
  import { STANDING_PARTS, type StandingPart } from '@even-page/core/shape';
  import { newBlockId } from '$lib/block-id.ts';
  import { core } from '$lib/workers/core.ts';
  import type { Piece } from '../piece.svelte.ts';

  let { piece }: { piece: Piece } = $props();

  let says = $state('');
  let stepping = $state(false);
  let words = $state('');
  let address = $state('');
  const SORRY: Record<StandingPart, string> = {
    introduction: 'Nothing before the first heading says what this is about.',
    keyPoints: 'No sentence under a heading says enough by itself.',
    questions: 'Nothing is asked and answered on the page.',
    conclusion: 'No sentence of the page could stand for the rest.',
    closingQuestion: 'There are no words on the page to ask about.',
    nextStep: 'A next step needs words and a web address.',
    signOff: '',
  };
  const parts = $derived.by(() => {
    void piece.page.tick;
    const made = new Set(piece.page.doc.children.map((block) => block.attrs.part as string | undefined));
    return Object.entries(STANDING_PARTS).map(([name, part]) => ({
      name: name as StandingPart,
      label: part.label,
      isThere:
        made.has(name) || ('heading' in part && name !== 'conclusion' && piece.page.sections.some((s) => s.heading === part.heading)),
    }));
  });
  // How the speaker took leave: the sign-offs of the material, which stay out of its sections.
  const farewell = $derived(
    piece.material.sources
      .flatMap((s) => (s.proposed ?? []).filter((e) => e.kind === 'asides' && e.reason === 'A sign-off'))
      .slice(-1)
      .map((e) => sentence(e.before))
      .join(' '),
  );

  // Something to begin with: where the recording was published, the first link on the page, or the first outlet.
  function stepFirst() {
    stepping = !stepping;
    if (!stepping || words || address) return;
    const published = piece.material.sources.find((s) => s.published?.address)?.published;
    const [outlet] = piece.outlets;
    let link = '';
    piece.page.doc.descendants((node) => {
      link ||= (node.marks.find((m) => m.type.name === 'link')?.attrs.href as string | undefined) ?? '';
      return !link;
    });
    if (published) [words, address] = [`Watch ${published.title || 'the recording'}`, published.address];
    else if (link) [words, address] = ['Read on', link];
    else if (outlet) [words, address] = [`Read more on ${outlet.name}`, new URL('/', outlet.endpoint).href];
  }

  function sentence(said: string): string {
    const text = said.replace(/\s+/g, ' ').trim().replace(/[,;]$/, '');
    return text && `${text.charAt(0).toUpperCase()}${text.slice(1)}${/[.!?]$/.test(text) ? '' : '.'}`;
  }

  async function put(name: StandingPart) {
    const before = piece.page.doc;
    const step = { words, address };
    const found = await core().withStandingPart(before.toJSON() as object, name, { step, farewell });
    // What was typed meanwhile is not written over.
    if (piece.page.doc !== before) return;
    says = found ? '' : SORRY[name];
    if (!found) return;
    piece.page.replacePage(withIds(docFromJSON(found), newBlockId));
    if (name === 'nextStep') stepping = false;
  }
</script>

<div class="parts">
  <span class="muted">Standing parts</span>
  {#each parts as part (part.name)}
    <button class="quiet" onclick={() => (part.name === 'nextStep' ? stepFirst() : void put(part.name))}
      >{part.label}{part.isThere ? ' anew' : ''}</button
    >
  {/each}
  {#if stepping}
    <form
      onsubmit={(e) => {
        e.preventDefault();
        void put('nextStep');
      }}
    >
      <label
        >What readers can do now<input
          class="entry"
          bind:value={words}
          maxlength="120"
          placeholder="Book a place at the bench"
          required
        /></label
      >
      <label>Its address<input class="entry" bind:value={address} type="url" placeholder="https://" required /></label>
      <button class="act" disabled={!words.trim() || !isSafeAddress(address)}>Put it in</button>
    </form>
  {/if}
  {#if says}<p class="muted" role="status">{says}</p>{/if}
</div>

<style>
  .parts {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 8px;
    padding: 10px 20px;
    border-bottom: 1px solid var(--hair);
    font-size: 14px;
  }
  form {
    flex-basis: 100%;
    display: flex;
    flex-wrap: wrap;
    align-items: end;
    gap: 8px 12px;
  }
  label {
    flex: 1 1 160px;
    display: grid;
    gap: 2px;
    font-size: 13px;
    color: var(--faded);
  }
  input {
    width: 100%;
    min-height: 30px;
  }
  p {
    flex-basis: 100%;
    margin: 0;
  }
</style>
