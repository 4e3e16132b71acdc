/** Words of cues with what captions really hold: figures, marks, other scripts, two lines. */
export const WORDS_OF_CUES = [
  'The first thing is the angle.',
  'fifteen degrees, two coins',
  'and 3 more\n4 less',

  'lamps & chairs',
  'שלום לכולם',
  'une théière, s’il vous plaît',
  '♪ music ♪',
  'at 7:30 we begin',
  '100',
] as const;
