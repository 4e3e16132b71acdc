// TextDecoder is the same in browsers, workers and Node; the core may not pull in either library for it.
declare class TextDecoder {
  constructor(label?: string, options?: { fatal?: boolean });
  decode(bytes?: Uint8Array, options?: { stream?: boolean }): string;
  readonly encoding: string;
}
