import { elementsOf, find, isElement, rewrite, type Element, type ElementContent, type Parent } from './hast.ts';

// Where pages that load their pictures late write the address of the real one (common practice, no source).
const REAL = ['dataSrc', 'dataOriginal', 'dataLazySrc', 'dataLazy', 'dataUrl', 'dataHiRes', 'dataFullSrc'];
const PLACEHOLDER =
  /^(?:data:image\/(?:gif|svg\+xml|png)[;,]|about:blank$|.*\b(?:placeholder|spacer|blank|pixel|transparent)\b[^/]*\.(?:gif|png|svg)$)/i;
// Of a picture that is really in a page its data is longer.
const SHORTEST_DATA = 400;

/**
 * Gives pictures that a page loads late their real address: that beside the placeholder, the largest of its sizes, or the
 * picture that stands there for browsers without scripts.
 */
export function realPictures(tree: Parent): void {
  rewrite(tree, (node) => {
    if (node.tagName === 'noscript') return find(node, isImage) ? node.children : [];
    if (!isImage(node)) return [node];
    const src = real(node);
    return [src ? { ...node, properties: { ...node.properties, src } } : node];
  });
  dropPlaceholders(tree);
}

const isImage = ({ tagName }: Element): boolean => tagName === 'img';

const isPlaceholder = ({ properties }: Element): boolean => {
  const src = String(properties.src ?? '');
  return !src || (PLACEHOLDER.test(src) && src.length < SHORTEST_DATA);
};

function real(node: Element): string | undefined {
  if (!isPlaceholder(node)) return undefined;
  const beside = REAL.map((name) => node.properties[name]).find((value) => typeof value === 'string' && value);
  return (beside as string | undefined) ?? largest(node.properties.srcSet ?? node.properties.dataSrcset);
}

/** The largest picture of a list of sizes (HTML Standard, srcset attributes). */
function largest(sizes: unknown): string | undefined {
  const written = Array.isArray(sizes) ? sizes.join(', ') : typeof sizes === 'string' ? sizes : '';
  const all = [...written.matchAll(/(\S+?)(?:\s+([\d.]+)[wx])?\s*(?:,\s|,?$)/g)].map(([, src, size]) => ({ src, size: Number(size ?? 1) }));
  return all.sort((a, b) => b.size - a.size)[0]?.src;
}

/** A placeholder whose real picture stands beside it goes. */
function dropPlaceholders(parent: Parent): void {
  const images = elementsOf(parent).filter(isImage);
  const hasReal = images.some((img) => !isPlaceholder(img));
  parent.children = (parent.children as ElementContent[]).filter(
    (child) => !(isElement(child) && isImage(child) && isPlaceholder(child) && hasReal),
  );
  for (const child of elementsOf(parent)) dropPlaceholders(child);
}
