/**
 * The drawings of the stock: name; words; what is drawn, on a field of 100 by 75. A part is `c` a circle (x y r), `e` an ellipse
 * (x y rx ry), `r` a rectangle (x y width height corner), or `l` a line (its path, its width); then its colour: i ink, w wood,
 * b bottle, y brass, s slate, u rust, p paper, g grey, l leaf green. An `l` of width 0 is filled.
 */
export type Drawing = { name: string; words: string; parts: string };

const COLOURS: Record<string, string> = {
  ...{ i: '#2f2c27', w: '#8a6038', b: '#1f5a4d', y: '#b98a2e', s: '#35556f', u: '#a63d2f', p: '#fffaf0', g: '#9a978d', l: '#5c8a4f' },
};

const LIST = `
Table lamp|lamp light desk shade evening|l M38,30 L62,30 L68,46 L32,46 Z 0 y;l M50,46 L50,60 3 i;e 50 62 14 3 i
Standing lamp|lamp light floor shade|l M40,12 L60,12 L66,30 L34,30 Z 0 y;l M50,30 L50,66 2 i;e 50 67 13 3 i
Light bulb|bulb light lamp electric|c 50 30 15 y;r 43 44 14 10 2 g;l M44,48 H56 1 i;l M44,52 H56 1 i
Oil lamp|oil lamp wick flame light|e 50 58 18 8 y;l M50,30 C44,38 46,46 50,46 C54,46 56,38 50,30 Z 0 u;r 46 46 8 6 1 i
Candle|candle wax flame wick light|r 44 34 12 32 1 p;l M50,18 C45,25 47,31 50,31 C53,31 55,25 50,18 Z 0 y;e 50 67 18 3 g
Plug|plug electric flex wire socket|r 38 30 24 20 4 p;r 43 20 3 10 1 g;r 54 20 3 10 1 g;l M50,50 C50,62 60,60 66,68 3 i
Socket|socket wall electric power|r 30 18 40 40 4 p;c 50 38 14 g;c 45 38 2 i;c 55 38 2 i
Coil of cable|cable wire flex electric coil|c 50 38 20 i;c 50 38 14 p;c 50 38 12 i;c 50 38 7 p
Battery|battery power cell radio|r 26 28 44 20 3 b;r 70 33 4 10 1 g;l M36,38 H44 2 p;l M40,34 V42 2 p
Radio|radio sound listen receiver music|r 22 26 56 34 4 w;c 38 43 10 p;r 54 34 18 4 1 y;c 58 50 3 i;c 68 50 3 i;l M70,26 L80,12 2 g
Toaster|toaster kitchen bread electric|r 26 30 48 30 8 g;r 34 26 14 6 1 w;r 52 26 14 6 1 w;r 72 38 4 10 1 i
Kettle|kettle tea water kitchen boil|l M34,36 H66 L70,62 H30 Z 0 s;l M34,36 C30,16 70,16 66,36 3 i;l M66,42 L78,36 4 s
Iron|iron clothes press steam|l M24,56 L36,38 H66 C74,38 78,46 78,56 Z 0 u;l M40,38 C42,26 62,26 64,38 3 i;r 24 56 54 4 1 g
Sewing machine|sewing machine needle thread mend|r 20 56 60 6 1 w;r 60 26 14 30 2 i;r 28 22 46 12 4 i;r 30 34 5 12 1 g;c 74 28 4 y
Clock|clock time watch face hands|c 50 38 22 p;c 50 38 2 i;l M50,38 V22 2 i;l M50,38 L62,44 2 u
Alarm clock|alarm clock time bell morning|c 50 42 18 s;c 50 42 14 p;c 38 22 5 y;c 62 22 5 y;l M50,42 V32 2 i;l M50,42 L57,46 2 i
Chair|chair seat wood sit|r 36 14 3 50 1 w;r 36 40 28 5 1 w;r 61 40 3 24 1 w;r 36 16 26 3 1 w;r 36 26 26 3 1 w
Caned seat|cane chair seat weave caning pattern|r 28 18 44 40 3 w;r 33 23 34 30 1 y;l M33,31 H67 1 i;l M33,39 H67 1 i;l M33,47 H67 1 i;l M42,23 V53 1 i;l M50,23 V53 1 i;l M58,23 V53 1 i
Stool|stool seat wood sit three legs|e 50 28 22 6 w;l M36,32 L30,64 4 w;l M64,32 L70,64 4 w;l M50,34 V66 4 w
Table|table wood furniture desk|r 18 30 64 6 1 w;r 22 36 5 30 1 w;r 73 36 5 30 1 w
Bench|bench seat garden wood|r 16 36 68 5 1 l;r 16 24 68 5 1 l;r 22 41 4 24 1 i;r 74 41 4 24 1 i
Shelf|shelf books board wall|r 18 46 64 4 1 w;r 26 24 7 22 1 u;r 34 28 6 18 1 b;r 41 22 8 24 1 y;r 54 30 18 16 2 s
Coil of cane|cane coil caning chair weave|c 50 38 22 y;c 50 38 17 p;c 50 38 15 y;c 50 38 10 p
Pegs|pegs wood caning hold|l M30,20 L34,58 L38,20 Z 0 w;l M46,20 L50,58 L54,20 Z 0 w;l M62,20 L66,58 L70,20 Z 0 w
Kitchen knife|knife kitchen blade sharp cut|l M16,40 L60,34 L62,44 L20,46 Z 0 g;r 60 34 24 10 4 i
Whetstone|whetstone stone sharpen knife grind|r 20 34 60 16 2 g;r 20 50 60 6 1 s;e 50 38 20 2 p
Two coins|coins money angle measure|c 40 40 15 y;c 60 36 15 g;c 40 40 10 p;c 60 36 10 p
Scissors|scissors cut blade paper cloth|l M36,14 L58,50 3 g;l M62,14 L42,50 3 g;c 38 56 7 u;c 62 56 7 u
Saw|saw wood cut tool|l M18,30 H66 L66,44 L18,38 Z 0 g;r 64 26 20 20 6 w
Hammer|hammer nail tool hit|r 46 26 6 42 2 w;r 32 16 34 12 2 g
Screwdriver|screwdriver screw tool turn|r 22 33 28 10 5 u;r 50 36 30 4 1 g
Pliers|pliers grip tool wire|l M44,14 L52,36 L40,66 3 b;l M56,14 L48,36 L60,66 3 b;c 50 36 3 i
Drill|drill hole tool electric|r 24 24 36 16 4 b;r 32 38 12 24 3 i;r 60 30 22 4 1 g
Spanner|spanner nut bolt tool wrench|l M28,56 L62,26 6 g;c 66 22 10 g;c 69 19 5 p
Tape measure|tape measure length tool|r 28 26 30 30 6 y;c 43 41 8 p;r 58 48 26 4 1 y;l M62,48 V52 1 i;l M70,48 V52 1 i
Glue|glue bottle stick wood repair|r 40 32 20 34 3 p;l M44,32 L50,14 L56,32 Z 0 u;r 40 44 20 10 0 s
Roll of tape|tape roll stick mend|c 50 38 20 y;c 50 38 9 p;r 60 52 18 6 0 y
Tin of paint|paint tin colour wall|r 32 26 36 38 2 g;e 50 26 18 5 s;l M32,32 C28,8 72,8 68,32 2 i
Paint brush|brush paint colour wall|r 44 14 12 26 3 w;r 40 38 20 8 1 g;l M40,46 H60 L56,66 H44 Z 0 s
Ladder|ladder climb wall high|l M38,10 L32,68 3 w;l M60,10 L66,68 3 w;l M37,22 H61 2 w;l M36,36 H63 2 w;l M34,50 H64 2 w
Box of screws|screws box nails small parts|r 24 34 52 26 2 w;c 34 44 3 g;c 46 48 3 g;c 58 43 3 g;c 66 50 3 g
Needle and thread|needle thread sew mend stitch|l M26,60 L70,20 2 g;l M68,22 C84,30 60,40 74,52 1 u
Reel of thread|thread reel sew cotton|r 36 20 28 5 1 w;r 40 25 20 30 1 u;r 36 55 28 5 1 w
Button|button coat sew shirt|c 50 38 18 s;c 50 38 14 s;c 45 34 2 p;c 55 34 2 p;c 45 42 2 p;c 55 42 2 p
Zip|zip coat bag fasten|r 46 12 8 52 1 g;l M42,14 V62 2 i;l M58,14 V62 2 i;r 46 34 8 10 2 y
Jumper|jumper wool knit warm clothes|l M30,24 L42,18 H58 L70,24 L78,46 L68,48 L64,38 V62 H36 V38 L32,48 L22,46 Z 0 b
Sock|sock wool darn mend clothes|l M40,14 H58 V44 L44,62 C34,68 26,58 34,50 L40,44 Z 0 u;r 40 14 18 6 0 p
Ball of wool|wool yarn ball knit|c 48 40 18 u;l M36,30 C50,36 56,48 54,56 1 p;l M34,42 C46,38 60,32 64,34 1 p;l M62,50 C74,54 76,62 84,60 2 u
Cushion|cushion sofa soft sew|l M26,24 C40,28 60,28 74,24 C70,38 70,44 74,58 C60,54 40,54 26,58 C30,44 30,38 26,24 Z 0 y
Umbrella|umbrella rain mend wet|l M20,40 C24,14 76,14 80,40 Z 0 s;l M50,40 V62 C50,68 42,68 42,62 2 i
Shoe|shoe sole walk leather|l M26,34 H44 L56,46 C70,48 78,50 78,58 H26 Z 0 w;r 26 58 52 4 1 i
Bag|bag carry leather strap|r 30 30 40 32 4 w;l M38,30 C38,12 62,12 62,30 3 i;r 46 42 8 6 1 y
Bicycle|bicycle bike wheel ride|c 30 50 14 i;c 30 50 11 p;c 70 50 14 i;c 70 50 11 p;l M30,50 L44,30 L62,30 L70,50 2 u;l M44,30 L52,50 L62,30 2 u
Bicycle wheel|wheel bicycle bike spokes tyre|c 50 38 26 i;c 50 38 22 p;l M50,14 V62 1 g;l M26,38 H74 1 g;l M33,21 L67,55 1 g;l M67,21 L33,55 1 g;c 50 38 3 i
Pump|pump bicycle air tyre|r 44 14 12 44 2 s;r 36 10 28 5 2 i;r 36 58 28 4 1 i;l M56,52 C76,52 76,34 80,28 2 i
Window|window glass draught light cold|r 26 12 48 52 1 w;r 30 16 18 20 0 s;r 52 16 18 20 0 s;r 30 40 18 20 0 s;r 52 40 18 20 0 s
Door|door wood draught house|r 34 8 32 60 1 b;c 60 40 2 y;r 39 14 22 18 1 p;r 30 68 40 3 0 i
Draught strip|draught strip door window cold seal|r 20 30 60 7 3 g;r 20 40 60 7 3 y;l M80,33 C88,36 88,44 80,44 2 i
Key|key lock door open|c 34 36 12 y;c 34 36 6 p;r 44 33 36 6 1 y;r 68 38 4 8 0 y;r 76 38 4 6 0 y
Padlock|lock padlock key safe|r 34 34 32 28 3 y;l M40,34 C40,12 60,12 60,34 4 g;c 50 46 3 i
Teapot|teapot tea pot kitchen warm|e 48 44 22 16 u;l M68,40 L82,30 5 u;l M28,34 C14,34 14,54 30,52 3 u;e 48 29 10 3 i;c 48 25 3 i
Cup|cup tea coffee drink warm|l M32,28 H64 L60,56 H36 Z 0 p;l M64,32 C76,32 76,48 62,48 3 g;l M40,22 C38,16 44,16 42,10 1 g
Bowl|bowl water soak kitchen|l M24,34 H76 C74,58 60,62 50,62 C40,62 26,58 24,34 Z 0 s;e 50 34 26 5 p
Broken plate|plate broken china mend glue|c 50 38 22 p;c 50 38 14 g;l M50,16 L46,34 L56,42 L50,60 2 u
Basket|basket weave carry willow|l M28,34 H72 L66,62 H34 Z 0 w;l M30,34 C34,8 66,8 70,34 3 w;l M30,44 H70 1 i;l M32,53 H68 1 i
Bread|bread loaf kitchen bake|l M22,50 C18,28 82,28 78,50 V58 H22 Z 0 w;l M38,36 L42,46 2 p;l M50,34 L54,46 2 p;l M62,36 L66,46 2 p
Apple|apple fruit garden autumn|c 46 42 15 u;c 56 42 15 u;l M51,28 L54,18 2 w;l M54,22 C60,14 66,18 66,22 C62,24 58,24 54,22 Z 0 l
Tree|tree wood garden leaf|r 46 44 8 24 1 w;c 50 30 18 l;c 38 36 11 l;c 62 36 11 l
Leaf|leaf tree garden autumn|l M50,12 C72,26 70,50 50,62 C30,50 28,26 50,12 Z 0 l;l M50,20 V70 2 w
Flower pot|flower pot plant garden|l M38,44 H62 L58,66 H42 Z 0 u;l M50,44 V26 2 l;c 50 20 7 y;c 42 24 5 p;c 58 24 5 p
Watering can|watering can garden water|r 34 34 28 28 2 b;l M62,44 L82,28 4 b;l M34,40 C20,34 22,58 34,56 3 b
Garden fork|fork garden dig tool|r 48 12 4 34 1 w;r 42 10 16 4 2 w;l M42,46 H58 2 g;l M42,46 V66 2 g;l M50,46 V66 2 g;l M58,46 V66 2 g
Bird box|bird box garden wood nest|l M32,30 L50,14 L68,30 Z 0 u;r 36 30 28 34 1 w;c 50 42 5 i
Book|book read page paper|l M50,22 C40,16 28,16 20,20 V56 C28,52 40,52 50,58 Z 0 p;l M50,22 C60,16 72,16 80,20 V56 C72,52 60,52 50,58 Z 0 p;l M50,22 V58 1 i
Pencil|pencil write draw paper|l M24,60 L28,48 L64,14 L74,24 L38,58 Z 0 y;l M24,60 L28,48 L38,58 Z 0 w
Notice board|notice board paper pin hall|r 18 14 64 46 2 w;r 24 20 18 16 0 p;r 46 20 14 20 0 p;r 64 22 12 14 0 p;c 33 22 1 u;c 53 22 1 u
Clipboard|clipboard log paper list|r 32 14 36 52 2 w;r 36 20 28 42 0 p;r 42 10 16 8 2 g;l M40,30 H58 1 i;l M40,38 H60 1 i;l M40,46 H54 1 i
Workshop hall|hall workshop house roof people|l M18,34 L50,12 L82,34 Z 0 u;r 24 34 52 30 0 p;r 44 44 12 20 0 b;r 30 42 8 8 0 s;r 62 42 8 8 0 s
Workbench|workbench bench tools vice repair|r 16 36 68 6 1 w;r 22 42 6 24 1 w;r 72 42 6 24 1 w;r 26 26 14 10 2 s;l M50,34 L64,22 3 g
`;

