// Measures pages of the web beside the server, and tells which of them serve another purpose.
import { measurePage, offPurpose, weighingBy } from '@even-page/core/yardstick';
import type { MeasureAsk, Measured } from '../reference-pages.ts';
import { serve } from './serve.ts';

serve(async (ask: MeasureAsk): Promise<Measured> => {
  if ('bytes' in ask) return { page: measurePage(ask.bytes, ask.address) };
  return { because: offPurpose(ask.pages, (passages) => weighingBy(passages, null)).map((found) => found?.says ?? '') };
});
