import type { Person } from '@/features/accounts/identify';

/** A signed-in person for tests. */
export const person = (name: string, role: Person['role']): Person => ({
  id: name,
  name,
  email: `${name}@test.example`,
  role,
});
