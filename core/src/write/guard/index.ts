export { doubtsOf } from './doubts.ts';
export type { GuardFinding, GuardFix, Proposed } from './finding.ts';
export { guard } from './guard.ts';
export { type Known, knownFacts } from './known-facts.ts';
export { namesIn } from './unsaid-names.ts';
