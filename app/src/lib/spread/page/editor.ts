import { baseKeymap, chainCommands, toggleMark } from 'prosemirror-commands';
import { dropCursor } from 'prosemirror-dropcursor';
import { gapCursor } from 'prosemirror-gapcursor';
import { history, redo, undo } from 'prosemirror-history';
import { keymap } from 'prosemirror-keymap';
import { liftListItem, sinkListItem, splitListItem } from 'prosemirror-schema-list';
import { EditorState, Plugin, TextSelection, type Command } from 'prosemirror-state';
import { ReplaceStep, type Step } from 'prosemirror-transform';
import { EditorView } from 'prosemirror-view';
import { Slice } from 'prosemirror-model';
import { goToNextCell, tableEditing } from 'prosemirror-tables';
import { isSafeAddress } from '@even-page/core/post/address';
import { blocksWithoutOwnId } from '@even-page/core/post/ids';
import { schema, type Origin, type PostNode } from '@even-page/core/post/schema';
import { newBlockId } from '$lib/block-id.ts';
import { status } from '$lib/status.svelte.ts';
import { dropEmptyAuthor, leaveAuthor, moveBlock, moveSection, splitInQuotation } from './commands.ts';
import { hits } from './hits.ts';
import { markdownAsTyped } from './input-rules.ts';
import { litBlocks } from './lit-blocks.ts';
import { looseTies } from './loose-ties.ts';
import { withoutThinRows } from './picture-commands.ts';
import { type Arriving, ClipView, PictureView } from './picture-views.ts';
import { typeInLink } from './words-of-links.ts';

/** What the page tells the rest of the Spread. */
export type Listener = {
  /** The document changed, by these steps; they may be no more than words typed. */
  changed: (steps: readonly Step[], areTyped: boolean) => void;
  /** The caret or the selection moved, it may be by typing. */
  moved: (isTyped: boolean) => void;
  /** What an origin mark names is to be played. */
  playWanted: (origins: readonly Origin[]) => void;
  /** An origin mark was clicked, or asked for by key. */
  markChosen: (origins: readonly Origin[]) => void;
  /** A picture came inside what is pasted; gives the address it has from now on. */
  pictureTaken: (file: File) => string;
  /** Picture files were dropped or pasted at a position. */
  picturesBrought: (files: File[], at: number) => void;
  linkWanted: () => void;
  /** Who knows of the pictures on their way. */
  arriving: Arriving;
};

// How far left of its words a block's origin mark reaches, in pixels.
const MARGIN = 54;

/** The page editor: ProseMirror over the post's own schema. */
export function createEditor(place: HTMLElement, doc: PostNode, listener: Listener): EditorView {
  const showOrigin: Command = (state) => {
    listener.markChosen((state.selection.$from.parent.attrs.origins ?? []) as Origin[]);
    return true;
  };
  // Whether the paste that is under way is wanted without its structure.
  let isPlain = false;
  const view: EditorView = new EditorView(place, {
    state: EditorState.create({
      doc,
      plugins: [
        markdownAsTyped(),
        keymap({
          'Mod-z': undo,
          'Mod-y': redo,
          'Shift-Mod-z': redo,
          'Mod-b': toggleMark(schema.marks.strong),
          'Mod-i': toggleMark(schema.marks.emphasis),
          'Mod-k': () => (listener.linkWanted(), true),
          'Alt-o': showOrigin,
          'Alt-Shift-o': (state) => (listener.playWanted((state.selection.$from.parent.attrs.origins ?? []) as Origin[]), true),
          'Alt-Shift-ArrowUp': moveSection(-1),
          'Alt-Shift-ArrowDown': moveSection(1),
          'Alt-ArrowUp': moveBlock(-1),
          'Alt-ArrowDown': moveBlock(1),
          Enter: chainCommands(leaveAuthor, splitListItem(schema.nodes.listItem), splitInQuotation),
          Backspace: dropEmptyAuthor,
          Tab: chainCommands(goToNextCell(1), sinkListItem(schema.nodes.listItem)),
          'Shift-Tab': chainCommands(goToNextCell(-1), liftListItem(schema.nodes.listItem)),
          'Shift-Enter': (state, dispatch) => {
            dispatch?.(state.tr.replaceSelectionWith(schema.nodes.hardBreak.create()).scrollIntoView());
            return true;
          },
        }),
        keymap(baseKeymap),
        history(),
        dropCursor({ color: 'var(--bottle)', width: 2 }),
        gapCursor(),
        tableEditing(),
        withoutThinRows(),
        ownIds(),
        litBlocks.plugin(),
        looseTies.plugin(),
        hits.plugin(),
      ],
    }),
    nodeViews: {
      picture: (node) => new PictureView(node, listener.arriving),
      clip: (node) => new ClipView(node),
    },
    attributes: { class: 'page', role: 'textbox', 'aria-multiline': 'true', 'aria-label': 'The page', spellcheck: 'true' },
    dispatchTransaction(tr) {
      const { state, transactions } = view.state.applyTransaction(tr);
      view.updateState(state);
      const steps = transactions.flatMap((t) => t.steps);
      const isTyped = areTyped(steps);
      if (steps.length) listener.changed(steps, isTyped);
      if (tr.docChanged || tr.selectionSet) listener.moved(isTyped);
    },
    // Markdown as pasted: plain text with a structure comes in with it.
    clipboardTextParser: (text, _context, plain) => {
      isPlain = plain;
      return sliceOf(plain || !reading ? plainPost(text) : reading.postFromMarkdown(text));
    },
    transformPastedHTML: (html) => {
      isPlain = false;
      if (!reading) return '';
      let n = 0;
      return reading.pastedHtml(html, (picture) => listener.pictureTaken(pictureFile(picture, ++n)));
    },
    handleTextInput: typeInLink,
    handlePaste: (_view, event) =>
      linkPasted(view, event.clipboardData) ||
      bring(view, listener, event.clipboardData, view.state.selection.from) ||
      (!isPlain && pasteOnceRead(view, event.clipboardData)),
    handleDrop: (_view, event) => {
      const at = view.posAtCoords({ left: event.clientX, top: event.clientY })?.pos ?? 0;
      return bring(view, listener, event.dataTransfer, at) || (!view.dragging && pasteOnceRead(view, event.dataTransfer, at));
    },
    handleDOMEvents: {
      // A browser that is busy tells of a moved caret only after the keys pressed behind it: End and Enter would split elsewhere.
      keydown: (_view, event) => {
        if (!event.isComposing) document.dispatchEvent(new Event('selectionchange'));
      },
      click: (_view, event) => {
        const block = (event.target as HTMLElement).closest<HTMLElement>('[data-mark]');
        if (!block || event.clientX >= block.getBoundingClientRect().left || event.clientX < block.getBoundingClientRect().left - MARGIN)
          return false;
        const node = view.state.doc.resolve(view.posAtDOM(block, 0)).parent;
        const origins = (node.attrs.origins ?? []) as Origin[];
        if (event.altKey) listener.playWanted(origins);
        else listener.markChosen(origins);
        return true;
      },
    },
  });
  return view;
}

