import { sentences } from '@even-page/core/language/sentences';
import { terms } from '@even-page/core/language/terms';
import { dice } from '@even-page/core/language/dice';
import { wordCount } from '@even-page/core/language/words';
import { type Mark, type Origin, type PostNode, schema } from '@even-page/core/post/schema';
import { plainText, wordsIn } from '@even-page/core/post/sections';
import { condense, type StandingPart, withoutUnits, withStandingPart } from '@even-page/core/shape';
import { type DraftRequest, readAnswer, type TaskName } from '@even-page/core/write';
import { asList, asTable } from '../forms.ts';
import { docOf, heading, paragraphsOf, passagesOf } from '../page-of.ts';
import { plainer } from '../plainer.ts';
import type { Task } from '../task.ts';

const { nodes } = schema;
const OWN = 's';
const TWO_THIRDS = 2 / 3;

/** The words that are to be rewritten, as blocks that know their passages. */
const given = (request: DraftRequest): PostNode[] => [...readAnswer(request.text, passagesOf(request)).doc.children];

const hasLink = (doc: PostNode, from: number, to: number): boolean => {
  let found = false;
  doc.nodesBetween(from, to, (node) => {
    found ||= node.marks.some((mark) => mark.type.name === 'link');
    return !found;
  });
  return found;
};

/** How many words were asked for, when a wish names a number of them. */
const wordsAsked = (wish: string): number | null => {
  const m = /\b(\d{1,5}) words\b/i.exec(wish);
  return m ? Number(m[1]) : null;
};

const shorter: Task = function* (request, known) {
  const doc = docOf([heading(OWN, 2, OWN), ...given(request)]);
  const now = doc.children.slice(1).reduce((sum, block) => sum + wordsIn(block), 0);
  const wanted = wordsAsked(request.wish) ?? Math.round(now * TWO_THIRDS);
  // A link stays, whatever it costs in length.
  const out = condense(doc, wanted, { section: OWN, subjects: known }).filter((unit) => !hasLink(doc, unit.from, unit.to));
  if (out.length) yield* withoutUnits(doc, out).children.slice(1);
  else {
    yield* doc.children.slice(1);
    yield { note: 'No sentence here can go without another.' };
  }
};

const SAID_ALREADY = 0.6;

const longer: Task = function* (request) {
  const blocks = given(request);
  const said = blocks.flatMap((block) => sentences(plainText(block)).map((s) => new Set(terms(s.text))));
  const fresh = request.passages.filter(({ text }) =>
    sentences(text).every((s) => !said.some((other) => dice(new Set(terms(s.text)), other) >= SAID_ALREADY)),
  );
  yield* blocks;
  if (fresh.length) yield* paragraphsOf(fresh.slice(0, 3));
  else yield { note: 'The passages say nothing more of this.' };
};

// A clause that can stand alone begins behind these.
const JOINT = /,? (?:and|but|so|because) (?=(?:you|it|they|we|he|she|that|this|the|there|i)\b)|; /gi;
const LONG = 18;
const SHORTEST_PART = 5;

/** A sentence in two where it joins two clauses, none of them too short to stand. */
function split(text: string): string {
  if (wordCount(text) <= LONG) return text;
  for (const joint of text.matchAll(JOINT)) {
    const [one, two] = [text.slice(0, joint.index), text.slice(joint.index + joint[0].length)];
    if (wordCount(one) < SHORTEST_PART || wordCount(two) < SHORTEST_PART || /\b(?:if|when|although|while|because)\b[^,]*$/i.test(one))
      continue;
    const lead = /but/i.test(joint[0]) ? 'But ' : /so/i.test(joint[0]) ? 'So ' : /because/i.test(joint[0]) ? 'That is because ' : '';
    const rest = lead ? lead + two : two.charAt(0).toUpperCase() + two.slice(1);
    return `${one.replace(/[,;]$/, '')}. ${split(rest)}`;
  }
  return text;
}

