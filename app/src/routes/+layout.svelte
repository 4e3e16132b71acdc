<script lang="ts">
  import '@fontsource-variable/schibsted-grotesk';
  import '@fontsource-variable/literata/standard.css';
  import '@fontsource-variable/literata/standard-italic.css';
  import '@fontsource-variable/spline-sans-mono';
  import '../app.css';
  import Keyboard from '@lucide/svelte/icons/keyboard';
  import Menu from '@lucide/svelte/icons/menu';
  import { afterNavigate } from '$app/navigation';
  import { page } from '$app/state';
  import Keys from '$lib/parts/Keys.svelte';
  import { PLACES } from '$lib/places.ts';
  import Logo from '$lib/parts/Logo.svelte';
  import ModeSwitch from '$lib/parts/ModeSwitch.svelte';
  import { status } from '$lib/status.svelte.ts';

  let { data, children } = $props();

  let keysOpen = $state(false);
  /** Whether one is at a screen, or at one item of its list. */
  const isAt = (path: string) =>
    page.url.pathname === path || (/s$/.test(path) && page.url.pathname.startsWith(`${path}/`) && path !== '/');
  // The screens of the place one is in, as a second quiet line.
  const inside = $derived(PLACES.find(({ screens }) => screens && screens.length > 1 && screens.some((s) => isAt(s.path))));
  let folded: HTMLElement;

  // Wherever one went, the places fold away.
  afterNavigate(() => folded.hidePopover());

  function onkeydown(event: KeyboardEvent) {
    const target = event.target as HTMLElement;
    if (event.key !== '?' || target.isContentEditable || /^(?:INPUT|TEXTAREA|SELECT)$/.test(target.tagName)) return;
    event.preventDefault();
    keysOpen = true;
  }
</script>

{#snippet link(name: string, path: string, isHere: boolean)}
  <a href={path} aria-current={isHere ? 'page' : undefined}>{name}</a>
{/snippet}
{#snippet places()}
  {#each PLACES as { name, path, screens } (path)}{@render link(name, path, isAt(path) || !!screens?.some((s) => isAt(s.path)))}{/each}
{/snippet}

<svelte:window {onkeydown} />

<div class="house">
  <header>
    <button class="unfold" popovertarget="places" aria-label="Places"><Menu size={18} aria-hidden="true" /></button>
    <a class="brand" href="/"><Logo />Even Page</a>
    <nav class="unfolded" aria-label="Places">{@render places()}</nav>
    <div class="right">
      <span class="saved {status.gravity}" role="status">{status.says}</span>
      <ModeSwitch mode={data.mode} />
      <button class="head-word keys" onclick={() => (keysOpen = true)}
        ><Keyboard size={15} aria-hidden="true" />Keys <span class="mono">?</span></button
      >
    </div>
  </header>
  {#if inside}
    <nav class="inside" aria-label={inside.name}>
      {#each inside.screens! as { name, path } (path)}{@render link(name, path, isAt(path))}{/each}
    </nav>
  {/if}
  {@render children()}
</div>
<div id="places" popover bind:this={folded}>
  <nav aria-label="Places">{@render places()}</nav>
  <button
    class="head-word"
    onclick={() => {
      folded.hidePopover();
      keysOpen = true;
    }}><Keyboard size={15} aria-hidden="true" />Keys</button
  >
</div>
<Keys bind:open={keysOpen} />

<style>
  .house {
    display: grid;
    grid-template: 44px minmax(0, 1fr) / minmax(0, 1fr);
    min-height: 100%;
  }
  .house:has(> .inside) {
    grid-template-rows: 44px 36px minmax(0, 1fr);
  }
  .inside {
    display: flex;
    align-items: center;
    gap: 18px;
    padding: 0 20px;
    font-size: 14px;
    overflow-x: auto;
  }
  header {
    display: flex;
    align-items: center;
    gap: 22px;
    padding: 0 20px;
    border-bottom: 1px solid var(--hair);
  }
  .brand {
    display: flex;
    align-items: center;
    gap: 9px;
    font-weight: 650;
    letter-spacing: -0.01em;
    color: var(--ink);
    white-space: nowrap;
  }
  .unfolded {
    display: flex;
    gap: 18px;
  }
  .unfold {
    display: none;
    place-items: center;
    width: 36px;
    height: 36px;
    margin-right: -12px;
    border-radius: 3px;
    color: var(--faded);
  }
  #places {
    inset: 45px auto auto 8px;
    min-width: 200px;
    padding: 6px;
    background: var(--leaf);
    border: 1px solid var(--leaf-edge);
    border-radius: 3px;
    box-shadow: var(--shadow);
    color: var(--ink);
  }
  #places nav {
    display: grid;
  }
  #places nav a,
  #places button {
    display: flex;
    align-items: center;
    gap: 8px;
    width: 100%;
    min-height: 44px;
    padding: 0 12px;
    border-radius: 3px;
  }
  #places nav a:hover,
  #places button:hover {
    background: var(--bottle-tint);
  }
  #places button {
    border-top: 1px solid var(--hair);
    color: var(--faded);
  }
  nav a {
    color: var(--faded);
  }
  nav a[aria-current],
  nav a:hover {
    color: var(--ink);
  }
  nav a[aria-current] {
    font-weight: 550;
  }
  .right {
    margin-left: auto;
    display: flex;
    align-items: center;
    gap: 18px;
    min-width: 0;
    color: var(--faded);
  }
  .right :global(.head-word) {
    display: inline-flex;
    align-items: center;
    gap: 6px;
    white-space: nowrap;
    min-height: 28px;
  }
  .right :global(.head-word:hover) {
    color: var(--ink);
  }
  .saved {
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  .saved.look {
    color: var(--brass);
    font-weight: 600;
  }
  .saved.must {
    color: var(--rust);
    font-weight: 600;
  }
  @media (max-width: 900px) {
    .unfold {
      display: grid;
    }
    .unfolded,
    .keys {
      display: none !important;
    }
  }
  @media (max-width: 600px) {
    header {
      gap: 14px;
      padding: 0 12px;
    }
    .right {
      gap: 12px;
    }
  }
</style>
