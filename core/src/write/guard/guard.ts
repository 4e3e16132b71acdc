import { facts } from './checks/facts.ts';
import { form } from './checks/form.ts';
import { headings } from './checks/headings.ts';
import { length } from './checks/length.ts';
import { links } from './checks/links.ts';
import { neverUsed } from './checks/never-used.ts';
import { remarks } from './checks/remarks.ts';
import { rests } from './checks/rests.ts';
import { twice } from './checks/twice.ts';
import type { GuardCheck, GuardFinding, Proposed } from './finding.ts';

/** Everything it looks for, in the order findings are shown. */
const CHECKS: readonly GuardCheck[] = [facts, links, remarks, neverUsed, headings, twice, form, length, rests];

const ORDER = { must: 0, look: 1, fine: 2 };

/** Holds a proposal against the material and the brief, whoever wrote it: what must be fixed comes first. */
export function guard(proposed: Proposed): GuardFinding[] {
  return CHECKS.flatMap((check) => check(proposed)).sort((a, b) => ORDER[a.gravity] - ORDER[b.gravity]);
}
