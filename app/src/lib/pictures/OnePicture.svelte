<!-- One picture of the Shelf: its words, whose it is, where it is shown, and what is like it. -->
<script lang="ts">
  import { invalidateAll } from '$app/navigation';
  import { coverWarning, type Rights } from '@even-page/core/dress';
  import { askServer, json, refusalOf } from '$lib/ask-server.ts';
  import RightsFields from '$lib/parts/RightsFields.svelte';
  import { sayBytes } from '$lib/parts/sizes.ts';

  type Shown = {
    src: string;
    name: string;
    alt: string;
    width: number;
    height: number;
    bytes: number;
    originalBytes: number;
    quality: number;
    rights: Rights;
    uses: { piece: string; title: string }[];
  };

  let { picture, others, onaway, onopen }: { picture: Shown; others: readonly Shown[]; onaway: () => void; onopen: (src: string) => void } =
    $props();

  let sorry = $state('');
  let like = $state.raw<{ src: string; isSame: boolean }[]>([]);

  $effect(() => {
    const { src } = picture;
    void refusalOf(async () => {
      ({ pictures: like } = await askServer<{ pictures: typeof like }>(`${src}/like`));
    });
  });

  async function change(change: { alt?: string; name?: string; rights?: Rights }): Promise<string> {
    sorry = await refusalOf(async () => {
      await askServer(picture.src, json('PATCH', change));
      await invalidateAll();
    });
    return sorry;
  }

  const nameOf = (src: string) => others.find((o) => o.src === src)?.alt || others.find((o) => o.src === src)?.name || 'a picture';
</script>

<div class="one">
  {#if sorry}<p class="sorry" role="alert">{sorry}</p>{/if}
  <div class="field">
    <label for="one-alt">Says</label>
    <input
      id="one-alt"
      class="line"
      placeholder="What is seen, for readers who cannot see it"
      value={picture.alt}
      onchange={(e) => void change({ alt: e.currentTarget.value.trim() })}
    />
    <small></small>
  </div>
  <div class="field">
    <label for="one-name">Name</label>
    <input id="one-name" class="line" value={picture.name} onchange={(e) => void change({ name: e.currentTarget.value.trim() })} />
    <small></small>
  </div>
  <div class="field">
    <span class="label">Weight</span>
    <span
      >{sayBytes(picture.originalBytes)} <span class="muted">became</span> <b>{sayBytes(picture.bytes)}</b>
      <span class="muted">WebP, quality {picture.quality}.</span>
      {#if coverWarning(picture)}<span class="muted">{coverWarning(picture)}</span>{/if}
    </span>
    <small><a class="word" href="{picture.src}/original" download>as it came</a></small>
  </div>
  <RightsFields rights={picture.rights} onchange={(rights) => change({ rights })} />
  <div class="field">
    <span class="label">Shown in</span>
    <span>
      {#each picture.uses as use, n (use.piece)}{n ? ', ' : ''}<a href="/pieces/{use.piece}">{use.title}</a>{:else}<span class="muted"
          >no piece</span
        >{/each}
    </span>
    <small></small>
  </div>
  {#if like.length}
    <div class="field">
      <span class="label">Doubles</span>
      <span>
        {#each like.slice(0, 8) as one, n (one.src)}{n ? ', ' : ''}<button class="word" onclick={() => onopen(one.src)}
            >{nameOf(one.src)}</button
          >
          <span class="muted">({one.isSame ? 'the same file' : 'looks like it'})</span>{/each}
      </span>
      <small></small>
    </div>
  {/if}
  <div class="field">
    <span class="label"></span>
    <span><button class="quiet" onclick={onaway}>Put it away</button></span>
    <small></small>
  </div>
</div>

<style>
  .one {
    max-width: 640px;
  }
  .one :global(.field) {
    padding-inline: 0;
  }
</style>
