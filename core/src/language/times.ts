/** One time mark: hours optional, minutes and seconds, a fraction after a dot or comma. */
export const TIME_MARK = String.raw`(?:(\d{1,3}):)?(\d{1,3}):(\d{2})(?:[.,](\d{1,3}))?`;

const WHOLE = new RegExp(`^${TIME_MARK}$`);

/** Reads a time mark such as 1:02, 00:01:02,500 or 61:02 as milliseconds; null when it is none. */
export function readTime(mark: string): number | null {
  const m = WHOLE.exec(mark.trim());
  if (!m) return null;
  const [, h = '0', min, s, fraction = ''] = m;
  if (Number(s) > 59 || (m[1] !== undefined && Number(min) > 59)) return null;
  return (Number(h) * 3600 + Number(min) * 60 + Number(s)) * 1000 + Number(fraction.padEnd(3, '0'));
}

/** Milliseconds as people read them: 3:18, 1:02:05. */
export function showTime(ms: number): string {
  const total = Math.floor(ms / 1000);
  const h = Math.floor(total / 3600);
  const m = Math.floor((total % 3600) / 60);
  const s = String(total % 60).padStart(2, '0');
  return h ? `${h}:${String(m).padStart(2, '0')}:${s}` : `${m}:${s}`;
}
