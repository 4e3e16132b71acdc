// Function words and spoken padding of English: they join subjects but never name one (own list).
const LIST = `
a about above across actually after again against ago all almost along already also although always am among an and
another any anybody anyone anything anyway are aren't around as ask at away back basically be because been before
behind being below between bit both but by came can can't cannot come comes coming could couldn't did didn't do does
doesn't doing don't done down each either else enough even evening ever every everybody everyone everything few first
for from get gets getting give given gives go goes going gone good got had hadn't half has hasn't have haven't having
he he'd he'll he's her here here's hers herself him himself his how however i i'd i'll i'm i've if in instead into is
isn't it it'd it'll it's its itself just keep kept kind knew know known last later least less let let's like little
look looks lot lots made make makes making many may maybe me mean means might mine more most much must my myself near
nearly need needs neither never next nice no nobody none nor not nothing now of off often oh okay on once one ones
only onto or other others our ours ourselves out over own perhaps please put puts quite rather really right said same
saw say saying says second see seen sees several shall she she'd she'll she's should shouldn't since so some somebody
someone something sometimes somewhere soon sort still such sure take taken takes taking tell tells than thank thanks
that that'll that's the their theirs them themselves then there there'll there's these they they'd they'll they're
they've thing things think third this those though thought through til till to together told tonight too took toward
towards tried try trying turn two um under until up upon us use used uses using usually very want wanted wants was
wasn't way ways we we'd we'll we're we've well went were weren't what what's whatever when where whether which while
who who'll who's whole whom whose why will with within without won't would wouldn't yeah yes yet you you'd you'll
you're you've your yours yourself uh er ah hm mm everywhere goodness alright whoever anywhere somehow couple yourselves
hear heard hears feel feels felt talk talks talked talking question questions call called calls start started starting find found
full people person bit bring brings buy side end minute minutes week weeks month months year years day days today tonight stop
three four five six seven eight nine ten twelve fifteen twenty thirty hundred
`;

/** English words that say nothing about a subject, in lower case, with straight apostrophes. */
export const STOP_WORDS: ReadonlySet<string> = new Set(LIST.trim().split(/\s+/));
