import type { CoverDesign } from '../../post/cover-design.ts';
import { readable } from './colours.ts';
import { type CoverPicture, Sheet } from './sheet.ts';
import { TEMPLATES, type TemplateName } from './templates.ts';
import type { Measure } from './text-fit.ts';

/**
 * A cover as SVG. The first template stands in for one that is not known; the ink is changed where nobody could read it.
 * @param styles CSS that goes into it, such as the font it is set in
 */
export function coverSvg(design: CoverDesign, pictures: readonly CoverPicture[], measure: Measure, styles = ''): string {
  const sheet = new Sheet({ ...design, colours: readable(design.colours) }, pictures, measure);
  (TEMPLATES[design.template as TemplateName] ?? TEMPLATES.leaf).draw(sheet);
  return sheet.svg(styles);
}
