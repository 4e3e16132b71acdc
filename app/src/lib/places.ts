/** A place of the house: its name, where it is, and the screens inside it, if there are several. */
export type Place = { name: string; path: string; screens?: readonly { name: string; path: string }[] };

/** The places of the house, in the order the head line shows them. */
export const PLACES: readonly Place[] = [
  { name: 'Desk', path: '/' },
  { name: 'Ideas', path: '/ideas' },
  {
    name: 'Shelf',
    path: '/pictures',
    screens: [
      { name: 'Pictures', path: '/pictures' },
      { name: 'Yardsticks', path: '/yardsticks' },
    ],
  },
  {
    name: 'House',
    path: '/house',
    screens: [
      { name: 'House style', path: '/house' },
      { name: 'Drafters', path: '/house/drafters' },
    ],
  },
];