/** All drawings, in the order of the list. */
export const DRAWINGS: readonly Drawing[] = LIST.trim()
  .split('\n')
  .map((line) => {
    const [name, words, parts] = line.split('|') as [string, string, string];
    return { name, words, parts };
  });

// Grounds the drawings stand on, by turns: wall and table.
const GROUNDS = [
  ['#e9e3d4', '#d8cfba'],
  ['#dfe7e2', '#c8d5cd'],
  ['#e2e6ea', '#cbd3da'],
  ['#f0e3d6', '#e0cdb8'],
  ['#ece8e0', '#dad3c6'],
] as const;

function part(words: string): string {
  const [kind, ...rest] = words.split(' ');
  const colour = COLOURS[rest.at(-1)!];
  const n = rest.slice(0, -1);
  if (kind === 'c') return `<circle cx="${n[0]}" cy="${n[1]}" r="${n[2]}" fill="${colour}"/>`;
  if (kind === 'e') return `<ellipse cx="${n[0]}" cy="${n[1]}" rx="${n[2]}" ry="${n[3]}" fill="${colour}"/>`;
  if (kind === 'r') return `<rect x="${n[0]}" y="${n[1]}" width="${n[2]}" height="${n[3]}" rx="${n[4]}" fill="${colour}"/>`;
  const width = Number(n.at(-1));
  const path = n.slice(0, -1).join(' ');
  return width
    ? `<path d="${path}" fill="none" stroke="${colour}" stroke-width="${width}" stroke-linecap="round" stroke-linejoin="round"/>`
    : `<path d="${path}" fill="${colour}"/>`;
}

/** A drawing as SVG of a width; its height is three quarters of it. */
export function drawn(n: number, width: number): string {
  const [wall, table] = GROUNDS[n % GROUNDS.length]!;
  const parts = DRAWINGS[n]!.parts.split(';').map(part).join('');
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 75" width="${width}" height="${(width * 3) / 4}"><rect width="100" height="75" fill="${wall}"/><rect y="58" width="100" height="17" fill="${table}"/>${parts}</svg>`;
}
