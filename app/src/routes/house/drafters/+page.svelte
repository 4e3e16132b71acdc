<!-- Drafters: the services that may be asked for a draft, each with its address, model and key. -->
<script lang="ts">
  import { invalidateAll } from '$app/navigation';
  import { briefSchema } from '@even-page/core/post/brief';
  import { type DraftRequest, linesOf } from '@even-page/core/write';
  import { askServer, json, Refused, refusalOf } from '$lib/ask-server.ts';
  import { newsFrom } from '$lib/news.ts';

  let { data } = $props();

  type Drafter = (typeof data.drafters)[number];
  const NEW = { id: '', name: '', form: 'own', address: '', model: '', hasKey: false, isOurs: false };

  let open = $state.raw<Drafter | null>(null);
  let form = $state('own');
  let sorry = $state('');
  let says = $state('');
  let tried = $state<Record<string, string>>({});

  function edit(drafter: Drafter) {
    open = drafter;
    form = drafter.form;
    sorry = says = '';
  }

  async function attempt(work: () => Promise<void>) {
    sorry = '';
    sorry = await refusalOf(work);
  }

  const save = (event: SubmitEvent) => {
    event.preventDefault();
    const fields = Object.fromEntries(new FormData(event.currentTarget as HTMLFormElement));
    const { id } = open!;
    return attempt(async () => {
      await askServer(id ? `/drafters/${id}` : '/drafters', json(id ? 'PUT' : 'POST', fields));
      says = 'Saved';
      open = null;
      await invalidateAll();
    });
  };

  const remove = (id: string) =>
    attempt(async () => {
      await askServer(`/drafters/${id}`, { method: 'DELETE' });
      open = null;
      await invalidateAll();
    });

  /** Asks a drafter for something small, to see whether it answers. */
  async function tryOut({ id }: Drafter) {
    tried = { ...tried, [id]: 'Asked…' };
    const request: Partial<DraftRequest> = {
      task: 'titles',
      text: 'mending a lamp',
      brief: { ...briefSchema.cast({}), words: 0 } as DraftRequest['brief'],
    };
    let answer = '';
    let went = '';
    try {
      const signal = AbortSignal.timeout(60_000);
      for await (const told of newsFrom<{ text: string } | { note: string } | { failed: string }>(
        '/drafts',
        json('POST', { drafter: id, request }),
        signal,
      )) {
        if ('text' in told) answer += told.text;
        else went = 'note' in told ? told.note : told.failed;
      }
    } catch (cause) {
      if (!(cause instanceof Refused)) throw cause;
      went = cause.message;
    }
    const [first] = linesOf(answer);
    tried = {
      ...tried,
      [id]:
        went ||
        (first
          ? `It answers. Asked for a title on mending a lamp, it said “${first}”.`
          : `It answers, but not with the list it was asked for: “${answer.slice(0, 120)}”`),
    };
  }
</script>

<svelte:head><title>Drafters · Even Page</title></svelte:head>

