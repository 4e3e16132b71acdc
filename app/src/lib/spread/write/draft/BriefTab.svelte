<!-- The brief: what a draft should be. Filled in as far as the piece can tell; whatever the writer says stands. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { type Brief, LANGUAGES, PERSONS, PURPOSES, READERS, TEXTS, TONES } from '@even-page/core/post/brief';
  import { STANDING_PARTS } from '@even-page/core/shape';
  import Chips from '$lib/parts/Chips.svelte';
  import Gravity from '$lib/parts/Gravity.svelte';
  import { count, figure } from '$lib/parts/sizes.ts';
  import type { Piece } from '../../piece.svelte.ts';
  import BriefRow from './BriefRow.svelte';
  import BriefSections from './BriefSections.svelte';
  import BriefText from './BriefText.svelte';
  import type { Drafting } from './drafting.svelte.ts';
  import Patterns from './Patterns.svelte';

  let { piece, drafting, ondraft }: { piece: Piece; drafting: Drafting; ondraft: () => void } = $props();

  let asText = $state(false);

  // Whatever changes on the page or in the details may fill the brief in otherwise.
  $effect(() => {
    void [piece.page.tick, piece.details.title, piece.details.words, piece.material.tidied];
    untrack(() => drafting.soon());
  });

  const standing = $derived(drafting.brief);
  const brief = $derived(standing?.brief);
  const from = $derived(standing?.from ?? {});
  const own = $derived(piece.details.brief ?? {});
  const named = <T extends string>(names: readonly T[]) => names.map((name) => ({ name, label: name }));
  const PERSON = PERSONS.map((name) => ({ name, label: name === 'none' ? 'nobody' : name }));
  const PARTS = Object.entries(STANDING_PARTS).map(([name, { label }]) => ({ name, label: label.toLowerCase() }));

  const text = (name: 'subject' | 'phrase' | 'readers' | 'voice' | 'unsaid' | 'sample') => ({
    value: brief?.[name] ?? '',
    onchange: (event: Event) => drafting.say({ [name]: (event.currentTarget as HTMLInputElement).value.trim() || undefined }),
  });
  const lines = (name: 'phrases' | 'never' | 'links') => ({
    value: (own[name] ?? []).join('\n'),
    onchange: (event: Event) => {
      const said = (event.currentTarget as HTMLTextAreaElement).value.split('\n').map((line) => line.trim());
      drafting.say({ [name]: said.some(Boolean) ? said.filter(Boolean) : undefined });
    },
  });

  const plain = (words: string) => words.toLowerCase().replaceAll('’', "'");
  const onPage = $derived.by(() => {
    void piece.page.tick;
    return plain(piece.page.doc.textContent);
  });
  const phrases = $derived(own.phrases ?? []);
  const inText = $derived(phrases.filter((phrase) => onPage.includes(plain(phrase))).length);
  const ordered = $derived.by(() => {
    const places = phrases.map((phrase) => onPage.indexOf(plain(phrase))).filter((at) => at >= 0);
    return places.every((at, i) => i === 0 || at >= places[i - 1]!);
  });

  const here = $derived(piece.page.sections[Math.max(0, piece.page.sectionHere)]);
  const hereName = $derived(here?.heading || 'the opening');
  const FIELDS: Partial<Record<keyof Brief | 'sections' | 'section', string>> = {
    subject: 'The subject',
    phrase: 'The main phrase',
    readers: 'Readers',
    voice: 'The voice',
    unsaid: 'What must not be said',
    sample: 'The sample',
    phrases: 'A phrase to use',
    links: 'A link',
    never: 'The words never to use',
  };

  const says = (left: NonNullable<typeof standing>['leftovers'][number]) => {
    const where =
      left.field === 'section'
        ? `“${piece.page.sections.find((s) => s.id === left.section)?.heading ?? 'A section'}” must say`
        : left.field === 'sections'
          ? 'A section asks for a table of'
          : `${FIELDS[left.field as keyof Brief] ?? 'The brief'} says`;
    return `Neither material nor outline speaks of it. ${where} “${left.says.slice(0, 90)}”.`;
  };

  /** Takes what is left over out of the brief. */
  function empty(left: NonNullable<typeof standing>['leftovers'][number]) {
    if (left.field === 'section') piece.page.noteSection(left.section!, '');
    else if (left.field === 'sections')
      drafting.say({ sections: (own.sections ?? []).map((s) => (s.of === left.says ? { ...s, of: undefined } : s)) });
    else if (left.field === 'phrases' || left.field === 'links' || left.field === 'never')
      drafting.say({ [left.field]: (own[left.field] ?? []).filter((line) => line !== left.says) });
    else drafting.say({ [left.field]: undefined });
  }

  function draftHere() {
    void drafting.ask('section', { kind: 'section', id: here?.id ?? 'lead' });
    ondraft();
  }
  function draftAll() {
    void drafting.draftAll();
    ondraft();
  }
