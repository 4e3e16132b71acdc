/** Who does something: every change is laid to a person, and the person comes with the request. */
export type Person = { id: string };

/** The one writer there is until people sign in. */
export const WRITER: Person = { id: 'writer' };

/** What the server does by itself, in its jobs. */
export const SERVER_ITSELF: Person = { id: 'server' };