/** A block with its plain words made simpler; what carries a link or another sign stays as it is. */
function simplified(block: PostNode): PostNode {
  if (block.isLeaf) return block;
  if (!block.isTextblock) return block.type.create(block.attrs, block.children.map(simplified));
  if (block.type === nodes.heading) return block;
  const content: PostNode[] = [];
  block.forEach((child) => {
    if (!child.isText || child.marks.length) return void content.push(child);
    const text = sentences(child.text!)
      .map((s) => split(plainer(s.text)))
      .join(' ');
    const [lead = ''] = /^\s*/.exec(child.text!) ?? [];
    const [tail = ''] = /\s*$/.exec(child.text!) ?? [];
    content.push(schema.text(lead + text + tail, child.marks as Mark[]));
  });
  return block.type.create(block.attrs, content);
}

const simpler: Task = function* (request) {
  yield* given(request).map(simplified);
};

const list: Task = function* (request) {
  yield* asList(given(request), 'list');
};

const steps: Task = function* (request) {
  yield* asList(given(request), 'steps');
};

const table: Task = function* (request) {
  const blocks = given(request);
  const made = asTable(blocks, request.wish);
  yield* made ?? blocks;
  if (!made) yield { note: 'Nothing here is told by the same measure, so there is no table.' };
};

const join: Task = function* (request) {
  const blocks = given(request);
  const paragraphs = blocks.filter((b) => b.type === nodes.paragraph);
  const [first, ...rest] = paragraphs;
  if (!first) return yield* blocks;
  const origins = paragraphs.flatMap((p) => p.attrs.origins as Origin[]);
  let content = first.content;
  for (const p of rest) content = content.addToEnd(schema.text(' ')).append(p.content);
  yield nodes.paragraph.create({ ...first.attrs, origins }, content);
  yield* blocks.filter((b) => b.type !== nodes.paragraph);
};

/** A standing part of the text, made of it. */
const part = (name: StandingPart): Task =>
  function* (request, known) {
    const blocks = given(request);
    const before = docOf(blocks.some((b) => b.type === nodes.heading) ? blocks : [heading('This', 2, OWN), ...blocks]);
    const made = withStandingPart(before, name, { subjects: known });
    const own = made?.children.filter((b) => b.attrs.part === name && !(b.type === nodes.heading && b.attrs.level === 2));
    if (own?.length) yield* own;
    else yield { note: 'The text says nothing this could be made of.' };
  };

const CANNOT =
  'This drafter works by rules: it can make a text shorter, longer from the material, simpler, a list, steps, a table, or one paragraph. It has no other voice.';

const WISHES: readonly [RegExp, TaskName][] = [
  [/\bshort|\bfewer words|\bcut\b|\bcondense/i, 'shorter'],
  [/\blong(?:er)?\b|\bmore (?:detail|words)|\bexpand/i, 'longer'],
  [/\bsimpl|\bplain|\beasier/i, 'simpler'],
  [/\btable\b/i, 'table'],
  [/\bsteps?\b|\bnumbered\b/i, 'steps'],
  [/\blist\b|\bbullets?\b/i, 'list'],
  [/\bjoin|\bone paragraph/i, 'join'],
  [/\bquestions?\b/i, 'questions'],
];

/** A wish in own words: done when it names something the rules can do. */
const own: Task = function* (request, known) {
  const name = WISHES.find(([pattern]) => pattern.test(request.wish))?.[1] as keyof typeof REWRITES | undefined;
  if (name) {
    const of = name === 'table' ? (/\btable of (.+? by [\w ]+)/i.exec(request.wish)?.[1] ?? '') : request.wish;
    return yield* REWRITES[name]({ ...request, wish: of }, known);
  }
  yield* given(request);
  yield { note: CANNOT };
};

const voice: Task = function* (request) {
  yield* given(request);
  yield { note: CANNOT };
};

/** Every rewriting there is. */
export const REWRITES = {
  shorter,
  longer,
  simpler,
  voice,
  list,
  steps,
  table,
  join,
  introduction: part('introduction'),
  conclusion: part('conclusion'),
  questions: part('questions'),
  own,
} as const satisfies Partial<Record<TaskName, Task>>;
