import type { Found, Ready } from './check.ts';
import { placeIn } from './place.ts';
import { spellingOf } from './spelling.ts';
import type { Usage, UsageRule } from './usage/usage.ts';
import { WHAT_COUNTS } from './what-counts.ts';

/** A check for one rule of usage, where the writer's answers let it count; passages nobody has read for it yet, and those in another language, are passed over. */
export const eachUsage =
  (rule: UsageRule, saying: (usage: Usage, words: string) => Pick<Found, 'says' | 'hint'>) =>
  (post: Ready): Found[] => {
    const { stretches, usages, details } = post;
    if (!usages || !WHAT_COUNTS[rule].counts(details.brief ?? {})) return [];
    const foreign = new Set(spellingOf(post).flatMap(({ stretch, spelt }) => (spelt.isForeign ? [stretch] : [])));
    return stretches.flatMap((stretch) =>
      foreign.has(stretch)
        ? []
        : (usages.get(stretch.text) ?? [])
            .filter((usage) => usage.rule === rule)
            .map((usage) => {
              const [first] = usage.instead;
              return {
                place: placeIn(stretch, usage.from, usage.to),
                ...saying(usage, stretch.text.slice(usage.from, usage.to)),
                ...(first ? { fix: { label: `Make it “${first}”`, text: first } } : {}),
              };
            }),
    );
  };

/** What could stand there, as a question. */
export const orElse = ({ instead }: Usage, otherwise: string): string =>
  instead.length ? `${instead.map((word) => `“${word}”`).join(', ')}?` : otherwise;
