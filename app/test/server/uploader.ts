import { expect } from 'chai';
import type { RunningServer } from '../running-server.ts';

/** Sends recordings as a browser does: tus resumable upload protocol 1.0.0, creation, then parts at the offset the server names. */
export const uploader = (server: RunningServer) => {
  const tus = (path: string, method: string, headers: Record<string, string>, body?: Uint8Array<ArrayBuffer>) =>
    fetch(new URL(path, server.address), {
      method,
      headers: { origin: server.address, 'tus-resumable': '1.0.0', ...headers },
      ...(body ? { body } : {}),
    });

  return {
    /** Begins an upload and sends the first bytes of it; returns the name of the upload. */
    async begin(bytes: Uint8Array<ArrayBuffer>, sent: number): Promise<string> {
      const made = await tus('/uploads', 'POST', { 'upload-length': String(bytes.length) });
      const location = made.headers.get('location')!;
      const headers = { 'upload-offset': '0', 'content-type': 'application/offset+octet-stream' };
      expect((await tus(location, 'PATCH', headers, bytes.slice(0, sent))).status).to.equal(204);
      return location.split('/').at(-1)!;
    },

    /** Goes on with an upload from where the server says it is; returns that offset. */
    async goOn(upload: string, bytes: Uint8Array<ArrayBuffer>): Promise<number> {
      const offset = Number((await tus(`/uploads/${upload}`, 'HEAD', {})).headers.get('upload-offset'));
      const headers = { 'upload-offset': String(offset), 'content-type': 'application/offset+octet-stream' };
      expect((await tus(`/uploads/${upload}`, 'PATCH', headers, bytes.slice(offset))).status).to.equal(204);
      return offset;
    },

    /** Sends a recording and returns the name of its upload. */
    async upload(bytes: Uint8Array<ArrayBuffer>, parts = 1): Promise<string> {
      const made = await tus('/uploads', 'POST', { 'upload-length': String(bytes.length) });
      expect(made.status).to.equal(201);
      const location = made.headers.get('location')!;
      const size = Math.ceil(bytes.length / parts);
      for (let n = 0; n < parts; n++) {
        const head = await tus(location, 'HEAD', {});
        const offset = Number(head.headers.get('upload-offset'));
        expect(offset).to.equal(n * size);
        const part = bytes.slice(offset, offset + size);
        const headers = { 'upload-offset': String(offset), 'content-type': 'application/offset+octet-stream' };
        expect((await tus(location, 'PATCH', headers, part)).status).to.equal(204);
      }
      return location.split('/').at(-1)!;
    },
  };
};
