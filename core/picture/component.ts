/** What of a component decides how it is drawn, in the plane and in space alike. */

/** Ropes, slings and hosts are drawn as rope; rings and posts plainly, so that nobody takes them for it. */
export const isRope = ({ role }: { readonly role: string }): boolean => role !== 'ring' && role !== 'post';
