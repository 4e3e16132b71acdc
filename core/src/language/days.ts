const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
const MONTH = String.raw`(${MONTHS.join('|')})[a-z]*\.?`;
const FORMS: readonly (readonly [RegExp, (m: RegExpExecArray) => [year: string, month: number, day: string]])[] = [
  [/^(\d{4})-(\d\d)-(\d\d)\b/, (m) => [m[1]!, Number(m[2]), m[3]!]],
  [new RegExp(String.raw`^(\d{1,2})(?:st|nd|rd|th)?(?: of)? ${MONTH},? (\d{4})\b`, 'i'), (m) => [m[3]!, monthOf(m[2]!), m[1]!]],
  [new RegExp(String.raw`^${MONTH} (\d{1,2})(?:st|nd|rd|th)?,? (\d{4})\b`, 'i'), (m) => [m[3]!, monthOf(m[1]!), m[2]!]],
];
const monthOf = (name: string): number => MONTHS.indexOf(name.slice(0, 3).toLowerCase()) + 1;

/** The day a text begins with (2011-11-03, 3 November 2011, Nov. 3rd, 2011) as YYYY-MM-DD; null when it begins with none. */
export function dayAt(text: string): string | null {
  for (const [form, read] of FORMS) {
    const found = form.exec(text);
    if (!found) continue;
    const [year, month, day] = read(found);
    if (month >= 1 && month <= 12 && Number(day) >= 1 && Number(day) <= 31)
      return `${year}-${String(month).padStart(2, '0')}-${day.padStart(2, '0')}`;
  }
  return null;
}
