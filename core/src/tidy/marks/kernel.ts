// The two loops nearly all of the network's time goes into, put together here as WebAssembly (W3C, WebAssembly Core
// 2.0): it works on four numbers at a time, which a loop in TypeScript does not, and is several times as fast.

/**
 * Addresses and lengths are bytes. `Floats` are 32-bit numbers, `Steps` 16-bit whole numbers: two of them side by side
 * are multiplied and added in one go.
 */
export type Kernel = {
  memory: Memory;
  /**
   * y = y + b + s ∘ (x W) for `rows` rows, a multiple of 4.
   * @param x rows of steps, an even number in each
   * @param w steps: for each two inputs a row of outputs, a multiple of 8, the weights of both side by side
   * @param s floats, one for each output, as b and the rows of y
   */
  dense(x: number, w: number, s: number, b: number, y: number, rows: number, inputBytes: number, outputBytes: number): void;
  /**
   * y = max(least, b + sum_k w_k ∘ x_k) · unit, column by column, for `rows` rows: x is where the first neighbour of
   * the first row begins, the others stand `stepBytes` apart, and w has a row for each of them.
   * @param x rows of floats, a multiple of 8 in each, as b and the rows of w
   * @param y rows of steps; what is too great for one becomes the greatest
   */
  near(
    x: number,
    w: number,
    b: number,
    y: number,
    rows: number,
    rowBytes: number,
    neighbours: number,
    stepBytes: number,
    least: number,
    unit: number,
  ): void;
};

type Memory = { readonly buffer: ArrayBuffer };
// What is used of it; the core is compiled without the types of browsers.
declare const WebAssembly: {
  Memory: new (size: { initial: number }) => Memory;
  Module: new (bytes: Uint8Array) => object;
  Instance: new (module: object, imports: Record<string, Record<string, unknown>>) => { exports: unknown };
};

type Code = readonly number[];
const WHOLE = 0x7f;
const FLOAT = 0x7d;
const FOUR = 0x7b;

/** A whole number as WebAssembly writes it (LEB128). */
function leb(n: number): Code {
  const bytes: number[] = [];
  for (; n > 0x7f; n >>>= 7) bytes.push((n & 0x7f) | 0x80);
  return [...bytes, n];
}
const sized = (code: Code): Code => [...leb(code.length), ...code];
const list = (items: readonly Code[]): Code => [...leb(items.length), ...items.flat()];
const section = (id: number, items: readonly Code[]): Code => [id, ...sized(list(items))];
const named = (name: string): Code => sized(Array.from(name, (c) => c.charCodeAt(0)));

const get = (local: number): Code => [0x20, local];
const set = (local: number, value: Code): Code => [...value, 0x21, local];
const sum = (a: Code, b: Code): Code => [...a, ...b, 0x6a];
/** A number below 64. */
const small = (n: number): Code => [0x41, n];
const raise = (local: number, by: Code): Code => set(local, sum(get(local), by));
const lower = (local: number, by: number): Code => set(local, [...get(local), ...small(by), 0x6b]);
const fourTimes = (a: Code): Code => [...a, ...small(2), 0x74];
/** Does `body`, and again as long as the number left by `condition` is not nought. */
const again = (body: Code, condition: Code): Code => [0x03, 0x40, ...body, ...condition, 0x0d, 0, 0x0b];
const isBelow = (a: Code, b: Code): Code => [...a, ...b, 0x49];

// Four numbers at once.
const four = (operation: number): Code => [0xfd, ...leb(operation)];
const load = (address: Code, offset = 0): Code => [...address, ...four(0), 2, offset];
const loadOneForAll = (address: Code): Code => [...address, ...four(9), 2, 0];
const store = (address: Code, value: Code, offset = 0): Code => [...address, ...value, ...four(11), 2, offset];
const plus = (a: Code, b: Code): Code => [...a, ...b, ...four(228)];
const times = (a: Code, b: Code): Code => [...a, ...b, ...four(230)];
const greater = (a: Code, b: Code): Code => [...a, ...b, ...four(233)];
const allOf = (float: Code): Code => [...float, ...four(19)];
// Whole numbers of 32 bits, of pairs of 16 bits multiplied and added, and back to floats.
const wholePlus = (a: Code, b: Code): Code => [...a, ...b, ...four(174)];
const pairs = (a: Code, b: Code): Code => [...a, ...b, ...four(186)];
const float = (a: Code): Code => [...a, ...four(250)];
const nearest = (a: Code): Code => [...a, ...four(106)];
const whole = (a: Code): Code => [...a, ...four(248)];
/** Two fours of whole numbers as eight of 16 bits. */
const narrow = (a: Code, b: Code): Code => [...a, ...b, ...four(133)];

/** A function with so many locals of its own behind its parameters: whole numbers, then fours. All begin at nought. */
function code(whole: number, fours: number, body: Code): Code {
  return sized([
    ...list([
      [...leb(whole), WHOLE],
      [...leb(fours), FOUR],
    ]),
    ...body,
    0x0b,
  ]);
}

