type TextItem = { str: string; transform: number[]; width: number; fontName: string };
export type Annotation = { url?: string; rect: number[] };
type Objects = { get(name: string, take: (value: unknown) => void): void; has(name: string): boolean };
export type Page = {
  view: number[];
  objs: Objects;
  commonObjs: Objects;
  getTextContent(): Promise<{ items: (TextItem | { type: string })[] }>;
  getAnnotations(): Promise<Annotation[]>;
  getOperatorList(): Promise<{ fnArray: number[]; argsArray: unknown[] }>;
};
type Pdf = { numPages: number; getPage(n: number): Promise<Page>; getMetadata(): Promise<{ info: object }> };

/** The part of pdfjs-dist that is used here; its own types speak of the DOM, which the core does without. */
export type PdfLibrary = {
  VerbosityLevel: { ERRORS: number };
  OPS: Record<'save' | 'restore' | 'transform' | 'paintImageXObject', number>;
  getDocument(source: object): { promise: Promise<Pdf>; destroy(): Promise<void> };
};

/** The library, loaded with the first PDF: it is large. */
export const pdfLibrary = async (): Promise<PdfLibrary> => (await import('pdfjs-dist/legacy/build/pdf.mjs')) as unknown as PdfLibrary;
