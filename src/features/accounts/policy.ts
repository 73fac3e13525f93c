import type { Role } from '@/platform/auth';

/** What a person may do; every page, action and route asks here. */
export type Permission = 'read' | 'work_batches' | 'write_recipes' | 'decide' | 'sign' | 'run_site';

const ALLOWED: Record<Role, readonly Permission[]> = {
  reader: ['read'],
  operator: ['read', 'work_batches'],
  formulator: ['read', 'work_batches', 'write_recipes'],
  release_lead: ['read', 'work_batches', 'write_recipes', 'decide', 'sign', 'run_site'],
};

export const may = (role: Role, permission: Permission) => ALLOWED[role].includes(permission);
