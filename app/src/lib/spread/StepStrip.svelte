<!-- The road: seven words on one dashed thread, each with one small figure of what is there or left to do. -->
<script lang="ts">
  import { count, figure } from '$lib/parts/sizes.ts';
  import { STEPS, STEP_NAMES, type Step } from '$lib/steps.ts';
  import type { Piece } from './piece.svelte.ts';

  let { piece }: { piece: Piece } = $props();

  const sent = $derived.by(() => {
    if (!piece.postings.length) return 'not sent';
    return piece.postings.every((p) => p.version === piece.saver.version) ? 'sent' : 'changed since';
  });
  const dressed = ({ pictures, clips }: { pictures: number; clips: number }) =>
    [...(pictures || !clips ? [count(pictures, 'picture')] : []), ...(clips ? [count(clips, 'clip')] : [])].join(', ');
  const figures: Record<Step, string> = $derived({
    gather: count(piece.material.sources.length, 'source'),
    tidy: !piece.material.sources.length
      ? 'nothing yet'
      : piece.material.leftToTidy === null
        ? 'looking'
        : piece.material.leftToTidy
          ? `${figure(piece.material.leftToTidy)} to look at`
          : 'all done',
    shape: piece.page.hasWords ? count(piece.page.sections.length, 'section') : 'no sections',
    write: piece.proofing.figures ? count(piece.proofing.figures.words, 'word') : 'counting',
    dress: piece.proofing.figures ? dressed(piece.proofing.figures) : 'counting',
    proof: piece.proofing.figures ? count(piece.proofing.findings.length, 'finding') : 'looking',
    send: sent,
  });
  const done: Record<Step, boolean> = $derived({
    gather: piece.material.sources.length > 0,
    tidy: piece.material.sources.length > 0 && piece.material.leftToTidy === 0,
    shape: piece.page.sections.length > 1,
    write: (piece.proofing.figures?.words ?? 0) > 0,
    dress: !!piece.proofing.figures && piece.proofing.figures.pictures + piece.proofing.figures.clips > 0,
    proof: piece.page.hasWords && !!piece.proofing.figures && piece.proofing.findings.length === 0,
    send: sent === 'sent',
  });

  function onkeydown(event: KeyboardEvent) {
    const n = /^Digit([1-7])$/.exec(event.code)?.[1];
    if (!n || !event.altKey || event.ctrlKey || event.metaKey || event.shiftKey) return;
    event.preventDefault();
    piece.goTo(STEP_NAMES[Number(n) - 1]!);
  }
</script>

<svelte:window {onkeydown} />

<nav aria-label="Steps">
  {#each STEPS as step, i (step.name)}
    <button
      class:done={done[step.name]}
      class:here={piece.step === step.name}
      aria-current={piece.step === step.name ? 'step' : undefined}
      title="{step.asks} (Alt {i + 1})"
      onclick={() => piece.goTo(step.name)}
    >
      <span>{step.label} <small>{figures[step.name]}</small></span><i></i>
    </button>
  {/each}
</nav>

<style>
  nav {
    position: relative;
    display: grid;
    grid-template-columns: repeat(7, minmax(0, 1fr));
    align-items: end;
    height: 58px;
    padding: 0 20px;
  }
  nav::before {
    content: '';
    position: absolute;
    left: 20px;
    right: 20px;
    bottom: 12px;
    border-top: 2px dashed color-mix(in srgb, var(--bottle) 45%, transparent);
  }
  button {
    position: relative;
    display: flex;
    flex-direction: column;
    align-items: center;
    gap: 4px;
    padding-bottom: 6px;
    color: var(--faded);
    font-weight: 500;
    white-space: nowrap;
  }
  button:hover {
    color: var(--ink);
  }
  i {
    position: relative;
    z-index: 1;
    width: 9px;
    height: 9px;
    margin: 2px 0;
    border-radius: 50%;
    background: var(--paper);
    border: 2px solid var(--bottle);
  }
  .done i {
    background: var(--bottle);
  }
  .here {
    color: var(--ink);
    font-weight: 680;
  }
  .here i {
    width: 13px;
    height: 13px;
    margin: 0;
    background: var(--bottle);
    box-shadow:
      0 0 0 4px var(--paper),
      0 0 0 5px var(--bottle);
  }
  small {
    font-size: 13px;
    font-weight: 450;
    color: var(--faded);
  }
  .here small {
    color: var(--bottle);
  }
  @media (max-width: 1080px) {
    small {
      display: none;
    }
    .here {
      overflow: visible;
    }
  }
  @media (max-width: 600px) {
    nav {
      padding: 0 8px;
    }
    nav::before {
      left: 8px;
      right: 8px;
    }
    button {
      font-size: 13px;
    }
  }
</style>
