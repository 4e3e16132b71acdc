<!-- House style: the writer's own rules, for Tidy and for headings. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { PALETTES } from '@even-page/core/dress';
  import { type House, PADDING } from '@even-page/core/tidy';
  import { askServer, json, Refused } from '$lib/ask-server.ts';

  let { data } = $props();

  const given = untrack(() => data.house);
  let names = $state(given.names.join('\n'));
  let never = $state(given.never.join('\n'));
  let paid = $state(given.paid.join('\n'));
  let padding = $state<string[]>([...given.padding]);
  let curlyQuotes = $state(given.curlyQuotes);
  let headingCase = $state<House['headingCase']>(given.headingCase);
  let voices = $state<House['voices']>(given.voices);
  let byline = $state(given.byline);
  let unchecked = $state([...given.unchecked]);
  let colours = $state<House['colours']>(given.colours);
  let says = $state('');
  let sorry = $state('');
  let timer: ReturnType<typeof setTimeout> | undefined;

  const CASES = [
    { name: 'sentence', shown: 'How to soak a stone' },
    { name: 'title', shown: 'How to Soak a Stone' },
  ] as const;

  const WHO_SPEAKS = [
    { name: 'names', shown: 'A name in bold where the voice changes' },
    { name: 'questions', shown: 'The question in bold, its answer below' },
    { name: 'none', shown: 'Left out' },
  ] as const;

  const SAVE_AFTER_MS = 500;

  function changed() {
    clearTimeout(timer);
    says = '';
    timer = setTimeout(() => void save(), SAVE_AFTER_MS);
  }

  async function save() {
    const listed = (lines: string) => [...new Set(lines.split('\n').map((line) => line.trim()))].filter((line) => line.length > 1);
    try {
      await askServer(
        '/house',
        json('PUT', {
          names: listed(names),
          never: listed(never),
          paid: listed(paid).map(hostOf),
          padding,
          curlyQuotes,
          headingCase,
          voices,
          byline,
          colours,
          unchecked,
        }),
      );
      says = 'Saved';
      sorry = '';
    } catch (cause) {
      if (!(cause instanceof Refused)) throw cause;
      sorry = cause.message;
    }
  }

  /** The host of what may be a whole address. */
  const hostOf = (line: string) => (URL.canParse(line) && /^https?:/i.test(line) ? new URL(line).hostname : line).replace(/^www\./i, '');

  const COLOURS = [
    { name: 'ground', shown: 'Ground' },
    { name: 'ink', shown: 'Words' },
    { name: 'accent', shown: 'Accent' },
  ] as const;

  function toggle(words: string) {
    padding = padding.includes(words) ? padding.filter((p) => p !== words) : [...padding, words];
    changed();
  }
</script>

<svelte:head><title>House style · Even Page</title></svelte:head>