</script>

{#if asText}
  <BriefText {piece} {drafting} onback={() => (asText = false)} />
{:else if !brief || !standing}
  <p class="note" role="status">Filling the brief in…</p>
{:else}
  <div class="scroll">
    <Patterns {piece} {drafting} />
    <BriefRow label="Subject" from={from.subject} field="brief-subject">
      <input class="line" id="brief-subject" maxlength="300" {...text('subject')} />
    </BriefRow>
    <BriefRow label="Main phrase" from={from.phrase} field="brief-phrase">
      <input class="line" id="brief-phrase" maxlength="120" placeholder="The words people would look for" {...text('phrase')} />
    </BriefRow>
    <BriefRow label="It should">
      <Chips
        choices={named(PURPOSES)}
        chosen={brief.purposes}
        onchoose={(purposes) => drafting.say({ purposes })}
        label="What it should do"
      />
    </BriefRow>
    <BriefRow label="It is a">
      <Chips
        choices={named(TEXTS)}
        chosen={brief.text ? [brief.text] : []}
        isOne
        onchoose={([text]) => drafting.say({ text })}
        label="What kind of text"
      />
    </BriefRow>
    <BriefRow label="Readers" field="brief-readers">
      <Chips choices={named(READERS)} chosen={[brief.know]} isOne onchoose={([know]) => drafting.say({ know })} label="What readers know" />
      <input class="line" id="brief-readers" maxlength="300" placeholder="Who they are, in your words" {...text('readers')} />
    </BriefRow>
    <BriefRow label="Voice" from={from.person} field="brief-voice">
      <Chips choices={named(TONES)} chosen={brief.tones} onchoose={(tones) => drafting.say({ tones })} label="How it sounds" />
      <span class="pair"
        >told to or by <Chips
          choices={PERSON}
          chosen={[brief.person]}
          isOne
          onchoose={([person]) => drafting.say({ person })}
          label="Person"
        /></span
      >
      <span class="pair"
        ><label for="brief-grade">grade</label>
        <input
          class="line few"
          id="brief-grade"
          type="number"
          min="1"
          max="18"
          value={brief.grade}
          onchange={(e) => drafting.say({ grade: Math.min(18, Math.max(1, Math.round(Number(e.currentTarget.value)) || 8)) })}
        /></span
      >
      <input class="line" id="brief-voice" maxlength="300" placeholder="In your words" {...text('voice')} />
    </BriefRow>
    <BriefRow label="Length" from={piece.details.words ? '' : 'as it comes'} field="brief-words">
      <input
        class="line"
        style="flex: 0 0 5.5em; font-weight: 600"
        id="brief-words"
        type="number"
        min="0"
        max="200000"
        value={piece.details.words ?? ''}
        placeholder="any"
        onchange={(e) => {
          piece.details.words = Math.min(200_000, Math.max(0, Math.round(Number(e.currentTarget.value)))) || undefined;
        }}
      />
      <span>words, {count(piece.page.sections.length, 'section')}</span>
    </BriefRow>
    {#if standing.outline.length}<BriefSections {piece} {drafting} {standing} />{/if}
    <BriefRow
      label="Must hold"
      says={phrases.length ? `${inText} of ${phrases.length} in${own.inOrder && !ordered ? ', out of order' : ''}` : ''}
      field="brief-phrases"
    >
      <textarea
        class="line"
        id="brief-phrases"
        rows={Math.max(1, phrases.length)}
        placeholder="Phrases to use, one a line"
        {...lines('phrases')}></textarea>
      {#if phrases.length}
        <label class="check"
          ><input type="checkbox" checked={brief.inOrder} onchange={(e) => drafting.say({ inOrder: e.currentTarget.checked })} /> in this order</label
        >
        <label class="check"
          ><input
            type="checkbox"
            checked={brief.unusedToQuestions}
            onchange={(e) => drafting.say({ unusedToQuestions: e.currentTarget.checked })}
          /> those not used go into questions and answers</label
        >
      {/if}
    </BriefRow>
    <BriefRow label="Links" field="brief-links">
      <label class="check"
        ><input type="checkbox" checked={brief.keepLinks} onchange={(e) => drafting.say({ keepLinks: e.currentTarget.checked })} /> keep those
        that are there</label
      >
      <textarea
        class="line"
        id="brief-links"
        rows={Math.max(1, own.links?.length ?? 0)}
        placeholder="Others that must be in: words, then the address, one a line"
        {...lines('links')}></textarea>
    </BriefRow>
    <BriefRow
      label="Never"
      says={piece.material.house.never.length ? `${figure(piece.material.house.never.length)} of House style` : ''}
      field="brief-never"
    >
      <textarea
        class="line"
        id="brief-never"
        rows={Math.max(1, own.never?.length ?? 0)}
        placeholder="Words never to use, one a line"
        {...lines('never')}></textarea>
    </BriefRow>
    <details class="more">
      <summary>Parts, language, own writing, what must not be said</summary>
      <BriefRow label="Parts" from={from.parts}>
        <Chips choices={PARTS} chosen={brief.parts} onchoose={(parts) => drafting.say({ parts })} label="Standing parts" />
      </BriefRow>
      <BriefRow label="Language" from={from.language}>
        <Chips
          choices={named(LANGUAGES)}
          chosen={[brief.language]}
          isOne
          onchoose={([language]) => drafting.say({ language })}
          label="Language and spelling"
        />
      </BriefRow>
      <BriefRow label="Sound like" field="brief-sample">
        <textarea
          class="line"
          id="brief-sample"
          rows="3"
          maxlength="20000"
          placeholder="A piece of your own writing to sound like"
          {...text('sample')}></textarea>
      </BriefRow>
      <BriefRow label="Not to say" field="brief-unsaid">
        <textarea class="line" id="brief-unsaid" rows="2" maxlength="1000" placeholder="What must not be said" {...text('unsaid')}
        ></textarea>
      </BriefRow>
    </details>
    {#each standing.leftovers as left, i (i)}
      <div class="item">
        <Gravity gravity={left.isSure ? 'must' : 'look'} />
        <div>
          <b>“{left.word}” {left.isSure ? 'is left over from another piece' : 'is a name nobody here knows'}</b>
          <span class="says">{says(left)}</span>
        </div>
        <button class="word" onclick={() => empty(left)}>empty</button>
      </div>
    {/each}
  </div>
  <div class="acts">
    <button class="act" disabled={!!drafting.running || !drafting.drafter || !piece.page.sections.length} onclick={draftHere}
      >Draft “{hereName.length > 26 ? `${hereName.slice(0, 26)}…` : hereName}”</button
    >
    {#if piece.page.sections.length > 1}
      <button class="quiet" disabled={!!drafting.running || !drafting.drafter} onclick={draftAll}
        >Draft all {piece.page.sections.length}</button
      >
    {/if}
    <button class="quiet end" onclick={() => (asText = true)}>As text</button>
  </div>
{/if}

<style>
  .few {
    width: 3.4em;
    font-weight: 600;
  }
  .pair,
  .check {
    display: inline-flex;
    align-items: baseline;
    gap: 7px;
    color: var(--faded);
  }
  .check {
    font-size: 14px;
  }
  .check input {
    align-self: center;
    accent-color: var(--bottle);
  }
  .more {
    border-top: 1px solid var(--hair);
  }
  .more summary {
    padding: 9px 20px;
    color: var(--slate);
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 12px;
    padding: 12px 20px;
    border-top: 1px solid var(--hair);
  }
  .end {
    margin-left: auto;
  }
  @media (max-width: 900px) {
    /* The button that turns the sheet lies over the corner. */
    .acts {
      padding-right: 124px;
    }
    .end {
      margin-left: 0;
    }
  }
</style>
