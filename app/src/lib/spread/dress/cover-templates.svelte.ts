import type { CoverDesign } from '@even-page/core/post/cover-design';
import { askServer, json, Refused, refusalOf } from '$lib/ask-server.ts';

/** A cover kept under a name. */
export type KeptCover = { id: string; name: string; design: CoverDesign };

/** The covers the house keeps, to make others from. */
export class CoverTemplates {
  list = $state.raw<KeptCover[]>([]);

  async begin(): Promise<void> {
    try {
      ({ covers: this.list } = await askServer<{ covers: KeptCover[] }>('/covers'));
    } catch (cause) {
      if (!(cause instanceof Refused)) throw cause;
    }
  }

  /** Keeps one; why it could not be, in a sentence. */
  keep(name: string, design: CoverDesign): Promise<string> {
    return refusalOf(async () => {
      // Its words and pictures are those of one piece.
      ({ covers: this.list } = await askServer<{ covers: KeptCover[] }>(
        '/covers',
        json('POST', { name, design: { ...design, title: '', pictures: [] } }),
      ));
    });
  }

  /** Takes one out; why it could not be, in a sentence. */
  remove(id: string): Promise<string> {
    return refusalOf(async () => {
      await askServer(`/covers/${id}`, { method: 'DELETE' });
      this.list = this.list.filter((one) => one.id !== id);
    });
  }
}
