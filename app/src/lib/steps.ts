/** The road, in order, with the question a writer asks at each step. */
export const STEPS = [
  { name: 'gather', label: 'Gather', asks: 'What have I got?' },
  { name: 'tidy', label: 'Tidy', asks: 'What did they mean to say?' },
  { name: 'shape', label: 'Shape', asks: 'What goes where, and is it balanced?' },
  { name: 'write', label: 'Write', asks: 'Does it read?' },
  { name: 'dress', label: 'Dress', asks: 'What should readers see?' },
  { name: 'proof', label: 'Proof', asks: 'Is it right, whole, findable?' },
  { name: 'send', label: 'Send', asks: 'Where does it go, and when?' },
] as const;

export type Step = (typeof STEPS)[number]['name'];

export const STEP_NAMES = STEPS.map((s) => s.name) as readonly Step[];
