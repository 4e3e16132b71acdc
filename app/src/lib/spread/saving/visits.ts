// A visit of a piece is over when its window is. Browsers tell by locks; over plain HTTP in a local network they have none,
// and the windows ask each other.

const nameOf = (visit: string) => `even-page ${visit}`;
const ANSWER_MS = 400;
const AGAIN_MS = 5000;

/** Holds a visit until the returned function is called, or the window is gone. */
export function holdVisit(visit: string): () => void {
  let letGo = () => {};
  if (navigator.locks) {
    void navigator.locks.request(nameOf(visit), () => new Promise<void>((resolve) => (letGo = resolve)));
    return () => letGo();
  }
  const channel = new BroadcastChannel(nameOf(visit));
  channel.onmessage = ({ data }) => data === 'open?' && channel.postMessage('open');
  return () => channel.close();
}

/**
 * Does some work when a visit is over, alone of all windows. Resolves when it is done, or at once when the visit goes on:
 * then the work is done when it ends.
 */
export async function whenOver(visit: string, work: () => Promise<void>): Promise<void> {
  if (!navigator.locks) {
    if (await isOpen(visit)) setTimeout(() => void whenOver(visit, work), AGAIN_MS);
    else await work();
    return;
  }
  const isDone = await navigator.locks.request(nameOf(visit), { ifAvailable: true }, async (lock) => {
    if (lock) await work();
    return lock !== null;
  });
  if (!isDone) void navigator.locks.request(nameOf(visit), work);
}

function isOpen(visit: string): Promise<boolean> {
  const channel = new BroadcastChannel(nameOf(visit));
  return new Promise<boolean>((resolve) => {
    channel.onmessage = ({ data }) => data === 'open' && resolve(true);
    channel.postMessage('open?');
    setTimeout(() => resolve(false), ANSWER_MS);
  }).finally(() => channel.close());
}
