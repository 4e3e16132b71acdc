import type { ParamMatcher } from '@sveltejs/kit';

/** The number of a version: counted from 1, as far as the database counts. */
export const match: ParamMatcher = (param) => /^[1-9]\d{0,9}$/.test(param) && Number(param) < 2 ** 31;
