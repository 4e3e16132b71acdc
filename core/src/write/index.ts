export { changedWords, compare, type Compared, withSectionOf } from './comparing.ts';
export { findInMaterial, type FoundSentence, indexOf, type MaterialIndex } from './find-in-material.ts';
export { looseTies, type TiesSeen } from './loose-ties.ts';
export { onPage, pageText } from './page-text.ts';
export { thinned } from './thinning.ts';
