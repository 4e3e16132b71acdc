import type { Edit } from '../edit.ts';
import type { ProseSentence } from '../prose.ts';
import type { ToldBy } from './rule.ts';
import type { Turn, WordingChoices } from './written.ts';

// What a writer decides about wording is kept among the repairs taken, as marks that change no words.

const TURNS: Readonly<Record<Turn, string>> = { said: 'As it was said', in: 'Brought back by the writer', out: 'Left out by the writer' };
const PERSONS: readonly ToldBy[] = ['you', 'we', 'i', 'as-said'];

/** A sentence of a flow, by its stretch, as the writer wants it. */
export function turned(flow: string, { from, to }: Pick<ProseSentence, 'from' | 'to'>, turn: Turn): Edit {
  const before = flow.slice(from, to);
  return { kind: 'wording', from, to, before, after: before, reason: TURNS[turn], turn };
}

/** Who a source is told by or to, as the writer wants it. */
export const toldBy = (person: ToldBy): Edit => ({
  kind: 'wording',
  from: 0,
  to: 0,
  before: '',
  after: '',
  reason: 'Chosen by the writer',
  turn: person,
});

/** What is decided about the wording of a source, by the repairs taken over it. */
export function choicesOf(edits: readonly Edit[]): WordingChoices {
  const turns: Record<number, Turn> = {};
  let person: ToldBy | undefined;
  for (const { kind, from, to, turn } of edits) {
    if (kind !== 'wording') continue;
    if (from === to) person = PERSONS.find((p) => p === turn) ?? person;
    else if (turn && turn in TURNS) turns[from] = turn as Turn;
  }
  return { turns, ...(person ? { person } : {}) };
}
