// How people who explain say what comes now, in frames: tried in this order, on a sentence in small letters without fillers
// (own list; common practice, no source). `about` is what they say comes.

const BE = "(?:i'm|i am|we're|we are|you're|i'll be|we'll be)";
const LIGHTLY = '(?: (?:now|then|also|first|next|here|go ahead and|be|only|still))*';
const WILL = `(?:i'll|we'll|i will|we will|i shall|we shall|${BE}${LIGHTLY} (?:going to|about to)|let me|let us|let's|i(?:'d| would)? (?:want|like|need|have|wanted|ought) to|we(?:'d| would)? (?:want|like|need|have|ought) to|we can|i can|you'll|can i|shall we|could we)`;
const NOUNS =
  '(?:things?|steps?|parts?|bit|piece|jobs?|issue|points?|problem|ways?|tip|options?|questions?|methods?|reasons?|mistakes?|rules?|tricks?|features?|sections?|topic|items?|one|stage|lot|matter|subject|round|caller)';
const ORDINAL =
  '(?:(?:very |one )?(?:first|second|third|fourth|fifth|sixth|seventh|next|last|final|other|only)|another|one(?: more| other| last| final)?|item (?:one|two|three|four|five|six|\\d)|number (?:one|two|three|four|five|six|\\d))';
const SHOW =
  '(?:show(?:ing)?|teach(?:ing)?|walk(?:ing)?|tell(?:ing)?|explain(?:ing)?|cover(?:ing)?|demonstrat(?:e|ing)|address(?:ing)?|discuss(?:ing)?|talk(?:ing)?|touch(?:ing)?|learn(?:ing)?|mention|point out|say|ask|do|deal with|hear)';
const LOOK =
  '(?:talk(?:ing)? (?:about|through)|look(?:ing)? at|tak(?:e|ing) (?:a|another) (?:quick |closer )?look (?:back )?at|go(?:ing)? (?:over|on to|back to|to|through)|turn(?:ing)? to|mov(?:e|ing) on(?: to)?|get(?:ting)? (?:right |back )?(?:in ?to|to|on to|on with)|jump(?:ing)? (?:right )?(?:in ?to|in|over)|come(?: back)? (?:on )?to|dive (?:right )?in(?:to)?|get started|begin|start(?:ed)?)';

export type Frame =
  | 'ends'
  | 'so-that-is'
  | 'ordinal'
  | 'another'
  | 'show'
  | 'look'
  | 'sequence'
  | 'while'
  | 'after'
  | 'purpose'
  | 'wish'
  | 'cleft'
  | 'lets'
  | 'want'
  | 'going'
  | 'question'
  | 'here-is'
  | 'how-about'
  | 'none';

