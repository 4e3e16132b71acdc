import { changeEdits, type EditChange, editKey, type House } from '@even-page/core/tidy';
import type { Origin } from '@even-page/core/post/schema';
import { core } from '$lib/workers/core.ts';
import type { PieceData, SourceInHand } from '../piece-data.ts';

function leftIn({ proposed, edits }: Pick<SourceInHand, 'proposed' | 'edits'>): number {
  const taken = new Set(edits.map(editKey));
  return proposed!.filter((e) => !taken.has(editKey(e)) && e.kind !== 'asides').length;
}

/** The material in hand: the sources of the piece with the repairs taken and proposed, and which of them is open. */
export class MaterialInHand {
  house = $state.raw() as House;
  readonly kinds: PieceData['kinds'];
  sources = $state.raw<SourceInHand[]>([]);
  /** The source open on the left leaf, and the passage it should show. */
  openSource = $state<string | null>(null);
  shownPassage = $state.raw<{ source: string; passage: number } | null>(null);

  readonly open = $derived(this.sources.find((s) => s.id === this.openSource) ?? this.sources[0]);
  /** Repairs proposed and neither taken nor looked at yet, over all sources; null while they are being found. */
  readonly leftToTidy = $derived(this.sources.every((s) => s.proposed) ? this.sources.reduce((sum, s) => sum + leftIn(s), 0) : null);
  /** The sources with what Tidy took and proposes, as the core wants them. */
  readonly tidied = $derived(this.sources.map(({ id, source, edits, proposed }) => ({ id, source, edits, proposed: proposed ?? [] })));

  constructor({ house, kinds, sources }: PieceData) {
    this.house = house;
    this.kinds = kinds;
    this.take(sources);
  }

  /** Takes over the sources as the server has them, with repairs on top that are on their way there. */
  take(sources: PieceData['sources'], onTheWay: readonly EditChange[] = []): void {
    const known = new Map(this.sources.map((s) => [s.id, s]));
    // Words that came since, from the transcriber, are looked through anew.
    const isSame = (s: PieceData['sources'][number]) => known.get(s.id)?.source.passages.length === s.source.passages.length;
    this.sources = sources.map((s) => ({ ...s, proposed: isSame(s) ? (known.get(s.id)?.proposed ?? null) : null }));
    if (!this.sources.some((s) => s.id === this.openSource)) this.openSource = this.sources[0]?.id ?? null;
    this.putEdits(onTheWay);
  }

  /** Has repairs found for the sources that nobody looked through yet. */
  async findEdits(): Promise<void> {
    for (const { id, source, proposed } of this.sources) {
      if (proposed) continue;
      const found = await core().findEdits(source, this.house);
      this.sources = this.sources.map((s) => (s.id === id ? { ...s, proposed: found } : s));
    }
  }

  /** Takes repairs and puts others back. */
  putEdits(changes: readonly EditChange[]): void {
    for (const change of changes)
      this.sources = this.sources.map((s) => (s.id === change.source ? { ...s, edits: changeEdits(s.edits, change) } : s));
  }

  /** Opens the passages an origin mark names. */
  show([origin]: readonly Origin[]): void {
    if (!origin) return;
    this.openSource = origin.source;
    this.shownPassage = { source: origin.source, passage: origin.first };
  }
}
