export { CHECKS, proof } from './checks.ts';
export { type Figures, figuresOf } from './figures.ts';
export type { Finding, Gravity } from './finding.ts';
export { GRADE_AIM } from './reading.ts';
