// What tests make up by chance is made up alike each time; FUZZ_SEED takes another seed ("new": one nobody had yet).
import fc from 'fast-check';

const asked = process.env.FUZZ_SEED ?? '20261';
const seed = asked === 'new' ? Date.now() | 0 : Number(asked);
if (asked === 'new') console.log(`Made up from seed ${seed}`);
fc.configureGlobal({ seed });
