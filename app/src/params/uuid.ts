import type { ParamMatcher } from '@sveltejs/kit';

/** The id of a piece or a source (RFC 9562). */
export const match: ParamMatcher = (param) => /^[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}$/.test(param);
