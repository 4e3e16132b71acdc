import { sentences } from '../language/sentences.ts';
import type { PostNode } from '../post/schema.ts';
import { turnIn } from '../post/turns.ts';
import { type Doubt, doubtsOf, heard, type Known, sentencesOf } from '../write/index.ts';
import type { Found, Ready } from './check.ts';
import { placeIn } from './place.ts';
import { isHeading, type Stretch } from './stretches.ts';

// Blocks and material never change: others stand in their places.
const doubted = new WeakMap<Known, WeakMap<PostNode, Doubt[]>>();

/** What in the words of a page the material does not bear out, of one kind. Nothing where there is no material. */
export function unsaid(post: Ready, kind: Doubt['kind'], saying: (doubt: Doubt, said: string) => Omit<Found, 'place'>): Found[] {
  const { known } = post;
  if (!known?.index.sentences.length) return [];
  return post.stretches.flatMap((stretch) =>
    doubtsIn(stretch, known)
      .filter((doubt) => doubt.kind === kind)
      .map((doubt) => ({
        place: placeIn(stretch, doubt.from, doubt.to),
        ...saying(doubt, heard([...(doubt.elsewhere === null ? [] : [doubt.elsewhere]), ...doubt.near], known)),
      })),
  );
}

function doubtsIn(stretch: Stretch, known: Known): Doubt[] {
  let seen = doubted.get(known);
  if (!seen) doubted.set(known, (seen = new WeakMap()));
  let found = seen.get(stretch.node);
  if (!found) {
    const rests = sentencesOf(known, stretch.origins);
    // Whoever speaks is named by us.
    const voice = turnIn(stretch.node).length;
    found = sentences(stretch.text).flatMap(({ text, from }) =>
      doubtsOf({ text, rests, ...(stretch.beside ? { beside: stretch.beside } : {}) }, known)
        // A heading says things its own way.
        .filter(({ kind }) => !isHeading(stretch) || kind === 'figure' || kind === 'name')
        .map((doubt) => ({ ...doubt, from: from + doubt.from, to: from + doubt.to }))
        .filter((doubt) => doubt.from >= voice),
    );
    seen.set(stretch.node, found);
  }
  return found;
}
