import { sentences } from '../../language/sentences.ts';
import { type Check, PRACTICE } from '../check.ts';
import { eachUsage } from '../each-usage.ts';
import { isProse } from '../stretches.ts';

// Now and then it is right not to say who did it; from so many sentences on it is a habit (common practice, no source).
const MANY = 0.15;

const find = eachUsage('passive', (_, words) => ({
  says: `“${words}” does not say who did it`,
  hint: 'Many sentences here do not. Name who does it, and say it the active way.',
}));

export const passive: Check = {
  name: 'passive voice',
  kind: 'language',
  gravity: 'look',
  why: 'Who did it is what readers want to know.',
  source: PRACTICE,
  run(post) {
    const found = find(post);
    const all = post.stretches.filter(isProse).reduce((sum, { text }) => sum + sentences(text).length, 0);
    return found.length > MANY * all ? found : [];
  },
};
