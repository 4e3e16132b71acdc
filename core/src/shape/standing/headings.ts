/** What the standing parts of a post are headed with. */
export const STANDING_HEADINGS = {
  keyPoints: 'Key points',
  questions: 'Questions and answers',
  conclusion: 'To close',
  nextStep: 'Next step',
} as const;

const ALL = new Set<string>(Object.values(STANDING_HEADINGS));

/** Whether a section is of the body: headed, and no standing part. */
export const isBody = ({ id, heading }: { id: string; heading: string }): boolean => id !== 'lead' && !ALL.has(heading);
