/** What the JSON of a page looks like, as far as a step has to know it. */
type Json = { type?: string; attrs?: Record<string, unknown>; content?: Json[] };

/** Each step brings a page from the format of its number to the next. */
const STEPS: Record<number, (doc: Json) => Json> = {
  1: picturesByOwnId,
};

/** The format of pages as they are written today. A page that does not say one is of the first. */
export const FORMAT = 1 + Object.keys(STEPS).length;

/** The JSON of a page in today's format. Throws a RangeError when it is of a later one. */
export function upToDate(json: unknown): unknown {
  const doc = json as Json;
  if (doc?.type !== 'doc') return json;
  const format = Number(doc.attrs?.format ?? 1);
  if (format > FORMAT) throw new RangeError('this page was written by a later version of Even Page');
  let now = doc;
  for (let n = format; n < FORMAT; n++) now = STEPS[n]!(now);
  return { ...now, attrs: { ...now.attrs, format: FORMAT } };
}

/** A picture was named by the digest of the one file made of it; from now on it has an id, which for those of before begins that digest. */
function picturesByOwnId(json: Json): Json {
  const { attrs } = json;
  const src = json.type === 'picture' && typeof attrs?.src === 'string' ? { src: ownAddress(attrs.src) } : {};
  return {
    ...json,
    ...(attrs ? { attrs: { ...attrs, ...src } } : {}),
    ...(json.content ? { content: json.content.map(picturesByOwnId) } : {}),
  };
}

/** The address of a picture by its id, from one by the digest of its file; any other stays. */
export function ownAddress(src: string): string {
  const digest = /^\/pictures\/([0-9a-f]{32})[0-9a-f]{32}\.webp$/.exec(src)?.[1];
  return digest ? `/pictures/${digest.replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, '$1-$2-$3-$4-$5')}` : src;
}
