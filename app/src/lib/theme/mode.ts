/** Day or lamp, under the names the theme uses. */
export type Mode = 'light' | 'dark';
export const MODE_COOKIE = 'even-page-mode';
