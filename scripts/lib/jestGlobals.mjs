/** What tests import of @jest/globals, where they run in Node itself: the runner has put it there. */
export const { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it, jest, test } = globalThis;
