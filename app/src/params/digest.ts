import type { ParamMatcher } from '@sveltejs/kit';

/** A SHA-256 in hexadecimal, by which files are named. */
export const match: ParamMatcher = (param) => /^[0-9a-f]{64}$/.test(param);
