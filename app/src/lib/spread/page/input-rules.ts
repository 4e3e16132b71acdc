import { InputRule, inputRules, textblockTypeInputRule, wrappingInputRule } from 'prosemirror-inputrules';
import type { MarkType } from 'prosemirror-model';
import type { Plugin } from 'prosemirror-state';
import { isSafeAddress } from '@even-page/core/post/address';
import { schema } from '@even-page/core/post/schema';

const { nodes, marks } = schema;

/** Markdown as typed: headings, lists, quotations, code, rules, bold, italic, highlight, strikethrough, links. */
export function markdownAsTyped(): Plugin {
  return inputRules({
    rules: [
      textblockTypeInputRule(/^(#{2,4})\s$/, nodes.heading, (m) => ({ level: m[1]!.length })),
      wrappingInputRule(/^\s*[-*+]\s$/, nodes.bulletList),
      wrappingInputRule(/^(\d{1,3})[.)]\s$/, nodes.orderedList, (m) => ({ start: Number(m[1]) })),
      wrappingInputRule(/^\s*>\s$/, nodes.blockquote),
      textblockTypeInputRule(/^```$/, nodes.codeBlock),
      new InputRule(/^(?:---|\*\*\*)$/, (state, _match, from, to) => {
        const $from = state.doc.resolve(from);
        if ($from.depth !== 1) return null;
        return state.tr.replaceRangeWith(from, to, nodes.rule.create());
      }),
      around(/\*\*([^*\s](?:[^*]*[^*\s])?)\*\*$/, marks.strong),
      around(/(?<![*\w])\*([^*\s](?:[^*]*[^*\s])?)\*$/, marks.emphasis),
      around(/(?<![_\w])_([^_\s](?:[^_]*[^_\s])?)_$/, marks.emphasis),
      around(/==([^=\s](?:[^=]*[^=\s])?)==$/, marks.highlight),
      around(/~~([^~\s](?:[^~]*[^~\s])?)~~$/, marks.strikethrough),
      around(/`([^`]+)`$/, marks.code),
      new InputRule(/\[([^\]]+)\]\(([^)\s]+)\)$/, (state, match, from, to) => {
        const [, words, href] = match;
        if (!isSafeAddress(href!)) return null;
        return state.tr.replaceWith(from, to, schema.text(words!, [marks.link.create({ href })])).removeStoredMark(marks.link);
      }),
    ],
  });
}

/** Words between two signs get a mark, and the signs go. */
function around(pattern: RegExp, mark: MarkType): InputRule {
  return new InputRule(pattern, (state, match, from, to) => {
    const marks = state.doc.resolve(from).marks();
    return state.tr.replaceWith(from, to, schema.text(match[1]!, mark.create().addToSet(marks))).removeStoredMark(mark);
  });
}
