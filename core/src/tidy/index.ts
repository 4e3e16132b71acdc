export { draftChanges } from './draft-changes.ts';
export {
  applyEdits,
  asidesOut,
  changeEdits,
  type Edit,
  type EditChange,
  editKey,
  editsForSections,
  isMark,
  leftOut,
  takenMark,
} from './edit.ts';
export { findMatches, type FoundWords, type Query, replaceMatch } from './find.ts';
export type { Tools } from './finder.ts';
export { findEdits } from './finders.ts';
export { flowOf, passageAt } from './flow.ts';
export { type House, houseSchema, PADDING, usualHouse } from './house.ts';
export { type MarksModel, readModel } from './marks/model.ts';
export { isOut, type Paragraph, paragraphText, proseOf, type ProseSentence, saidOf } from './prose.ts';
export { EDIT_KINDS, type EditKind, repairKind } from './repair-kinds.ts';
export { choicesOf, toldBy, turned } from './wording/choices.ts';
export { DEEDS, isClosed, isVerb } from './wording/kinds.ts';
export type { ToldBy } from './wording/rule.ts';
export { type Token, tokensOf } from './wording/tokens.ts';
export { readWorth, type WorthModel } from './wording/worth.ts';
export { asWritten, isSpoken, type Turn, type WordingChoices, type Written } from './wording/written.ts';
