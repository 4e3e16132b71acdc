// Looks pages through beside the server.
import { docFromJSON } from '@even-page/core/post/schema';
import type { Page } from '../looking-through.ts';
import { looksOf } from '../looks.ts';
import { serve } from './serve.ts';

serve(async ({ doc, ...rest }: Page) => looksOf({ doc: docFromJSON(doc), ...rest }));
