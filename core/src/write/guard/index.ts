export { doubtsOf } from './doubts.ts';
export type { GuardFinding, GuardFix, Proposed } from './finding.ts';
export { guard } from './guard.ts';
export { heard } from './heard.ts';
export { type Known, knownFacts, sentencesOf, withOwn } from './known-facts.ts';
export type { Doubt } from './statement.ts';
export { namesIn } from './unsaid-names.ts';
