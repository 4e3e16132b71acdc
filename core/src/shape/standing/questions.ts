import { terms } from '../../language/terms.ts';
import { wordCount } from '../../language/words.ts';
import { schema, type Origin, type PostNode } from '../../post/schema.ts';
import { alone, type SaidSection } from './said-on-page.ts';

const MOST = 10;
const LONGEST_QUESTION = 16;
const LONGEST_ANSWER = 60;
const SHORTEST_ANSWER = 5;
// Questions to the room, and such as point at something said before.
const TO_THE_ROOM =
  /\b(?:hear me|see (?:this|that|it)|any (?:more )?questions|ready|anybody|anyone|yes\?|no\?|right\?|okay\?|all right|can i (?:just )?(?:show|tell|ask|say))\b/i;
// Said of the question, not in answer to it.
const OF_THE_QUESTION = /\b(?:questions?|asked|ask)\b/i;
// A question told on: "The question is, can you …".
const ANNOUNCED = /^(?:so |and )?(?:the|my|another|one more) question (?:is|was)[,:]? /i;
const POINTS_BACK = /\b(?:it|that|this|these|those|they|them|he|she|him|her)\b/i;

/**
 * Questions and answers: what is asked on the page, each as a heading, with what is said after it as its answer; those
 * that say most by themselves, ten at most.
 */
export function questionsAndAnswers(sections: readonly SaidSection[]): PostNode[] {
  const said = sections.flatMap(({ sentences }) => [...sentences, null]);
  const found = said.flatMap((sentence, i) => {
    if (!sentence || !isQuestion(sentence.text)) return [];
    const question = alone(sentence.text.replace(ANNOUNCED, ''));
    const telling = new Set(terms(question)).size - (POINTS_BACK.test(question) ? 1 : 0);
    if (telling < 1 || wordCount(question) < 3 || wordCount(question) > LONGEST_QUESTION || TO_THE_ROOM.test(question)) return [];
    const answer: string[] = [];
    const origins: Origin[] = [];
    for (const next of said.slice(i + 1)) {
      if (!next || isQuestion(next.text) || wordCount([...answer, next.text].join(' ')) > LONGEST_ANSWER) break;
      answer.push(next.text);
      for (const origin of next.origins) if (!origins.includes(origin)) origins.push(origin);
    }
    if (wordCount(answer[0] ?? '') <= 6 && OF_THE_QUESTION.test(answer[0]!)) answer.shift();
    if (wordCount(answer.at(-1) ?? '') === 1) answer.pop();
    const text = answer.join(' ');
    return wordCount(text) < SHORTEST_ANSWER ? [] : [{ question, text, origins, telling, i }];
  });
  const kept = [...found]
    .sort((a, b) => b.telling - a.telling || a.i - b.i)
    .slice(0, MOST)
    .sort((a, b) => a.i - b.i);
  return kept.flatMap(({ question, text, origins }) => [
    schema.node('heading', { level: 3 }, schema.text(question)),
    schema.node('paragraph', { origins }, schema.text(text)),
  ]);
}

const isQuestion = (sentence: string): boolean => /\?["'”’)]*$/.test(sentence);
