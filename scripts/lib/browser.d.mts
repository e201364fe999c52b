export function browserPath(): string;
export function browserWanted(): [file: string, debianPackage: string];
