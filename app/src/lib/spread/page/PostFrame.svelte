<!-- The post as a document of its own, on a screen of some width, drawn smaller where it must be. Nothing in it runs. -->
<script lang="ts">
  let { html, px, scale, name, onshown }: { html: string; px: number; scale: number; name: string; onshown: (doc: Document) => void } =
    $props();

  let frame: HTMLIFrameElement;
  let height = $state(600);
  let watching: ResizeObserver | undefined;

  function shown() {
    const doc = frame.contentDocument;
    if (!doc?.body) return;
    doc.addEventListener('click', (event) => {
      const link = (event.target as Element).closest('a');
      if (!link) return;
      // It is a page to be looked at: only places inside it are gone to.
      event.preventDefault();
      const href = link.getAttribute('href') ?? '';
      if (href.startsWith('#')) doc.getElementById(href.slice(1))?.scrollIntoView();
    });
    watching?.disconnect();
    watching = new ResizeObserver(() => (height = doc.documentElement.scrollHeight));
    watching.observe(doc.body);
    height = doc.documentElement.scrollHeight;
    onshown(doc);
  }
</script>

<div class="screen" style="width:{px * scale}px; height:{height * scale}px">
  <iframe
    bind:this={frame}
    title="The post on a screen of {px} px, as on {name}"
    sandbox="allow-same-origin"
    srcdoc={html}
    onload={shown}
    style="width:{px}px; height:{height}px; transform:scale({scale})"
  ></iframe>
</div>

<style>
  .screen {
    flex: none;
    overflow: hidden;
    background: #fff;
    outline: 1px solid var(--hair);
  }
  iframe {
    display: block;
    border: 0;
    transform-origin: 0 0;
  }
</style>
