export { CHECKS, proof } from './checks.ts';
export { type Figures, figuresOf } from './figures.ts';
export type { Finding, Gravity, Proofed } from './finding.ts';
