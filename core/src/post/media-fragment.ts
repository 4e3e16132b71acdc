/** A stretch of a recording in seconds; an end of 0 is its end. */
export type Stretch = { start: number; end: number };

// Media Fragments URI 1.0 (W3C 2012), 4.2.1: normal play time, as seconds or hours, minutes and seconds.
const CLOCK = String.raw`(?:(\d+):)?([0-5]?\d):([0-5]?\d(?:\.\d*)?)`;
const SECONDS = String.raw`\d+(?:\.\d*)?`;

function secondsOf(words: string): number | null {
  if (new RegExp(`^${SECONDS}s?$`).test(words)) return Number.parseFloat(words);
  const clock = new RegExp(`^${CLOCK}$`).exec(words);
  return clock ? Number(clock[1] ?? 0) * 3600 + Number(clock[2]) * 60 + Number(clock[3]) : null;
}

/** The stretch that the fragment of an address names (`#t=3`, `#t=npt:0:03,10`); from the beginning when it names none that makes sense. */
export function stretchOf(address: string): Stretch {
  const [, fragment = ''] = address.split('#', 2);
  let found: Stretch = { start: 0, end: 0 };
  for (const part of fragment.split('&')) {
    const at = part.indexOf('=');
    if (decode(part.slice(0, at)) !== 't') continue;
    const [first = '', last = '', ...more] = decode(part.slice(at + 1))
      .replace(/^npt:/, '')
      .split(',');
    const start = first === '' && last ? 0 : secondsOf(first);
    const end = last === '' ? 0 : secondsOf(last);
    // 6.2: of several the last that is valid counts; one whose start is not before its end says nothing.
    if (!more.length && start !== null && end !== null && (!end || start < end)) found = { start, end };
  }
  return found;
}

function decode(words: string): string {
  try {
    return decodeURIComponent(words);
  } catch {
    return words;
  }
}

/** An address without the part of its fragment that names a stretch. */
export function withoutStretch(address: string): string {
  const [path, fragment] = address.split('#', 2);
  const rest = (fragment ?? '').split('&').filter((part) => part && !/^t=/.test(part));
  return rest.length ? `${path}#${rest.join('&')}` : path!;
}

/** The same address with a stretch named. */
export function withStretch(address: string, { start, end }: Stretch): string {
  const bare = withoutStretch(address);
  if (!start && !end) return bare;
  const time = `t=${round(start)}${end ? `,${round(end)}` : ''}`;
  return bare.includes('#') ? `${bare}&${time}` : `${bare}#${time}`;
}

// Tenths are as fine as anybody stops a clip.
const round = (seconds: number) => String(Math.round(seconds * 10) / 10);
