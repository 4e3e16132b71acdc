// Draws the demo's pictures and makes PNG files of them. Run: npx tsx demo/make-pictures.ts
import sharp from 'sharp';

const PAPER = '#e9e3d4';
const BOTTLE = '#1f5a4d';
const BRASS = '#b98a2e';
const SLATE = '#35556f';

const frame = (inside: string) =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 320 200" width="1600" height="1000"><rect width="320" height="200" fill="${PAPER}"/><rect y="150" width="320" height="50" fill="#d8cfba"/>${inside}</svg>`;

const weave = Array.from({ length: 9 }, (_, i) => {
  const at = 92 + i * 17;
  return `<path d="M${at} 42V158" stroke="${BRASS}" stroke-width="5"/><path d="M84 ${34 + i * 14}H236" stroke="#cfa449" stroke-width="4"/>`;
}).join('');
const diagonals = Array.from(
  { length: 14 },
  (_, i) => `<path d="M${84 + i * 14 - 60} 42l116 116M${84 + i * 14} 42l-116 116" stroke="#8a6a24" stroke-width="2"/>`,
).join('');

const PICTURES: Record<string, string> = {
  'two-coins-under-a-knife': `<rect x="50" y="128" width="220" height="30" rx="3" fill="#8d8a80"/><rect x="50" y="128" width="220" height="7" fill="#a5a296"/><path d="M70 127 236 112l14 2-10 14H70z" fill="#dfe3e2" stroke="${SLATE}" stroke-width="2"/><path d="M236 112l46-6c6 0 8 8 2 11l-42 9z" fill="#3c3a35"/><ellipse cx="200" cy="125" rx="16" ry="3.500" fill="${BRASS}"/><ellipse cx="200" cy="121" rx="16" ry="3.500" fill="#d3a84b"/>`,
  'caned-seat-from-above': `<rect x="70" y="24" width="180" height="152" rx="8" fill="#7b5433"/><rect x="84" y="38" width="152" height="124" fill="${PAPER}"/><svg x="84" y="38" width="152" height="124" viewBox="84 38 152 124">${diagonals}${weave}</svg>`,
  'pegs-and-a-coil-of-cane': `<circle cx="120" cy="104" r="48" fill="none" stroke="${BRASS}" stroke-width="7"/><circle cx="120" cy="104" r="38" fill="none" stroke="#cfa449" stroke-width="6"/><circle cx="120" cy="104" r="29" fill="none" stroke="${BRASS}" stroke-width="5"/>${[0, 1, 2, 3, 4].map((i) => `<path d="M${196 + i * 20} 70l5 74 5-74z" fill="#7b5433"/>`).join('')}`,
  'clipboard-by-the-door': `<rect x="40" y="20" width="100" height="140" fill="#6f5a43"/><circle cx="126" cy="96" r="4" fill="${BRASS}"/><rect x="180" y="44" width="84" height="110" rx="4" fill="#a9845a"/><rect x="188" y="56" width="68" height="92" fill="#fffdf8"/><rect x="206" y="38" width="32" height="14" rx="3" fill="${SLATE}"/>${[0, 1, 2, 3, 4, 5, 6].map((i) => `<path d="M196 ${70 + i * 11}h${46 - (i % 3) * 9}" stroke="${i % 3 ? '#8a8272' : BOTTLE}" stroke-width="2.500"/>`).join('')}`,
};

for (const [name, inside] of Object.entries(PICTURES)) {
  await sharp(Buffer.from(frame(inside)))
    .png({ palette: true, colours: 64 })
    .toFile(new URL(`material/${name}.png`, import.meta.url).pathname);
}
