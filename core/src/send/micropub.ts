import { Complaint } from '../complaint.ts';
import type { Details } from '../post/details.ts';
import { postToHtml } from '../post/html.ts';
import type { PostNode } from '../post/schema.ts';

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

/** The properties an edition of a post has at its outlet. Empty details are left out. */
export function propertiesOf(details: Details, doc: PostNode): Properties {
  const properties: Properties = {
    name: [details.title],
    content: [{ html: (details.standfirst ? `<p><em>${escape(details.standfirst)}</em></p>\n` : '') + postToHtml(doc) }],
    summary: [details.description],
    category: details.tags,
    'mp-channel': [details.category],
  };
  return Object.fromEntries(Object.entries(properties).filter(([, values]) => values.some((v) => v !== '')));
}

const escape = (s: string) => s.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;');

/** The message that publishes a post for the first time. */
export function createMessage(details: Details, doc: PostNode): Message {
  const slug: Properties = details.slug ? { 'mp-slug': [details.slug] } : {};
  return { type: ['h-entry'], properties: { ...propertiesOf(details, doc), ...slug } };
}

/** The message that sends a change: what the post has replaces what is there, what it no longer has goes. */
export function updateMessage(url: string, details: Details, doc: PostNode): Message {
  const replace = propertiesOf(details, doc);
  const gone = ['summary', 'category', 'mp-channel'].filter((name) => !(name in replace));
  return { action: 'update', url, replace, ...(gone.length ? { delete: gone } : {}) };
}

/** What an outlet answered, as far as a writer needs to know. */
export type Answer = { status: number; location: string | null; body: unknown };

/**
 * The address of the post after a create or update. Throws a Complaint in the writer's words when the outlet
 * refused, with its own description where it gave one.
 */
export function publishedAddress(answer: Answer, known?: string): string {
  const { status, location, body } = answer;
  if (status === 200 || status === 204) return location ?? known!;
  if ((status === 201 || status === 202) && (location ?? known)) return (location ?? known)!;
  const said = (body as { error_description?: unknown } | null)?.error_description;
  const reason =
    status === 401 || status === 403
      ? 'it does not accept the access token'
      : status === 404 || status === 400
        ? 'it did not understand the post, or no longer has it'
        : `it answered with status ${status}`;
  throw new Complaint(
    `The outlet did not take the post: ${reason}${typeof said === 'string' && said ? ` (${said})` : ''}. Your post is safe here; check the outlet, then send again.`,
  );
}
