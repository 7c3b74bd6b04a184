/**
 * Property tests draw the same cases in every `npm test`, so that what is green stays green until the code changes.
 * `npm run properties` looks for new cases with new seeds; what it finds becomes an example test.
 */
import fc from 'fast-check';

fc.configureGlobal({ seed: Number(process.env.PROPERTY_SEED ?? 1) });
