export { type Check, type Finding, type Fix, type Gravity, KINDS, type Kind, type Proofed } from './check.ts';
export type { FindingPlace } from './place.ts';
export { CHECKS } from './checks/index.ts';
export { type Figures, figuresOf } from './figures.ts';
export { proofReport } from './report.ts';
export { proof, type Proofs } from './proof.ts';
