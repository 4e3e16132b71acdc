/** What can come of trying a link. */
export type LinkState =
  | 'fine'
  /** The site says the page is not there (RFC 9110: 404 and 410). */
  | 'gone'
  /** No site has this name. */
  | 'nobody'
  /** The site cannot prove that it is the one it says it is. */
  | 'certificate'
  /** Nothing came in time, or nobody took the call. */
  | 'slow'
  /** The site has a fault of its own (5xx), or sends one around without an end. */
  | 'failing'
  /** The site does not let programs look (401, 403, 429, 451 and other 4xx). */
  | 'closed'
  /** It leads into a private network, where the server does not look. */
  | 'private';

/** A link as it was tried by the server. */
export type TriedLink = {
  state: LinkState;
  /** The status the site answered with, where it answered. */
  status?: number;
  /** Where the page is now, when the site says it moved for good (301 and 308). */
  movedTo?: string;
  /** The page is there, but not the place in it that the link names. */
  isPlaceLost?: boolean;
};
