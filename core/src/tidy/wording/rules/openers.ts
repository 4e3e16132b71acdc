import type { Rule } from '../rule.ts';

const REASON = 'A word that only opens the sentence';

/** Words speech opens sentences with. */
export const openers: readonly Rule[] = [
  {
    name: 'opener',
    reason: REASON,
    find: `^ ( so !>( far|that|much|many|long|as|forth|called / , far ) / so >( that is|was|means|will|one|way|first|last )
      / now !>( and|is|was|or|there|, and ) !>( that !>( is|was|just|means|one|way|will|you|would ) ) / okay|ok|alright|anyway|anyways|yeah|yep|yup|oh|um|uh|er|ah|hm
      / all right / right >( , / @clause / so / now|okay ) !>( there|here|now ) / well >( , / @clause / the|if|when|what ) / again >( , )
      / and !>( so on|forth / then ) / and so !>( on|forth ) / you know >( , / @clause ) / of course / i mean / obviously|basically|essentially|honestly|actually|hopefully|clearly / like >( , )
      / yes|sure|exactly|absolutely|definitely|perfect|great|cool|lovely|brilliant|good|nice >( , ) / sorry >( , / @clause ) / to be honest / as i say|said >( , )
      / let's see >( , ) / go ahead , / look >( , ) / you see >( , ) / there >( , ) / here >( , ) / see >( , ) / but >( so / then / again , ) / as well >( , ) / first of all >( @being|@willing / let ) )+ ,? ;?`,
    guard: ({ after, wording }) => !(wording.end === '?' && /^(?:you|we)(?: \w+)?$/.test(after)),
  },
  {
    name: 'opener-then',
    reason: REASON,
    find: `^ ( and|so|but|now|okay )? ,? then|next ,? >( @subject|@being|@willing|let's|let|@deed|don't|it|it's|the|that|that's|they|this|there's )`,
    guard: ({ wording, after }) => !/^(?:that|this) (?:is|was)\b/.test(after) && wording.all.length > 3,
  },
  {
    name: 'opener-frame',
    reason: 'Talk about the recording',
    find: `^ ( in this|today's ( quick|short|first|next )? video|tutorial|recording|episode|lesson|session|clip ,? / welcome ( back )? to _{1,5} where ) >( @subject|@being|@willing )`,
  },
];
