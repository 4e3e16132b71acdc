import { expose } from 'comlink';
import { createBinaryModuleFromUrl } from 'harper.js';
import grammarAddress from 'grammar.bin?url';
import { usageReader } from '@even-page/core/proof/usage';

const work = { read: usageReader(createBinaryModuleFromUrl(new URL(grammarAddress, self.location.href).href, 'slim')) };

export type UsageWork = typeof work;

expose(work);
