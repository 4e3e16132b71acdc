import { DEEDS } from '../kinds.ts';
import type { Rule } from '../rule.ts';

const REASON = 'Said round a corner';
const WHO = '( @subject|@being|@willing )';
const WANTS = "( @lightly|'d|will|would )* ( going to )? ( want|wanted|need|like|have|ought|try|tend to )?";
const WHEN = '( @then / right now|here / first of all / in here / with this|that|it|these )*';
// "Which costs nothing", "and it is quick": said between commas in the middle of it.
const BETWEEN = '( , _{1,9} , )? ,?';

/** "What I want to do is find the box": the deed is what is told. */
export const clefts: readonly Rule[] = [
  {
    name: 'cleft-double',
    reason: REASON,
    find: `what|all ${WHO} ${WANTS} ( do|doing|done|did )? ${WHEN} ${BETWEEN} is|was ,? ( that )? @lightly* >( @subject|@being|@willing|i've|we've|you've _ )`,
    guard: ({ words, from, wording }) =>
      /\b(?:do|doing|done|did)\b/.test(
        words('x') ||
          wording.all
            .slice(from)
            .map((t) => t.n)
            .join(' ')
            .split(/ (?:is|was) /)[0]!,
      ),
  },
  {
    name: 'cleft-way',
    reason: REASON,
    find: `^ ( the way|trick|secret ) ( that )? ( to / @subject ( @lightly )* ) do it|this|that ,? is ,? ( that|to|by )? >( @subject|@being|@willing _ / <v> )`,
  },
  {
    name: 'cleft-negative',
    reason: REASON,
    find: `what ${WHO} ( never|don't ) ( want to )? do ${WHEN} ,? is ,? ( @subject )? >( <v> )`,
    put: "don't",
  },
  {
    name: 'cleft-want',
    reason: REASON,
    find: `what a=( ${WHO} @lightly* ( will|would|can|might|could|should|must )? ( going to )? ( want|wanted|need|like|have|try|love to )? ( can )? ) ( do / be doing ) ${WHEN} ,? is|was ,? @lightly* ( to )? @lightly* >( <v|n> )`,
    put: '$a',
    guard: ({ words, wording, to }) =>
      (wording.all[to]?.k === 'v' || DEEDS.has(wording.all[to]!.n)) &&
      !/^(?:i|we|you)(?: (?:just|really|also|usually|always))?$/.test(words('a').trim()),
  },
  {
    name: 'cleft-do',
    reason: REASON,
    find: `what a=( @subject @lightly* ) do ${WHEN} ,? is ,? @lightly* >( <v> )`,
    put: '$a',
  },
  {
    name: 'cleft-all',
    reason: REASON,
    find: `all ( that )? a=( @subject ) @lightly* ( have|need|want|got|has to )? do ${WHEN} ,? is ,? ( to )? >( @lightly* <v> )`,
    put: '$a just',
  },
  {
    name: 'cleft-first',
    reason: REASON,
    find: `( so / and / now )? ( the|our|my ( very )? first thing|step|job / number one / step one ) ( that )? ( ${WHO} ${WANTS} do ${WHEN} )? ,? is ,? ( to|that )? @lightly* >( <v> / @subject|@being|@willing )`,
    put: 'first ,',
  },
  {
    name: 'cleft-next',
    reason: REASON,
    find: `^ the next thing|step|job ( that )? ( ${WHO} ${WANTS} do ${WHEN} )? ,? is ,? ( to|that )? @lightly* >( <v> / @subject|@being|@willing )`,
    put: 'next ,',
  },
  {
    name: 'cleft-last',
    reason: REASON,
    find: `^ the ( very )? last|final thing|step|job ( that )? ( ${WHO} ${WANTS} do ${WHEN} )? ,? is ,? ( to|that )? @lightly* >( <v> / @subject|@being|@willing )`,
    put: 'last ,',
  },
  {
    name: 'cleft-thing',
    reason: REASON,
    find: `^ ( the ( only )? ( other|one|main|big|important )? thing / another thing / one ( other|more|last )? thing / something / the trick|point|idea|key|secret|reason ) ( that )? ( to remember|note|say|know|mention|notice|understand|realise|realize / ( ${WHO} ( 'd|would|do|really|should|must|will )* ( want|like|need|have to )? ( remember|note|say|know|mention|notice|understand|stress|add|tell|realise|realize ) ( you )? ( about )? ) ) ( here|now|is )? ,? is|was ,? ( that )? >( @clause|the|a|an|if|when|don't|never|always|your|my|our )`,
  },
  {
    name: 'cleft-reason',
    reason: REASON,
    find: `^ the ( only|main )? reason ( why|that )? a=( @subject|he|she|they|it ( don't|do|didn't|am|can't|can|never|always|like|use|put|want|keep )  _{0,9}? ) ,? is ,? ( because|that )? >( @clause|the|if|when )`,
    put: '$a because',
  },
  {
    name: 'cleft-happens',
    reason: REASON,
    find: `what ( happens|happened|you find|you'll find|you get|we find|i find|it does|that does|this does ) ( here|then|there|now|sometimes|often|usually|next )? ,? is|was ,? ( that )? >( @clause|the|a|if|when|your|people )`,
  },
  {
    name: 'cleft-point',
    reason: REASON,
    find: `^ ( i ( just|also|really )? ( want|wanted|need|have / should / would like ) / i'd ( just|also|really )? like to / let me ( just|also )? / i'll ( just|also )? / i must ) ( to )? ( mention|note|add|say|stress / point out / tell|remind|warn you ) ( again|here|now|quickly / one more time )? ,? that >( @clause|the|a|if|when|your|my|our )`,
  },
  {
    name: 'cleft-it-is',
    reason: REASON,
    find: `^ ( it's|that's|this is ) ( what ) ( @subject ( call|called ) ) >( a|an|the <n|e> )`,
    put: "it's",
  },
];
