/** The roles of people. Apart from the schemas, so that a browser can have them without those. */
export const ROLES = ['instructor', 'assessor', 'inspector', 'learner', 'owner'] as const;
export type Role = (typeof ROLES)[number];
/** Roles that may record and sign checks. A learner's look is practice, no evidence. */
export const RECORDING_ROLES = ['instructor', 'assessor', 'inspector', 'owner'] as const satisfies readonly Role[];
/** Roles that may correct somebody else's check; whoever made it may always. */
export const CORRECTING_ROLES = ['instructor', 'inspector'] as const satisfies readonly Role[];
