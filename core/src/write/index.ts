export * from './brief/index.ts';
export { changedWords, compare, type Compared, withSectionOf } from './comparing.ts';
export { findInMaterial, type FoundSentence, indexOf, type MaterialIndex } from './find-in-material.ts';
export {
  type Doubt,
  doubtsOf,
  guard,
  type GuardFinding,
  type GuardFix,
  heard,
  type Known,
  knownFacts,
  namesIn,
  type Proposed,
  sentencesOf,
  withOwn,
} from './guard/index.ts';
export { type HeadedPart, headedParts } from './headed-parts.ts';
export { type Idea, ideaSchema } from './ideas/idea.ts';
export { ideasAsTable, ideasFromTable, type IdeasRead, type ListedIdea } from './ideas/ideas-table.ts';
export { linesOf, nearDoubles } from './ideas/near-doubles.ts';
export { looseTies, type TiesSeen } from './loose-ties.ts';
export { onPage, pageText } from './page-text.ts';
export { taken } from './taking.ts';
export { thinned } from './thinning.ts';