<main>
  <header>
    <h1>House style</h1>
    <span class="muted" role="status">{says}</span>
  </header>
  {#if sorry}<p class="sorry" role="alert">{sorry}</p>{/if}
  <section>
    <h2><label for="names">Names and terms</label></h2>
    <p class="muted">One a line, spelt as you spell them. Tidy finds where a recording heard them wrong, and mends all places at once.</p>
    <textarea id="names" rows="12" bind:value={names} oninput={changed} placeholder={'Mira Holloway\nTarn stone'} spellcheck="false"
    ></textarea>
  </section>
  <section>
    <h2 id="padding">Fillers</h2>
    <p class="muted">Um, uh, ah and er always go. These go where they carry nothing.</p>
    <div class="checks" role="group" aria-labelledby="padding">
      {#each PADDING as words (words)}
        <label><input type="checkbox" checked={padding.includes(words)} onchange={() => toggle(words)} /> {words}</label>
      {/each}
    </div>
  </section>
  <section>
    <h2><label for="never">Never used</label></h2>
    <p class="muted">
      Words no draft should fall back on, one a line. They go along with every brief, and a proposal that has one says so.
    </p>
    <textarea id="never" rows="6" bind:value={never} oninput={changed} spellcheck="false"></textarea>
  </section>
  <section>
    <h2><label for="paid">Paid offers</label></h2>
    <p class="muted">
      Sites that pay you for a link, one a line. Links to them go out marked as sponsored, and Proof asks for a word beside them.
    </p>
    <textarea id="paid" rows="3" bind:value={paid} oninput={changed} placeholder="shop.example" spellcheck="false"></textarea>
  </section>
  {#if unchecked.length}
    <section>
      <h2>Not checked</h2>
      <p class="muted">What Proof does not look for in this house.</p>
      <ul>
        {#each unchecked as name (name)}
          <li>
            {name}
            <button class="word" onclick={() => ((unchecked = unchecked.filter((n) => n !== name)), changed())}>Check it again</button>
          </li>
        {/each}
      </ul>
    </section>
  {/if}
  <section>
    <h2 id="quotes">Quotes</h2>
    <p class="muted">Where a text mixes both kinds, Tidy makes them even.</p>
    <div class="checks" role="group" aria-labelledby="quotes">
      <label
        ><input type="radio" name="quotes" checked={curlyQuotes} onchange={() => ((curlyQuotes = true), changed())} /> “Curly” and ’</label
      >
      <label
        ><input type="radio" name="quotes" checked={!curlyQuotes} onchange={() => ((curlyQuotes = false), changed())} /> "Straight" and '</label
      >
    </div>
  </section>
  <section>
    <h2 id="headings">Headings</h2>
    <p class="muted">How Shape writes the headings it proposes.</p>
    <div class="checks" role="group" aria-labelledby="headings">
      {#each CASES as { name, shown } (name)}
        <label
          ><input type="radio" name="headings" checked={headingCase === name} onchange={() => ((headingCase = name), changed())} />
          {shown}</label
        >
      {/each}
    </div>
  </section>
  <section>
    <h2 id="voices">Several voices</h2>
    <p class="muted">How a page made of a conversation says who speaks.</p>
    <div class="checks" role="group" aria-labelledby="voices">
      {#each WHO_SPEAKS as { name, shown } (name)}
        <label><input type="radio" name="voices" checked={voices === name} onchange={() => ((voices = name), changed())} /> {shown}</label>
      {/each}
    </div>
  </section>
  <section>
    <h2><label for="byline">Usual byline</label></h2>
    <p class="muted">Who a new post is by where its material names nobody. Each post can be signed otherwise in Send.</p>
    <input id="byline" maxlength="120" bind:value={byline} oninput={changed} />
  </section>
  <section>
    <h2 id="colours">Colours of covers</h2>
    <p class="muted">Covers offer them as “House”. Words that could not be read on the ground are drawn in black or white.</p>
    <div class="checks" role="group" aria-labelledby="colours">
      {#if colours}
        {#each COLOURS as { name, shown } (name)}
          <label><input type="color" bind:value={colours[name]} onchange={changed} /> {shown}</label>
        {/each}
        <button class="word" onclick={() => ((colours = undefined), changed())}>None of its own</button>
      {:else}
        <button class="quiet" onclick={() => ((colours = { ...PALETTES.Paper! }), changed())}>Choose colours</button>
      {/if}
    </div>
  </section>
</main>

<style>
  main {
    max-width: 760px;
    margin: 0 auto;
    padding: 28px 20px 60px;
  }
  header {
    display: flex;
    align-items: baseline;
    gap: 16px;
  }
  h1 {
    margin: 0;
    font: 640 30px/1.2 var(--serif);
  }
  h2 {
    margin: 0 0 2px;
    font: 640 19px/1.3 var(--serif);
  }
  section {
    margin-top: 26px;
    padding-top: 18px;
    border-top: 1px solid var(--hair);
  }
  p {
    margin: 0 0 10px;
  }
  textarea,
  #byline {
    width: 100%;
    padding: 10px 12px;
    border: 1px solid var(--hair);
    border-radius: 3px;
    background: var(--leaf);
    color: var(--ink);
    font: 16px/1.6 var(--serif);
  }
  .checks {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 22px;
  }
  .checks label {
    display: inline-flex;
    align-items: center;
    gap: 8px;
    min-height: 28px;
  }
  .checks input {
    accent-color: var(--bottle);
    width: 16px;
    height: 16px;
  }
</style>
