import { createBinaryModuleFromUrl } from 'harper.js';
import { usageReader } from '@even-page/core/proof/usage';

const binary = new URL('harper_wasm_slim_bg.wasm', import.meta.resolve('harper.js'));

/** Reads passages for how they are said. */
export const readUsage = usageReader(createBinaryModuleFromUrl(binary.href, 'slim'));
