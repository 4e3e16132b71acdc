import { passageAtTime, type SpokenStretch, wordAt } from '@even-page/core/gather';
import type { SourceInHand } from '../piece-data.ts';

const SPEEDS = [0.6, 0.8, 1, 1.2, 1.5, 2];
/** How far one press goes back or on, in seconds. */
export const STEP_S = 5;

/** The player of the recording that is open: what it plays, where it is, and what is being said there. */
export class Player {
  /** The source it plays; null while no recording is open. */
  source = $state.raw<SourceInHand | null>(null);
  time = $state(0);
  playing = $state(false);
  speed = $state(1);
  sorry = $state('');
  #media: HTMLMediaElement | null = null;
  #wanted: number | null = null;

  readonly passage = $derived(this.source && (this.playing || this.time > 0) ? passageAtTime(this.source.source.passages, this.time) : -1);
  readonly word = $derived.by((): SpokenStretch | null => {
    const passage = this.source?.source.passages[this.passage];
    return passage ? wordAt(passage, this.time) : null;
  });

  /** Takes the media element that plays, or gives it back. */
  attach(media: HTMLMediaElement | null): void {
    this.#media = media;
    this.playing = false;
    this.time = 0;
    this.sorry = '';
    if (media) media.playbackRate = this.speed;
    if (media && this.#wanted !== null) void this.playFrom(this.#wanted);
  }

  /** Plays from a time, in milliseconds; at once, or as soon as the recording stands there. */
  async playFrom(ms: number): Promise<void> {
    if (!this.#media) {
      this.#wanted = ms;
      return;
    }
    this.#wanted = null;
    this.#media.currentTime = ms / 1000;
    this.time = ms;
    await this.#media.play().catch(() => (this.sorry = 'This browser cannot play this recording.'));
  }

  toggle(): void {
    if (this.#media?.paused) void this.playFrom(this.time);
    else this.#media?.pause();
  }

  jump(seconds: number): void {
    if (this.#media) this.#media.currentTime = Math.max(0, this.#media.currentTime + seconds);
  }

  faster(by: 1 | -1): void {
    const at = SPEEDS.findIndex((s) => s >= this.speed);
    this.speed = SPEEDS[Math.min(SPEEDS.length - 1, Math.max(0, at + by))]!;
    if (this.#media) this.#media.playbackRate = this.speed;
  }
}