const FRAMES: readonly [Exclude<Frame, 'none'>, RegExp][] = [
  [
    'ends',
    /^(?:(?:i )?(?:do )?hope (?:that )?(?:this|you|that|it)|thank(?:s| you) (?:so much|very much|for|all|everyone|guys)|(?:that|this) (?:(?:about |pretty much )?wraps|concludes|is it for)|that's (?:all|it) (?:from|for)|see you|until next time|(?:and )?that's (?:me|us|your lot|the lot|everything)|any (?:other )?(?:business|more questions))\b\s*(?<about>.*)$/,
  ],
  [
    'so-that-is',
    /^(?:that's|that is|this is|there is|those are|here's) (?:how|why|what|where|all|it|your|the|our|my|me|done|\d+|two|three|four)\b\s*(?<about>.*)$/,
  ],
  [
    'ordinal',
    new RegExp(
      `^(?:(?:the|my|our|and) )?${ORDINAL}(?: [a-z]+)? ${NOUNS}\\b\\s*(?:(?:that )?(?:i|we|you)\\b.{0,40}?)?(?: ?(?:is|was|are|to do is)\\b)?(?: (?:that|to|how))*\\s*(?<about>.*)$`,
    ),
  ],
  [
    'another',
    /^(?:another|one other|one more|the other|(?:there's|there is|we have|i have|we've|here's) (?:also |still )?(?:another|one more|one last|a second|a third|something else|two|three|a couple|a few|the))\b\s*(?<about>.*)$/,
  ],
  [
    'show',
    new RegExp(
      `^(?:(?:lastly|finally|next|first(?: of all)?|today|tonight|before .{3,40}?|what) ?)?(?:i'll )?${WILL}${LIGHTLY} ?${SHOW}(?: (?:you|through|about|over|on|to you|with you|into|something))*\\b\\s*(?<about>.*)$`,
    ),
  ],
  ['look', new RegExp(`^(?:${WILL}${LIGHTLY} |(?:can|could|shall) we )?${LOOK}\\b\\s*(?<about>.*)$`)],
  [
    'sequence',
    /^(?:finally|lastly|last|next(?: up)?|first of all|first|firstly|second|secondly|third|thirdly|number (?:one|two|three|four|five)|item \w+|to start|to get started|to begin(?: with)?|last thing|first thing|next thing|step \w+)\b\s*(?<about>.*)$/,
  ],
  [
    'how-about',
    /^(?:(?:and )?what about|how about|as for|as to|when it comes to|speaking of|talking of|on the subject of|regarding|about)\b\s*(?<about>.*)$/,
  ],
  [
    'while',
    /^(?:just )?(?:while (?:i'm|we're|that's|it's|you're)|before (?:i|we|you|that|anything)|same (?:thing )?(?:goes )?(?:with|for)|until|at this point|any questions?|is there any|are there any)\b\s*(?<about>.*)$/,
  ],
  ['after', /^(?:once|now that|after|with (?:this|that)|as soon as|when (?:you've|we've|it's|that's|you|it|they))\b\s*(?<about>.*)$/],
  ['purpose', /^(?:in order )?to (?!be\b)(?<about>[a-z]{3,}\b.*)$/],
  [
    'wish',
    /^(?:(?:if|when(?:ever)?|say|should|suppose) (?:for some reason )?(?:you|we|i)(?:'d| would)? (?:ever )?(?:want(?:ed)?|need(?:ed)?|like|wish|have|decide) to|let's (?:say|suppose) (?:you|we|i)\b.{0,20}? to|let's say) (?<about>.*)$/,
  ],
  [
    'cleft',
    /^(?:what|all|the way) (?:i|we|you)\b.{0,50}? (?:is|was)(?: that)?(?: (?:i|we|you)(?:'m|'re|'ll)?)?(?: (?:going|have|want|need))?(?: to)?\s*(?<about>.*)$/,
  ],
  ['lets', /^let(?:'s| us| me)(?: (?:now|go ahead and|also|first|then|start by|try to|go and))*\s*(?<about>.*)$/],
  [
    'want',
    /^(?:(?:right now|today|tonight|here|this time) )?(?:i|we|you)(?:'d)?(?: also| still| then)? (?:want|need|have|like|wanted|may|might|ought)(?: also)?(?: to)?(?: also| now)?\s*(?<about>.*)$/,
  ],
  [
    'going',
    new RegExp(
      `^(?:(?:right now|today|tonight|here|next|then) )?(?:${BE}|i'll|we'll|i will|we will)(?: (?:now|then|also|first|next))*(?: (?:going to|about to))?(?: (?:now|go ahead and|then|also))*\\s*(?<about>.*)$`,
    ),
  ],
  [
    'question',
    /^(?<about>(?:how|what|why|which|where|when|who)\b.{0,12}\b(?:do|does|can|should|is|are|would|did|if|about|exactly|happens|were|was|'s)\b.*|(?:do|does|is|are|can|should|will|have|did|was|could) (?:you|we|i|that|it|the|they|there|this)\b.*)$/,
  ],
  [
    'here-is',
    /^(?:(?:right )?here(?:'s| is| are)|(?:this|these) (?:right )?(?:here |one )?(?:is|are)|there's|there is|there are) (?<about>.*)$/,
  ],
];

const FILLERS =
  /\b(?:um+|uh+|er+|erm|you know|kind of|sort of|basically|essentially|actually|really|literally|of course|just|quickly|obviously|hopefully|like i said)\b,?/g;
const OPENS =
  /^(?:(?:all right|alright|okay|ok|right|perfect|great|cool|lovely|anyway|so|and|but|now|well|then|yeah|yes|yep|no|also|because|oh|sorry|good|very good|or)\b[.,!]?\s*)+/;

/** A sentence as frames look at it. */
const barely = (text: string) =>
  text
    .toLowerCase()
    .replaceAll('’', "'")
    .replace(FILLERS, ' ')
    .replaceAll(/\b(?:gonna)\b/g, 'going to')
    .replace(/[,;:"“”…]/g, ' ')
    .replace(/[.?!]+\s*$/, '')
    .replace(/\s+/g, ' ')
    .trim();

/** What a sentence announces: the frame it fits, what it says comes, and the words it opens with. */
export type Announcement = { frame: Frame; about: string; opener: string; body: string };

/** How a sentence announces what comes. */
export function announcementOf(text: string): Announcement {
  const bare = barely(text);
  const opening = OPENS.exec(bare)?.[0] ?? '';
  const body = bare.slice(opening.length);
  const opener = opening.replace(/[^a-z ]/g, '').trim();
  for (const [frame, pattern] of FRAMES) {
    const m = pattern.exec(body);
    if (m) return { frame, about: (m.groups!.about ?? '').trim(), opener, body };
  }
  return { frame: 'none', about: '', opener, body };
}
