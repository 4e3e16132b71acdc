// Words a line of running text may break after, and a heading or a note never ends with.
const LEADS_ON =
  /\b(?:an?|the|of|to|in|on|at|by|for|from|with|and|or|but|as|that|which|who|is|are|was|were|be|th(?:is|ese|ose)|my|your|our|their|his|her|its)$/i;

/** Whether a line ends with a word that wants another after it, as "the" or "of". */
export const leadsOn = (line: string): boolean => LEADS_ON.test(line);
