/** What a licence asks of whoever shows the picture. */
export type Licence = {
  says: string;
  asks: string;
  /** The page that states it. */
  address?: string;
  /** Whether the maker has to be named. */
  needsCredit: boolean;
};

const cc = (code: string, name: string, asks: string): Licence => ({
  says: `Creative Commons ${name} 4.0`,
  asks,
  address: `https://creativecommons.org/licenses/${code}/4.0/`,
  needsCredit: true,
});

const NAME = 'Name the maker and the licence, and say so if you changed the picture.';

/** The licences a picture may be under (Creative Commons 4.0 licence deeds; the others are plain cases). */
export const LICENCES = {
  unknown: { says: 'unknown', asks: 'Find out whose it is and whether you may show it before you publish.', needsCredit: false },
  own: { says: 'own work', asks: 'Nothing: it is yours.', needsCredit: false },
  bought: { says: 'bought', asks: 'What its seller says: look whether the maker must be named.', needsCredit: false },
  'public-domain': { says: 'public domain', asks: 'Nothing; to name the maker is good manners.', needsCredit: false },
  cc0: {
    says: 'Creative Commons Zero 1.0',
    asks: 'Nothing; to name the maker is good manners.',
    address: 'https://creativecommons.org/publicdomain/zero/1.0/',
    needsCredit: false,
  },
  'cc-by': cc('by', 'Attribution', NAME),
  'cc-by-sa': cc('by-sa', 'Attribution-ShareAlike', `${NAME} What you make of it goes under the same licence.`),
  'cc-by-nd': cc('by-nd', 'Attribution-NoDerivatives', `${NAME} Do not change or crop it.`),
  'cc-by-nc': cc('by-nc', 'Attribution-NonCommercial', `${NAME} Not for anything that earns money.`),
  'cc-by-nc-sa': cc(
    'by-nc-sa',
    'Attribution-NonCommercial-ShareAlike',
    `${NAME} Not for anything that earns money; what you make of it goes under the same licence.`,
  ),
  'cc-by-nc-nd': cc(
    'by-nc-nd',
    'Attribution-NonCommercial-NoDerivatives',
    `${NAME} Not for anything that earns money; do not change or crop it.`,
  ),
} as const satisfies Record<string, Licence>;

export type LicenceName = keyof typeof LICENCES;
export const LICENCE_NAMES = Object.keys(LICENCES) as LicenceName[];

/** The licence that words or an address name, as files and stocks state it; unknown when they name none. */
export function licenceNamed(words: string): LicenceName {
  const said = words.toLowerCase();
  if (/publicdomain\/zero|\bcc[ -]?0\b|creative commons zero/.test(said)) return 'cc0';
  if (/publicdomain\/mark|public domain/.test(said)) return 'public-domain';
  const code =
    /creativecommons\.org\/licenses\/(by(?:-nc)?(?:-(?:sa|nd))?)\b/.exec(said)?.[1] ??
    /\bcc[ -](by(?:[ -]nc)?(?:[ -](?:sa|nd))?)\b/.exec(said)?.[1];
  const name = `cc-${(code ?? '').replaceAll(' ', '-')}`;
  return name in LICENCES ? (name as LicenceName) : 'unknown';
}