function denseCode(): Code {
  const [x, w, s, b, y, rows, inputBytes, outputBytes] = [0, 1, 2, 3, 4, 5, 6, 7];
  const [column, weight, end] = [8, 9, 10];
  // Four rows and eight columns at a time, so that each number that is read is used more than once.
  const from = [11, 12, 13, 14];
  const into = [15, 16, 17, 18];
  const [w0, w1, two, none] = [19, 20, 21, 22];
  const sums = [23, 25, 27, 29].map((first) => [first, first + 1] as const);
  const each = <T>(items: readonly T[], make: (item: T, i: number) => Code) => items.flatMap((item, i) => make(item, i));
  /** Eight outputs of a row: what stands there, the bias, and the sums in the steps of each output. */
  const finished = (address: Code, total: number, offset: number) =>
    store(
      address,
      plus(
        plus(load(address, offset), load(sum(get(b), get(column)), offset)),
        times(float(get(total)), load(sum(get(s), get(column)), offset)),
      ),
      offset,
    );
  return code(11, 12, [
    ...again(
      [
        ...set(column, small(0)),
        ...again(
          [
            ...each(from, (p, i) => set(p, i ? sum(get(from[i - 1]!), get(inputBytes)) : get(x))),
            ...each(into, (p, i) => set(p, i ? sum(get(into[i - 1]!), get(outputBytes)) : sum(get(y), get(column)))),
            ...each(sums.flat(), (total) => set(total, get(none))),
            ...set(weight, sum(get(w), get(column))),
            ...set(end, get(from[1]!)),
            ...again(
              [
                ...set(w0, load(get(weight))),
                ...set(w1, load(get(weight), 16)),
                ...each(sums, ([left, right], i) => [
                  ...set(two, loadOneForAll(get(from[i]!))),
                  ...set(left, wholePlus(get(left), pairs(get(two), get(w0)))),
                  ...set(right, wholePlus(get(right), pairs(get(two), get(w1)))),
                  ...raise(from[i]!, small(4)),
                ]),
                // Two weights of 16 bits take the room of one output.
                ...raise(weight, get(outputBytes)),
              ],
              isBelow(get(from[0]!), get(end)),
            ),
            ...each(sums, ([left, right], i) => [...finished(get(into[i]!), left, 0), ...finished(get(into[i]!), right, 16)]),
            ...raise(column, small(32)),
          ],
          isBelow(get(column), get(outputBytes)),
        ),
        ...raise(x, fourTimes(get(inputBytes))),
        ...raise(y, fourTimes(get(outputBytes))),
        ...lower(rows, 4),
      ],
      get(rows),
    ),
  ]);
}

function nearCode(): Code {
  const [x, w, b, y, rows, rowBytes, neighbours, stepBytes, least, unit] = [0, 1, 2, 3, 4, 5, 6, 7, 8, 9];
  const [column, from, weight, left] = [10, 11, 12, 13];
  const totals = [14, 15];
  const heard = (total: number) => whole(nearest(times(greater(get(total), allOf(get(least))), allOf(get(unit)))));
  return code(4, 2, [
    ...again(
      [
        ...set(column, small(0)),
        ...again(
          [
            ...totals.flatMap((total, i) => set(total, load(sum(get(b), get(column)), 16 * i))),
            ...set(from, sum(get(x), get(column))),
            ...set(weight, sum(get(w), get(column))),
            ...set(left, get(neighbours)),
            ...again(
              [
                ...totals.flatMap((total, i) => set(total, plus(get(total), times(load(get(from), 16 * i), load(get(weight), 16 * i))))),
                ...raise(from, get(stepBytes)),
                ...raise(weight, get(rowBytes)),
                ...lower(left, 1),
              ],
              get(left),
            ),
            ...store(get(y), narrow(heard(totals[0]!), heard(totals[1]!))),
            ...raise(y, small(16)),
            ...raise(column, small(32)),
          ],
          isBelow(get(column), get(rowBytes)),
        ),
        ...raise(x, get(rowBytes)),
        ...lower(rows, 1),
      ],
      get(rows),
    ),
  ]);
}

/** A kernel with a memory of at least so many bytes, all nought. */
export function kernelOf(bytes: number): Kernel {
  const memory = new WebAssembly.Memory({ initial: Math.ceil(bytes / 65_536) });
  const takes = (wholes: number, floats: number): Code => [
    0x60,
    ...list([...Array<Code>(wholes).fill([WHOLE]), ...Array<Code>(floats).fill([FLOAT])]),
    0,
  ];
  const module = new WebAssembly.Module(
    Uint8Array.from([
      ...[0, 0x61, 0x73, 0x6d, 1, 0, 0, 0],
      ...section(1, [takes(8, 0), takes(8, 2)]),
      ...section(2, [[...named('even'), ...named('memory'), 2, 0, 1]]),
      ...section(3, [[0], [1]]),
      ...section(7, [
        [...named('dense'), 0, 0],
        [...named('near'), 0, 1],
      ]),
      ...section(10, [denseCode(), nearCode()]),
    ]),
  );
  const { exports } = new WebAssembly.Instance(module, { even: { memory } });
  return { ...(exports as Pick<Kernel, 'dense' | 'near'>), memory };
}
