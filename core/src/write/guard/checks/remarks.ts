import { wordsBlocks } from '../blocks.ts';
import type { GuardCheck } from '../finding.ts';

// What a service says to the one who asked it, and what tells somebody what to do (from memory, common practice).
const REMARK =
  /^(?:sure\b[,!.]|certainly\b[,!.]|of course\b[,!.]|here(?:['’]s| is| are) (?:the|a|your|an)\b.*:\s*$|as an ai\b|i(?:['’]m| am) (?:sorry|unable)\b|i hope this helps|let me know if|feel free to ask|would you like me to|note to (?:the )?(?:writer|editor))/i;
const INSTRUCTION =
  /\b(?:ignore|disregard|forget) (?:all |any )?(?:of )?(?:the |your )?(?:above|previous|earlier|prior)\b|\bsystem prompt\b|\byou are now\b.{0,40}\b(?:assistant|model)\b/i;

/** Words to the writer that slipped into the text, and instructions that do not belong to readers. */
export const remarks: GuardCheck = ({ doc }) =>
  wordsBlocks(doc).flatMap(({ n, text }) => {
    const place = { check: 'remarks', block: n, from: 0, to: text.length };
    const fix = { label: 'Take it out', take: 'block' } as const;
    if (REMARK.test(text.trim()))
      return [{ ...place, gravity: 'must' as const, says: 'This is said to you, not to readers', hint: `“${text.slice(0, 80)}”`, fix }];
    if (INSTRUCTION.test(text))
      return [
        {
          ...place,
          gravity: 'must' as const,
          says: 'This tells a service what to do',
          hint: 'It came out of the material, or out of the drafter.',
          fix,
        },
      ];
    return [];
  });
