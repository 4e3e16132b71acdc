/** The same function, asked each question but once: for words that come again and again in a text. */
export function remembered<T>(find: (word: string) => T): (word: string) => T {
  const known = new Map<string, T>();
  return (word) => {
    let found = known.get(word);
    if (found === undefined) known.set(word, (found = find(word)));
    return found;
  };
}
