import { derivedId } from '../derivedId';

export const demoId = (name: string): string => derivedId(`idiom demo ${name}`);
