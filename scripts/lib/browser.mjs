/** The browser of the journeys. */
import { existsSync } from 'node:fs';

const BROWSERS = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'];

/** The one without windows where it is there: it takes less of the processor; the whole one will do. */
export const browserPath = () => BROWSERS.find((path) => existsSync(path)) ?? BROWSERS[0];

/** What must be there for it: the file, and the package it is in. */
export const browserWanted = () => [browserPath(), browserPath().replace('/usr/bin/', '')];
