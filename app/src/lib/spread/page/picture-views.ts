import type { Node as PostNode } from 'prosemirror-model';
import type { NodeView } from 'prosemirror-view';
import { clipName } from '@even-page/core/post/blocks/clip';
import type { ClipAttrs, PictureAttrs } from '@even-page/core/post/pictures';
import { placementClasses, widthOf } from '@even-page/core/post/placement';
import { showTime } from '@even-page/core/language/times';

/** A picture on its way up: what it looks like here, how far it is, and what holds it up. */
export type OnItsWay = { url: string; share: number; state: 'sending' | 'paused' | 'failed'; says: string };

/** Who knows of the pictures on their way. */
export type Arriving = { of(src: string): OnItsWay | null; watch(look: () => void): () => void };

function part<K extends keyof HTMLElementTagNameMap>(tag: K, className = ''): HTMLElementTagNameMap[K] {
  const made = document.createElement(tag);
  if (className) made.className = className;
  return made;
}

/** A picture on the page: as it stands there, with how far it is while it is on its way. */
export class PictureView implements NodeView {
  readonly dom = part('figure');
  readonly #img = part('img');
  readonly #caption = part('figcaption');
  readonly #way = part('div', 'on-its-way');
  readonly #stop: () => void;
  #node: PostNode;
  #shown = '';

  constructor(
    node: PostNode,
    readonly arriving: Arriving,
  ) {
    this.#node = node;
    this.dom.append(this.#img, this.#way, this.#caption);
    this.#img.addEventListener('error', () => this.dom.classList.toggle('not-here', !this.arriving.of(this.#attrs.src)));
    this.#img.addEventListener('load', () => this.dom.classList.remove('not-here'));
    this.#stop = arriving.watch(() => this.#show());
    this.#show();
  }

  get #attrs(): PictureAttrs {
    return this.#node.attrs as PictureAttrs;
  }

  #show(): void {
    const { src, alt, caption, size, align, id } = this.#attrs;
    const way = this.arriving.of(src);
    const address = way ? way.url : src;
    // The same address anew once it has arrived: the browser remembers that nothing was there.
    if (address !== this.#shown) {
      this.#shown = address;
      if (address) this.#img.src = address;
      else this.#img.removeAttribute('src');
    }
    this.#img.alt = alt;
    this.#caption.textContent = caption;
    this.#caption.hidden = !caption;
    this.#way.hidden = !way;
    this.#way.className = `on-its-way ${way?.state ?? ''}`;
    if (way) {
      const far = `${Math.round(way.share * 100)} %`;
      this.#way.textContent = { sending: `on its way, ${far}`, paused: `paused at ${far}`, failed: way.says }[way.state];
    }
    this.dom.className = placementClasses(size, align).join(' ');
    this.dom.style.setProperty('--wide', `${widthOf(size)}px`);
    this.dom.dataset.id = id;
  }

  update(node: PostNode): boolean {
    if (node.type !== this.#node.type) return false;
    this.#node = node;
    this.#show();
    return true;
  }

  selectNode(): void {
    this.dom.classList.add('ProseMirror-selectednode');
  }

  deselectNode(): void {
    this.dom.classList.remove('ProseMirror-selectednode');
  }

  ignoreMutation(): boolean {
    return true;
  }

  destroy(): void {
    this.#stop();
  }
}

/** A clip on the page: its still, its name and where it begins. The page never holds a player. */
export class ClipView implements NodeView {
  readonly dom = part('figure', 'clip');

  constructor(node: PostNode) {
    this.#show(node.attrs as ClipAttrs);
  }

  #show(attrs: ClipAttrs): void {
    const still = part('div', 'still');
    if (attrs.poster) {
      const img = part('img');
      img.src = attrs.poster;
      img.alt = '';
      still.append(img);
    }
    const name = part('span', 'clip-name');
    name.textContent = clipName(attrs);
    const when = part('span', 'clip-when');
    const from = attrs.start ? `from ${showTime(attrs.start * 1000)}` : '';
    const to = attrs.end ? `to ${showTime(attrs.end * 1000)}` : '';
    when.textContent = ['clip', from, to].filter(Boolean).join(' ');
    still.append(name, when);
    this.dom.replaceChildren(still);
    if (attrs.caption) {
      const caption = part('figcaption');
      caption.textContent = attrs.caption;
      this.dom.append(caption);
    }
    this.dom.dataset.id = attrs.id;
  }

  update(node: PostNode): boolean {
    if (node.type.name !== 'clip') return false;
    this.#show(node.attrs as ClipAttrs);
    return true;
  }

  selectNode(): void {
    this.dom.classList.add('ProseMirror-selectednode');
  }

  deselectNode(): void {
    this.dom.classList.remove('ProseMirror-selectednode');
  }

  ignoreMutation(): boolean {
    return true;
  }
}
