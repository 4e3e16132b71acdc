import { fromHtml } from 'hast-util-from-html';
import { toString } from 'hast-util-to-string';
import type { Details } from '../post/details.ts';
import type { Dress } from '../post/dress.ts';
import { postToHtml } from '../post/html.ts';
import type { PostNode } from '../post/schema.ts';
import { escaped } from '../language/escaped.ts';

// Messages of Micropub (W3C Recommendation, 23 May 2017) as plain values; whoever calls does the sending.
// The category travels as `mp-channel` and the tags as `category`: both names come from Micropub and its
// registered extensions.

/** The properties of a post in microformats 2: every value is a list. */
export type Properties = Record<string, unknown[]>;

/** A request to a Micropub endpoint: a JSON body to POST. */
export type Message =
  | { type: ['h-entry']; properties: Properties }
  | { action: 'update'; url: string; replace: Properties; delete?: string[] }
  | { action: 'delete'; url: string };

/** A post as it goes to an outlet: its pictures and clips by their addresses there, and its cover, if it has one. */
export type Edition = { details: Details; doc: PostNode; dress: Dress; cover: { address: string; alt: string } | null };

/** The words of a post as HTML, as an outlet gets them and readers see them: its standfirst, then its page. */
export const contentOf = (standfirst: string, doc: PostNode, dress: Dress): string =>
  (standfirst ? `<p><em>${escaped(standfirst)}</em></p>\n` : '') + postToHtml(doc, dress);

/** The properties an edition of a post has at its outlet. Empty details are left out. */
export function propertiesOf({ details, doc, dress, cover }: Edition): Properties {
  const properties: Properties = {
    name: [details.title],
    content: [{ html: contentOf(details.standfirst, doc, dress) }],
    // For lists and feeds; a description that is another goes with it as a command an outlet may not know.
    summary: [details.summary || details.description],
    'mp-description': details.summary ? [details.description] : [],
    author: details.byline ? [{ type: ['h-card'], properties: { name: [details.byline] } }] : [],
    category: details.tags,
    'mp-channel': [details.category],
    // As microformats 2 has it in its draft of h-entry; a value with its alternative text as in Micropub, 3.3.2.
    featured: cover ? [cover.alt ? { value: cover.address, alt: cover.alt } : cover.address] : [],
  };
  return Object.fromEntries(Object.entries(properties).filter(([, values]) => values.some((v) => v !== '')));
}

/** The message that publishes a post for the first time. */
export function createMessage(edition: Edition): Message {
  const { slug } = edition.details;
  return { type: ['h-entry'], properties: { ...propertiesOf(edition), ...(slug ? { 'mp-slug': [slug] } : {}) } };
}

/** The message that sends a change: what the post has replaces what is there, what it no longer has goes. */
export function updateMessage(url: string, edition: Edition): Message {
  const replace = propertiesOf(edition);
  const gone = ['summary', 'mp-description', 'author', 'category', 'mp-channel', 'featured'].filter((name) => !(name in replace));
  return { action: 'update', url, replace, ...(gone.length ? { delete: gone } : {}) };
}

/** What an outlet answered, as far as a writer needs to know. */
export type Answer = { status: number; location: string | null; body: unknown };

/** How a sending ended: where the post stands, why it was not taken, or why nobody knows. */
export type SendOutcome = { arrived: string } | { refused: string } | { unknown: string };

/**
 * How a sending ended, by the answer to it, in the writer's words. A change (`known` is where the post stands) may be
 * sent as often as one likes; a post that was made without a usable address is one of which nobody knows.
 */
export function outcomeOf({ status, location, body }: Answer, known?: string): SendOutcome {
  const address = location !== null && isWebAddress(location) ? location : known;
  if (status >= 200 && status < 300)
    return address ? { arrived: address } : { unknown: 'it took the post, but does not say where it stands' };
  const said = (body as { error_description?: unknown } | null)?.error_description;
  const own = typeof said === 'string' && said ? ` (${said.slice(0, 300)})` : '';
  // What a redirect or a fault inside left behind cannot be told from here.
  if (!known && (status === 302 || status === 303 || status >= 500)) return { unknown: `it answered with status ${status}${own}` };
  const reason =
    status === 401 || status === 403
      ? 'it does not accept the access token'
      : status === 404 || status === 400
        ? 'it did not understand the post, or no longer has it'
        : status >= 300 && status < 400
          ? 'its Micropub address leads elsewhere now, and nothing is sent on'
          : `it answered with status ${status}`;
  return { refused: `${reason}${own}` };
}

/** Whether a text is a whole address of the web. */
export const isWebAddress = (text: string): boolean => URL.canParse(text) && /^https?:$/.test(new URL(text).protocol);

/** Whether an answer to `q=source` is a list of posts (Micropub extension "Query for Post List"). */
export const isPostList = (body: unknown): body is { items: unknown[] } => Array.isArray((body as { items?: unknown } | null)?.items);

/** The address of a post in an outlet's list: the one of the same title and the same words. Null when none is. */
export function findListed({ items }: { items: unknown[] }, edition: Edition): string | null {
  const sent = propertiesOf(edition);
  const wordsOf = ({ name, content }: Properties) => `${wordsIn(name?.[0])} / ${wordsIn(content?.[0])}`;
  for (const item of items) {
    const { properties } = (item ?? {}) as { properties?: Properties };
    if (!properties || typeof properties !== 'object') continue;
    const url = properties.url?.[0];
    if (typeof url === 'string' && isWebAddress(url) && wordsOf(properties) === wordsOf(sent)) return url;
  }
  return null;
}

/** The words of a value as outlets write it: plain, or as HTML. */
function wordsIn(value: unknown): string {
  const { html } = (value ?? {}) as { html?: unknown };
  const text = typeof html === 'string' ? toString(fromHtml(html, { fragment: true })) : typeof value === 'string' ? value : '';
  return (text.match(/[\p{L}\p{N}]+/gu) ?? []).join(' ');
}