<main>
  <header>
    <h1>Drafters</h1>
    <span class="muted" role="status">{says}</span>
  </header>
  <p class="muted">
    Services that may be asked for a draft. Nothing is sent to one until you ask it, and what it answers is held against your material
    before you take it.
  </p>
  <ul>
    {#each data.drafters as drafter (drafter.id)}
      <li>
        <div>
          <b>{drafter.name}</b>
          <span class="muted small"
            >{drafter.address}{drafter.model ? `, ${drafter.model}` : ''}{drafter.hasKey ? ', with a key' : ''}{drafter.isOurs
              ? '; it came with this server and works by rules'
              : ''}</span
          >
          {#if tried[drafter.id]}<p class="small" role="status">{tried[drafter.id]}</p>{/if}
        </div>
        <button class="quiet" onclick={() => void tryOut(drafter)}>Try it</button>
        {#if !drafter.isOurs}<button class="word" onclick={() => edit(drafter)}>Change</button>{/if}
      </li>
    {:else}
      <li><p class="muted">None is set up. A brief can still be copied as text, sent to any service by hand, and its answer pasted.</p></li>
    {/each}
  </ul>
  {#if open}
    {#key open}
      <form onsubmit={save}>
        <h2>{open.id ? open.name : 'A new drafter'}</h2>
        <div class="field">
          <label for="name">Name</label><input
            class="line"
            id="name"
            name="name"
            value={open.name}
            maxlength="80"
            placeholder="Own machine"
          /><small></small>
        </div>
        <div class="field">
          <label for="form">Spoken to by</label>
          <select class="entry" id="form" name="form" bind:value={form}>
            {#each data.forms as { name, label } (name)}<option value={name}>{label}</option>{/each}
          </select>
          <small></small>
        </div>
        <div class="field">
          <label for="address">Address</label>
          <input
            class="line"
            id="address"
            name="address"
            value={open.address}
            maxlength="2000"
            placeholder={form === 'chat' ? 'http://127.0.0.1:8080/v1' : 'http://127.0.0.1:4900'}
          />
          <small></small>
        </div>
        {#if form === 'chat'}
          <div class="field">
            <label for="model">Model</label><input
              class="line"
              id="model"
              name="model"
              value={open.model}
              maxlength="200"
              placeholder="as the service calls it"
            /><small></small>
          </div>
        {/if}
        <div class="field">
          <label for="token">Key</label>
          <input
            class="line"
            id="token"
            name="token"
            type="password"
            autocomplete="off"
            maxlength="4000"
            placeholder={open.hasKey ? 'The one that is set stays' : 'If it wants one'}
          />
          <small></small>
        </div>
        <p class="muted small">A key is kept encrypted, goes to this address alone, and is not shown again.</p>
        {#if sorry}<p class="sorry" role="alert">{sorry}</p>{/if}
        <div class="acts">
          <button class="act">Save</button>
          <button type="button" class="quiet" onclick={() => (open = null)}>Not now</button>
          {#if open.id}<button type="button" class="word end" onclick={() => void remove(open!.id)}>Take it out; its rounds stay</button
            >{/if}
        </div>
      </form>
    {/key}
  {:else}
    {#if sorry}<p class="sorry" role="alert">{sorry}</p>{/if}
    <button class="act" onclick={() => edit(NEW)}>Add a drafter</button>
  {/if}
</main>

<style>
  main {
    max-width: 760px;
    width: 100%;
    margin: 0 auto;
    padding: 28px 20px 60px;
  }
  header {
    display: flex;
    align-items: baseline;
    gap: 16px;
  }
  h1 {
    margin: 0 0 6px;
    font: 640 30px/1.2 var(--serif);
  }
  h2 {
    margin: 0 0 8px;
    font: 640 19px/1.3 var(--serif);
  }
  p {
    margin: 0 0 10px;
  }
  ul {
    margin: 14px 0 20px;
    border-top: 1px solid var(--hair);
  }
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto auto;
    gap: 14px;
    align-items: center;
    padding: 12px 4px;
    border-bottom: 1px solid var(--hair);
  }
  li b {
    display: block;
    font-weight: 600;
  }
  li span {
    overflow-wrap: anywhere;
  }
  li p {
    margin: 6px 0 0;
  }
  form {
    padding-top: 16px;
    border-top: 1px solid var(--hair);
  }
  form .field {
    grid-template-columns: 108px minmax(0, 1fr) 0;
    padding: 8px 0;
  }
  @media (max-width: 600px) {
    form .field {
      grid-template-columns: minmax(0, 1fr) 0;
    }
    li {
      grid-template-columns: minmax(0, 1fr) auto;
    }
    li > div {
      grid-column: 1 / -1;
    }
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 10px;
    margin-top: 10px;
  }
  .end {
    margin-left: auto;
  }
</style>
