/** What is looked for in how things are said. */
export type UsageRule = 'grammar' | 'passive' | 'hedge' | 'insensitive';

/** One thing found: where in the text, what is wrong in a few words, and what could stand there; none where that depends. */
export type Usage = { rule: UsageRule; from: number; to: number; says: string; instead: string[] };
