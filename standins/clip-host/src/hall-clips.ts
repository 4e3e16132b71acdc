import type { HostedClip } from './clip-host.ts';

const DEMO = new URL('../../../demo/', import.meta.url).pathname;

/** The clips of the repair hall. */
export const HALL_CLIPS: readonly HostedClip[] = [
  {
    name: 'caning-first-steps',
    title: 'Caning: the first steps',
    author: 'Larkfield Repair Hall',
    file: `${DEMO}recordings/caning-first-steps.webm`,
    still: `${DEMO}material/caned-seat-from-above.png`,
  },
];
