<!-- The wide strip over the Desk: choose, drop anywhere, or paste. -->
<script lang="ts">
  import { goto } from '$app/navigation';
  import FileChooser from '$lib/parts/FileChooser.svelte';
  import { askServer, form, json, Refused } from '$lib/ask-server.ts';
  import { broughtBy, isForField } from '$lib/clipboard.ts';
  import { isRecording, keepUpload } from '$lib/kept-uploads.ts';

  let over = $state(0);
  let busy = $state('');
  let sorry = $state('');

  async function bring(request: () => Parameters<typeof askServer>[1], says: string, before?: (id: string) => Promise<void>) {
    if (busy) return;
    busy = says;
    sorry = '';
    try {
      const { id } = await askServer<{ id: string }>('/pieces', request());
      await before?.(id);
      await goto(`/pieces/${id}`);
    } catch (cause) {
      if (!(cause instanceof Refused)) throw cause;
      sorry = cause.message;
    } finally {
      busy = '';
    }
  }

  function bringFiles(files: readonly File[]) {
    const recordings = files.filter(isRecording);
    if (recordings.length)
      void bringRecordings(
        recordings,
        files.filter((file) => !isRecording(file)),
      );
    else void bringMaterial(files);
  }

  /** A piece of what can be read at once; the recordings go up from its own screen. */
  async function bringRecordings(recordings: readonly File[], others: readonly File[]) {
    await bring(
      () => form('material', others),
      'Opening a piece for it',
      async (id) => {
        for (const file of recordings) await keepUpload(id, file);
      },
    );
  }

  const bringMaterial = (files: readonly File[]) =>
    bring(() => form('material', files), files.length === 1 ? `Reading ${files[0]!.name}` : `Reading ${files.length} files`);

  function take(data: DataTransfer | null, words: string) {
    const brought = broughtBy(data);
    if (!brought) return;
    if ('address' in brought) void bring(() => json('POST', brought), `Fetching ${brought.address}`);
    else if (brought.files[0]!.name.startsWith('pasted')) void bring(() => form('material', brought.files), words);
    else bringFiles(brought.files);
  }

  function onpaste(event: ClipboardEvent) {
    if (!isForField(event)) take(event.clipboardData, 'Reading what you pasted');
  }

  function ondrop(event: DragEvent) {
    event.preventDefault();
    over = 0;
    take(event.dataTransfer, 'Reading what you dropped');
  }
</script>

<svelte:window {onpaste} {ondrop} ondragover={(e) => e.preventDefault()} ondragenter={() => over++} ondragleave={() => over--} />

<section class:over={over > 0} aria-label="Bring in material">
  <svg
    width="46"
    height="40"
    viewBox="0 0 46 40"
    fill="none"
    stroke="var(--bottle)"
    stroke-width="2"
    stroke-linejoin="round"
    stroke-linecap="round"
    aria-hidden="true"
  >
    <path d="M4 12 20 9v24L4 36zM42 12 26 9v24l16 3z" fill="var(--bottle-tint)" />
    <path d="M23 3v13m-5-5 5 5 5-5" />
  </svg>
  <div>
    <h2>Bring in material</h2>
    <p>
      Drop a recording, a transcript, notes, a Word file, a PDF, a mail or an outline anywhere on this page. Or paste words, or a web
      address.
    </p>
    {#if sorry}<p class="sorry" role="alert">{sorry}</p>{/if}
  </div>
  <div class="acts">
    {#if busy}
      <span class="muted" role="status">{busy}…</span>
    {:else}
      <FileChooser label="Choose files" onfiles={bringFiles}>
        {#snippet children(choose)}<button class="act" onclick={choose}>Choose files</button>{/snippet}
      </FileChooser>
      <!-- A form, so that it works before the Desk is awake. -->
      <form
        method="POST"
        action="/?/empty"
        onsubmit={(event) => {
          event.preventDefault();
          void bring(() => form('material', []), 'Opening an empty page');
        }}
      >
        <button class="quiet">Start empty</button>
      </form>
    {/if}
  </div>
</section>

<style>
  section {
    position: relative;
    display: grid;
    grid-template-columns: auto minmax(0, 1fr) auto;
    align-items: center;
    gap: 22px;
    padding: 20px 24px;
    background: var(--leaf);
    border: 1.5px dashed color-mix(in srgb, var(--bottle) 55%, transparent);
    border-radius: 3px;
  }
  .over {
    background: var(--bottle-tint);
    border-style: solid;
  }
  h2 {
    margin: 0 0 2px;
    font: 640 21px/1.2 var(--serif);
  }
  p {
    color: var(--faded);
  }
  .sorry {
    margin-top: 10px;
    color: var(--ink);
  }
  .acts {
    display: flex;
    gap: 10px;
    align-items: center;
  }
  .acts button {
    min-height: 38px;
    padding-inline: 16px;
  }
  @media (max-width: 760px) {
    section {
      grid-template-columns: minmax(0, 1fr);
      gap: 12px;
    }
    svg {
      display: none;
    }
  }
</style>