/** A picture that came as a `data:` address, as a file. */
function pictureFile(address: string, n: number): File {
  const [, type, data] = /^data:([^;,]+);base64,(.*)$/s.exec(address)!;
  return new File([Uint8Array.from(atob(data!), (letter) => letter.charCodeAt(0))], `pasted-${n}`, { type });
}

let reading: typeof import('./pasting.ts') | null = null;

/** Where nothing reads what is pasted yet, fetches what does, and pastes then. */
function pasteOnceRead(view: EditorView, data: DataTransfer | null, at?: number): boolean {
  if (reading || !data) return false;
  const [html, text] = [data.getData('text/html'), data.getData('text/plain')];
  void import('./pasting.ts')
    .then((found) => (reading = found))
    .catch(() => (status.says = 'The server does not answer: pasted as plain words'))
    .then(() => {
      if (at !== undefined) view.dispatch(view.state.tr.setSelection(TextSelection.near(view.state.doc.resolve(at))));
      if (reading && html) view.pasteHTML(html);
      else if (reading && text) view.dispatch(view.state.tr.replaceSelection(sliceOf(reading.postFromMarkdown(text))).scrollIntoView());
      else if (text) view.pasteText(text);
    });
  return true;
}

/** Whether steps only put in or take out a few letters of one block. */
const areTyped = (steps: readonly Step[]): boolean =>
  steps.length === 1 &&
  steps[0] instanceof ReplaceStep &&
  steps[0].slice.openStart === 0 &&
  steps[0].slice.content.size <= 2 &&
  steps[0].to - steps[0].from <= 1 &&
  steps[0].slice.content.content.every((node) => node.isText);

const sliceOf = (post: PostNode): Slice => Slice.maxOpen(post.content);

function plainPost(text: string): PostNode {
  const paragraphs = text
    .split(/\n\s*\n/)
    .map((p) => schema.node('paragraph', null, p.trim() ? schema.text(p.trim().replace(/\s+/g, ' ')) : []));
  return schema.node('doc', null, paragraphs);
}

/** A web address pasted over words links them. */
function linkPasted(view: EditorView, data: DataTransfer | null): boolean {
  const { from, to, empty, $from, $to } = view.state.selection;
  const href = data?.getData('text/plain').trim() ?? '';
  if (empty || !$from.sameParent($to) || !/^(?:https?:\/\/|mailto:)\S+$/.test(href) || !isSafeAddress(href)) return false;
  view.dispatch(view.state.tr.addMark(from, to, schema.marks.link.create({ href })));
  return true;
}

function bring(view: EditorView, listener: Listener, data: DataTransfer | null, at: number): boolean {
  const files = [...(data?.files ?? [])].filter((f) => f.type.startsWith('image/'));
  if (!files.length || data?.getData('text/html')) return false;
  listener.picturesBrought(files, at);
  view.focus();
  return true;
}

/** Gives new and doubled blocks an id of their own as they appear. */
function ownIds(): Plugin {
  return new Plugin({
    appendTransaction(transactions, _old, state) {
      if (!transactions.some((tr) => tr.docChanged)) return null;
      const wanting = blocksWithoutOwnId(state.doc);
      if (!wanting.length) return null;
      const tr = state.tr.setMeta('addToHistory', false);
      for (const pos of wanting) tr.setNodeAttribute(pos, 'id', newBlockId());
      return tr;
    },
  });
}
