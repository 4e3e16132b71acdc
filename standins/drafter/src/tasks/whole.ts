import { type PostNode, schema } from '@even-page/core/post/schema';
import { STANDING_PARTS, type StandingPart, withStandingPart } from '@even-page/core/shape';
import { docOf, heading } from '../page-of.ts';
import type { Task } from '../task.ts';
import { outlined } from './outline.ts';
import { sectionBlocks } from './section.ts';

/** Drafts the whole post: section after section, with the standing parts that are wanted. */
export const whole: Task = function* (request, known) {
  const outline = request.outline.some((part) => part.heading) ? request.outline : outlined(request, known);
  const asked = { ...request, outline };
  const blocks: ReturnType<typeof sectionBlocks> = [];
  for (const part of outline) {
    if (part.heading) blocks.push(heading(part.heading, part.level, part.id));
    blocks.push(...sectionBlocks(part, asked, known));
  }
  const notes = blocks.filter((b) => 'note' in b);
  let doc = docOf(blocks.filter((b): b is PostNode => !('note' in b)));
  for (const name of request.brief.parts ?? []) {
    const made = name in STANDING_PARTS ? withStandingPart(doc, name as StandingPart, { subjects: known }) : null;
    if (made) doc = made;
    else notes.push({ note: `Nothing here could be made into ${STANDING_PARTS[name as StandingPart]?.label.toLowerCase() ?? name}.` });
  }
  yield* doc.children.filter((block) => block.type !== schema.nodes.paragraph || block.content.size);
  yield* notes;
};
