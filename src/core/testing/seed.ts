import fc from 'fast-check';

/** Of `npm test`: the same cases on every machine and every day. */
const USUAL_SEED = 2026;

// Before each file of tests: what its properties are tried with. A soak tries other cases every time, all from one number.
fc.configureGlobal({ seed: Number(process.env.IVYLOOM_SEED ?? USUAL_SEED) });
