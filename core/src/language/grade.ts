/** The Flesch-Kincaid grade that suits a general audience (common practice, no source). */
export const GRADE_AIM = 8;
