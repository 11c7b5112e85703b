import fc from 'fast-check';

/** Property tests draw the same cases on every run; IRON_CLASP_SEED explores others. */
fc.configureGlobal({ seed: Number(process.env.IRON_CLASP_SEED ?? 20_261_125) });
