<script lang="ts">
  import '@fontsource-variable/schibsted-grotesk';
  import '@fontsource-variable/literata/standard.css';
  import '@fontsource-variable/literata/standard-italic.css';
  import '@fontsource-variable/spline-sans-mono';
  import '../app.css';
  import Keyboard from '@lucide/svelte/icons/keyboard';
  import { page } from '$app/state';
  import Keys from '$lib/parts/Keys.svelte';
  import Logo from '$lib/parts/Logo.svelte';
  import ModeSwitch from '$lib/parts/ModeSwitch.svelte';
  import { status } from '$lib/status.svelte.ts';

  let { data, children } = $props();
  const SCREENS = [
    { name: 'Desk', path: '/' },
    { name: 'House style', path: '/house' },
  ];

  let keysOpen = $state(false);

  function onkeydown(event: KeyboardEvent) {
    const target = event.target as HTMLElement;
    if (event.key !== '?' || target.isContentEditable || /^(?:INPUT|TEXTAREA|SELECT)$/.test(target.tagName)) return;
    event.preventDefault();
    keysOpen = true;
  }
</script>

<svelte:window {onkeydown} />

<div class="house">
  <header>
    <a class="brand" href="/"><Logo />Even Page</a>
    <nav aria-label="Screens">
      {#each SCREENS as { name, path } (path)}<a href={path} aria-current={page.url.pathname === path ? 'page' : undefined}>{name}</a
        >{/each}
    </nav>
    <div class="right">
      <span class="saved {status.gravity}" role="status">{status.says}</span>
      <ModeSwitch mode={data.mode} />
      <button class="head-word" onclick={() => (keysOpen = true)}
        ><Keyboard size={15} aria-hidden="true" />Keys <span class="mono">?</span></button
      >
    </div>
  </header>
  {@render children()}
</div>
<Keys bind:open={keysOpen} />

<style>
  .house {
    display: grid;
    grid-template: 44px minmax(0, 1fr) / minmax(0, 1fr);
    min-height: 100%;
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
  nav {
    display: flex;
    gap: 18px;
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
  @media (max-width: 600px) {
    header {
      gap: 14px;
      padding: 0 12px;
    }
    nav {
      display: none;
    }
    .right {
      gap: 12px;
    }
    .right button:last-child {
      display: none;
    }
  }
</style>
