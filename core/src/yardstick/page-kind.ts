import type { WebPage } from '../gather/index.ts';

/** What kinds of page there are, as they are called on screen. */
export const PAGE_KINDS = { article: 'article', forum: 'forum', shop: 'shop', list: 'list', video: 'video page' } as const;
export type PageKind = keyof typeof PAGE_KINDS;

/** What a page says it is (schema.org types, and those of share cards). */
const SAYS: [PageKind, RegExp][] = [
  ['forum', /^(?:qapage|discussionforumposting|question)$/],
  ['shop', /^(?:product|productgroup|offer|offercatalog|store)$/],
  ['list', /^(?:itemlist|collectionpage|searchresultspage)$/],
  ['video', /^(?:videoobject|video|video\.other)$/],
];

// Own choices: so many contributions are a conversation, so many prices a shop; a page of links, or of a recording, has few words of its own.
const POSTS = 3;
const SAID_BY_READERS = 0.5;
const PRICES = 4;
const LINKED = 0.5;
const VIDEO_WORDS = 250;

/**
 * What kind of page it is: what it says itself, else what stands on it.
 * @param linked the share of its main text that is links, 0 to 1
 */
export function kindOf({ types, posts, postWords, words, prices, buyable, plays, mainWords }: WebPage, linked: number): PageKind {
  const isArticle = types.some((type) => /article|blogposting|howto/.test(type));
  const said = SAYS.find(([, words]) => types.some((type) => words.test(type)))?.[0];
  if (said && (!isArticle || said === 'forum')) return said;
  // Under an article readers may talk too: on a forum they say most.
  if (posts >= POSTS && !isArticle && postWords >= SAID_BY_READERS * words) return 'forum';
  if (!isArticle && buyable && prices >= 1 && (buyable > 1 || prices >= PRICES)) return 'shop';
  if (linked >= LINKED) return 'list';
  return plays && mainWords < VIDEO_WORDS ? 'video' : 'article';
}
