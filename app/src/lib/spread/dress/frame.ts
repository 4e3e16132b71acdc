import { Refused } from '$lib/ask-server.ts';

/** The frame of a recording at some second, as a picture file. Throws Refused with a sentence when there is none. */
export async function frameAt(address: string, seconds: number, name: string): Promise<File> {
  const player = document.createElement('video');
  player.muted = true;
  player.preload = 'auto';
  await new Promise<void>((done) => {
    player.onseeked = player.onerror = () => done();
    player.onloadedmetadata = () => (player.currentTime = Math.min(seconds, player.duration / 2));
    player.src = address;
  });
  return frameOf(player, name);
}

/** The frame a player stands at, as a picture file. Throws Refused with a sentence when there is none. */
export async function frameOf(player: HTMLVideoElement, name: string): Promise<File> {
  if (!player.videoWidth || player.readyState < HTMLMediaElement.HAVE_CURRENT_DATA)
    throw new Refused('There is no frame yet: play the clip to the place you want first.', 0);
  const canvas = document.createElement('canvas');
  canvas.width = player.videoWidth;
  canvas.height = player.videoHeight;
  canvas.getContext('2d')!.drawImage(player, 0, 0);
  const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/png'));
  if (!blob) throw new Refused('This browser gave no picture of the frame: try again.', 0);
  return new File([blob], `${name}.png`, { type: 'image/png' });
}
