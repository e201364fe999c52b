/** For every property test: how many cases, and an end to the search for a smaller counterexample. */
import fc from 'fast-check';

fc.configureGlobal({ numRuns: Number(process.env.IDIOM_PROPERTY_RUNS ?? 100), interruptAfterTimeLimit: 30_000 });
