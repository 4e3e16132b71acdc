import { array, object, string } from 'yup';
import { Complaint } from '@even-page/core/complaint';
import { parseStorable } from '@even-page/core/language/storable';
import type { DrafterForm } from './form.ts';

const says = {
  text: object({ text: string().defined() }),
  rests: object({ passages: array(string().required().max(20)).required().max(500) }),
  note: object({ says: string().required().max(2000) }),
  error: object({ message: string().required().max(2000) }),
};

/** Our own interface, as docs/drafter.md has it. */
export const ownForm: DrafterForm = {
  label: 'The drafter’s own interface',
  path: 'drafts',
  body: (request) => request,
  read({ event, data }) {
    if (event === 'done') return { events: [], over: true };
    const read = <K extends keyof typeof says>(name: K) => says[name].validateSync(parseStorable(data), { stripUnknown: true });
    switch (event) {
      case 'text':
        return { events: [{ text: (read('text') as { text: string }).text }] };
      case 'rests':
        // A line of numbers alone stands for the block before it.
        return { events: [{ text: `\n\n[${(read('rests') as { passages: string[] }).passages.join(', ')}]` }] };
      case 'note':
        return { events: [{ note: (read('note') as { says: string }).says }] };
      case 'error':
        throw new Complaint(`The drafter said: ${(read('error') as { message: string }).message}`);
      default:
        // What a later version of the interface may send besides.
        return { events: [] };
    }
  },
  whole: () => null,
};
