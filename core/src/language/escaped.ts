const SIGNS: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };

/** Text as it stands in markup (XML 1.0, section 2.4), also between the quotes of an attribute. */
export const escaped = (text: string): string => text.replace(/[&<>"]/g, (sign) => SIGNS[sign]!);
