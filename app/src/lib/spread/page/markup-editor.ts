import { defaultKeymap, history, historyKeymap } from '@codemirror/commands';
import { html } from '@codemirror/lang-html';
import { markdown } from '@codemirror/lang-markdown';
import { HighlightStyle, syntaxHighlighting } from '@codemirror/language';
import { EditorState } from '@codemirror/state';
import { EditorView, keymap } from '@codemirror/view';
import { tags } from '@lezer/highlight';
import type { Markup } from '@even-page/core/post/markup';

const colours = HighlightStyle.define([
  { tag: tags.heading, fontWeight: '650' },
  { tag: tags.strong, fontWeight: '650' },
  { tag: tags.emphasis, fontStyle: 'italic' },
  { tag: tags.strikethrough, textDecoration: 'line-through' },
  { tag: [tags.link, tags.url, tags.attributeValue], color: 'var(--slate)' },
  { tag: [tags.processingInstruction, tags.tagName, tags.angleBracket, tags.attributeName], color: 'var(--bottle)' },
  { tag: tags.comment, color: 'var(--faded)' },
]);

const look = EditorView.theme({
  '&': { height: '100%', font: '13px/1.6 var(--mono)', color: 'var(--ink)' },
  '&.cm-focused': { outline: 'none' },
  '.cm-scroller': { fontFamily: 'inherit', lineHeight: 'inherit', padding: '16px 24px 30vh' },
  '.cm-content': { caretColor: 'var(--ink)' },
  '&.cm-focused .cm-selectionBackground, .cm-selectionBackground': { background: 'var(--bottle-tint) !important' },
});

/** An editor of the page's markup. `changed` hears of every change that the writer makes. */
export function markupEditor(
  place: HTMLElement,
  { text, cursor, as, label, changed }: { text: string; cursor: number; as: Markup; label: string; changed: (text: string) => void },
): EditorView {
  return new EditorView({
    parent: place,
    state: EditorState.create({
      doc: text,
      selection: { anchor: Math.min(cursor, text.length) },
      extensions: [
        history(),
        keymap.of([...defaultKeymap, ...historyKeymap]),
        as === 'markdown' ? markdown() : html(),
        syntaxHighlighting(colours),
        look,
        EditorView.lineWrapping,
        EditorView.contentAttributes.of({ 'aria-label': label, spellcheck: 'true', tabindex: '0' }),
        EditorView.updateListener.of((update) => update.docChanged && changed(update.state.doc.toString())),
      ],
    }),
    scrollTo: EditorView.scrollIntoView(Math.min(cursor, text.length), { y: 'center' }),
  });
}
