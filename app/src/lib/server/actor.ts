/** Who a change is laid to, until people sign in. */
export const ACTOR = 'writer';
