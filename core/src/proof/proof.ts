import { type Finding, type Found, type Proofed, type Ready, ready } from './check.ts';
import { blockNumbers, type FindingPlace } from './place.ts';
import { CHECKS } from './checks/index.ts';

/** What a proof found, what of it the writer left as it is, and the names of the checks that were made. */
export type Proofs = { findings: Finding[]; left: Finding[]; checked: string[] };

/** Runs every check that House style has not switched off: what must be fixed comes first, then by place. */
export function proof(post: Proofed): Proofs {
  const given = ready(post);
  const checks = CHECKS.filter(({ name }) => !given.house.unchecked.includes(name));
  const order = blockNumbers(given.doc);
  const placed = (place: FindingPlace) => (place && 'block' in place ? (order.get(place.block) ?? 0) : -1);
  const findings = checks.flatMap((check) => {
    const { name, kind, gravity, why } = check;
    return check.run(given).map((found): Finding => {
      const words = wordsAt(found.place, given);
      return { ...found, check: name, kind, gravity, why, words, key: keyOf(name, found, words) };
    });
  });
  // The same words twice in one place are two findings.
  const times = new Map<string, number>();
  for (const finding of findings) {
    const n = (times.get(finding.key) ?? 0) + 1;
    times.set(finding.key, n);
    if (n > 1) finding.key += ` · ${n}`;
  }
  const rank = { must: 0, look: 1 };
  findings.sort((a, b) => rank[a.gravity] - rank[b.gravity] || placed(a.place) - placed(b.place) || from(a.place) - from(b.place));
  const left = new Set(given.details.left?.map(({ key }) => key));
  return {
    findings: findings.filter(({ key }) => !left.has(key)),
    left: findings.filter(({ key }) => left.has(key)),
    checked: checks.map(({ name }) => name),
  };
}

const from = (place: FindingPlace): number => (place && 'from' in place ? (place.from ?? 0) : 0);

function wordsAt(place: FindingPlace, { stretches }: Ready): string {
  if (!place || 'detail' in place || !place.to) return '';
  const { block, from = 0, to } = place;
  const stretch = stretches.findLast((s) => s.block === block && s.at <= from);
  return stretch?.text.slice(from - stretch.at, to - stretch.at) ?? '';
}

// So much of what stands at a place tells it from others.
const KEY_LETTERS = 120;

/** What tells a finding from others of its check: its place, and what stands there. */
function keyOf(check: string, { place, says }: Found, words: string): string {
  if (!place) return `${check} · ${says}`;
  if ('detail' in place) return `${check} · ${place.detail}`;
  return [check, place.block, words.slice(0, KEY_LETTERS)].filter(Boolean).join(' · ');
}
