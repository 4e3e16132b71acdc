/** The grid a picture is shrunk to, in grey, before its look is taken: nine columns and eight rows. */
export const LOOK_GRID = { width: 9, height: 8 } as const;

/**
 * The look of a picture: for each two neighbours in a row of the grid whether it grows darker (difference hash; Krawetz,
 * “Kind of Like That”, 2013).
 * @param grey the grid row by row, 0 to 255
 * @returns 64 bits as 16 hexadecimal digits
 */
export function lookOf(grey: ArrayLike<number>): string {
  let bits = '';
  for (let y = 0; y < LOOK_GRID.height; y++) {
    for (let x = 0; x + 1 < LOOK_GRID.width; x++) {
      const at = y * LOOK_GRID.width + x;
      bits += grey[at]! > grey[at + 1]! ? '1' : '0';
    }
  }
  return (bits.match(/.{4}/g) ?? []).map((four) => parseInt(four, 2).toString(16)).join('');
}

/** In how many of its 64 bits the look of a picture may differ from another’s for it to be most likely the same (the same source). */
export const MOST_APART = 10;
