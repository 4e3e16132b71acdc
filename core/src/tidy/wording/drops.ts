// Whole sentences that a page can do without: said to the room, to the recording, or to oneself (own list; common practice,
// no source). They are tried on a sentence in small letters, without the words that only open it.

/** A kind of sentence that goes, and why. */
export type Drop = { name: string; reason: string; find: RegExp; unless?: RegExp };

const OPENS =
  /^(?:(?:so|now|and|okay|ok|alright|all right|well|anyway|yeah|yep|oh|then|again|but|um|uh|er|right|ah|no|yes)\b[,.]? ?)+(?=.)/;

/** A sentence as drops look at it. */
export function bareOf(sentence: string): string {
  const small = sentence
    .toLowerCase()
    .replaceAll('’', "'")
    .replace(/[.!?…"”]+$/g, '')
    .replace(/\s+/g, ' ')
    .trim();
  return small.replace(OPENS, '').trim();
}

const whole = (...choices: string[]) => new RegExp(`^(?:${choices.join('|')})$`);
const WE =
  "(?:let's|let me|we'll|i'll|we can|we're going to|i'm going to|we will|i will|i'm just going to|we're just going to)(?: just| now| quickly| actually)*(?: go ahead and)?(?: just)?";

export const DROPS: readonly Drop[] = [
  {
    name: 'reaction',
    reason: 'Only reacts',
    find: whole(
      'perfect|great|awesome|nice|cool|lovely|brilliant|beautiful|gorgeous|excellent|fantastic|amazing|wonderful|smashing|super|good|very good|good stuff|good question|grand|fine|easy|simple|done|sorted|exactly|absolutely|definitely|indeed|sure|of course|right|right then|okay|ok|alright|all right|yes|yeah|yep|yup|no|nope|oh|ah|wow|oops|whoops|hm+|huh|mm+|really|interesting|sorry|thanks|thank you|ta|cheers|please|anyway|there|boom|bingo|voila|ta-da|phew|god|gosh|blimey|hang on|hold on|wait|wait a minute|one second|one sec|two seconds',
      "(?:there|here) (?:we|you|it|they|he|she) (?:go|goes|are|is)(?: again| then| now| look)?|off we go|just like that|like that|like so|got (?:it|that|you)|i see|i know|you know|that's (?:it|right|good|great|better|fine|nice|true|lovely|the one|all|that|done|perfect|fair|fair enough|funny|interesting|clever)|it's gone|it's (?:fine|okay|good|great|lovely|nice)|fair enough|no problem|no worries|never mind|not to worry|as simple as that|simple as that|easy as that|it's as (?:easy|simple) as that|nice and easy|so far so good",
      "(?:this|that|it)(?:'s| is)? look(?:s|ing)? (?:really |pretty |very )?(?:great|good|amazing|nice|better|lovely|fine)(?: so far)?|looks (?:good|great|nice)|(?:i )?(?:really )?(?:like|love) (?:it|that|this)|i'm (?:really )?happy with (?:it|that|this)(?: so far)?|i (?:don't|do not) know(?: why)?|i'm not sure|i (?:think|hope) so|i suppose(?: so)?|don't ask|who knows|you (?:see|know what i mean)|does that make sense|make sense|okay so far|are you with me|with me so far",
      "any questions(?: so far| on that| before .*)?|questions|everyone (?:okay|all right|with me)|all good|is that (?:okay|all right|clear)|we're (?:good|ready) to go|can (?:you|everybody|everyone) (?:all )?(?:see|hear)(?: (?:that|this|me|it))?(?: okay| all right| at the back)?",
    ),
  },
  {
    name: 'look',
    reason: 'Points at what a reader cannot see',
    find: new RegExp(
      `^(?:${WE} )?(?:have|take) a (?:quick |closer |good )?look(?: at (?:it|this|that|what (?:we|you)(?:'ve)? (?:have|got)))?(?: here| now| and see.{0,30})?$|^${WE} (?:see|look)(?: (?:what|how|if|whether|at) .{0,40})?$|^(?:(?:do|can|did) )?(?:you|everyone|everybody)(?: all| can| can all)* see (?:that|this|it|those|these|how .{0,40}|the .{0,30})(?: (?:here|there|now))*$|^see (?:that|this|it|the .{0,20})(?: (?:here|there))*$|^look at (?:that|this|it)(?: (?:here|there|now))*$|^(?:here|there) it is(?: (?:here|there|look))?$|^(?:and )?(?:this|that)(?:'s| is) (?:it|him|her|the one|what it looks like|how it looks|where we are|what (?:we|i|you)(?:'ve)? (?:have|got|get))(?: (?:here|there|now))*$`,
    ),
    unless: /\d/,
  },
  {
    name: 'stage',
    reason: 'Talk about the talk',
    find: new RegExp(
      `^${WE} (?:get (?:right )?(?:started|to it|into it|going|on with it)|jump (?:right |straight )?in(?:to (?:it|this|that))?|dive (?:right |straight )?in(?:to it)?|begin|start|make a start|do it|do that|crack on|move on|carry on|keep going|go on|come (?:back )?(?:on )?to that(?: .{0,20})?|get to that(?: .{0,20})?|show you(?: (?:that|this|it|what i mean|how|how (?:it|this|that) works|how (?:to do|i do|we do|you do) (?:it|this|that)))?(?: .{0,16})?|explain(?: (?:that|this|it|why))?(?: .{0,16})?|talk (?:you through|about) (?:it|this|that)(?: .{0,16})?|zoom in(?: .{0,16})?|scroll (?:down|up)(?: .{0,16})?|move (?:this|it|that) out of the way|give (?:it|that|this) a (?:go|try)|say (?:that|it) again)(?: here| now| then| today)?$|^(?:one|two|a couple) more things?$|^(?:and )?here's another (?:thing|one)$|^(?:as|like) i (?:said|say|mentioned)(?: (?:before|earlier))?$|^(?:where was i|what was i saying|i've lost my (?:place|thread)|i'm getting ahead of myself|i digress|moving on|back to .{0,24}|next(?: one| question| slide| caller)?)$`,
    ),
  },
  {
    name: 'recording',
    reason: 'Talk about the recording',
    find: /\b(?:like and subscribe|subscribe (?:below|for more|so you|if you|to (?:the|my|our|this) channel)|(?:please|consider) subscrib|like button|thumbs up|notification bell|(?:see|catch) you (?:in the |all )?next (?:time|week|one|video|month)|see you (?:all )?(?:there|soon|again|later|then)$|thanks? (?:you )?(?:so much |very much |all |everyone )?for (?:watching|listening|joining|tuning|coming|having me)|until next time|in the comments|comments? (?:below|down below|section)|leave (?:me )?a comment|let me know in|link (?:is )?(?:in the )?(?:below|description)|(?:i'll|i'm going to|let me|we'll|i will|i might|could you|can you)(?: just| quickly)? (?:pause|stop|start|restart|edit|cut) (?:the|this) (?:video|recording|tape|camera)|is (?:it|this|that) (?:recording|on|working)\??$|are we (?:recording|on|live)|you're listening to|you're with|bye-?bye|take care,? (?:everyone|everybody|all|bye)|bye (?:now|for now|everyone|all)|^bye$|^goodbye)\b/,
    unless: /\b\d{2,}\b/,
  },
  {
    name: 'greeting',
    reason: 'Greets',
    find: /^(?:hey|hello|hi|hiya|good (?:morning|afternoon|evening)|morning|evening|welcome)\b.{0,40}$/,
    unless: /\b(?:going to|show|because|when|means|create|is|are|\d)\b/,
  },
  {
    name: 'wait',
    reason: 'Waits',
    find: /^(?:(?:it|this|that)(?:'ll| will)(?: just| only)* (?:take|be) (?:a|just a) (?:few|couple|second|minute|moment|little).{0,30}|(?:while|as) (?:that|this|it)(?:'s| is) (?:generating|loading|running|processing|working|uploading|doing that).{0,50}|(?:it|this|that)(?:'s| is) (?:still )?(?:loading|thinking|processing|spinning|going)(?: now)?|(?:just )?(?:one|a|give me a|give it a) (?:second|moment|minute|sec)|bear with me.{0,20}|come on.{0,12}|i'll be right back|wait for it)$/,
  },
  {
    name: 'excuse',
    reason: 'A slip, and its excuse',
    find: /^(?:(?:oh )?(?:sorry|excuse me|apologies|pardon)\b.{0,40}|(?:oh )?(?:that's|it's|this is) (?:the )?wrong (?:one|way|way round|button|window|place|tab)|wrong (?:one|way|window|button|tab)|i made a mistake|my (?:mistake|fault|bad)|i (?:can't|cannot) (?:see|read|find|remember|hear) (?:that|it|this|a thing)|i've (?:dropped|lost) (?:it|one|that)|let me (?:try|do|start) (?:that|it|this)?(?: again| over)?|don't look at (?:that|this|it)|ignore (?:that|this|it|me)|that's not (?:it|what i wanted|right))$/,
  },
  {
    name: 'broken',
    reason: 'Breaks off',
    find: /^(?=.{0,40}$)(?:\S+ ){0,5}(?:the|a|an|my|your|our|and|of|is|it's|but|so|because|with|if|i'm|we're|you're|that's|there's|i|we|to the|in the)$/,
    unless: /\b(?:what|who|where|how).* (?:is|of|with)$/,
  },
];

/** Why a sentence goes whole; null when it stays. Names what rule says so. */
export function droppedBy(sentence: string): Drop | null {
  const bare = bareOf(sentence);
  return DROPS.find(({ find, unless }) => (find.test(bare) || bare === '') && !unless?.test(bare)) ?? null;
}
