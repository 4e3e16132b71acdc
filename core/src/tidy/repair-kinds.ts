/** A kind of repair: what it is called, what it is about, and what a click on one of it does. */
export type RepairKind = {
  label: string;
  explains: string;
  /**
   * It marks a stretch rather than mends it: what others mend inside stays mended, and what is taken stands as it is.
   */
  isMark?: true;
  /** What taking all of it is called, where that is not "Take all". */
  takeAll?: string;
  /** What is said of one that is proposed, and of one that is taken, where a click does not simply take it or put it back. */
  hints?: readonly [proposed: string, taken: string];
  /** It has a view of its own, and no place in the list of repairs. */
  isElsewhere?: true;
};

const CLICK = 'Click one to take it or to put it back.';

/** Every kind of repair, in the order they are shown. */
export const REPAIR_KINDS = {
  spacing: { label: 'Spacing', explains: `Extra empty lines, double spaces, characters nobody can see. ${CLICK}` },
  junk: { label: 'Office junk', explains: `Uneven quotes, odd capitals in addresses, numbers that do not count on. ${CLICK}` },
  sentences: {
    label: 'Sentences',
    explains: `Full stops, question marks, commas and capitals that nobody put in, and line breaks in mid-sentence. ${CLICK}`,
  },
  paragraphs: { label: 'Paragraphs', explains: `New paragraphs where the voice, the pause or the thought changes. ${CLICK}` },
  fillers: { label: 'Fillers', explains: `Um, uh, ah and er, and padding that carries nothing. ${CLICK}` },
  doubled: { label: 'Doubled', explains: `Words and phrases said twice, and starts that were cut off. ${CLICK}` },
  names: {
    label: 'Names',
    explains: 'Names heard wrong, by sound and spelling, from House style and the title. Click one to mend all its places.',
  },
  replaced: { label: 'Replaced', explains: `What you replaced yourself. ${CLICK}` },
  suspect: {
    label: 'Listen again',
    explains: 'Passages that look wrong: listen to them, then click to say that they are fine. Nothing is taken out.',
    isMark: true,
    takeAll: 'All fine',
    hints: ['Listen to it, then click if it is fine', 'You heard it and it is fine'],
  },
  asides: {
    label: 'Asides',
    explains: 'Greetings, sign-offs, talk about the talk. They stay out of sections; click one to take it in.',
    isMark: true,
    takeAll: 'Take in all',
    hints: ['Left out of sections: click to take it in', 'Taken in: click to leave it out'],
  },
  // How the writer wants a sentence.
  wording: { label: 'Wording', explains: '', isMark: true, isElsewhere: true },
} as const satisfies Record<string, RepairKind>;

export type EditKind = keyof typeof REPAIR_KINDS;

/** All that is known of a kind of repair. */
export const repairKind = (kind: EditKind): RepairKind => REPAIR_KINDS[kind];

/** The names of the kinds. */
export const EDIT_KINDS = Object.keys(REPAIR_KINDS) as EditKind[];
