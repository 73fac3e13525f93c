export const ROLES = ['operator', 'formulator', 'release_lead', 'reader'] as const;
export type Role = (typeof ROLES)[number];
