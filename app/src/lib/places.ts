/** The places of the house, in the order the head line shows them. */
export const PLACES: readonly { name: string; path: string }[] = [
  { name: 'Desk', path: '/' },
  { name: 'House style', path: '/house' },
];
