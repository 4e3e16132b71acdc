const HALF = /[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/g;

/** Text as a database and a file can keep it: without NUL, and with the sign U+FFFD for each half of a letter. */
export const storable = (text: string): string => text.replaceAll('\0', '').replace(HALF, '\uFFFD');

// As JSON writes them: the database refuses them in texts, however deep they lie.
const ODD = /\\u(?:0000|d[89a-f][0-9a-f]{2})/i;

/** A JSON value with every text of it storable, its names too; the same value where all of them are. */
export const storableJson = <T>(value: T): T => (ODD.test(JSON.stringify(value) ?? '') ? (mended(value) as T) : value);

/** JSON as a value whose texts are storable. Throws a SyntaxError when it is none. */
export function parseStorable(json: string): unknown {
  const value: unknown = JSON.parse(json);
  // Nearly none holds such a letter, and then there is nothing to look through.
  return ODD.test(json) || json.search(HALF) >= 0 ? mended(value) : value;
}

function mended(part: unknown): unknown {
  if (typeof part === 'string') return storable(part);
  if (Array.isArray(part)) return part.map(mended);
  if (part === null || typeof part !== 'object') return part;
  return Object.fromEntries(Object.entries(part).map(([name, inner]) => [storable(name), mended(inner)]));
}

/** The first letters of a text, at most so many UTF-16 units, cut at a space where one is near and never inside a letter. */
export function shortened(text: string, most: number): string {
  if (text.length <= most) return text;
  const cut = storable(text.slice(0, most)).replace(/\uFFFD$/, '');
  const space = cut.search(/\s\S*$/);
  return (space > most * 0.8 ? cut.slice(0, space) : cut).trimEnd();
}
