/** What the tests of pages wait for is waited for until it is there: a limit of a second is the clock of a fast machine. */
import { configure } from '@testing-library/react';

configure({ asyncUtilTimeout: 120_000 });
