import { v4 } from 'uuid';

/** The id of something new, made on the device: what is sent twice under it is recorded once. */
export const newId = (): string => v4();
