/** A cell of a table that spreadsheets take for words: one that begins like a formula has a straight quote before it (OWASP, CSV injection). */
export const asCell = (cell: string): string => (/^[=+\-@\t\r]/.test(cell) && !/^-?\d[\d.,]*%?$/.test(cell) ? `'${cell}` : cell);
